import { useEffect, useMemo, useState } from 'react';
import type { KnifePlan, planKnives, Rotor } from '@green-tally/core/knives';

export type School = Parameters<typeof planKnives>[1];
import { askApart } from '../../store/apart';

/** What came of looking for a plan. */
export interface Planned {
  readonly plan?: KnifePlan;
  readonly trouble?: string;
}

/**
 * The fewest new knives for a rotor, looked for on a thread of its own; undefined while it looks. A
 * change begins it anew: what is looked for no more is given up.
 * @param rotor undefined: nothing to look for; the same object as long as nothing changed
 */
export function usePlan(rotor: Rotor | undefined, school: School): Planned | undefined {
  const [done, setDone] = useState<{ readonly of: object; readonly planned: Planned }>();
  const asked = useMemo(() => (rotor ? { rotor, school } : undefined), [rotor, school]);
  useEffect(() => {
    if (!asked) return;
    const apart = askApart(
      new Worker(new URL('./plan.worker', import.meta.url)),
      'The search for a plan broke off.',
    );
    let left = false;
    const end = (planned: Planned) => (left ? undefined : setDone({ of: asked, planned }));
    void apart
      .ask<KnifePlan>({ of: [asked.rotor, asked.school, { swaps: true }] })
      .then((plan) => end({ plan }))
      .catch((error: Error) => end({ trouble: error.message }))
      .finally(apart.end);
    return () => {
      left = true;
      apart.end();
    };
  }, [asked]);
  return asked && done?.of === asked ? done.planned : undefined;
}
