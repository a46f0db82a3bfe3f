import type { BatchAnswer, ImportReport, Person } from '@green-tally/core/contracts';
import { currentSheets, MachineRow, toMachine, type Database } from '../db';
import { readReadingsCsv, type ReadRow } from './readCsv';
import { openBooks, storeReadings, tryReadings } from './store';

/** Lines told of each sort; a report of a hundred thousand helps nobody. */
const MOST_LINES = 2000;

/** How a file is imported: all rows or none, or the valid ones; only shown with preview. */
export interface Importing {
  readonly mode: ImportReport['mode'];
  readonly preview: boolean;
  readonly today: string;
}

/** Imports a readings file and reports line by line. @throws Invalid when it is no such file */
export async function importReadings(
  db: Database,
  text: string,
  person: Person,
  { mode, preview, today }: Importing,
): Promise<ImportReport> {
  const machines = (await MachineRow.findAll()).map(toMachine);
  const rows = readReadingsCsv(text, machines, await currentSheets());
  const books = await openBooks(person, today);
  const readings = rows.flatMap((r) => (r.reading ? [r.reading] : []));
  const all = mode === 'all';
  const dry = preview || (all && rows.length > readings.length);
  const { results, stored } = dry
    ? { results: await tryReadings(db, readings, books), stored: false }
    : await storeReadings(db, readings, books, all);
  const lines = linesOf(rows, results);
  const told = linesTold(lines);
  const count = (result: Line['result']) => lines.filter((l) => l.result === result).length;
  return {
    mode,
    stored,
    rows: lines.length,
    accepted: count('accepted'),
    duplicate: count('duplicate'),
    rejected: count('rejected'),
    columnsMissing: [],
    lines: told,
    linesLeftOut: lines.length - told.length,
  };
}

type Line = ImportReport['lines'][number];

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
