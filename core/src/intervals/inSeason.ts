import type { Day } from '../contracts';
import { nextTime, type EveryInterval, type LastDone } from './nextTime';

/** A service that is due, or falls due before harvest ends. Machine hours. */
export interface DueInSeason {
  readonly over: boolean;
  readonly every: number;
  readonly days: number;
  readonly lookAgain: number;
  /** the day it falls due by the calendar, where that comes before its hours */
  readonly on: Day | null;
}

/**
 * Whether a service is due now or falls due, by hours or by the calendar, before harvest ends.
 * @param machine its hours now, the hours to be threshed until harvest ends, the day and the last
 *   day of harvest, where they are known
 * @returns undefined when it does not
 */
export function dueInSeason(
  rule: EveryInterval,
  last: LastDone,
  machine: {
    readonly hours: number;
    readonly seasonHours: number;
    readonly today?: Day | undefined;
    readonly seasonEnd?: Day | undefined;
  },
): DueInSeason | undefined {
  const { atHours, on, step } = nextTime(rule, last);
  const byHours = atHours ?? Infinity;
  const { today, seasonEnd } = machine;
  const over = byHours <= machine.hours || (on !== null && today !== undefined && on <= today);
  const byCalendar = on !== null && seasonEnd !== undefined && on <= seasonEnd;
  const inHours = byHours <= machine.hours + machine.seasonHours;
  if (!over && !inHours && !byCalendar) return undefined;
  return {
    over,
    every: step ?? 0,
    days: rule.days ?? 0,
    lookAgain: atHours ?? machine.hours,
    on: inHours || byHours <= machine.hours ? null : on,
  };
}
