import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import type { Day, FieldTrouble, Machine } from '../contracts';

/** Nobody knows a harvest that lies further ahead, days. */
const FURTHEST = 730;
/** The longest season of one machine in one crop, days. */
const LONGEST = 200;

/** What a harvest is held against. */
export interface HarvestOf {
  readonly machine: Pick<Machine, 'serial' | 'builtOn'>;
  readonly today: Day;
  /** as it stood; what was entered then need not be entered anew */
  readonly before?: Machine['harvest'] | undefined;
}

/** What cannot be of a harvest as it is entered: one that is over, or before the machine was built, or too far ahead. */
export function harvestTroubles(
  { start, end }: Pick<Machine['harvest'], 'start' | 'end'>,
  { machine: { serial, builtOn }, today, before }: HarvestOf,
): FieldTrouble[] {
  if (before?.start === start && before.end === end) return [];
  const wrong = (field: string, message: string) => [{ field, message }];
  if (start < builtOn)
    return wrong('start', `Harvest cannot start before ${serial} was built, ${builtOn}.`);
  if (end < today)
    return wrong(
      'end',
      `A harvest that ended on ${end} is over; today is ${today}. Enter the next.`,
    );
  const days = (from: Day, to: Day) => differenceInCalendarDays(parseISO(to), parseISO(from));
  if (days(today, start) > FURTHEST)
    return wrong('start', `${start} is more than two years ahead. Check the year.`);
  return days(start, end) > LONGEST
    ? wrong('end', `From ${start} to ${end} is longer than a season. Check the days.`)
    : [];
}
