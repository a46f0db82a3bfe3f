import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { Feel, type CheckOf } from '@green-tally/core/contracts';
import { atPlace, FEEL_WORDS } from '@green-tally/core/kinds';
import { Schematic } from '../schematics/Schematic';
import { useDraft } from '../store';
import { Card, Choice, Heading, Press, Quiet, Strong, TextEntry } from '../ui';
import { Stepper } from '../ui/Stepper';
import type { Entered, EntryProps, Taken } from './entries';
import { readLength, readTravel, type ReadText } from './readText';

type TensionCheck = CheckOf<'mark' | 'feel'>;

/** What is chosen and typed for one side. */
const Half = z.object({
  stand: z.string(),
  by: z.string(),
  left: z.string(),
  play: z.string(),
});
type Half = z.infer<typeof Half>;
const Halves = z.record(z.string(), Half);
const EMPTY: Half = { stand: '', by: '', left: '', play: '' };

/**
 * Tension by an indicator or a feel, always with the travel left: the one proves nothing without
 * the other.
 */
export function TensionEntry(props: EntryProps<TensionCheck>) {
  const { check, places, draftKey, onTake, onDone, frame, linksOut, state } = props;
  const [halves, setHalves] = useDraft(`${draftKey}|tension`, Halves, {});
  const [links, setLinks] = useState(linksOut);
  const [troubles, setTroubles] = useState<Readonly<Record<string, SideTroubles>>>({});
  const at = (place: string): Half => halves[place] ?? EMPTY;
  const change = (place: string, half: Partial<Half>) => {
    setHalves((now) => ({ ...now, [place]: { ...(now[place] ?? EMPTY), ...half } }));
    setTroubles({});
  };
  const judge = async () => {
    const read = places.map((place) => ({
      place,
      ...readSide(atPlace(check, place), at(place), links),
    }));
    setTroubles(Object.fromEntries(read.map(({ place, troubles: t }) => [place, t])));
    if (read.some((r) => r.troubles.stand || r.troubles.left)) return;
    const taken = read.flatMap(({ place, values }) => values.map((value) => ({ place, value })));
    if (!(await onTake(taken))) return;
    setHalves({});
    onDone();
  };
  const body = (
    <>
      <Schematic check={check} />
      {check.kind === 'mark' && places.length > 1 ? (
        <Quiet>{`Short: ${check.words.short}. At: ${check.words.at}. Past: ${check.words.past}.`}</Quiet>
      ) : null}
      {places.map((place) => (
        <Side
          key={place}
          check={atPlace(check, place)}
          place={place}
          alone={places.length === 1}
          half={at(place)}
          troubles={troubles[place] ?? {}}
          onChange={(half) => change(place, half)}
        />
      ))}
      {state === 'asLeft' && linksOut > 0 ? (
        <Card>
          <Stepper label="Half links taken out" value={links} onChange={setLinks} max={12} />
        </Card>
      ) : null}
    </>
  );
  const footer = <Press fill="pine" title="Judge it" testID="judge" onPress={() => void judge()} />;
  return <>{frame(body, footer)}</>;
}

interface SideTroubles {
  readonly stand?: string;
  readonly left?: string;
}

interface SideProps {
  readonly check: TensionCheck;
  readonly place: string;
  /** the only side: with a line of words for each choice */
  readonly alone: boolean;
  readonly half: Half;
  readonly troubles: SideTroubles;
  readonly onChange: (half: Partial<Half>) => void;
}

function Side({ check, place, alone, half, troubles, onChange }: SideProps) {
  const of = alone ? '' : ` (${place})`;
  return (
    <Card testID={`half ${place}`}>
      {alone ? null : <Heading>{`${place.charAt(0).toUpperCase()}${place.slice(1)} side`}</Heading>}
      {check.kind === 'mark' ? (
        <MarkChoice check={check} place={place} alone={alone} half={half} onChange={onChange} />
      ) : (
        <FeelChoice check={check} half={half} onChange={onChange} />
      )}
      <Trouble text={troubles.stand} />
      {check.kind === 'mark' && (half.stand === 'short' || half.stand === 'past') ? (
        <TextEntry
          label={`By how much, mm (${place})`}
          value={half.by}
          onChange={(by) => onChange({ by })}
          hint="2"
          numeric
        />
      ) : null}
      {check.takeUp ? (
        <TextEntry
          label={`Slot left, mm, of ${check.takeUp.total}${of}`}
          value={half.left}
          onChange={(left) => onChange({ left })}
          hint="measure it"
          numeric
        />
      ) : null}
      <Trouble text={troubles.left} />
    </Card>
  );
}

