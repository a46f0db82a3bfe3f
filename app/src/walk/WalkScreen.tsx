import { useLocalSearchParams } from 'expo-router';
import type { Standing } from '@green-tally/core/plan';
import { troubleText, useMachine } from '../store';
import { Waiting } from '../ui';
import { MakeSafeGate } from './MakeSafeGate';
import { WalkOverview } from './WalkOverview';

/** A walk: the make-safe gate first, then the checks in order. */
export function WalkScreen() {
  const { machineId, only } = useLocalSearchParams<{ machineId: string; only?: string }>();
  const { file, standing, error, isLoading, again } = useMachine(machineId);
  if (!file || !standing)
    return (
      <Waiting
        what="this walk"
        trouble={isLoading ? undefined : troubleText(error)}
        again={again}
      />
    );
  const { walk } = standing;
  return walk && !walk.finishedAt ? (
    <WalkOverview file={file} standing={standing} walk={walk} />
  ) : (
    <MakeSafeGate file={file} only={scopeOf(only, standing)} />
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
