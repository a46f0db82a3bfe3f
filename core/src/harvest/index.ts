import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import type { Day, FieldTrouble, Machine } from '../contracts';
import { seasonHours } from '../forecast';
import { printHours, printNumber } from '../units';

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

type Entered = Omit<Machine['harvest'], 'crop' | 'cropSince'>;

/**
 * What cannot be of a harvest as it is entered: one that is over, or before the machine was built, or
 * too far ahead; more than can be cut in it by day and night.
 */
export function harvestTroubles(harvest: Entered, of: HarvestOf): FieldTrouble[] {
  const days = daysTroubles(harvest, of);
  return days.length ? days : areaTroubles(harvest, of);
}

const between = (from: Day, to: Day): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from));

function areaTroubles(harvest: Entered, { before }: HarvestOf): FieldTrouble[] {
  const needs = hoursOf(harvest);
  const has = hoursIn(harvest);
  // what stood so need not be entered anew
  if (needs <= has || (before && needs <= hoursOf(before) && has >= hoursIn(before))) return [];
  const { areaHa, widthM, speedKmh, start, end } = harvest;
  return [
    {
      field: 'areaHa',
      message: `${printNumber(areaHa, 2)} ha at ${printNumber(widthM, 2)} m and ${printNumber(speedKmh, 1)} km/h take ${printHours(needs)}; from ${start} to ${end} there are ${printHours(has)} by day and night. Check the area, width, speed and efficiency.`,
    },
  ];
}

const hoursOf = ({ areaHa, widthM, speedKmh, efficiency }: Entered): number =>
  seasonHours(areaHa, widthM, speedKmh, efficiency);

const hoursIn = ({ start, end }: Entered): number => 24 * (between(start, end) + 1);

function daysTroubles(
  { start, end }: Entered,
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
  if (between(today, start) > FURTHEST)
    return wrong('start', `${start} is more than two years ahead. Check the year.`);
  return between(start, end) > LONGEST
    ? wrong('end', `From ${start} to ${end} is longer than a season. Check the days.`)
    : [];
}
