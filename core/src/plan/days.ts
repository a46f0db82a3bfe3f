import { addBusinessDays } from 'date-fns/addBusinessDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { eachDayOfInterval } from 'date-fns/eachDayOfInterval';
import { formatISO } from 'date-fns/formatISO';
import { isWeekend } from 'date-fns/isWeekend';
import { parseISO } from 'date-fns/parseISO';
import { subDays } from 'date-fns/subDays';
import type { Day } from '../contracts';
import { A_CENTURY } from '../intervals';
import { InputError, positive, zeroOrMore } from '../units';

/** Working hours of one technician's day. Shop rule; Monday to Friday. */
export const HOURS_A_DAY = 8;

const toDay = (date: Date): Day => formatISO(date, { representation: 'date' });

function fromDay(field: string, day: Day): Date {
  const date = parseISO(day);
  if (Number.isNaN(date.getTime())) throw new InputError(field, day, 'a date like 2026-06-09');
  return date;
}

/** `day` itself when it is worked, else the next day that is. */
export function workingDayFrom(day: Day): Day {
  const date = fromDay('day', day);
  return isWeekend(date) ? toDay(addBusinessDays(date, 1)) : day;
}

/** Working days that `hours` of labour take: 0 h none, 8.1 h two. */
export function daysFor(hours: number): number {
  if (zeroOrMore('hours', hours) > 100_000)
    throw new InputError('hours', hours, 'at most 100,000 h of labour');
  return Math.ceil(hours / HOURS_A_DAY);
}

/**
 * Last day of work of `hours` begun on `start` (moved to a working day). @example
 * visitEnd('2026-06-12', 12) // '2026-06-15'
 */
export function visitEnd(start: Day, hours: number): Day {
  const first = workingDayFrom(start);
  return toDay(
    addBusinessDays(fromDay('start', first), Math.max(0, daysFor(positive('hours', hours)) - 1)),
  );
}

/** A number of days that leads to a day of the calendar: whole, no more than a hundred years. */
function wholeDays(field: string, days: number): number {
  if (!(Number.isInteger(days) && Math.abs(days) <= 36_600))
    throw new InputError(field, days, 'a whole number of days, at most 36,600');
  return days;
}

/** `days` working days after `day`. */
export function workingDaysAfter(day: Day, days: number): Day {
  return toDay(addBusinessDays(fromDay('day', day), wholeDays('days', days)));
}

/**
 * Latest day to start so that the work ends `margin` calendar days before harvest starts.
 * @param harvestStart first day of harvest
 * @param margin calendar days kept free before it
 * @param hours labour left to do, h
 * @example mustStartBy('2026-06-30', 2, 12) // '2026-06-25': done on the 26th, margin 27th to 29th
 */
export function mustStartBy(harvestStart: Day, margin: number, hours: number): Day {
  const free = subDays(fromDay('harvestStart', harvestStart), wholeDays('margin', margin) + 1);
  const last = isWeekend(free) ? addBusinessDays(free, -1) : free;
  return toDay(addBusinessDays(last, -Math.max(0, daysFor(hours) - 1)));
}

/**
 * Slack: working days left between finishing the planned work and harvest start.
 * @returns whole days; 0 when work ends the working day before harvest; below 0, how many working
 *   days of harvest it runs into
 * @example slackDays('2026-06-26', '2026-06-30') // 1 (Monday the 29th)
 */
export function slackDays(finish: Day, harvestStart: Day): number {
  const end = fromDay('finish', finish);
  const start = fromDay('harvestStart', harvestStart);
  if (Math.abs(differenceInCalendarDays(end, start)) > A_CENTURY)
    throw new InputError('finish', finish, 'a day within a hundred years of harvest');
  if (end < start) return workedBetween(end, start) - (isWeekend(end) ? 0 : 1);
  return -(workedBetween(start, end) + (isWeekend(end) ? 0 : 1));
}

/** Working days from `a` (counted) up to `b` (not counted). */
function workedBetween(a: Date, b: Date): number {
  return b <= a
    ? 0
    : eachDayOfInterval({ start: a, end: subDays(b, 1) }).filter((d) => !isWeekend(d)).length;
}
