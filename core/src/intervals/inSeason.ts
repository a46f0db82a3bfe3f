import type { Day } from '../contracts';
import { nextTime, type EveryInterval, type LastDone } from './nextTime';

/** A service that is due, or falls due before harvest ends. Machine hours. */
export interface DueInSeason {
  readonly over: boolean;
  readonly every: number;
  readonly days: number;
  readonly lookAgain: number;
}

/**
 * Whether a service is due now or falls due by hours before harvest ends.
 * @param machine its hours now, the hours to be threshed until harvest ends, and the day, where it
 *   is known
 * @returns undefined when it does not
 */
export function dueInSeason(
  rule: EveryInterval,
  last: LastDone,
  machine: { readonly hours: number; readonly seasonHours: number; readonly today?: Day },
): DueInSeason | undefined {
  const { atHours, on, step } = nextTime(rule, last);
  const byHours = atHours ?? Infinity;
  const over =
    byHours <= machine.hours || (on !== null && machine.today !== undefined && on <= machine.today);
  if (!over && byHours > machine.hours + machine.seasonHours) return undefined;
  return {
    over,
    every: step ?? 0,
    days: rule.days ?? 0,
    lookAgain: atHours ?? machine.hours,
  };
}
