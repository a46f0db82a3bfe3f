import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { formatISO } from 'date-fns/formatISO';
import { getISODay } from 'date-fns/getISODay';
import { parseISO } from 'date-fns/parseISO';
import type { BoardSetting, Day, HalfDay, TechnicianHours, Worked } from '../contracts';
import { HOURS_A_DAY } from '../plan';
import { InputError, positive } from '../units';

/*
 * Technicians' time by half days. A slot is a half day, counted from the morning of a first day on.
 */

/** Half days of a calendar day. */
export const SLOTS_A_DAY = 2;

/** Whether a technician works a half day: not at all, as usual, or over time. */
export const CLOSED = 0;
export const OPEN = 1;
export const OVER_TIME = 2;
const AS_NUMBER: Readonly<Record<Worked, number>> = { off: CLOSED, open: OPEN, over: OVER_TIME };

/** Hours of work in a half day. Shop rule. */
export const HALF_DAY_HOURS = HOURS_A_DAY / SLOTS_A_DAY;

/** Monday to Friday, both halves. */
export const USUAL_WEEK: readonly Worked[] = Array.from({ length: 14 }, (_, i) =>
  i < 10 ? 'open' : 'off',
);

/** What a technician works by. */
export type Hours = Pick<TechnicianHours, 'week' | 'away'>;
type Holidays = BoardSetting['holidays'];

/** Half days that so many hours of labour take, of one hand or of two together; at least one. */
export function halfDaysOf(hours: number, crew: 1 | 2 = 1): number {
  return Math.max(1, Math.ceil(positive('hours', hours) / crew / HALF_DAY_HOURS - 1e-9));
}

const dayOf = (date: Date): Day => formatISO(date, { representation: 'date' });

/** The slot of a half day; below 0 before the first day. @throws InputError for a day that is none */
export function slotOf(first: Day, day: Day, half: HalfDay): number {
  const days = differenceInCalendarDays(parseISO(day), parseISO(first));
  if (Number.isNaN(days)) throw new InputError('day', day, 'a date like 2026-06-09');
  return SLOTS_A_DAY * days + (half === 'noon' ? 1 : 0);
}

/** The half day of a slot. */
export function halfDayAt(first: Day, slot: number): { readonly day: Day; readonly half: HalfDay } {
  const days = Math.floor(slot / SLOTS_A_DAY);
  return {
    day: dayOf(addDays(parseISO(first), days)),
    half: slot - SLOTS_A_DAY * days === 0 ? 'morning' : 'noon',
  };
}

/** Why a technician does not work a half day; undefined where they do. */
export function closedBy(
  { week, away }: Hours,
  holidays: Holidays,
  day: Day,
  half: HalfDay,
): { readonly by: 'holiday' | 'away' | 'week'; readonly why: string } | undefined {
  const holiday = holidays.find((h) => h.on === day);
  if (holiday) return { by: 'holiday', why: holiday.name };
  const off = away.find((d) => d.from <= day && day <= d.to);
  if (off) return { by: 'away', why: off.why };
  const at = SLOTS_A_DAY * (getISODay(parseISO(day)) - 1) + (half === 'noon' ? 1 : 0);
  return week[at] === 'off' ? { by: 'week', why: '' } : undefined;
}

/** By slot from the morning of a first day: {@link CLOSED}, {@link OPEN} or {@link OVER_TIME}. */
export function openSlots(hours: Hours, holidays: Holidays, first: Day, slots: number): number[] {
  const weekday = getISODay(parseISO(first)) - 1;
  const shut = new Set(holidays.map((h) => h.on));
  return Array.from({ length: slots }, (_, slot) => {
    const { day } = halfDayAt(first, slot);
    if (shut.has(day) || hours.away.some((d) => d.from <= day && day <= d.to)) return CLOSED;
    const at = (weekday * SLOTS_A_DAY + slot) % hours.week.length;
    return AS_NUMBER[hours.week[at] ?? 'off'];
  });
}

/** Whether all of a crew work a slot. */
export const worksAt = (crew: readonly (readonly number[])[], slot: number, overTime: boolean) =>
  crew.every((open) => open[slot] === OPEN || (overTime && open[slot] === OVER_TIME));

/**
 * The half day that a visit ends with: it takes the open ones of its crew one after the other.
 * @param crew open slots of each
 * @returns undefined where they end before it does
 */
export function lastSlot(
  crew: readonly (readonly number[])[],
  start: number,
  halfDays: number,
  overTime: boolean,
): number | undefined {
  const slots = Math.min(...crew.map((c) => c.length));
  let left = halfDays;
  for (let t = Math.max(0, start); t < slots; t += 1) {
    if (!worksAt(crew, t, overTime)) continue;
    left -= 1;
    if (left === 0) return t;
  }
  return undefined;
}
