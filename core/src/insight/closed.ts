import { addYears } from 'date-fns/addYears';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Breakdown, Check, ClosedForecast, Day, Machine, Reading } from '../contracts';
import { seasonHours } from '../forecast';
import { live } from '../history';
import type { MachineFacts } from '../kinds';
import { judgeCheck, type CheckVerdict, type PlaceVerdict } from '../verdict';

/** What is known of a machine over the years. */
export interface OverYears {
  readonly machine: Machine;
  readonly checks: readonly Check[];
  readonly readings: readonly Reading[];
  readonly breakdowns: readonly Pick<Breakdown, 'checkId' | 'at'>[];
}

const shifted = (day: Day, years: number): Day =>
  formatISO(addYears(parseISO(day), years), { representation: 'date' });

/**
 * The forecasts of a machine that have come out. For each harvest that is over, each place is judged as
 * it was judged on the day before harvest, by what had been read until then; what became of it is told
 * by a breakdown in that harvest, or by the next reading as found before the harvest after. What nobody
 * read again, and what was renewed unread, proves nothing and is left out.
 * Each year's harvest is taken to lie, and to be as long, as this year's.
 */
export function closedForecasts(over: OverYears, today: Day): ClosedForecast[] {
  const readings = [...live(over.readings)].sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
  const first = readings[0]?.takenAt.slice(0, 4);
  if (first === undefined) return [];
  const { start, end } = over.machine.harvest;
  const years = Number(start.slice(0, 4)) - Number(first);
  return Array.from({ length: years + 1 }, (_, i) => i - years).flatMap((shift) => {
    const season = { start: shifted(start, shift), end: shifted(end, shift) };
    if (season.end >= today) return [];
    return over.checks.flatMap((check) =>
      closedOf(over, readings, { check, season, next: shifted(start, shift + 1) }),
    );
  });
}

interface One {
  readonly check: Check;
  readonly season: { readonly start: Day; readonly end: Day };
  /** the harvest after */
  readonly next: Day;
}

function closedOf(
  { machine, breakdowns }: OverYears,
  readings: readonly Reading[],
  { check, season, next }: One,
): ClosedForecast[] {
  const own = readings.filter((r) => r.checkId === check.id);
  const before = own.filter((r) => r.takenAt.slice(0, 10) < season.start);
  if (!before.length) return [];
  const said = judgedAt(machine, check, before, season.start);
  if (!said.some((p) => p.forecast)) return [];
  const stopped = breakdowns.some(
    ({ checkId, at }) => checkId === check.id && within(at.slice(0, 10), season),
  );
  return said.flatMap(({ place, forecast }): ClosedForecast[] => {
    if (!forecast) return [];
    const closed = { checkId: check.id, place, kind: check.wearClass ?? check.id };
    const made = { ...closed, season: season.start, chance: forecast.chance };
    // of several places the one that stopped is not said: it is the worst of them
    const worst = said.every((p) => (p.forecast?.chance ?? 0) <= forecast.chance);
    if (stopped && worst) return [{ ...made, happened: true, by: 'breakdown' }];
    const wear = asFoundAfter(machine, check, own, { place, since: season.start, next });
    return wear === undefined ? [] : [{ ...made, happened: wear >= 1, by: 'reading' }];
  });
}

const within = (day: Day, { start, end }: One['season']): boolean => start <= day && day <= end;

interface After {
  readonly place: string;
  /** a harvest's first day, and that of the one after */
  readonly since: Day;
  readonly next: Day;
}

/**
 * How far a place had worn when it was first read as found after a harvest began; undefined where it
 * was not, or was worked on before.
 */
function asFoundAfter(
  machine: Machine,
  check: Check,
  own: readonly Reading[],
  { place, since, next }: After,
): number | undefined {
  const later = own.filter((r) => {
    const day = r.takenAt.slice(0, 10);
    return r.place === place && day >= since && day < next;
  });
  const first = later[0];
  if (!first || first.state !== 'asFound') return undefined;
  const day = first.takenAt.slice(0, 10);
  const until = own.filter(
    (r) =>
      r.takenAt.slice(0, 10) < since || (r.state === 'asFound' && r.takenAt.slice(0, 10) <= day),
  );
  return judgedAt(machine, check, until, day).find((p) => p.place === place)?.wear;
}

function judgedAt(
  machine: Machine,
  check: Check,
  readings: readonly Reading[],
  day: Day,
): readonly PlaceVerdict[] {
  return verdictAt(machine, check, readings, day)?.places ?? [];
}

/** A check as it was judged on a day; undefined where it cannot be judged by the sheet of today. */
export function verdictAt(
  machine: Machine,
  check: Check,
  readings: readonly Reading[],
  day: Day,
): CheckVerdict | undefined {
  const { areaHa, widthM, speedKmh, efficiency, crop } = machine.harvest;
  const facts: MachineFacts = {
    hours: readings.reduce((most, r) => Math.max(most, r.hours), 0),
    seasonHours: seasonHours(areaHa, widthM, speedKmh, efficiency),
    crop,
    today: day,
  };
  try {
    return judgeCheck(check, readings, facts);
  } catch {
    // a reading that cannot be judged by the sheet of today proves nothing
    return undefined;
  }
}
