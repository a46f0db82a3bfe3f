import { useState } from 'react';
import { View } from 'react-native';
import {
  Feel,
  type FeelCheck,
  type MarkCheck,
  type ReadingValue,
} from '@green-tally/core/contracts';
import { FEEL_WORDS } from '@green-tally/core/kinds';
import { useDraft } from '../store';
import { Card, Choice, Heading, Press, Quiet, Stepper, Strong } from '../ui';
import type { EntryProps, Taken } from './entries';
import { readLength, readTravel } from './lengthText';
import { Schematic } from '../schematics/Schematic';
import { TextEntry } from './TextEntry';

interface Half {
  readonly stand: string;
  readonly by: string;
  readonly left: string;
  readonly play: string;
}
const EMPTY: Half = { stand: '', by: '', left: '', play: '' };

const MARKS = [
  { value: 'short', title: 'Short of it' },
  { value: 'at', title: 'At it' },
  { value: 'past', title: 'Past it' },
] as const;

const FEELS: Readonly<Record<Feel, string>> = {
  stuck: 'does not move sideways',
  justSlides: 'slides with a push, cannot be pulled away',
  slidesEasily: 'slides freely, cannot be pulled away',
  hangs: 'can be pulled away from the teeth',
};

/** Tension by an indicator or a feel, always with the travel left: the one proves nothing without the other. */
export function TensionEntry({
  check,
  places,
  draftKey,
  onTake,
  onDone,
  frame,
  linksOut,
  state,
}: EntryProps<MarkCheck | FeelCheck>) {
  const [draft, setDraft] = useDraft(`${draftKey}|tension`);
  const [links, setLinks] = useState(linksOut);
  const [troubles, setTroubles] = useState<Readonly<Record<string, string>>>({});
  const halves = readDraft(draft);
  const at = (place: string): Half => halves[place] ?? EMPTY;
  const change = (place: string, half: Partial<Half>) => {
    setDraft(JSON.stringify({ ...halves, [place]: { ...at(place), ...half } }));
    setTroubles({});
  };
  const judge = async () => {
    const found: Record<string, string> = {};
    const taken: Taken[] = [];
    for (const place of places) {
      const half = at(place);
      const main = mainValue(check, half);
      const travel = !check.takeUp
        ? undefined
        : half.left.trim() === ''
          ? {
              trouble:
                'Give the travel left: without it the tension proves nothing. 0 when there is none.',
            }
          : readTravel(half.left, 'mm', check.takeUp.total);
      if ('trouble' in main) found[`${place} stand`] = main.trouble;
      if (travel && 'trouble' in travel) found[`${place} left`] = travel.trouble;
      if ('trouble' in main || (travel && 'trouble' in travel)) continue;
      taken.push({ place, value: main.value });
      if (travel)
        taken.push({
          place,
          value: {
            kind: 'travel',
            left: travel.mm,
            linksOut: links,
            typed: half.left.trim(),
            unit: travel.unit,
          },
        });
    }
    setTroubles(found);
    if (Object.keys(found).length) return;
    await onTake(taken);
    setDraft('');
    onDone();
  };
  const trouble = (key: string) =>
    troubles[key] ? (
      <View role="alert">
        <Strong tone="rust">{troubles[key]}</Strong>
      </View>
    ) : null;
  const body = (
    <>
      <Schematic check={check} />
      {check.kind === 'mark' && places.length > 1 ? (
        <Quiet>{`Short: ${check.words.short}. At: ${check.words.at}. Past: ${check.words.past}.`}</Quiet>
      ) : null}
      {places.map((place) => {
        const half = at(place);
        return (
          <Card key={place} testID={`half ${place}`}>
            {places.length > 1 ? (
              <Heading>{`${place.charAt(0).toUpperCase()}${place.slice(1)} side`}</Heading>
            ) : null}
            {check.kind === 'mark' ? (
              <Choice
                label={`Where does it stand${places.length > 1 ? `, ${place}` : ''}?`}
                value={half.stand === '' ? undefined : half.stand}
                onChange={(stand: string) => change(place, { stand })}
                tall={places.length === 1}
                options={MARKS.map((m) => ({
                  value: m.value,
                  title: m.title,
                  ...(places.length === 1 ? { text: check.words[m.value] } : {}),
                }))}
              />
            ) : (
              <Choice
                tall
                label="How does the chain move on the lower sprocket?"
                value={half.stand === '' ? undefined : half.stand}
                onChange={(stand: string) => change(place, { stand })}
                options={Feel.options.map((f) => ({
                  value: f,
                  title: capital(FEEL_WORDS[f]),
                  text: FEELS[f],
                }))}
              />
            )}
            {check.kind === 'feel' && check.asksPlay ? (
              <Choice
                label="Up-and-down play on the sprocket?"
                value={half.play === '' ? undefined : half.play}
                onChange={(play: string) => change(place, { play })}
                options={[
                  { value: 'no', title: 'None' },
                  { value: 'yes', title: 'It has play' },
                ]}
              />
            ) : null}
            {trouble(`${place} stand`)}
            {check.kind === 'mark' && (half.stand === 'short' || half.stand === 'past') ? (
              <TextEntry
                label={`By how much, mm (${place})`}
                value={half.by}
                onChange={(by) => change(place, { by })}
                hint="2"
                numeric
              />
            ) : null}
            {check.takeUp ? (
              <TextEntry
                label={`Slot left, mm, of ${check.takeUp.total}${places.length > 1 ? ` (${place})` : ''}`}
                value={half.left}
                onChange={(left) => change(place, { left })}
                hint="measure it"
                numeric
              />
            ) : null}
            {trouble(`${place} left`)}
          </Card>
        );
      })}
      {state === 'asLeft' && linksOut > 0 ? (
        <Card>
          <Stepper label="Half links taken out" value={links} onChange={setLinks} max={12} />
        </Card>
      ) : null}
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

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function mainValue(
  check: MarkCheck | FeelCheck,
  half: Half,
): { value: ReadingValue } | { trouble: string } {
  if (check.kind === 'feel') {
    const feel = Feel.safeParse(half.stand);
    if (!feel.success) return { trouble: 'Choose how the chain moves.' };
    if (check.asksPlay && half.play === '') return { trouble: 'Say whether it has play.' };
    return {
      value: {
        kind: 'feel',
        feel: feel.data,
        ...(check.asksPlay ? { play: half.play === 'yes' } : {}),
      },
    };
  }
  if (half.stand === 'at') return { value: { kind: 'mark', stands: 'at', by: 0 } };
  if (half.stand !== 'short' && half.stand !== 'past')
    return { trouble: 'Choose where it stands.' };
  const by = readLength(half.by, 'mm', 500);
  return 'trouble' in by
    ? { trouble: `By how much? ${by.trouble}` }
    : { value: { kind: 'mark', stands: half.stand, by: by.mm } };
}

function readDraft(text: string): Readonly<Record<string, Half>> {
  try {
    return text ? (JSON.parse(text) as Record<string, Half>) : {};
  } catch {
    return {};
  }
}
