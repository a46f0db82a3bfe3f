import { useState } from 'react';
import { View } from 'react-native';
import { CheckUnit, type MeasuredCheck, QUANTITY_UNITS } from '@green-tally/core/contracts';
import { limitWords } from '@green-tally/core/kinds';
import { printAs } from '@green-tally/core/units';
import { useDraft } from '../store';
import { Choice, Pad, Press, Quiet, Row, Strong, useWide } from '../ui';
import type { EntryProps } from './entries';
import { readMeasured } from './lengthText';
import { Schematic } from '../schematics/Schematic';
import { TextEntry } from './TextEntry';

/** A length at one place: the pad, repeats, and "looks" where the check offers it. */
export function MeasureEntry({
  check,
  places,
  readings,
  verdict,
  draftKey,
  onTake,
  onDone,
  frame,
  state,
}: EntryProps<MeasuredCheck>) {
  const place = places[0] ?? '';
  const [text, setText] = useDraft(`${draftKey}|pad`);
  const [unit, setUnit] = useState<CheckUnit>(check.unit);
  const [trouble, setTrouble] = useState<string | undefined>();
  const [looking, setLooking] = useState(false);
  const [found, setFound] = useDraft(`${draftKey}|look`);
  const wide = useWide();
  const taken = readings.filter((r) => r.place === place && r.value.kind === 'measure').length;
  const last = verdict?.places.find((p) => p.place === place);
  const judge = async () => {
    const read = readMeasured(text, check, unit);
    if ('trouble' in read) return setTrouble(read.trouble);
    await onTake([
      {
        place,
        value: { kind: 'measure', values: [read.value], typed: [text.trim()], unit: read.unit },
      },
    ]);
    setText('');
    onDone();
  };
  const look = async (seen: 'fine' | 'damaged') => {
    await onTake([
      { place, value: { kind: 'look', seen, found: seen === 'damaged' ? found.trim() : '' } },
    ]);
    setFound('');
    setLooking(false);
    onDone();
  };
  const body = (
    <>
      <Row style={{ justifyContent: 'space-between' }}>
        <Quiet>{limitWords(check)}</Quiet>
        {last?.value ? <Quiet>{`last ${printAs(last.value, check, 2)}`}</Quiet> : null}
      </Row>
      <Schematic check={check} />
      {looking ? (
        <View style={{ gap: 10 }}>
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
          <Press title="Back to the pad" onPress={() => setLooking(false)} small />
        </View>
      ) : null}
    </>
  );
  const footer = looking ? null : (
    <>
      <Pad
        label={`${state === 'asLeft' ? 'as left' : `reading ${taken + 1}`} · ${check.tool.name} ±${check.tool.resolution}`}
        text={text}
        unit={unit}
        units={QUANTITY_UNITS[check.quantity]}
        fractions={check.quantity === 'length'}
        onText={(t) => {
          setText(t);
          setTrouble(undefined);
        }}
        onUnit={(u) => setUnit(CheckUnit.parse(u))}
        onEnter={() => void judge()}
        trouble={trouble}
        autoFocus={wide}
        extras={
          check.lookAlone && state === 'asFound'
            ? [{ title: 'looks…', onPress: () => setLooking(true) }]
            : []
        }
      />
      <Press fill="pine" title="Judge it" testID="judge" onPress={() => void judge()} />
    </>
  );
  return <>{frame(body, footer ?? <Strong>Choose above what was seen.</Strong>)}</>;
}
