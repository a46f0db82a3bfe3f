import { addDays } from 'date-fns/addDays';
import { addYears } from 'date-fns/addYears';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Day, Harvest, Reading } from '../contracts';
import { seasonHours } from '../forecast';
import type { UseRate } from '../intervals';

/** What a meter stood at on a day. */
type Meter = Pick<Reading, 'hours' | 'takenAt'>;

/** Nobody threshes more in a day, h. */
const LONGEST_DAY = 20;

/**
 * How a machine works: hours a day in its season and out of it, from its own meter. Between two
 * looks at the meter it worked so many days of earlier seasons (this year's harvest days, in their
 * year) and so many others; the two rates explain all such stretches best. Without two looks the
 * rates are those of the plan: its hectares over its harvest days, and none outside.
 * @param meter readings of the machine, in any order
 */
export function rateOfUse(harvest: Harvest, meter: readonly Meter[]): UseRate {
  const days = daysBetween(harvest.start, harvest.end) + 1;
  const planned = seasonHours(harvest.areaHa, harvest.widthM, harvest.speedKmh, harvest.efficiency);
  const dates = { seasonStart: harvest.start, seasonEnd: harvest.end };
  const rates = ratesSeen(harvest, meter);
  return {
    ...dates,
    inSeason: Math.min(LONGEST_DAY, rates?.inSeason ?? planned / days),
    outOfSeason: Math.min(LONGEST_DAY, rates?.outOfSeason ?? 0),
  };
}

/** Least squares of hours = in·days in season + out·days outside, neither below nothing. */
function ratesSeen(
  harvest: Harvest,
  meter: readonly Meter[],
): { readonly inSeason: number; readonly outOfSeason: number } | undefined {
  let [aa, ab, bb, ah, bh] = [0, 0, 0, 0, 0];
  for (const { inside, outside, hours } of stretchesOf(harvest, meter)) {
    aa += inside * inside;
    ab += inside * outside;
    bb += outside * outside;
    ah += inside * hours;
    bh += outside * hours;
  }
  if (aa === 0) return undefined;
  const det = aa * bb - ab * ab;
  const both =
    det > 1e-9 * aa * bb
      ? { inSeason: (ah * bb - bh * ab) / det, outOfSeason: (aa * bh - ab * ah) / det }
      : { inSeason: ah / aa, outOfSeason: 0 };
  if (both.outOfSeason < 0) return { inSeason: ah / aa, outOfSeason: 0 };
  return both.inSeason < 0 ? { inSeason: 0, outOfSeason: bh / bb } : both;
}

interface Stretch {
  readonly inside: number;
  readonly outside: number;
  readonly hours: number;
}

function stretchesOf(harvest: Harvest, meter: readonly Meter[]): Stretch[] {
  const byDay = new Map<Day, number>();
  for (const { takenAt, hours } of meter) {
    const day = takenAt.slice(0, 10);
    byDay.set(day, Math.max(hours, byDay.get(day) ?? 0));
  }
  const looks = [...byDay].sort(([a], [b]) => (a < b ? -1 : 1));
  return looks.slice(1).flatMap(([to, hours], i) => {
    const [from, before] = looks[i] ?? [to, hours];
    const all = daysBetween(from, to);
    const inside = seasonDays(harvest, from, to);
    return hours < before || all === 0
      ? []
      : [{ inside, outside: all - inside, hours: hours - before }];
  });
}

/** Days of harvest between two days, taking each year's harvest to lie as this year's does. */
function seasonDays({ start, end }: Harvest, from: Day, to: Day): number {
  const years = Number(to.slice(0, 4)) - Number(from.slice(0, 4)) + 1;
  let days = 0;
  for (let i = 0; i < years; i += 1) {
    const shift = Number(from.slice(0, 4)) + i - Number(start.slice(0, 4));
    const first = shifted(start, shift);
    const last = dayOf(addDays(parseISO(shifted(end, shift)), 1));
    days += Math.max(0, daysBetween(first > from ? first : from, last < to ? last : to));
  }
  return days;
}

const dayOf = (date: Date): Day => formatISO(date, { representation: 'date' });
const shifted = (day: Day, years: number): Day => dayOf(addYears(parseISO(day), years));
const daysBetween = (from: Day, to: Day): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from));
