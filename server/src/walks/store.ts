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
import { addMark, admission, type MeterMark } from '@green-tally/core/walk';
import {
  connection,
  currentSheets,
  insertReadings,
  lockMachines,
  MachineRow,
  machinesChanged,
  modelsOf,
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
  /** what each machine admits, once it was asked for */
  readonly admits: Map<string, ReturnType<typeof admission>>;
  /** as the machines stood when they were looked up */
  readonly versions: ReadonlyMap<string, number>;
  readonly today: string;
  readonly person: Person;
}

/** The books of some machines: what readings of theirs are held against, and nothing else. */
export async function openBooks(
  person: Person,
  today: string,
  ids: readonly string[],
): Promise<Books> {
  const rows = await MachineRow.findAll({ where: { id: [...new Set(ids)] } });
  const machines = rows.map(toMachine);
  return {
    machines: new Map(machines.map((m) => [m.id, m])),
    admits: new Map(),
    versions: new Map(rows.map((r) => [r.id, r.version])),
    sheets: await currentSheets(undefined, [...new Set(machines.flatMap(modelsOf))]),
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
  const admits = books.admits.get(machine.id) ?? admission(machine, books.sheets);
  books.admits.set(machine.id, admits);
  return admits(reading, { today: books.today, marks });
}

type Result = BatchAnswer['results'][number];

/** How readings are stored, for those who store many. */
export interface Storing {
  /** store nothing when one is rejected */
  readonly allOrNone?: boolean;
  /**
   * A file of very many is checked and inserted without keeping others from its machines; they are
   * locked at its end, for a moment, and what was written to them meanwhile makes it begin anew.
   */
  readonly lockLast?: boolean;
  readonly progress?: Progress;
}

/** Is told how many rows are done of a step. */
export type Progress = (step: 'checking' | 'storing', rows: number) => Promise<void>;

/** Something was written to the machines of a file while it was being stored. */
export class MovedMeanwhile extends Error {}

/**
 * Stores readings in one transaction and answers each: accepted, duplicate (the same reading is
 * there), or rejected and why.
 * An id that is there with other content is rejected: nothing is silently changed.
 * @throws MovedMeanwhile with `lockLast`, when it is to be begun anew
 */
export async function storeReadings(
  db: Database,
  readings: readonly Reading[],
  books: Books,
  { allOrNone = false, lockLast = false, progress = () => Promise.resolve() }: Storing = {},
): Promise<{ results: Result[]; stored: boolean }> {
  const ids = [...new Set(readings.map((r) => r.machineId))];
  return db.sequelize.transaction(async (transaction) => {
    // what the meters of a machine say is read by one writer at a time
    if (!lockLast) await lockMachines(db, ids, transaction);
    const seen = await known(readings, transaction);
    const results = await judgeAll(readings, books, seen, progress);
    const stored = !(allOrNone && results.some((r) => r.result === 'rejected'));
    const fresh = readings.filter((_, i) => results[i]?.result === 'accepted');
    if (stored && fresh.length) {
      const inserted = await insertReadings(db, fresh, transaction, (n) => progress('storing', n));
      results.forEach((r) => {
        if (r.result === 'accepted' && !inserted.has(r.id)) r.result = 'duplicate';
      });
      if (lockLast) await lockUnmoved(db, books.versions, transaction);
      await raiseHours(fresh, transaction);
      await machinesChanged(db, { ids: fresh.map((r) => r.machineId) }, transaction);
    }
    return { results, stored };
  });
}

async function lockUnmoved(
  db: Database,
  before: ReadonlyMap<string, number>,
  transaction: Transaction,
): Promise<void> {
  const ids = [...before.keys()];
  await lockMachines(db, ids, transaction);
  const now = await MachineRow.findAll({
    attributes: ['id', 'version'],
    where: { id: ids },
    transaction,
  });
  if (now.some(({ id, version }) => before.get(id) !== version)) throw new MovedMeanwhile();
}

/** What would happen, without storing. */
export async function tryReadings(
  db: Database,
  readings: readonly Reading[],
  books: Books,
  progress: Progress = () => Promise.resolve(),
): Promise<Result[]> {
  return db.sequelize.transaction(async (transaction) =>
    judgeAll(readings, books, await known(readings, transaction), progress),
  );
}

/** So many rows are checked between two words of how far it is. */
const TOLD_EVERY = 2000;

async function judgeAll(
  readings: readonly Reading[],
  books: Books,
  before: Known,
  progress: Progress,
): Promise<Result[]> {
  const judge = judging(books, before);
  const results: Result[] = [];
  for (const [i, reading] of readings.entries()) {
    if (i % TOLD_EVERY === TOLD_EVERY - 1) await progress('checking', i + 1);
    results.push(judge(reading));
  }
  return results;
}

/** Judges readings one after the other; each counts among what is known for the next. */
function judging(books: Books, { there, meters }: Known): (reading: Reading) => Result {
  const seen = new Map(there);
  return (reading): Result => {
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
        struck.place !== reading.place ||
        struck.value.kind === 'strike')
    ) {
      errors.push({
        field: 'strikes',
        message: 'The reading to strike is not there at this place of this check.',
      });
    }
    if (errors.length) return { id: reading.id, result: 'rejected', errors };
    seen.set(reading.id, reading);
    // one that only strikes read no meter
    if (reading.value.kind !== 'strike') addMark(meter, reading);
    meters.set(reading.machineId, meter);
    return { id: reading.id, result: 'accepted' };
  };
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
     FROM readings WHERE machine_id IN (:machines) AND value->>'kind' <> 'strike' AND id NOT IN (:struck) AND id NOT IN (
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
  for (const r of readings)
    if (r.value.kind !== 'strike')
      most.set(r.machineId, Math.max(most.get(r.machineId) ?? 0, r.hours));
  for (const [id, hours] of most)
    await MachineRow.update(
      { hours: fn('greatest', col('hours'), hours) },
      { where: { id }, transaction },
    );
}
