import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import type { Standing } from '@green-tally/core/plan';
import { WithMachine } from '../machine/WithMachine';
import { later } from '../ui';
import type { PlannedWalk } from './planDraft';

/** A walk: what it is over, the make-safe gate, then the checks in order. */
export function WalkScreen() {
  const { machineId, only } = useLocalSearchParams<{ machineId: string; only?: string }>();
  const [planned, setPlanned] = useState<PlannedWalk>();
  return (
    <WithMachine id={machineId} what="this walk">
      {({ file, standing }) => {
        if (standing.walk && !standing.walk.finishedAt)
          return <WalkOverview file={file} standing={standing} walk={standing.walk} />;
        const named = scopeOf(only, standing);
        const walk = planned ?? (named && { ...NAMED, checks: [...named] });
        return walk ? (
          <MakeSafeGate
            key={walk.checks?.join()}
            file={file}
            planned={walk}
            onPlanAgain={planned && (() => setPlanned(undefined))}
          />
        ) : (
          <PlanWalk file={file} standing={standing} onPlanned={setPlanned} />
        );
      }}
    </WithMachine>
  );
}

const PlanWalk = later('the plan of the walk', async () => (await import('./underWay')).PlanWalk);
const MakeSafeGate = later('the gate', async () => (await import('./underWay')).MakeSafeGate);
const WalkOverview = later('the walk', async () => (await import('./underWay')).WalkOverview);

/** A walk over checks that were named elsewhere. */
const NAMED = { kind: null, minutes: null };

/**
 * The checks of a short walk: what is left to read, what is in doubt, or those named; null where
 * none are, and the walk is planned.
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
