import { useState } from 'react';
import { View } from 'react-native';
import type {
  ConditionCheck,
  GoNoGoCheck,
  LevelCheck,
  ReadingValue,
  ServiceCheck,
  SettingCheck,
} from '@green-tally/core/contracts';
import { expectedOption } from '@green-tally/core/kinds';
import { printNumber } from '@green-tally/core/units';
import { useDraft } from '../store';
import { Card, Choice, Heading, Notice, Press, Quiet, Row, Strong, Tap, usePalette } from '../ui';
import type { EntryProps, Taken } from './entries';
import { Schematic } from '../schematics/Schematic';
import { TextEntry } from './TextEntry';

type SeenCheck = GoNoGoCheck | ConditionCheck | LevelCheck | SettingCheck | ServiceCheck;

/** What is chosen and written for one place. */
interface Seen {
  readonly choice: string;
  readonly seen: readonly string[];
  readonly text: string;
}
const EMPTY: Seen = { choice: '', seen: [], text: '' };

/** What is seen rather than measured: a gauge that fits, a condition, a level, a setting, a service done; place by place, or all alike with one tap. */
export function SeenEntry({
  check,
  file,
  places,
  draftKey,
  onTake,
  onDone,
  frame,
}: EntryProps<SeenCheck>) {
  const [draft, setDraft] = useDraft(`${draftKey}|seen`);
  const [troubles, setTroubles] = useState<Readonly<Record<string, string>>>({});
  const seen = readDraft(draft);
  const at = (place: string): Seen => seen[place] ?? EMPTY;
  const good = goodChoice(check, file.machine.harvest.crop, file.machine.header?.model);
  const change = (place: string, part: Partial<Seen>) => {
    setDraft(JSON.stringify({ ...seen, [place]: { ...at(place), ...part } }));
    setTroubles({});
  };
  const judge = async () => {
    const found: Record<string, string> = {};
    const taken: Taken[] = [];
    for (const place of places) {
      const value = valueOf(check, at(place));
      if ('trouble' in value) found[place] = value.trouble;
      else taken.push({ place, value: value.value });
    }
    setTroubles(found);
    if (Object.keys(found).length) return;
    await onTake(taken);
    setDraft('');
    onDone();
  };
  const body = (
    <>
      <Schematic check={check} />
      <Wanted check={check} crop={file.machine.harvest.crop} header={file.machine.header?.model} />
      {places.length > 1 && good ? (
        <Press
          title={`All ${places.length}: ${good.title.toLowerCase()}`}
          testID="all alike"
          onPress={() => {
            setDraft(
              JSON.stringify(
                Object.fromEntries(
                  places.map((p) => [p, at(p).choice ? at(p) : { ...EMPTY, choice: good.value }]),
                ),
              ),
            );
            setTroubles({});
          }}
        />
      ) : null}
      {places.map((place) => (
        <Card key={place} testID={`seen ${place}`}>
          {places.length > 1 ? <Heading>{place}</Heading> : null}
          <Choice
            label={question(check)}
            value={at(place).choice === '' ? undefined : at(place).choice}
            onChange={(choice: string) => change(place, { choice })}
            options={optionsOf(check)}
            tall={places.length === 1}
          />
          <More
            check={check}
            seen={at(place)}
            place={places.length > 1 ? ` (${place})` : ''}
            onChange={(part) => change(place, part)}
          />
          {troubles[place] ? (
            <View role="alert">
              <Strong tone="rust">{troubles[place]}</Strong>
            </View>
          ) : null}
        </Card>
      ))}
    </>
  );
  return (
    <>
      {frame(
        body,
        <Press fill="pine" title="Judge it" testID="judge" onPress={() => void judge()} />,
      )}
    </>
  );
}

/** What is asked beside the choice: what was seen, the colour, the amount and product. */
function More({
  check,
  seen,
  place,
  onChange,
}: {
  check: SeenCheck;
  seen: Seen;
  place: string;
  onChange: (part: Partial<Seen>) => void;
}) {
  const palette = usePalette();
  if (check.kind === 'condition' && (seen.choice === 'marked' || seen.choice === 'damaged')) {
    return (
      <>
        <Row style={{ gap: 8 }}>
          {check.looksFor.map((what) => {
            const on = seen.seen.includes(what);
            return (
              <Tap
                key={what}
                selected={on}
                label={what}
                onPress={() =>
                  onChange({
                    seen: on ? seen.seen.filter((s) => s !== what) : [...seen.seen, what],
                  })
                }
                style={{
                  minHeight: 48,
                  borderRadius: 24,
                  borderWidth: on ? 4 : 2,
                  borderColor: on ? palette.pine : palette.line,
                  backgroundColor: on ? palette.pineTint : palette.card,
                  paddingHorizontal: 14,
                  justifyContent: 'center',
                }}
              >
                <Strong>{what}</Strong>
              </Tap>
            );
          })}
        </Row>
        <TextEntry
          label={`What else was seen${place}`}
          value={seen.text}
          onChange={(text) => onChange({ text })}
          hint="where, how far"
        />
      </>
    );
  }
  if (check.kind === 'level' && check.colours.length)
    return (
      <Choice
        label={`Its colour${place}`}
        value={seen.text === '' ? undefined : seen.text}
        onChange={(text: string) => onChange({ text })}
        options={['clear', ...check.colours].map((c) => ({ value: c, title: c }))}
      />
    );
  if (check.kind === 'service' && seen.choice === 'done') {
    return (
      <>
        {check.asks === 'done' ? null : (
          <TextEntry
            label={`How many ${check.asks}${place}`}
            value={seen.text}
            onChange={(text) => onChange({ text })}
            hint={printNumber(check.amount ?? 0, 1)}
            numeric
          />
        )}
        <TextEntry
          label={`Another product than ${check.product}${place}`}
          value={seen.seen[0] ?? ''}
          onChange={(product) => onChange({ seen: product ? [product] : [] })}
          hint="leave empty when it is the book's"
        />
      </>
    );
  }
  return null;
}

