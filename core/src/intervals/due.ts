import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import type { Day, DueBy, Interval } from '../contracts';
import { InputError, zeroOrMore } from '../units';
import { earlyStep, nextTime, type EveryInterval, type LastDone } from './nextTime';
import { checkDay, dayOf, projectHours, type UseRate } from './use';

/** When it falls due, and by which rule. */
export interface Due {
  readonly on: Day | null;
  readonly atHours: number | null;
  readonly by: DueBy;
  /** its hour or day is past */
  readonly overdue: boolean;
  /** what was read before no longer counts: it cannot hold on the strength of it */
  readonly lapsed: boolean;
  /** to be done before this harvest begins */
  readonly beforeHarvest: boolean;
  /** to be done before this harvest ends */
  readonly inSeason: boolean;
}

/**
 * The machine a due date is reckoned for: its hours now, the day, how it is used, and the crop and
 * header coming up.
 */
export interface DueFacts {
  readonly now: number;
  readonly today: Day;
  readonly use: UseRate;
  readonly nextCrop?: string | undefined;
  /** the day that crop was chosen, where it took the place of another */
  readonly cropSince?: Day | undefined;
  readonly header?: string | undefined;
}

/** A look counts for this harvest when it was taken within so many days before it. */
export const SEASON_LOOK_DAYS = 100;

/** After harvest and storage in are late when so many days have gone by. Shop rule. */
const AFTER_DAYS = 60;

/**
 * Next due of a check, service or task, whichever of its rules comes first, projected to a date by
 * the machine's own use: one rule for every kind.
 * @param last undefined when it was never done
 * @throws InputError naming the field: a meter that ran backwards, a rule without an interval
 */
export function nextDue(rule: Interval, last: LastDone | undefined, facts: DueFacts): Due {
  checkDay('today', facts.today);
  checkDay('use.seasonStart', facts.use.seasonStart);
  checkDay('use.seasonEnd', facts.use.seasonEnd);
  if (last) checkDay('last.on', last.on);
  switch (rule.kind) {
    case 'daily':
      return dueDaily(rule.days ?? 1, last, facts);
    case 'perCrop':
      return duePerChange(last, facts, 'crop');
    case 'perHeader':
      return duePerChange(last, facts, 'header');
    case 'season':
      return dueBeforeHarvest('season', rule.early, { last, facts });
    case 'storageOut':
      return dueBeforeHarvest('storageOut', undefined, { last, facts });
    case 'afterHarvest':
    case 'storageIn':
      return dueAfterHarvest(rule.kind, last, facts);
    case 'once':
      return dueOnce(rule.hours, last, facts);
    case 'every':
      return last ? dueEvery(rule, last, facts) : dueFirst(rule, facts);
  }
}

type Rest = Pick<Due, 'by' | 'overdue' | 'lapsed'> & { readonly atHours?: number | null };

function due(
  on: Day | null,
  { use }: DueFacts,
  { by, overdue, lapsed, atHours = null }: Rest,
): Due {
  const beforeHarvest = overdue || (on !== null && on < use.seasonStart);
  const inSeason = beforeHarvest || (on !== null && on <= use.seasonEnd);
  return { on, atHours, by, overdue, lapsed, beforeHarvest, inSeason };
}

const never = (facts: DueFacts): Due =>
  due(null, facts, { by: 'never', overdue: false, lapsed: false });

const daysFrom = (day: Day, days: number): Day => dayOf(addDays(parseISO(day), days));

/** The first day on which a look counts for this harvest. */
export function countsFrom(seasonStart: Day): Day {
  if (remembered.start !== seasonStart)
    remembered = { start: seasonStart, from: daysFrom(seasonStart, -SEASON_LOOK_DAYS) };
  return remembered.from;
}
// one machine after another is judged by the same day
let remembered: { start: Day; from: Day } = { start: '', from: '' };

/** Whether it was done for this harvest. */
const countsForHarvest = (last: LastDone | undefined, { use }: DueFacts): boolean =>
  last !== undefined && last.on >= countsFrom(use.seasonStart);

/** The last day before harvest, or today when that is past. */
function lastDayBefore({ today, use }: DueFacts): Day {
  const day = daysFrom(use.seasonStart, -1);
  return day < today ? today : day;
}

/**
 * Every day of the season, or every so many; what was read in an earlier season does not count for
 * this one.
 */
