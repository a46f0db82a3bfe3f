import type { MachineFile } from '../contracts';
import { movesOf, walkPlan } from '../walk';
import type { Candidate } from './candidates';
import { fitTime, type Offer, type TimeFit } from './fitTime';

/** What is walked of the checks that belong to a walk, in the time there is. */
export interface FittedWalk extends TimeFit {
  /** what is left out, most worth first */
  readonly leftOut: readonly Candidate[];
}

/** Checks as they are offered to the time there is. */
export const offersOf = (candidates: readonly Candidate[]): Offer[] =>
  candidates.map(({ check, worth, must }) => ({
    id: check.id,
    position: check.position,
    minutes: check.labour.measure,
    value: worth,
    must: must !== undefined,
  }));

/** What was fitted, with the checks that are left out. */
export function fittedFrom(fit: TimeFit, candidates: readonly Candidate[]): FittedWalk {
  const byId = new Map(candidates.map((c) => [c.check.id, c]));
  return { ...fit, leftOut: fit.left.flatMap((id) => byId.get(id) ?? []) };
}

/** All the checks of a walk, as long as it takes: front to back, with the moving that needs. */
export function allOf(
  candidates: readonly Candidate[],
  { machine, sheets }: Pick<MachineFile, 'machine' | 'sheets'>,
): TimeFit {
  const taken = candidates.map((c) => c.check.id);
  const moving = walkPlan(machine, sheets, { checks: taken, minutes: null }).minutes;
  return {
    ...{ taken, moving, left: [], leftValue: 0, over: 0, proven: true },
    minutes: candidates.reduce((sum, c) => sum + c.check.labour.measure, moving),
    value: candidates.reduce((sum, c) => sum + c.worth, 0),
  };
}

/**
 * Chooses from the checks of a walk those that avoid the most loss in the time there is. What must be
 * walked is in whatever the time; `over` says by how much it is too much.
 * @param candidates those a person has not taken out
 * @param minutes the time there is; null: as long as it takes, and all are in
 * @throws InputError naming the field
 */
export const fitWalk = (
  candidates: readonly Candidate[],
  file: Pick<MachineFile, 'machine' | 'sheets'>,
  minutes: number | null,
): FittedWalk =>
  fittedFrom(
    minutes === null
      ? allOf(candidates, file)
      : fitTime(offersOf(candidates), movesOf(file.machine, file.sheets), minutes),
    candidates,
  );
