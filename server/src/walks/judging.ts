import { isDeepStrictEqual } from 'node:util';
import { Reading, type BatchAnswer, type FieldTrouble } from '@green-tally/core/contracts';
import { addMark, type MeterMark } from '@green-tally/core/walk';
import { troublesOf, type Books } from './books';
import { sheetKey, type Known } from './known';

type Result = BatchAnswer['results'][number];

/** Judges readings one after the other; each counts among what is known for the next. */
export function judging(books: Books, known: Known): (reading: Reading) => Result {
  const { meters } = known;
  const seen = new Map(known.there);
  const struck = new Set(known.struck.keys());
  return (reading): Result => {
    const { id, machineId } = reading;
    const same = seen.get(id);
    if (same)
      return sameReading(same, reading)
        ? { id, result: 'duplicate' }
        : { id, result: 'rejected', errors: [USED] };
    const meter = meters.get(machineId) ?? new Map<number, MeterMark>();
    const errors = [
      ...troublesOf(reading, books, [...meter.values()]),
      ...strikeTroubles(reading, { seen, struck }),
      ...belongsTroubles(reading, known),
    ];
    if (errors.length) return { id, result: 'rejected', errors };
    if (reading.strikes) struck.add(reading.strikes);
    seen.set(id, reading);
    // one that only strikes read no meter
    if (reading.value.kind !== 'strike') addMark(meter, reading);
    meters.set(machineId, meter);
    return { id, result: 'accepted' };
  };
}

const USED: FieldTrouble = {
  field: 'id',
  message:
    'This id is already used for another reading; a correction is a new reading that strikes the old one.',
};

interface Before {
  readonly seen: ReadonlyMap<string, Reading>;
  readonly struck: ReadonlySet<string>;
}

/** A strike names a reading of the same place that stands. */
function strikeTroubles(reading: Reading, { seen, struck }: Before): FieldTrouble[] {
  const { strikes, machineId, checkId, place } = reading;
  if (!strikes) return [];
  if (struck.has(strikes))
    return [{ field: 'strikes', message: 'This reading is struck already.' }];
  const of = seen.get(strikes);
  const fits =
    of?.machineId === machineId &&
    of.checkId === checkId &&
    of.place === place &&
    of.value.kind !== 'strike';
  return fits
    ? []
    : [
        {
          field: 'strikes',
          message: 'The reading to strike is not there at this place of this check.',
        },
      ];
}

/** The walk is one of this machine, and the revision one that there is. */
function belongsTroubles(
  { walkId, machineId, sheet }: Reading,
  { walks, revisions }: Known,
): FieldTrouble[] {
  return [
    ...(walkId && walks.get(walkId) !== machineId
      ? [{ field: 'walkId', message: 'There is no such walk of this machine.' }]
      : []),
    ...(revisions.has(sheetKey(sheet))
      ? []
      : [
          {
            field: 'sheet.revision',
            message: `There is no revision ${sheet.revision} of the sheet of ${sheet.model}.`,
          },
        ]),
  ];
}

// what was stored before a field came is read with its default
const sameReading = (a: Reading, b: Reading): boolean =>
  isDeepStrictEqual(plain(Reading.parse(a)), plain(b));
/**
 * A reading but for how it was written down: a file that went out and comes in again says 1 3/8 in
 * as 34.925 mm, to the ninth digit.
 */
const plain = (r: Reading): unknown =>
  JSON.parse(
    JSON.stringify({ ...r, takenAt: new Date(r.takenAt).toISOString() }, (key, value: unknown) => {
      if (key === 'typed' || key === 'unit') return undefined;
      return typeof value === 'number' ? Number(value.toPrecision(9)) : value;
    }),
  );
