import { useState } from 'react';
import { View } from 'react-native';
import { needsHand } from '@green-tally/core/findings';
import type { CheckVerdict } from '@green-tally/core/verdict';
import { Card, Heading, Press, Quiet, Rule } from '../ui';
import { VerdictSummary } from './VerdictSummary';

interface CheckedProps {
  /** loudest first */
  readonly verdicts: readonly CheckVerdict[];
  readonly machineId: string;
}

/** What was checked: what needs a hand and what is to be watched first, then what wears; what simply holds is folded by station. */
export function Checked({ verdicts, machineId }: CheckedProps) {
  const [open, setOpen] = useState<readonly number[]>([]);
  const loud = verdicts.filter((v) => needsHand(v.decision));
  const watched = verdicts.filter((v) => v.decision === 'watch');
  const quiet = verdicts.filter((v) => v.decision === 'holds');
  const wearing = quiet
    .filter((v) => v.places.some((p) => p.wear !== undefined))
    .sort((a, b) => mostWorn(b) - mostWorn(a))
    .slice(0, WORN_SHOWN);
  const stations = [...new Set(quiet.map((v) => v.check.station))].sort((a, b) => a - b);
  const group = (title: string, list: readonly CheckVerdict[], testID: string) =>
    list.length ? (
      <Card testID={testID}>
        <Heading>{title}</Heading>
        {list.map((v) => (
          <View key={v.check.id} style={{ gap: 8 }}>
            <Rule />
            <VerdictSummary verdict={v} machineId={machineId} />
          </View>
        ))}
      </Card>
    ) : null;
  return (
    <View style={{ gap: 12 }} testID="what wears">
      {group('Needs a hand', loud, 'loud')}
      {group('To be watched', watched, 'watched')}
      {group('What wears most', wearing, 'wearing')}
      {quiet.length ? (
        <Card testID="holds">
          <Heading>{`${quiet.length} ${quiet.length === 1 ? 'check holds' : 'checks hold'}`}</Heading>
          {stations.map((station) => {
            const own = quiet.filter((v) => v.check.station === station);
            const shown = open.includes(station);
            return (
              <View key={station} style={{ gap: 8 }}>
                <Press
                  title={`${station} · ${own[0]?.check.stationName ?? ''} (${own.length})${shown ? '' : ' ›'}`}
                  onPress={() =>
                    setOpen(shown ? open.filter((s) => s !== station) : [...open, station])
                  }
                  small
                />
                {shown
                  ? own.map((v) => (
                      <View key={v.check.id} style={{ gap: 8 }}>
                        <Rule />
                        <VerdictSummary verdict={v} machineId={machineId} />
                      </View>
                    ))
                  : null}
              </View>
            );
          })}
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
