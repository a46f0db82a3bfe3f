import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import type { Day, Interval, Reading } from '../contracts';
import { InputError, positive, zeroOrMore } from '../units';
import { A_CENTURY, checkDay, dayOf } from './use';

/** What is known of the last time. Hours: machine hours. */
export interface LastDone {
  readonly on: Day;
  readonly hours: number;
  /** machine hours at which the part then in place was new; 0 for what came with the machine */
  readonly newAt?: number | undefined;
  readonly crop?: string | undefined;
  readonly header?: string | undefined;
}

/** The last time, as a reading tells it. @param newAt machine hours at which its part was new */
export const lastDoneOf = (
  { takenAt, hours, fit }: Pick<Reading, 'takenAt' | 'hours' | 'fit'>,
  newAt: number | undefined,
): LastDone => ({
  on: takenAt.slice(0, 10),
  hours,
  newAt: newAt ?? 0,
  crop: fit?.crop,
  header: fit?.header ?? undefined,
});

/** A rule by hours, by calendar, or both: whichever comes first. */
export type EveryInterval = Extract<Interval, { kind: 'every' }>;

/** When such a rule says next, before anything is projected. */
export interface NextTime {
  readonly atHours: number | null;
  readonly on: Day | null;
  /** the hours are those of a new part's early recheck */
  readonly early: boolean;
  /** hours from the last time to the next; null where the rule names none */
  readonly step: number | null;
}

/**
 * When a service is next to be done by its rule: the one place where the interval rule is worked
 * out.
 * @throws InputError naming the field
 * @example nextTime({ kind: 'every', hours: 50 }, { on: '2026-03-01', hours: 1000 }).atHours // 1050
 */
export function nextTime(rule: EveryInterval, last: LastDone): NextTime {
  if (rule.hours === undefined && rule.days === undefined)
    throw new InputError('hours', rule.hours, 'an interval in hours, in days, or both');
  if (rule.days !== undefined && rule.days > A_CENTURY)
    throw new InputError('days', rule.days, 'an interval of at most a hundred years');
  checkDay('last.on', last.on);
  const usual = rule.hours === undefined ? Infinity : positive('hours', rule.hours);
  const first = earlyStep(rule.early, last) ?? Infinity;
  const step = Math.min(usual, first);
  const on =
    rule.days === undefined ? null : dayOf(addDays(parseISO(last.on), positive('days', rule.days)));
  return Number.isFinite(step)
    ? { atHours: zeroOrMore('last.hours', last.hours) + step, on, early: first <= usual, step }
    : { atHours: null, on, early: false, step: null };
}

/**
 * A look this near to its early hours is the early look: nobody drives out again for the last
 * fifth. Shop rule.
 */
const NEAR_ENOUGH = 0.8;

/**
 * Hours from the last time to a new part's first look. It stays to be taken until something was
 * read at its hour or later, however often the part is read before.
 * @returns undefined where nothing is said, where it is not known when the part was new, and once it
 *   was taken
 */
export function earlyStep(early: number | undefined, last: LastDone): number | undefined {
  if (early === undefined || last.newAt === undefined) return undefined;
  const from = zeroOrMore('newAt', last.newAt);
  return last.hours - from >= NEAR_ENOUGH * positive('early', early)
    ? undefined
    : Math.max(0, from + early - last.hours);
}
