import { isDeepStrictEqual } from 'node:util';
import { col, fn, type Transaction } from 'sequelize';
import {
  type BatchAnswer,
  type FieldTrouble,
  type Machine,
  type Person,
  Reading,
  type SpecSheet,
} from '@green-tally/core/contracts';
import { admissionTroubles } from '@green-tally/core/walk';
import {
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
export function troublesOf(reading: Reading, books: Books): FieldTrouble[] {
  const machine = books.machines.get(reading.machineId);
  if (!machine) return [{ field: 'machineId', message: 'There is no such machine.' }];
  if (!inBranch(books.person, machine.branch))
    return [
      {
        field: 'machineId',
        message: `${machine.serial} belongs to ${machine.branch}; you work for ${books.person.branch}.`,
      },
    ];
  return admissionTroubles(reading, machine, books.sheets, books.today);
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
    const there = await existing(readings, transaction);
    const results = judgeAll(readings, books, there);
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
    judgeAll(readings, books, await existing(readings, transaction)),
  );
}

function judgeAll(
  readings: readonly Reading[],
  books: Books,
  there: ReadonlyMap<string, Reading>,
): Result[] {
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
    const errors = [...troublesOf(reading, books)];
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
    return { id: reading.id, result: 'accepted' };
  });
}

const sameReading = (a: Reading, b: Reading): boolean => isDeepStrictEqual(plain(a), plain(b));
const plain = (r: Reading): unknown =>
  JSON.parse(JSON.stringify({ ...r, takenAt: new Date(r.takenAt).toISOString() }));

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
