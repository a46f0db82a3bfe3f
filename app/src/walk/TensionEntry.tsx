import { useState } from 'react';
import { View } from 'react-native';
import { Feel, type FeelCheck, type MarkCheck, type ReadingValue } from '@green-tally/core/contracts';
import { FEEL_WORDS } from '@green-tally/core/verdict';
import { useDraft } from '../store';
import { Card, Choice, Heading, Press, Stepper, Strong } from '../ui';
import type { EntryProps, Taken } from './entries';
import { readLength, readTravel } from './lengthText';
import { Schematic } from './schematics/Schematic';
import { TextEntry } from './TextEntry';

interface Half {
  readonly stand: string;
  readonly by: string;
  readonly left: string;
}
const EMPTY: Half = { stand: '', by: '', left: '' };

const MARKS = [
  { value: 'short', title: 'Short of it', text: 'washer not yet at the end of the gauge' },
  { value: 'at', title: 'At it', text: 'washer level with the end' },
  { value: 'past', title: 'Past it', text: 'washer beyond the end' },
] as const;

const FEELS: Readonly<Record<Feel, string>> = {
  stuck: 'does not move sideways', justSlides: 'slides with a push, cannot be pulled away', slidesEasily: 'slides freely, cannot be pulled away', hangs: 'can be pulled away from the teeth',
};

/** Tension by an indicator or a feel, always with the travel left: the one proves nothing without the other. */
export function TensionEntry({ check, places, draftKey, onTake, onDone, frame, linksOut, state }: EntryProps<MarkCheck | FeelCheck>) {
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
      const travel = half.left.trim() === '' ? { trouble: 'Give the travel left: without it the tension proves nothing. 0 when there is none.' } : readTravel(half.left, 'mm', check.takeUp.total);
      if ('trouble' in main) found[`${place} stand`] = main.trouble;
      if ('trouble' in travel) found[`${place} left`] = travel.trouble;
      if (!('trouble' in main) && !('trouble' in travel)) taken.push({ place, value: main.value }, { place, value: { kind: 'travel', left: travel.mm, linksOut: links, typed: half.left.trim(), unit: travel.unit } });
    }
    setTroubles(found);
    if (Object.keys(found).length) return;
    await onTake(taken);
    setDraft('');
    onDone();
  };
  const trouble = (key: string) => (troubles[key] ? <View role="alert"><Strong tone="rust">{troubles[key]}</Strong></View> : null);
  const body = (
    <>
      <Schematic check={check} />
      {places.map((place) => {
        const half = at(place);
        return (
          <Card key={place} testID={`half ${place}`}>
            {places.length > 1 ? <Heading>{`${place.charAt(0).toUpperCase()}${place.slice(1)} side`}</Heading> : null}
            {check.kind === 'mark'
              ? <Choice label={`Where does the washer stand${places.length > 1 ? `, ${place}` : ''}?`} value={half.stand === '' ? undefined : half.stand} onChange={(stand: string) => change(place, { stand })} options={MARKS.map((m) => ({ value: m.value, title: m.title }))} />
              : <Choice tall label="How does the chain move on the lower sprocket?" value={half.stand === '' ? undefined : half.stand} onChange={(stand: string) => change(place, { stand })} options={Feel.options.map((f) => ({ value: f, title: capital(FEEL_WORDS[f]), text: FEELS[f] }))} />}
            {trouble(`${place} stand`)}
            {check.kind === 'mark' && (half.stand === 'short' || half.stand === 'past') ? <TextEntry label={`By how much, mm (${place})`} value={half.by} onChange={(by) => change(place, { by })} hint="2" numeric /> : null}
            <TextEntry label={`Slot left, mm, of ${check.takeUp.total}${places.length > 1 ? ` (${place})` : ''}`} value={half.left} onChange={(left) => change(place, { left })} hint="measure it" numeric />
            {trouble(`${place} left`)}
          </Card>
        );
      })}
      {state === 'asLeft' && linksOut > 0 ? <Card><Stepper label="Half links taken out" value={links} onChange={setLinks} max={12} /></Card> : null}
    </>
  );
  return <>{frame(body, <Press fill="pine" title="Judge it" testID="judge" onPress={() => void judge()} />)}</>;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function mainValue(check: MarkCheck | FeelCheck, half: Half): { value: ReadingValue } | { trouble: string } {
  if (check.kind === 'feel') {
    const feel = Feel.safeParse(half.stand);
    return feel.success ? { value: { kind: 'feel', feel: feel.data } } : { trouble: 'Choose how the chain moves.' };
  }
  if (half.stand === 'at') return { value: { kind: 'mark', stands: 'at', by: 0 } };
  if (half.stand !== 'short' && half.stand !== 'past') return { trouble: 'Choose where the washer stands.' };
  const by = readLength(half.by, 'mm', 500);
  return 'trouble' in by ? { trouble: `By how much? ${by.trouble}` } : { value: { kind: 'mark', stands: half.stand, by: by.mm } };
}

function readDraft(text: string): Readonly<Record<string, Half>> {
  try {
    return text ? (JSON.parse(text) as Record<string, Half>) : {};
  } catch {
    return {};
  }
}