function dueDaily(days: number, last: LastDone | undefined, facts: DueFacts): Due {
  const { today, use } = facts;
  if (today > use.seasonEnd) return never(facts);
  if (today < use.seasonStart)
    return due(use.seasonStart, facts, {
      by: 'daily',
      overdue: false,
      lapsed: !countsForHarvest(last, facts),
    });
  const after = last ? daysFrom(last.on, days) : use.seasonStart;
  const next = after < use.seasonStart ? use.seasonStart : after;
  const done = last !== undefined && next > today;
  return due(done ? next : today, facts, {
    by: 'daily',
    overdue: last === undefined || next < today,
    lapsed: !done,
  });
}

function duePerChange(last: LastDone | undefined, facts: DueFacts, by: 'crop' | 'header'): Due {
  const wanted = by === 'crop' ? facts.nextCrop : facts.header;
  const was = last?.[by];
  // a reading that does not say for which crop is not for one that was chosen since
  const unsaid = by === 'crop' && was === undefined && last !== undefined;
  const changed =
    (was !== undefined && wanted !== undefined && was !== wanted) ||
    (unsaid && facts.cropSince !== undefined && last.on < facts.cropSince);
  if (!changed && countsForHarvest(last, facts)) return never(facts);
  return due(lastDayBefore(facts), facts, {
    by,
    overdue: facts.today >= facts.use.seasonStart,
    lapsed: true,
  });
}

interface Before {
  readonly last: LastDone | undefined;
  readonly facts: DueFacts;
}

function dueBeforeHarvest(
  by: 'season' | 'storageOut',
  early: number | undefined,
  { last, facts }: Before,
): Due {
  const done = countsForHarvest(last, facts);
  const step = last && earlyStep(early, last);
  if (last && step !== undefined) {
    const first = dueAt(last.hours + step, facts, 'early');
    if (first.lapsed || done) return first;
  }
  return done
    ? never(facts)
    : due(lastDayBefore(facts), facts, {
        by,
        overdue: facts.today >= facts.use.seasonStart,
        lapsed: true,
      });
}

/** Due at some hours of the meter; due as soon as they are reached. */
function dueAt(atHours: number, facts: DueFacts, by: DueBy): Due {
  const reached = atHours <= facts.now;
  return due(dayAt(atHours, facts), facts, { by, overdue: reached, lapsed: reached, atHours });
}

function dueAfterHarvest(
  by: 'afterHarvest' | 'storageIn',
  last: LastDone | undefined,
  facts: DueFacts,
): Due {
  const { today, use } = facts;
  if (last && last.on > use.seasonEnd) return never(facts);
  const on = daysFrom(use.seasonEnd, 1);
  const yearBefore = daysFrom(use.seasonEnd, -365);
  return {
    on: on < today ? today : on,
    atHours: null,
    by,
    overdue: today > daysFrom(use.seasonEnd, AFTER_DAYS),
    lapsed: today > use.seasonEnd || last === undefined || last.on <= yearBefore,
    beforeHarvest: false,
    inSeason: false,
  };
}

function dueOnce(hours: number, last: LastDone | undefined, facts: DueFacts): Due {
  const newAt = last?.newAt ?? 0;
  const step = earlyStep(hours, { on: facts.today, hours: last?.hours ?? newAt, newAt });
  return step === undefined ? never(facts) : dueAt((last?.hours ?? newAt) + step, facts, 'once');
}

/** What was never read is to be read before harvest; on a new machine at its early hour, if sooner. */
function dueFirst({ early }: EveryInterval, facts: DueFacts): Due {
  const by = lastDayBefore(facts);
  const first = early === undefined ? undefined : dueAt(early, facts, 'early');
  if (first && !first.lapsed && first.on !== null && first.on < by) return first;
  const overdue = facts.today >= facts.use.seasonStart;
  return { ...due(by, facts, { by: 'season', overdue, lapsed: true }), beforeHarvest: true };
}

function dueEvery(rule: EveryInterval, last: LastDone, facts: DueFacts): Due {
  const { now, today } = facts;
  const { atHours, on, early } = nextTime(rule, last);
  if (zeroOrMore('now', now) < last.hours)
    throw new InputError('now', now, `at least the ${last.hours} h of the last time`);
  const byHours = atHours === null ? null : dayAt(atHours, facts);
  if (atHours !== null && byHours !== null && (on === null || byHours <= on))
    return dueAt(atHours, facts, early ? 'early' : 'hours');
  const reached = on !== null && on <= today;
  return due(on, facts, {
    by: on === null ? 'never' : 'calendar',
    overdue: reached,
    lapsed: reached,
    atHours,
  });
}

/**
 * The day on which the meter will stand at some hours; today when it does already, null when it
 * never will.
 */
export function dayAt(atHours: number, { now, today, use }: DueFacts): Day | null {
  return atHours <= now ? today : projectHours(today, atHours - now, use);
}
