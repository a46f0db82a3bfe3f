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

type Plan = ReturnType<typeof walkPlan>;
let known: { readonly key: string; readonly plan: Plan } | undefined;

/**
 * The order of a walk. The one worked out last is kept: from one check to the next nothing changes
 * that bears on it, and to find it takes longer than anything else there.
 */
function planOf(
  machine: MachineFile['machine'],
  sheets: MachineFile['sheets'],
  walk: Pick<Walk, 'checks' | 'minutes'>,
): Plan {
  const { id, serial, model, builtOn, header, equipment } = machine;
  const refs = sheets.map((s) => [s.model, s.revision]);
  const key = JSON.stringify([id, serial, model, builtOn, header, equipment, refs, walk]);
  if (known?.key !== key) known = { key, plan: walkPlan(machine, sheets, walk) };
  return known.plan;
}

/** Follows where a walk is. */
export function useWhere(file: MachineFile, walk: Walk): Where {
  const { machine, sheets, readings } = file;
  const { checks: only, minutes } = walk;
  const plan = useMemo(
    () => planOf(machine, sheets, { checks: only, minutes }),
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
