import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
import type { Day, Interval } from '../contracts';
import { InputError, positive, zeroOrMore } from '../units';

/** What a machine works: hours per calendar day in its season and out of it. */
export interface UseRate {
  readonly seasonStart: Day;
  readonly seasonEnd: Day;
  readonly inSeason: number;
  readonly outOfSeason: number;
}

/** What is known of the last time. */
export interface LastDone {
  readonly on: Day;
  readonly hours: number;
  /** the part was new then, so that the early recheck counts */
  readonly newPart?: boolean;
  readonly crop?: string;
}

/** When it falls due, and by which rule. */
export interface Due {
  readonly on: Day | null;
  readonly atHours: number | null;
  readonly by: 'hours' | 'calendar' | 'early' | 'daily' | 'crop' | 'season' | 'never';
  readonly overdue: boolean;
  readonly beforeHarvest: boolean;
}

/** A look counts for this harvest when it was taken within so many days before it. */
export const SEASON_LOOK_DAYS = 100;

/** Days; nothing is projected further. */
const A_CENTURY = 36_525;

const day = (date: Date): Day => formatISO(date, { representation: 'date' });

/**
 * Day on which a machine will have worked `hours` more, from `today`.
 * @returns null when it never will at these rates
 * @example projectHours('2026-06-09', 20, { seasonStart: '2026-06-30', seasonEnd: '2026-07-14', inSeason: 8, outOfSeason: 0 }) // '2026-07-02'
 */
export function projectHours(today: Day, hours: number, use: UseRate): Day | null {
  zeroOrMore('inSeason', use.inSeason);
  zeroOrMore('outOfSeason', use.outOfSeason);
  if (use.seasonEnd < use.seasonStart)
    throw new InputError('seasonEnd', use.seasonEnd, 'a date on or after the season start');
  let left = zeroOrMore('hours', hours);
  if (left === 0) return today;
  const phases: [Day, Day, number][] = [
    [today, use.seasonStart, use.outOfSeason],
    [
      today > use.seasonStart ? today : use.seasonStart,
      day(addDays(parseISO(use.seasonEnd), 1)),
      use.inSeason,
    ],
    [
      today > use.seasonEnd ? today : day(addDays(parseISO(use.seasonEnd), 1)),
      '9999-12-31',
      use.outOfSeason,
    ],
  ];
  for (const [from, to, rate] of phases) {
    const length = differenceInCalendarDays(parseISO(to), parseISO(from));
    if (length <= 0) continue;
    if (rate > 0 && left <= rate * length + 1e-9) {
      const days = Math.max(0, Math.ceil(left / rate - 1e-9) - 1);
      return days > A_CENTURY ? null : day(addDays(parseISO(from), days));
    }
    left -= rate * length;
  }
  return null;
}

/**
 * Next due of a service, whichever of its rules comes first, projected to a date by the machine's own use.
 * @param now the machine's hours now
 * @param nextCrop crop coming up, for rules that count per crop
 */
export function nextDue(
  rule: Interval,
  last: LastDone,
  now: number,
  today: Day,
  use: UseRate,
  nextCrop?: string,
): Due {
  const finish = (
    on: Day | null,
    atHours: number | null,
    by: Due['by'],
    overdue: boolean,
  ): Due => ({
    on,
    atHours,
    by,
    overdue,
    beforeHarvest: overdue || (on !== null && on < use.seasonStart),
  });
  if (rule.kind === 'daily')
    return finish(
      last.on < today ? today : day(addDays(parseISO(today), 1)),
      null,
      'daily',
      last.on < day(addDays(parseISO(today), -1)),
    );
  if (rule.kind === 'perCrop') {
    const due = nextCrop !== undefined && nextCrop !== last.crop;
    return finish(
      due ? use.seasonStart : null,
      null,
      due ? 'crop' : 'never',
      due && today > use.seasonStart,
    );
  }
  if (rule.kind === 'season') {
    const looked = last.on >= day(addDays(parseISO(use.seasonStart), -SEASON_LOOK_DAYS));
    const early =
      rule.early !== undefined && last.newPart ? last.hours + positive('early', rule.early) : null;
    if (early !== null)
      return finish(
        early <= now ? today : projectHours(today, early - now, use),
        early,
        'early',
        early < now,
      );
    return finish(
      looked ? null : day(addDays(parseISO(use.seasonStart), -1)),
      null,
      looked ? 'never' : 'season',
      !looked && today >= use.seasonStart,
    );
  }
  if (rule.hours === undefined && rule.days === undefined)
    throw new InputError('hours', rule.hours, 'an interval in hours, in days, or both');
  zeroOrMore('now', now);
  if (rule.days !== undefined && rule.days > A_CENTURY)
    throw new InputError('days', rule.days, 'an interval of at most a hundred years');
  if (now < last.hours)
    throw new InputError('now', now, `at least the ${last.hours} h of the last time`);
  const early =
    rule.early !== undefined && last.newPart ? positive('early', rule.early) : undefined;
  const step = Math.min(
    rule.hours === undefined ? Infinity : positive('hours', rule.hours),
    early ?? Infinity,
  );
  const atHours = Number.isFinite(step) ? last.hours + step : null;
  const byHours =
    atHours === null ? null : atHours <= now ? today : projectHours(today, atHours - now, use);
  const byDays =
    rule.days === undefined ? null : day(addDays(parseISO(last.on), positive('days', rule.days)));
  const hoursFirst = byHours !== null && (byDays === null || byHours <= byDays);
  if (hoursFirst)
    return finish(
      byHours,
      atHours,
      early !== undefined && step === early ? 'early' : 'hours',
      atHours !== null && atHours < now,
    );
  return finish(
    byDays,
    atHours,
    byDays === null ? 'never' : 'calendar',
    byDays !== null && byDays < today,
  );
}
