import { v5 as uuidv5 } from 'uuid';
import {
  Reading,
  type FieldTrouble,
  type Machine,
  type SpecSheet,
} from '@green-tally/core/contracts';
import { readCsvValue, type CsvRow } from '@green-tally/core/csv';
import { checksFor, noSuchCheck } from '@green-tally/core/walk';
import { readTable, type CsvRecord } from '../files/readTable';
import { fieldErrors } from '../errors';
import { COLUMN_NAMES, REQUIRED } from './columns';

/** Ids of rows that carry none are made from the row, so that the same file twice is no double. */
const ROW_NAMESPACE = '5a0c1d2e-9f35-4a57-8f6b-3d9f52c1b7aa';
const READINGS_FILE = {
  name: 'a readings file',
  rows: 'readings',
  columns: COLUMN_NAMES,
  required: REQUIRED,
  most: 200_000,
};

/**
 * One line of the file: a reading, or why not. `row` is the line in the file, the header being 1.
 */
export interface ReadRow {
  readonly row: number;
  readonly machine: string;
  readonly check: string;
  readonly reading?: Reading;
  readonly errors: FieldTrouble[];
}

/**
 * Reads a readings file: comma, semicolon or tab; with or without a byte-order mark; decimal commas
 * where the separator is not a comma.
 * @throws Invalid when it is no such file at all: the missing columns are named
 */
export function readReadingsCsv(
  text: string,
  machines: readonly Machine[],
  sheets: readonly SpecSheet[],
): ReadRow[] {
  const { records, decimalComma } = readTable(text, READINGS_FILE);
  const bySerial = new Map(machines.map((m) => [m.serial.toLowerCase(), m]));
  return records.map(({ record, row }) =>
    readRow(new Cells(record, row, decimalComma), bySerial, sheets),
  );
}

/** The cells of one row, and what is wrong with them. */
class Cells implements CsvRow {
  readonly errors: FieldTrouble[] = [];
  measured: CsvRow['measured'] = 'length';
  constructor(
    readonly record: CsvRecord,
    readonly row: number,
    private readonly decimalComma: boolean,
  ) {}

  cell(column: string): string {
    return this.record[column] ?? '';
  }

  number(column: string): string {
    const text = this.cell(column);
    return this.decimalComma ? text.replace(/(\d),(\d)/g, '$1.$2') : text;
  }

  wrong(field: string, message: string): undefined {
    this.errors.push({ field, message });
    return undefined;
  }

  yes(column: string): boolean {
    return /^(yes|y|true|1)$/i.test(this.cell(column));
  }
}

function readRow(
  cells: Cells,
  machines: ReadonlyMap<string, Machine>,
  sheets: readonly SpecSheet[],
): ReadRow {
  const out = {
    row: cells.row,
    machine: cells.cell('machine'),
    check: cells.cell('check'),
    errors: cells.errors,
  };
  for (const name of REQUIRED)
    if (!cells.cell(name)) cells.wrong(name, 'This column is empty here.');
  const machine = machineOf(cells, machines);
  const sheet = machine && sheetOf(cells, machine, sheets);
  const check = sheet?.checks.find((c) => c.id === out.check);
  if (check && 'quantity' in check) cells.measured = check.quantity;
  const value = cells.cell('value') ? readCsvValue(cells) : undefined;
  const hours = hoursOf(cells);
  if (cells.errors.length || !machine || !sheet || !value) return out;
  const parsed = Reading.safeParse({
    ...aboutReading(cells),
    machineId: machine.id,
    sheet: { model: sheet.model, revision: sheet.revision },
    value,
    hours,
  });
  if (parsed.success) return { ...out, reading: parsed.data };
  fieldErrors(parsed.error).forEach((e) => cells.wrong(CELL_OF[e.field] ?? e.field, e.message));
  return out;
}

function machineOf(cells: Cells, machines: ReadonlyMap<string, Machine>): Machine | undefined {
  const serial = cells.cell('machine');
  const machine = machines.get(serial.toLowerCase());
  if (!machine && serial) cells.wrong('machine', `No machine has the serial "${serial}".`);
  return machine;
}

function sheetOf(
  cells: Cells,
  machine: Machine,
  sheets: readonly SpecSheet[],
): SpecSheet | undefined {
  const id = cells.cell('check');
  const models = [machine.model, machine.header?.model];
  const sheet = sheets.find((s) => models.includes(s.model) && s.checks.some((c) => c.id === id));
  if (!sheet && id) cells.wrong('check', noSuchCheck(id, machine, checksFor(machine, sheets)));
  return sheet;
}

function hoursOf(cells: Cells): number {
  const hours = Number(cells.number('hours'));
  if (cells.cell('hours') && !(Number.isFinite(hours) && hours >= 0))
    cells.wrong('hours', `"${cells.cell('hours')}" is not a number of hours.`);
  return hours;
}

/** What a row says beside machine, sheet, value and hours; the contract checks it. */
function aboutReading(cells: Cells): object {
  const { record } = cells;
  const cell = (name: string) => cells.cell(name);
  return {
    id: cell('id') || uuidv5(JSON.stringify(Object.values(record)), ROW_NAMESPACE),
    walkId: cell('walk') || null,
    checkId: cell('check'),
    place: cell('place'),
    state: stateOf(cell('state')),
    by: cell('by') || 'imported',
    note: cell('note').replace(/^'(?=[=+\-@])/, ''),
    renewed: cells.yes('renewed'),
    repaired: cells.yes('repaired'),
    fit: cell('crop') ? { crop: cell('crop'), header: cell('header') || null } : null,
    settled: cells.yes('settled'),
    positionConfirmed: cell('position_confirmed') === '' || cells.yes('position_confirmed'),
    tool: toolOf(cell('tool')),
    strikes: cell('strikes') || null,
    takenAt: momentOf(cell('taken_at')),
  };
}

/** "as left", "as found"; what is neither is left for the contract to refuse. */
function stateOf(text: string): string {
  if (/^as ?left$/i.test(text)) return 'asLeft';
  return /^(as ?found)?$/i.test(text) ? 'asFound' : text;
}

/** Column that a field of the reading came from. */
const CELL_OF: Readonly<Record<string, string>> = {
  takenAt: 'taken_at',
  'value.values.0': 'value',
  'value.left': 'value',
  walkId: 'walk',
  'fit.crop': 'crop',
  'fit.header': 'header',
};

function toolOf(text: string): unknown {
  const match = /^(.+) ±?(\d+(?:\.\d+)?)$/.exec(text);
  return match ? { name: match[1], resolution: Number(match[2]) } : null;
}

/** A bare day is taken as noon UTC. Anything else is left for the contract to refuse. */
function momentOf(text: string): string {
  if (/^\d{4}-\d{2}-\d{2}$/.test(text))
    return Number.isNaN(Date.parse(text)) ? text : `${text}T12:00:00.000Z`;
  const time = Date.parse(text);
  return /^\d{4}-\d{2}-\d{2}T/.test(text) && Number.isFinite(time)
    ? new Date(time).toISOString()
    : text;
}
