import { useMemo } from 'react';
import type { Check, MachineFile, Walk } from '@green-tally/core/contracts';
import { groupsOf, nextStop, walkPlan, walkStops, type WalkStop } from '@green-tally/core/walk';
import { useStand, type Standing } from './useStand';
import { groupWords } from './WalkStand';

/** Where a walk is: its stops in order, how the machine stands. */
export interface Where {
  readonly stops: readonly WalkStop[];
  /** minutes that its order saves of moving the machine */
  readonly saved: number;
  readonly stands: Standing;
}

/** Follows where a walk is. */
export function useWhere(file: MachineFile, walk: Walk): Where {
  const { machine, sheets, readings } = file;
  const { checks: only, minutes } = walk;
  const plan = useMemo(
    () => walkPlan(machine, sheets, { checks: only, minutes }),
    [machine, sheets, only, minutes],
  );
  return {
    stops: walkStops(plan.checks, walk, readings),
    saved: plan.saved,
    stands: useStand(file, walk),
  };
}

/** What comes after a check: which, and how the machine has to stand for it where it does not. */
export function afterwards(
  { stops, stands }: Pick<Where, 'stops' | 'stands'>,
  check: Pick<Check, 'id'>,
): { readonly next: WalkStop | undefined; readonly change: string } {
  const next = nextStop(stops, check.id);
  const group = groupsOf(stops, stands.stand?.position).find((g) =>
    g.stops.some((s) => s.check.id === next?.check.id),
  );
  const stays = !group || group.position === stands.stand?.position;
  return { next, change: stays ? '' : groupWords(group) };
}