/** What the sheet wants here, said before it is looked at. */
function Wanted({
  check,
  crop,
  header,
}: {
  check: SeenCheck;
  crop: string;
  header: string | undefined;
}) {
  if (check.kind === 'setting') {
    const wanted = expectedOption(check, crop, header);
    return (
      <Notice
        tone="blue"
        title={wanted ? `${crop} wants: ${wanted.option}` : `Nothing is given for ${crop}`}
        text={
          wanted?.because ??
          (wanted
            ? `What is it set to${header ? ` with the ${header} on` : ''}?`
            : "See the maker's manual.")
        }
      />
    );
  }
  if (check.kind === 'service')
    return (
      <Quiet>{`${check.amount === undefined ? '' : `${printNumber(check.amount, 1)} ${check.amount === 1 && check.asks === 'strokes' ? 'stroke' : check.asks} of `}${check.product}${check.most === undefined ? '' : `, never more than ${printNumber(check.most, 1)}`}`}</Quiet>
    );
  if (check.kind === 'level') return <Quiet>{`${check.product}, read at the ${check.eye}`}</Quiet>;
  return check.kind === 'gonogo' ? (
    <Quiet>{`Good when the gauge ${check.good === 'fits' ? 'fits' : 'does not fit'}`}</Quiet>
  ) : null;
}

interface Option {
  readonly value: string;
  readonly title: string;
  readonly text?: string;
}

function optionsOf(check: SeenCheck): Option[] {
  switch (check.kind) {
    case 'gonogo':
      return [
        { value: 'fits', title: 'It fits' },
        { value: 'doesNotFit', title: 'It does not fit' },
      ];
    case 'condition':
      return [
        { value: 'sound', title: 'Sound' },
        { value: 'marked', title: 'Marked' },
        { value: 'damaged', title: 'Damaged' },
      ];
    case 'level':
      return [
        { value: 'low', title: 'Low' },
        { value: 'right', title: 'Right' },
        { value: 'high', title: 'High' },
      ];
    case 'setting':
      return check.options.map((o) => ({ value: o, title: o }));
    case 'service':
      return [{ value: 'done', title: 'Done now' }];
  }
}

const question = (check: SeenCheck): string =>
  ({
    gonogo: 'Try the gauge',
    condition: 'What does it look like?',
    level: 'Where does it stand?',
    setting: 'What is it set to?',
    service: 'Is it done?',
  })[check.kind];

/** The answer most places give, offered for all at once; a setting is never guessed for several. */
function goodChoice(
  check: SeenCheck,
  crop: string,
  header: string | undefined,
): Option | undefined {
  const value = {
    gonogo: check.kind === 'gonogo' ? check.good : '',
    condition: 'sound',
    level: 'right',
    service: 'done',
    setting: check.kind === 'setting' ? (expectedOption(check, crop, header)?.option ?? '') : '',
  }[check.kind];
  return optionsOf(check).find((o) => o.value === value);
}

function valueOf(
  check: SeenCheck,
  { choice, seen, text }: Seen,
): { value: ReadingValue } | { trouble: string } {
  if (!optionsOf(check).some((o) => o.value === choice)) return { trouble: 'Choose one.' };
  switch (check.kind) {
    case 'gonogo':
      return { value: { kind: 'gonogo', fits: choice === 'fits' } };
    case 'condition':
      if (choice !== 'sound' && !seen.length && !text.trim())
        return { trouble: 'Say what was seen.' };
      return {
        value: {
          kind: 'condition',
          grade: choice as 'sound' | 'marked' | 'damaged',
          seen: choice === 'sound' ? [] : [...seen],
          found: choice === 'sound' ? '' : text.trim(),
        },
      };
    case 'level':
      return { value: { kind: 'level', level: choice as 'low' | 'right' | 'high', colour: text } };
    case 'setting':
      return { value: { kind: 'setting', option: choice } };
    case 'service': {
      const amount = text.trim() === '' ? null : Number(text.replace(',', '.'));
      if (check.asks !== 'done' && amount === null)
        return {
          trouble: `How many ${check.asks}? ${printNumber(check.amount ?? 0, 1)} are wanted.`,
        };
      if (amount !== null && !(Number.isFinite(amount) && amount >= 0 && amount <= 10_000))
        return { trouble: `"${text}" is not a number of ${check.asks}.` };
      return { value: { kind: 'service', amount, product: seen[0]?.trim() ?? '' } };
    }
  }
}

function readDraft(text: string): Readonly<Record<string, Seen>> {
  try {
    return text ? (JSON.parse(text) as Record<string, Seen>) : {};
  } catch {
    return {};
  }
}
