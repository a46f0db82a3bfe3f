import { isDeepStrictEqual } from 'node:util';
import { col, fn, QueryTypes, type Transaction } from 'sequelize';
import {
  type BatchAnswer,
  type FieldTrouble,
  type Machine,
  type Person,
  Reading,
  type SpecSheet,
} from '@green-tally/core/contracts';
import { addMark, admissionTroubles, type MeterMark } from '@green-tally/core/walk';
import {
  connection,
  currentSheets,
  factsChanged,
  insertReadings,
  MachineRow,
  ReadingRow,
  toMachine,
  toReading,
  type Database,
} from '../db';
import { inBranch } from '@green-tally/core/rights';

/** What readings are held against before they are stored. */
export interface Books {
  readonly machines: ReadonlyMap<string, Machine>;
  readonly sheets: readonly SpecSheet[];
  readonly today: string;
  readonly person: Person;
}

export async function openBooks(person: Person, today: string): Promise<Books> {
  const rows = await MachineRow.findAll();
  return {
    machines: new Map(rows.map((r) => [r.id, toMachine(r)])),
    sheets: await currentSheets(),
    today,
    person,
  };
}

/** Troubles of one reading, from nothing known of other readings. */
export function troublesOf(
  reading: Reading,
  books: Books,
  marks: readonly MeterMark[] = [],
): FieldTrouble[] {
  const machine = books.machines.get(reading.machineId);
  if (!machine) return [{ field: 'machineId', message: 'There is no such machine.' }];
  if (!inBranch(books.person, machine.branch))
    return [
      {
        field: 'machineId',
        message: `${machine.serial} belongs to ${machine.branch}; you work for ${books.person.branch}.`,
      },
    ];
  return admissionTroubles(reading, machine, books.sheets, { today: books.today, marks });
}

type Result = BatchAnswer['results'][number];

/**
 * Stores readings in one transaction and answers each: accepted, duplicate (the same reading is
 * there), or rejected and why.
 * An id that is there with other content is rejected: nothing is silently changed.
 * @param allOrNone store nothing when one is rejected
 */
export async function storeReadings(
  db: Database,
  readings: readonly Reading[],
  books: Books,
  allOrNone = false,
): Promise<{ results: Result[]; stored: boolean }> {
  return db.sequelize.transaction(async (transaction) => {
    const results = judgeAll(readings, books, await known(readings, transaction));
    const stored = !(allOrNone && results.some((r) => r.result === 'rejected'));
    const fresh = readings.filter((_, i) => results[i]?.result === 'accepted');
    if (stored && fresh.length) {
      const inserted = await insertReadings(db, fresh, transaction);
      results.forEach((r) => {
        if (r.result === 'accepted' && !inserted.has(r.id)) r.result = 'duplicate';
      });
      await raiseHours(fresh, transaction);
      await factsChanged(db, transaction);
    }
    return { results, stored };
  });
}

/** What would happen, without storing. */
export async function tryReadings(
  db: Database,
  readings: readonly Reading[],
  books: Books,
): Promise<Result[]> {
  return db.sequelize.transaction(async (transaction) =>
    judgeAll(readings, books, await known(readings, transaction)),
  );
}

function judgeAll(readings: readonly Reading[], books: Books, { there, meters }: Known): Result[] {
  const seen = new Map(there);
  return readings.map((reading): Result => {
    const same = seen.get(reading.id);
    if (same) {
      return sameReading(same, reading)
        ? { id: reading.id, result: 'duplicate' }
        : {
            id: reading.id,
            result: 'rejected',
            errors: [
              {
                field: 'id',
                message:
                  'This id is already used for another reading; a correction is a new reading that strikes the old one.',
              },
            ],
          };
    }
    const meter = meters.get(reading.machineId) ?? new Map<number, MeterMark>();
    const errors = [...troublesOf(reading, books, [...meter.values()])];
    const struck = reading.strikes ? seen.get(reading.strikes) : undefined;
    if (
      reading.strikes &&
      (!struck ||
        struck.machineId !== reading.machineId ||
        struck.checkId !== reading.checkId ||
        struck.place !== reading.place)
    ) {
      errors.push({
        field: 'strikes',
        message: 'The reading to strike is not there at this place of this check.',
      });
    }
    if (errors.length) return { id: reading.id, result: 'rejected', errors };
    seen.set(reading.id, reading);
    addMark(meter, reading);
    meters.set(reading.machineId, meter);
    return { id: reading.id, result: 'accepted' };
  });
}

// what was stored before a field came is read with its default
const sameReading = (a: Reading, b: Reading): boolean =>
  isDeepStrictEqual(plain(Reading.parse(a)), plain(b));
const plain = (r: Reading): unknown =>
  JSON.parse(JSON.stringify({ ...r, takenAt: new Date(r.takenAt).toISOString() }));

/** What is there already that bears on a batch. */
interface Known {
  readonly there: ReadonlyMap<string, Reading>;
  /** by machine and whole hour; grows with the batch */
  readonly meters: Map<string, Map<number, MeterMark>>;
}

async function known(readings: readonly Reading[], transaction: Transaction): Promise<Known> {
  const struck = readings.flatMap((r) => r.strikes ?? []);
  const meters = await metersOf(
    [...new Set(readings.map((r) => r.machineId))],
    struck,
    transaction,
  );
  return { there: await existing(readings, transaction), meters };
}

/** What the meters of machines were read at, but for readings that are struck or about to be. */
async function metersOf(
  machines: readonly string[],
  struck: readonly string[],
  transaction: Transaction,
): Promise<Known['meters']> {
  const rows = await connection().query<{
    machine: string;
    hour: number;
    least: number;
    most: number;
    first: Date;
    last: Date;
  }>(
    `SELECT machine_id AS machine, floor(hours) AS hour, min(hours) AS least, max(hours) AS most, min(taken_at) AS first, max(taken_at) AS last
     FROM readings WHERE machine_id IN (:machines) AND id NOT IN (:struck) AND id NOT IN (
       SELECT strikes FROM readings WHERE machine_id IN (:machines) AND strikes IS NOT NULL)
     GROUP BY machine_id, floor(hours)`,
    {
      type: QueryTypes.SELECT,
      replacements: { machines: [...machines], struck: struck.length ? [...struck] : [NO_ID] },
      transaction,
    },
  );
  const meters: Known['meters'] = new Map();
  for (const { machine, hour, first, last, ...mark } of rows) {
    const own = meters.get(machine) ?? new Map<number, MeterMark>();
    own.set(hour, { ...mark, first: first.toISOString(), last: last.toISOString() });
    meters.set(machine, own);
  }
  return meters;
}

const NO_ID = '00000000-0000-0000-0000-000000000000';

async function existing(
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Map<string, Reading>> {
  const ids = [...new Set(readings.flatMap((r) => (r.strikes ? [r.id, r.strikes] : [r.id])))];
  const rows = await ReadingRow.findAll({ where: { id: ids }, transaction });
  return new Map(rows.map((r) => [r.id, toReading(r)]));
}

/**
 * A reading taken at more hours than the books know brings the machine's hours up; they never go
 * down by a reading.
 */
async function raiseHours(readings: readonly Reading[], transaction: Transaction): Promise<void> {
  const most = new Map<string, number>();
  for (const r of readings) most.set(r.machineId, Math.max(most.get(r.machineId) ?? 0, r.hours));
  for (const [id, hours] of most)
    await MachineRow.update(
      { hours: fn('greatest', col('hours'), hours) },
      { where: { id }, transaction },
    );
}
