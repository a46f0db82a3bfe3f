import { col, fn, type Transaction } from 'sequelize';
import type { BatchAnswer, Reading } from '@green-tally/core/contracts';
import {
  connection,
  insertReadings,
  lockMachines,
  MachineRow,
  machinesChanged,
  type Database,
} from '../db';
import type { Books } from './books';
import { judging } from './judging';
import { known, type Known } from './known';

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
  return db.transaction(async (transaction) => {
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
  return db.transaction(async (transaction) =>
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

/**
 * A reading taken at more hours than the books know brings the machine's hours up; one that is struck
 * lets them fall back to what a person entered, or what the others were taken at.
 */
async function raiseHours(readings: readonly Reading[], transaction: Transaction): Promise<void> {
  const most = new Map<string, number>();
  const struck = new Set<string>();
  for (const r of readings)
    if (r.value.kind === 'strike') struck.add(r.machineId);
    else most.set(r.machineId, Math.max(most.get(r.machineId) ?? 0, r.hours));
  for (const [id, hours] of most)
    await MachineRow.update(
      { hours: fn('greatest', col('hours'), hours) },
      { where: { id }, transaction },
    );
  if (struck.size)
    await connection().query(
      `UPDATE machines m SET hours = greatest(m.book_hours, coalesce((SELECT max(r.hours) FROM readings r
         WHERE r.machine_id = m.id AND r.value->>'kind' <> 'strike'
           AND NOT EXISTS (SELECT 1 FROM readings s WHERE s.machine_id = m.id AND s.strikes = r.id)), 0))
       WHERE m.id = ANY($1)`,
      { bind: [[...struck]], transaction },
    );
}
