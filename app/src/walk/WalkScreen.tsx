import { useLocalSearchParams } from 'expo-router';
import type { Standing } from '@green-tally/core/plan';
import { WithMachine } from '../machine/WithMachine';
import { MakeSafeGate } from './MakeSafeGate';
import { WalkOverview } from './WalkOverview';

/** A walk: the make-safe gate first, then the checks in order. */
export function WalkScreen() {
  const { machineId, only } = useLocalSearchParams<{ machineId: string; only?: string }>();
  return (
    <WithMachine id={machineId} what="this walk">
      {({ file, standing }) =>
        standing.walk && !standing.walk.finishedAt ? (
          <WalkOverview file={file} standing={standing} walk={standing.walk} />
        ) : (
          <MakeSafeGate file={file} only={scopeOf(only, standing)} />
        )
      }
    </WithMachine>
  );
}

/**
 * The checks of a short walk: what is left to read, what is in doubt, or those named; null for all.
 * What the machine does not have is passed over by the gate.
 */
function scopeOf(only: string | undefined, { missing }: Standing): readonly string[] | null {
  if (!only) return null;
  const named =
    only === 'rest' || only === 'remeasure'
      ? (missing.find((m) => (only === 'rest' ? m.id === 'readRest' : m.id === 'remeasure'))
          ?.checks ?? [])
      : only.split(',');
  return named.length ? named : null;
}
