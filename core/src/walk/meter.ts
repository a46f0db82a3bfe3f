import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import type { FieldTrouble, Machine, Reading } from '../contracts';
import { live } from '../history';
import { printHours } from '../units';

/**
 * What a separator meter stood at within one whole hour, and from when until when it was read so.
 * Kept by the hour: a season's readings are many, its hours few.
 */
export interface MeterMark {
  readonly least: number;
  readonly most: number;
  readonly first: string;
  readonly last: string;
}

/** What a meter may be misread by, h. */
const METER_SLACK = 1;

/** What the meter of a machine was read at, by its readings that stand. */
export function meterMarks(
  readings: readonly (Pick<Reading, 'id' | 'strikes' | 'hours' | 'takenAt'> &
    Partial<Pick<Reading, 'value'>>)[],
): MeterMark[] {
  const marks = new Map<number, MeterMark>();
  for (const r of live(readings)) addMark(marks, r);
  return [...marks.values()];
}

/** Notes one more reading of a meter. */
export function addMark(
  marks: Map<number, MeterMark>,
  { hours, takenAt }: Pick<Reading, 'hours' | 'takenAt'>,
): void {
  const hour = Math.floor(hours);
  const mark = marks.get(hour) ?? { least: hours, most: hours, first: takenAt, last: takenAt };
  marks.set(hour, {
    least: Math.min(mark.least, hours),
    most: Math.max(mark.most, hours),
    first: takenAt < mark.first ? takenAt : mark.first,
    last: takenAt > mark.last ? takenAt : mark.last,
  });
}

/**
 * A meter runs one way and no faster than the clock: a reading lies between those before and after
 * it, and what was recorded as renewed not beyond what the machine has worked.
 * @param marks what the meter was read at before and after, where that is at hand
 */
export function meterTroubles(
  { value, hours, takenAt }: Pick<Reading, 'hours' | 'takenAt'> & { value?: Reading['value'] },
  machine: Pick<Machine, 'serial' | 'hours' | 'builtOn'>,
  marks: readonly MeterMark[] = [],
): FieldTrouble[] {
  const wrong = (message: string) => [{ field: 'hours', message }];
  if (value?.kind === 'renewal' && hours > machine.hours + METER_SLACK)
    return wrong(
      `${machine.serial} has only worked ${printHours(machine.hours)}. Read the separator hours again, not the engine hours.`,
    );
  const before = lastBefore(marks, takenAt) ?? { least: 0, first: machine.builtOn };
  const since = before.first.slice(0, 10);
  if (hours < before.least - METER_SLACK)
    return wrong(
      `The meter stood at ${printHours(before.least)} on ${since} already. Check hours and day.`,
    );
  const after = firstAfter(marks, takenAt);
  if (after && hours > after.most + METER_SLACK)
    return wrong(
      `The meter stood at ${printHours(after.most)} on ${after.last.slice(0, 10)} still. Check hours and day.`,
    );
  const days = differenceInCalendarDays(parseISO(takenAt.slice(0, 10)), parseISO(since));
  return hours > before.least + 24 * (days + 1) + METER_SLACK
    ? wrong(
        `From ${printHours(before.least)} on ${since} it cannot have come to ${printHours(hours)} by ${takenAt.slice(0, 10)}. Read the separator hours again.`,
      )
    : [];
}

/** The highest it was read at before a moment. */
function lastBefore(marks: readonly MeterMark[], moment: string): MeterMark | undefined {
  let found: MeterMark | undefined;
  for (const m of marks)
    if (m.first < moment && (found === undefined || m.least > found.least)) found = m;
  return found;
}

/** The lowest it was read at after a moment. */
function firstAfter(marks: readonly MeterMark[], moment: string): MeterMark | undefined {
  let found: MeterMark | undefined;
  for (const m of marks)
    if (m.last > moment && (found === undefined || m.most < found.most)) found = m;
  return found;
}
