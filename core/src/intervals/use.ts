import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Day } from '../contracts';
import { InputError, zeroOrMore } from '../units';

/** What a machine works: hours per calendar day in its season and out of it. */
export interface UseRate {
  readonly seasonStart: Day;
  readonly seasonEnd: Day;
  readonly inSeason: number;
  readonly outOfSeason: number;
}

/** Days; nothing is projected further. */
export const A_CENTURY = 36_525;

/** A date as a calendar day. */
export const dayOf = (date: Date): Day => formatISO(date, { representation: 'date' });

/** Days that have been found good: the same few are asked about again and again. */
const good = new Set<Day>();
const MOST_KEPT = 5000;

/** @throws InputError naming the field when a day is none */
export function checkDay(field: string, day: Day): Day {
  if (good.has(day)) return day;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || Number.isNaN(parseISO(day).getTime()))
    throw new InputError(field, day, 'a date like 2026-06-09');
  if (good.size > MOST_KEPT) good.clear();
  good.add(day);
  return day;
}

/**
 * Day on which a machine will have worked `hours` more, from `today`.
 * @returns null when it never will at these rates
 * @example projectHours('2026-06-09', 20, { seasonStart: '2026-06-30', seasonEnd: '2026-07-14', inSeason: 8, outOfSeason: 0 }) // '2026-07-02'
 */
export function projectHours(today: Day, hours: number, use: UseRate): Day | null {
  checkDay('today', today);
  checkDay('seasonStart', use.seasonStart);
  checkDay('seasonEnd', use.seasonEnd);
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
      dayOf(addDays(parseISO(use.seasonEnd), 1)),
      use.inSeason,
    ],
    [
      today > use.seasonEnd ? today : dayOf(addDays(parseISO(use.seasonEnd), 1)),
      '9999-12-31',
      use.outOfSeason,
    ],
  ];
  for (const [from, to, rate] of phases) {
    const length = differenceInCalendarDays(parseISO(to), parseISO(from));
    if (length <= 0) continue;
    if (rate > 0 && left <= rate * length + 1e-9) {
      const days = Math.max(0, Math.ceil(left / rate - 1e-9) - 1);
      return days > A_CENTURY ? null : dayOf(addDays(parseISO(from), days));
    }
    left -= rate * length;
  }
  return null;
}
