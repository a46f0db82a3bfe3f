import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { needsHand } from '@green-tally/core/findings';
import type { CheckVerdict } from '@green-tally/core/verdict';
import { Card, Heading, Quiet, Row, Rule, SPACE, Strong, Tap } from '../ui';
import { VerdictSummary } from './VerdictSummary';

interface CheckedProps {
  /** loudest first */
  readonly verdicts: readonly CheckVerdict[];
  readonly machineId: string;
}

/**
 * What was checked: what needs a hand and what is to be watched first, then what wears; what simply
 * holds is folded by station.
 */
export function Checked({ verdicts, machineId }: CheckedProps) {
  const quiet = verdicts.filter((v) => v.decision === 'holds');
  const wearing = quiet
    .filter((v) => v.places.some((p) => p.wear !== undefined))
    .sort((a, b) => mostWorn(b) - mostWorn(a))
    .slice(0, WORN_SHOWN);
  const groups = [
    ['Needs a hand', 'loud', verdicts.filter((v) => needsHand(v.decision))],
    ['To be watched', 'watched', verdicts.filter((v) => v.decision === 'watch')],
    ['What wears most', 'wearing', wearing],
  ] as const;
  const stations = [...new Set(quiet.map((v) => v.check.station))].sort((a, b) => a - b);
  return (
    <View style={styles.checked} testID="what wears">
      {groups.map(([title, testID, list]) =>
        list.length ? (
          <Card key={testID} testID={testID}>
            <Heading>{title}</Heading>
            <Verdicts verdicts={list} machineId={machineId} />
          </Card>
        ) : null,
      )}
      {quiet.length ? (
        <Card testID="holds">
          <Heading>{`${quiet.length} ${quiet.length === 1 ? 'check holds' : 'checks hold'}`}</Heading>
          {stations.map((station) => (
            <Station
              key={station}
              verdicts={quiet.filter((v) => v.check.station === station)}
              machineId={machineId}
            />
          ))}
          <Quiet>Everything else this season's walk has looked at is in order.</Quiet>
        </Card>
      ) : null}
    </View>
  );
}

/** How many of the sound ones are shown with their strips. */
const WORN_SHOWN = 6;
const mostWorn = (verdict: CheckVerdict): number =>
  Math.max(...verdict.places.map((p) => p.wear ?? 0));

function Verdicts({ verdicts, machineId }: CheckedProps) {
  return verdicts.map((v) => (
    <View key={v.check.id} style={styles.verdict}>
      <Rule />
      <VerdictSummary verdict={v} machineId={machineId} />
    </View>
  ));
}

/** What holds at one station, folded to its count. */
function Station({ verdicts, machineId }: CheckedProps) {
  const [open, setOpen] = useState(false);
  const [first] = verdicts;
  if (!first) return null;
  const { station, stationName } = first.check;
  return (
    <View style={styles.verdict}>
      <Tap
        label={`${stationName}, ${verdicts.length} hold`}
        expanded={open}
        onPress={() => setOpen(!open)}
        style={styles.station}
      >
        <Row apart>
          <Strong>{`${station} · ${stationName}`}</Strong>
          <Strong tone="quiet">{`${verdicts.length}${open ? '' : ' ›'}`}</Strong>
        </Row>
      </Tap>
      {open ? <Verdicts verdicts={verdicts} machineId={machineId} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  checked: { gap: SPACE.m },
  verdict: { gap: SPACE.s },
  station: { justifyContent: 'center' },
});