function Trouble({ text }: { text: string | undefined }) {
  return text ? (
    <View role="alert">
      <Strong tone="rust">{text}</Strong>
    </View>
  ) : null;
}

const MARKS = [
  { value: 'short', title: 'Short of it' },
  { value: 'at', title: 'At it' },
  { value: 'past', title: 'Past it' },
] as const;

type ChoiceOf<K extends TensionCheck['kind']> = Pick<SideProps, 'half' | 'onChange'> & {
  readonly check: CheckOf<K>;
};

function MarkChoice({
  check,
  place,
  alone,
  half,
  onChange,
}: ChoiceOf<'mark'> & Pick<SideProps, 'place' | 'alone'>) {
  return (
    <Choice
      label={`Where does it stand${alone ? '' : `, ${place}`}?`}
      value={half.stand === '' ? undefined : half.stand}
      onChange={(stand: string) => onChange({ stand })}
      tall={alone}
      options={MARKS.map((m) => ({
        value: m.value,
        title: m.title,
        ...(alone ? { text: check.words[m.value] } : {}),
      }))}
    />
  );
}

const FEELS: Readonly<Record<Feel, string>> = {
  stuck: 'does not move sideways',
  justSlides: 'slides with a push, cannot be pulled away',
  slidesEasily: 'slides freely, cannot be pulled away',
  hangs: 'can be pulled away from the teeth',
};

function FeelChoice({ check, half, onChange }: ChoiceOf<'feel'>) {
  return (
    <>
      <Choice
        tall
        label="How does the chain move on the lower sprocket?"
        value={half.stand === '' ? undefined : half.stand}
        onChange={(stand: string) => onChange({ stand })}
        options={Feel.options.map((f) => ({
          value: f,
          title: capital(FEEL_WORDS[f]),
          text: FEELS[f],
        }))}
      />
      {check.asksPlay ? (
        <Choice
          label="Up-and-down play on the sprocket?"
          value={half.play === '' ? undefined : half.play}
          onChange={(play: string) => onChange({ play })}
          options={[
            { value: 'no', title: 'None' },
            { value: 'yes', title: 'It has play' },
          ]}
        />
      ) : null}
    </>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** One side as it is taken: its tension and its travel left, or what is missing of them. */
function readSide(
  check: TensionCheck,
  half: Half,
  linksOut: number,
): { readonly values: Taken['value'][]; readonly troubles: SideTroubles } {
  const stand = check.kind === 'feel' ? readFeel(check, half) : readMark(half);
  const left = check.takeUp ? readSlot(half.left, check.takeUp.total) : undefined;
  const troubles = {
    ...('trouble' in stand ? { stand: stand.trouble } : {}),
    ...(left && 'trouble' in left ? { left: left.trouble } : {}),
  };
  if ('trouble' in stand) return { values: [], troubles };
  if (!left || 'trouble' in left) return { values: [stand.value], troubles };
  const { value, unit } = left;
  return {
    values: [stand.value, { kind: 'travel', left: value, linksOut, typed: half.left.trim(), unit }],
    troubles,
  };
}

const readSlot = (text: string, total: number): ReadText =>
  text.trim() === ''
    ? {
        trouble:
          'Give the travel left: without it the tension proves nothing. 0 when there is none.',
      }
    : readTravel(text, 'mm', total);

function readFeel({ asksPlay }: CheckOf<'feel'>, { stand, play }: Half): Entered {
  const feel = Feel.safeParse(stand);
  if (!feel.success) return { trouble: 'Choose how the chain moves.' };
  if (asksPlay && play === '') return { trouble: 'Say whether it has play.' };
  const said = asksPlay ? { play: play === 'yes' } : {};
  return { value: { kind: 'feel', feel: feel.data, ...said } };
}

function readMark({ stand, by: typed }: Half): Entered {
  if (stand === 'at') return { value: { kind: 'mark', stands: 'at', by: 0 } };
  if (stand !== 'short' && stand !== 'past') return { trouble: 'Choose where it stands.' };
  const by = readLength(typed, 'mm', 500);
  return 'trouble' in by
    ? { trouble: `By how much? ${by.trouble}` }
    : { value: { kind: 'mark', stands: stand, by: by.value } };
}
