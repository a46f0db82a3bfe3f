import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import type { Day, Interval } from '../contracts';
import { InputError, zeroOrMore } from '../units';
import { earlyStep, nextTime, type EveryInterval, type LastDone } from './nextTime';
import { dayOf, projectHours, type UseRate } from './use';

/** When it falls due, and by which rule. */
export interface Due {
  readonly on: Day | null;
  readonly atHours: number | null;
  readonly by: 'hours' | 'calendar' | 'early' | 'daily' | 'crop' | 'season' | 'never';
  readonly overdue: boolean;
  readonly beforeHarvest: boolean;
}

/**
 * The machine a due date is reckoned for: its hours now, the day, how it is used, and the crop
 * coming up.
 */
export interface DueFacts {
  readonly now: number;
  readonly today: Day;
  readonly use: UseRate;
  readonly nextCrop?: string;
}

/** A look counts for this harvest when it was taken within so many days before it. */
export const SEASON_LOOK_DAYS = 100;

/**
 * Next due of a check or service, whichever of its rules comes first, projected to a date by the
 * machine's own use.
 * @throws InputError naming the field: a meter that ran backwards, a rule without an interval
 */
export function nextDue(rule: Interval, last: LastDone, facts: DueFacts): Due {
  switch (rule.kind) {
    case 'daily':
      return dueDaily(last, facts);
    case 'perCrop':
      return duePerCrop(last, facts);
    case 'season':
      return dueInItsSeason(rule.early, last, facts);
    case 'every':
      return dueEvery(rule, last, facts);
  }
}

type Rest = Pick<Due, 'by' | 'overdue'> & { readonly atHours?: number | null };

function due(on: Day | null, { use }: DueFacts, { by, overdue, atHours = null }: Rest): Due {
  const beforeHarvest = overdue || (on !== null && on < use.seasonStart);
  return { on, atHours, by, overdue, beforeHarvest };
}

const daysFrom = (day: Day, days: number): Day => dayOf(addDays(parseISO(day), days));

function dueDaily(last: LastDone, facts: DueFacts): Due {
  const { today } = facts;
  const overdue = last.on < daysFrom(today, -1);
  return due(last.on < today ? today : daysFrom(today, 1), facts, { by: 'daily', overdue });
}

function duePerCrop(last: LastDone, facts: DueFacts): Due {
  const changes = facts.nextCrop !== undefined && facts.nextCrop !== last.crop;
  const { seasonStart } = facts.use;
  return changes
    ? due(seasonStart, facts, { by: 'crop', overdue: facts.today > seasonStart })
    : due(null, facts, { by: 'never', overdue: false });
}

function dueInItsSeason(early: number | undefined, last: LastDone, facts: DueFacts): Due {
  const { now, today, use } = facts;
  const step = earlyStep(early, last);
  if (step !== undefined) {
    const atHours = last.hours + step;
    return due(dayAt(atHours, facts), facts, { by: 'early', overdue: atHours < now, atHours });
  }
  const looked = last.on >= daysFrom(use.seasonStart, -SEASON_LOOK_DAYS);
  return looked
    ? due(null, facts, { by: 'never', overdue: false })
    : due(daysFrom(use.seasonStart, -1), facts, {
        by: 'season',
        overdue: today >= use.seasonStart,
      });
}

function dueEvery(rule: EveryInterval, last: LastDone, facts: DueFacts): Due {
  const { now, today } = facts;
  const { atHours, on, early } = nextTime(rule, last);
  if (zeroOrMore('now', now) < last.hours)
    throw new InputError('now', now, `at least the ${last.hours} h of the last time`);
  const byHours = atHours === null ? null : dayAt(atHours, facts);
  if (atHours !== null && byHours !== null && (on === null || byHours <= on))
    return due(byHours, facts, {
      by: early ? 'early' : 'hours',
      overdue: atHours < now,
      atHours,
    });
  return due(on, facts, {
    by: on === null ? 'never' : 'calendar',
    overdue: on !== null && on < today,
    atHours,
  });
}

/**
 * The day on which the meter will stand at some hours; today when it does already, null when it
 * never will.
 */
function dayAt(atHours: number, { now, today, use }: DueFacts): Day | null {
  return atHours <= now ? today : projectHours(today, atHours - now, use);
}
