import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { CheckUnit, QUANTITY_UNITS, type CheckOf } from '@green-tally/core/contracts';
import { atPlace, limitWords } from '@green-tally/core/kinds';
import { printNumber, readsTo } from '@green-tally/core/units';
import { Schematic } from '../schematics/Schematic';
import { useTextDraft } from '../store';
import { Choice, Press, Quiet, SPACE, Strong, TextEntry, useWide } from '../ui';
import { Pad } from '../ui/Pad';
import type { EntryProps } from './entries';
import { readMeasured } from './readText';
import { ToolCard } from './tools/ToolCard';
import { useToolAtHand } from './tools/useToolAtHand';

/** A length at one place: the pad, repeats, and "looks" where the check offers it. */
export function MeasureEntry(props: EntryProps<CheckOf<'measure'>>) {
  const { places, readings, draftKey, onTake, onDone, frame, state } = props;
  const place = places[0] ?? '';
  const check = atPlace(props.check, place);
  const [text, setText] = useTextDraft(`${draftKey}|pad`);
  const [unit, setUnit] = useState<CheckUnit>(check.unit);
  const [trouble, setTrouble] = useState<string | undefined>();
  const [looking, setLooking] = useState(false);
  const wide = useWide();
  const hand = useToolAtHand(
    check,
    (sent) => {
      if (sent.quantity !== check.quantity) return;
      setUnit(CheckUnit.parse(sent.unit));
      setText(printNumber(sent.value, 4));
      setTrouble(undefined);
    },
    { draftKey, text },
  );
  const taken = readings.filter((r) => r.place === place && r.value.kind === 'measure').length;
  const judge = async () => {
    const read = readMeasured(text, check, unit);
    if ('trouble' in read) return setTrouble(read.trouble);
    const value = {
      kind: 'measure' as const,
      values: [read.value],
      typed: [text.trim()],
      unit: read.unit,
    };
    if (!(await onTake([{ place, value, tool: hand.tool }]))) return;
    setText('');
    onDone();
  };
  const body = (
    <>
      {hand.open ? <ToolCard check={check} hand={hand} /> : <Schematic check={check} />}
      <Quiet>{limitWords(check)}</Quiet>
      {hand.open ? null : <ToolCard check={check} hand={hand} />}
      {looking ? <LookEntry {...props} place={place} onBack={() => setLooking(false)} /> : null}
    </>
  );
  const footer = (
    <>
      <Pad
        label={`${state === 'asLeft' ? 'as left' : `reading ${taken + 1}`} · ${hand.tool.name}, ${readsTo(hand.tool.resolution, check)}${hand.tool.outOfDate ? ', out of date' : ''}`}
        text={text}
        unit={unit}
        units={QUANTITY_UNITS[check.quantity]}
        onText={(t) => {
          setText(t);
          setTrouble(undefined);
        }}
        onUnit={(u) => setUnit(CheckUnit.parse(u))}
        onEnter={() => void judge()}
        trouble={trouble}
        autoFocus={wide}
        extras={[
          ...(check.lookAlone && state === 'asFound'
            ? [{ title: 'looks…', onPress: () => setLooking(true) }]
            : []),
          { title: 'tool', label: 'measured with another tool', onPress: hand.toggle },
        ]}
      />
      <Press fill="pine" title="Judge it" testID="judge" onPress={() => void judge()} />
    </>
  );
  return <>{frame(body, looking ? <Strong>Choose above what was seen.</Strong> : footer)}</>;
}

interface LookEntryProps extends EntryProps<CheckOf<'measure'>> {
  readonly place: string;
  readonly onBack: () => void;
}

/** What a mere look tells: it may damn, it never passes. */
function LookEntry({ check, place, draftKey, onTake, onDone, onBack }: LookEntryProps) {
  const [found, setFound] = useTextDraft(`${draftKey}|look`);
  const look = async (seen: 'fine' | 'damaged') => {
    const what = seen === 'damaged' ? found.trim() : '';
    if (!(await onTake([{ place, value: { kind: 'look', seen, found: what } }]))) return;
    setFound('');
    onBack();
    onDone();
  };
  return (
    <View style={styles.look}>
      <Choice
        label="What does a look tell?"
        value={undefined}
        onChange={(seen: 'fine' | 'damaged') => void look(seen)}
        tall
        options={[
          {
            value: 'fine',
            title: 'It looks fine',
            text: `does not pass it: the ${check.measures} still has to be measured`,
          },
          {
            value: 'damaged',
            title: 'It is damaged',
            text: 'cracks, fraying, heat marks, missing cogs: write below what, then tap here',
          },
        ]}
      />
      <TextEntry
        label="What was seen"
        value={found}
        onChange={setFound}
        hint="cord showing at one edge"
      />
      <Press title="Back to the pad" onPress={onBack} small />
    </View>
  );
}

const styles = StyleSheet.create({ look: { gap: SPACE.s } });
