import { v7 as uuidv7 } from 'uuid';
import type {
  BatchAnswer,
  Import,
  ImportReport,
  Person,
  Problem,
} from '@green-tally/core/contracts';
import { currentSheets, ImportRow, MachineRow, toMachine, type Database } from '../db';
import { Invalid, NotFound } from '../errors';
import { findPerson } from '../people/people';
import { readReadingsCsv, type ReadRow } from './readCsv';
import { openBooks } from './books';
import { MovedMeanwhile, storeReadings, tryReadings, type Progress } from './store';

/** Lines told of each sort; a report of a hundred thousand helps nobody. */
const MOST_LINES = 2000;

/** How a file is imported: all rows or none, or the valid ones; only looked through with preview. */
export interface Importing {
  readonly mode: ImportReport['mode'];
  readonly preview: boolean;
}

/** Takes a file in and puts the job in that imports it, in one transaction. */
export async function beginImport(
  db: Database,
  file: string,
  person: Person,
  how: Importing,
): Promise<Import> {
  const id = uuidv7();
  return db.transaction(async (transaction) => {
    const row = await ImportRow.create(
      { id, personId: person.id, ...how, file, state: 'waiting', step: 'reading', done: 0 },
      { transaction },
    );
    await db.queue.add('importReadings', [{ key: id, data: { import: id } }], transaction);
    return toImport(row);
  });
}

/** How far an import has come; only its own person's. @throws NotFound */
export async function importState(id: string, person: Person): Promise<Import> {
  const row = await ImportRow.findOne({
    where: { id, personId: person.id },
    attributes: { exclude: ['file'] },
  });
  if (!row) throw new NotFound('import');
  return toImport(row);
}

const toImport = (row: ImportRow): Import => ({
  id: row.id,
  state: row.state,
  step: row.step,
  done: row.done,
  rows: row.rows ?? null,
  report: row.report ?? null,
  trouble: row.trouble ?? null,
});

/**
 * Does an import: a job. One that was cut off is done again from its beginning; nothing of it was
 * stored, for it stores in one transaction, and what was stored is a duplicate the next time. The
 * file is let go once it is done.
 */
export async function runImport(db: Database, id: string, today: string): Promise<void> {
  const row = await ImportRow.findByPk(id);
  if (!row?.file || row.state === 'done' || row.state === 'refused') return;
  const sender = await findPerson(row.personId);
  // told on a connection of its own: what is being stored is seen by nobody until it is there
  const tell = (change: Partial<ImportRow['_attributes']>) =>
    ImportRow.update(change, { where: { id } });
  await tell({ state: 'running', step: 'reading', done: 0 });
  try {
    if (!sender)
      throw new Invalid('Nobody’s file', 'Whoever sent this file may not sign in any more.');
    const report = await importReadings(db, row.file, sender.person, {
      mode: row.mode,
      preview: row.preview,
      today,
      rows: (rows) => tell({ rows }).then(() => undefined),
      progress: (step, done) => tell({ step, done }).then(() => undefined),
    });
    await tell({ state: 'done', done: report.rows, report, file: null });
  } catch (error) {
    if (!(error instanceof Invalid)) throw error;
    await tell({ state: 'refused', trouble: problemOf(error), file: null });
  }
}

const problemOf = (error: Invalid): Problem => ({
  type: 'about:blank',
  title: error.title,
  status: 400,
  detail: error.message,
  ...(error.errors ? { errors: [...error.errors] } : {}),
});

interface Doing extends Importing {
  readonly today: string;
  readonly rows: (rows: number) => Promise<void>;
  readonly progress: Progress;
}

/** After so many beginnings it takes its machines for itself from the start. */
const BEGINNINGS = 3;

/** Imports a readings file and reports line by line. @throws Invalid when it is no such file */
async function importReadings(
  db: Database,
  text: string,
  person: Person,
  { mode, preview, today, rows: count, progress }: Doing,
): Promise<ImportReport> {
  const machines = (await MachineRow.findAll()).map(toMachine);
  const rows = readReadingsCsv(text, machines, await currentSheets());
  await count(rows.length);
  const readings = rows.flatMap((r) => (r.reading ? [r.reading] : []));
  const books = () =>
    openBooks(
      { person, today },
      readings.map((r) => r.machineId),
    );
  const all = mode === 'all';
  const dry = preview || (all && rows.length > readings.length);
  const store = async (begun = 1): ReturnType<typeof storeReadings> => {
    const how = { allOrNone: all, lockLast: begun < BEGINNINGS, progress };
    try {
      return await storeReadings(db, readings, await books(), how);
    } catch (error) {
      if (error instanceof MovedMeanwhile) return store(begun + 1);
      throw error;
    }
  };
  const { results, stored } = dry
    ? { results: await tryReadings(db, readings, await books(), progress), stored: false }
    : await store();
  return { mode, stored, ...reportOf(linesOf(rows, results)) };
}

type Line = ImportReport['lines'][number];

function reportOf(lines: readonly Line[]): Omit<ImportReport, 'mode' | 'stored'> {
  const told = linesTold(lines);
  const count = (result: Line['result']) => lines.filter((l) => l.result === result).length;
  return {
    rows: lines.length,
    accepted: count('accepted'),
    duplicate: count('duplicate'),
    rejected: count('rejected'),
    columnsMissing: [],
    lines: told,
    linesLeftOut: lines.length - told.length,
  };
}

function linesOf(rows: readonly ReadRow[], results: BatchAnswer['results']): Line[] {
  const left = results.values();
  return rows.map(({ row, machine, check, reading, errors }) => {
    const answer = reading ? left.next().value : undefined;
    return {
      row,
      machine,
      check,
      result: answer?.result ?? 'rejected',
      errors: [...errors, ...(answer?.errors ?? [])],
    };
  });
}

/** What was not taken first, in the order of the file. */
function linesTold(lines: readonly Line[]): Line[] {
  const taken = (l: Line) => l.result === 'accepted';
  return [
    ...lines.filter((l) => !taken(l)).slice(0, MOST_LINES),
    ...lines.filter(taken).slice(0, MOST_LINES),
  ].sort((a, b) => a.row - b.row);
}
