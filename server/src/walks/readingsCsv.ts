import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { v5 as uuidv5 } from 'uuid';
import { Reading, type Machine, type SpecSheet } from '@green-tally/core/contracts';
import {
  parseQuantity,
  printNumber,
  UNITS,
  unitSymbols,
  UnitParseError,
  type Dimension,
} from '@green-tally/core/units';
import { checksFor, type FieldTrouble } from '@green-tally/core/walk';
import { fieldErrors, ProblemError } from '../http/problem';

/** Columns of the open readings file, in the order written. Those starred must be there. */
export const COLUMNS = [
  'id',
  'machine*',
  'check*',
  'place*',
  'quantity*',
  'value*',
  'unit',
  'taken_at*',
  'hours*',
  'state',
  'by',
  'position_confirmed',
  'renewed',
  'settled',
  'links_out',
  'strikes',
  'walk',
  'tool',
  'note',
] as const;
const REQUIRED = COLUMNS.filter((c) => c.endsWith('*')).map((c) => c.slice(0, -1));
/** Ids of rows that carry none are made from the row, so that the same file twice is no double. */
const ROW_NAMESPACE = '5a0c1d2e-9f35-4a57-8f6b-3d9f52c1b7aa';
const MOST_ROWS = 200_000;

/** One line of the file: a reading, or why not. `row` is the line in the file, the header being 1. */
export interface ReadRow {
  readonly row: number;
  readonly machine: string;
  readonly check: string;
  readonly reading?: Reading;
  readonly errors: FieldTrouble[];
}

/**
 * Reads a readings file: comma, semicolon or tab; with or without a byte-order mark; decimal commas where the separator is not a comma.
 * @throws ProblemError 400 when it is no such file at all: the missing columns are named
 */
export function readReadingsCsv(
  text: string,
  machines: readonly Machine[],
  sheets: readonly SpecSheet[],
): ReadRow[] {
  const delimiter = delimiterOf(text);
  const records = parseRecords(text, delimiter);
  const bySerial = new Map(machines.map((m) => [m.serial.toLowerCase(), m]));
  return records.map(({ record, row }) =>
    readRow(record, row, delimiter !== ',', bySerial, sheets),
  );
}

function delimiterOf(text: string): string {
  const header = text.slice(0, text.search(/[\r\n]|$/));
  return [',', ';', '\t'].reduce(
    (best, d) => (header.split(d).length > header.split(best).length ? d : best),
    ',',
  );
}

type Record_ = Readonly<Record<string, string>>;

function parseRecords(text: string, delimiter: string): { record: Record_; row: number }[] {
  let columns: string[] = [];
  let rows: { record: Record_; info: { lines: number } }[];
  try {
    rows = parse(text, {
      bom: true,
      delimiter,
      trim: true,
      skip_empty_lines: true,
      relax_column_count: true,
      info: true,
      max_record_size: 100_000,
      columns: (header: string[]) => (columns = header.map((h) => h.trim().toLowerCase())),
    }) as unknown as typeof rows;
  } catch (error) {
    throw new ProblemError(
      400,
      'Not a readings file',
      `The file cannot be read as CSV: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
  const missing = REQUIRED.filter((c) => !columns.includes(c));
  if (missing.length) {
    throw new ProblemError(
      400,
      'Columns are missing',
      `Missing: ${missing.join(', ')}. The first line names the columns: ${COLUMNS.map((c) => c.replace('*', '')).join(', ')}.`,
      missing.map((field) => ({ field, message: 'wanted a column of this name' })),
    );
  }
  if (rows.length === 0)
    throw new ProblemError(400, 'No rows', 'The file has its columns but no readings below them.');
  if (rows.length > MOST_ROWS)
    throw new ProblemError(
      400,
      'Too many rows',
      `The file has ${rows.length} rows; send at most ${MOST_ROWS} at a time.`,
    );
  return rows.map((r) => ({ record: r.record, row: r.info.lines }));
}

function readRow(
  record: Record_,
  row: number,
  decimalComma: boolean,
  machines: ReadonlyMap<string, Machine>,
  sheets: readonly SpecSheet[],
): ReadRow {
  const cell = (name: string): string => record[name] ?? '';
  const errors: FieldTrouble[] = [];
  const out = { row, machine: cell('machine'), check: cell('check'), errors };
  const wrong = (field: string, message: string): undefined => void errors.push({ field, message });
  for (const name of REQUIRED) if (!cell(name)) wrong(name, 'This column is empty here.');
  const machine = machines.get(cell('machine').toLowerCase());
  if (!machine && cell('machine'))
    wrong('machine', `No machine has the serial "${cell('machine')}".`);
  const sheet =
    machine &&
    sheets.find(
      (s) =>
        [machine.model, machine.header?.model].includes(s.model) &&
        s.checks.some((c) => c.id === cell('check')),
    );
  if (machine && cell('check') && !sheet)
    wrong(
      'check',
      `${machine.model} ${machine.serial} has no check "${cell('check')}". It has: ${checksFor(
        machine,
        sheets,
      )
        .map((c) => c.id)
        .join(', ')}.`,
    );
  const number = (name: string): string =>
    decimalComma ? cell(name).replace(/(\d),(\d)/g, '$1.$2') : cell(name);
  const check = sheet?.checks.find((c) => c.id === cell('check'));
  const value = cell('value')
    ? valueOf(cell, number, wrong, check && 'quantity' in check ? check.quantity : 'length')
    : undefined;
  const hours = Number(number('hours'));
  if (cell('hours') && !(Number.isFinite(hours) && hours >= 0))
    wrong('hours', `"${cell('hours')}" is not a number of hours.`);
  if (errors.length || !machine || !sheet || !value) return out;
  const parsed = Reading.safeParse({
    id: cell('id') || uuidv5(JSON.stringify(Object.values(record)), ROW_NAMESPACE),
    machineId: machine.id,
    walkId: cell('walk') || null,
    checkId: cell('check'),
    sheet: { model: sheet.model, revision: sheet.revision },
    place: cell('place'),
    state: /^as ?left$/i.test(cell('state'))
      ? 'asLeft'
      : /^(as ?found)?$/i.test(cell('state'))
        ? 'asFound'
        : cell('state'),
    value,
    hours,
    by: cell('by') || 'imported',
    note: cell('note').replace(/^'(?=[=+\-@])/, ''),
    renewed: yes(cell('renewed')),
    settled: yes(cell('settled')),
    positionConfirmed: cell('position_confirmed') === '' || yes(cell('position_confirmed')),
    tool: toolOf(cell('tool')),
    strikes: cell('strikes') || null,
    takenAt: momentOf(cell('taken_at')),
  });
  if (!parsed.success) {
    fieldErrors(parsed.error).forEach((e) => wrong(CELL_OF[e.field] ?? e.field, e.message));
    return out;
  }
  return { ...out, reading: parsed.data };
}

/** Column that a field of the reading came from. */
const CELL_OF: Readonly<Record<string, string>> = {
  takenAt: 'taken_at',
  'value.values.0': 'value',
  'value.left': 'value',
  walkId: 'walk',
};

type Cell = (name: string) => string;

function valueOf(
  cell: Cell,
  number: Cell,
  wrong: (field: string, message: string) => undefined,
  measured: Dimension,
): unknown {
  const quantity = cell('quantity').toLowerCase();
  const amount = (text: string, dimension: Dimension): { value: number } | undefined => {
    try {
      return parseQuantity(text, dimension, cell('unit') || ownUnit(dimension));
    } catch (error) {
      if (error instanceof UnitParseError) return wrong('value', error.message);
      return wrong(
        'unit',
        `"${cell('unit')}" is not a unit of ${dimension}: write ${dimension === 'length' ? 'mm or in' : unitSymbols(dimension)}.`,
      );
    }
  };
  switch (quantity) {
    case 'measure': {
      const typed = number('value').split(' / ');
      const values = typed
        .map((text) => amount(text, measured))
        .flatMap((read) => (read ? [read.value] : []));
      return values.length === typed.length
        ? { kind: 'measure', values, typed, unit: cell('unit') || ownUnit(measured) }
        : undefined;
    }
    case 'travel': {
      const read = amount(number('value'), 'length');
      const links = cell('links_out') === '' ? 0 : Number(cell('links_out'));
      if (!Number.isInteger(links))
        return wrong('links_out', `"${cell('links_out')}" is not a whole number.`);
      return (
        read && {
          kind: 'travel',
          left: read.value,
          linksOut: links,
          typed: cell('value'),
          unit: cell('unit') || 'mm',
        }
      );
    }
    case 'mark': {
      const match = /^(short|at|past)(?:\s+(.+))?$/i.exec(number('value'));
      if (!match)
        return wrong(
          'value',
          `"${cell('value')}" is not a mark: write at, short 2 or past 1.5 (mm).`,
        );
      const by = Number((match[2] ?? '0').replace(/\s*mm$/, ''));
      return Number.isFinite(by)
        ? { kind: 'mark', stands: match[1]?.toLowerCase(), by }
        : wrong('value', `"${match[2]}" is not a length in mm.`);
    }
    case 'feel': {
      const [, said = '', play] = /^(.+?)(?:,? (with|no) play)?$/i.exec(cell('value').trim()) ?? [];
      const feel = {
        stuck: 'stuck',
        'just slides': 'justSlides',
        'slides easily': 'slidesEasily',
        hangs: 'hangs',
        'hangs loose': 'hangs',
      }[said.toLowerCase()];
      return feel
        ? { kind: 'feel', feel, ...(play ? { play: play.toLowerCase() === 'with' } : {}) }
        : wrong(
            'value',
            `"${cell('value')}" is not a feel: write stuck, just slides, slides easily or hangs.`,
          );
    }
    case 'count': {
      const counts = Object.fromEntries(
        [...cell('value').matchAll(/([a-z_]+)\s*=\s*(\d+)/gi)].map((m) => [
          m[1]?.toLowerCase(),
          Number(m[2]),
        ]),
      );
      if (!Object.keys(counts).length)
        return wrong(
          'value',
          `"${cell('value')}" is not a count: write missing=1 damaged=0 one_edge=6 both_edges=0.`,
        );
      return {
        kind: 'count',
        missing: counts['missing'] ?? 0,
        damaged: counts['damaged'] ?? 0,
        oneEdge: counts['one_edge'] ?? 0,
        bothEdges: counts['both_edges'] ?? 0,
      };
    }
    case 'gonogo': {
      const fits = { fits: true, 'does not fit': false }[cell('value').toLowerCase()];
      return fits === undefined
        ? wrong('value', `"${cell('value')}" is not a gauge reading: write fits or does not fit.`)
        : { kind: 'gonogo', fits };
    }
    case 'condition': {
      const match = /^(sound|marked|damaged)(?:\s*:\s*(.+))?$/i.exec(cell('value'));
      return match
        ? {
            kind: 'condition',
            grade: match[1]?.toLowerCase(),
            seen: match[2]?.split(/\s*;\s*/) ?? [],
          }
        : wrong(
            'value',
            `"${cell('value')}" is not a condition: write sound, marked: cracks; fraying or damaged: bent.`,
          );
    }
    case 'level': {
      const match = /^(low|right|high)(?:\s+(.+))?$/i.exec(cell('value'));
      return match
        ? { kind: 'level', level: match[1]?.toLowerCase(), colour: match[2] ?? '' }
        : wrong(
            'value',
            `"${cell('value')}" is not a level: write low, right or high, with the colour after it.`,
          );
    }
    case 'setting':
      return { kind: 'setting', option: cell('value') };
    case 'service': {
      const match = /^done(?:\s+(\d+(?:\.\d+)?))?(?:\s+of\s+(.+))?$/i.exec(number('value'));
      return match
        ? {
            kind: 'service',
            amount: match[1] === undefined ? null : Number(match[1]),
            product: match[2] ?? '',
          }
        : wrong(
            'value',
            `"${cell('value')}" is not a service: write done, done 2 or done 2 of Grease NLGI 2.`,
          );
    }
    case 'look':
      return {
        kind: 'look',
        seen: cell('value').toLowerCase() === 'fine' ? 'fine' : 'damaged',
        found: cell('value').toLowerCase() === 'fine' ? '' : cell('value'),
      };
    case 'skip':
      return { kind: 'skip', why: cell('value') };
    default:
      return wrong(
        'quantity',
        `"${cell('quantity')}" is not a quantity: write measure, travel, mark, feel, gonogo, count, condition, level, setting, service, look or skip.`,
      );
  }
}

/** The core's own unit of a quantity, taken where the file says none. */
const ownUnit = (dimension: Dimension): string => unitSymbols(dimension).split(', ')[0] ?? 'mm';

const yes = (text: string): boolean => /^(yes|y|true|1)$/i.test(text);

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

/** Writes readings in the open format; what it writes, {@link readReadingsCsv} reads back the same. */
export function writeReadingsCsv(
  readings: readonly Reading[],
  serials: ReadonlyMap<string, string>,
): string {
  const rows = readings.flatMap((r) => {
    const base = {
      machine: serials.get(r.machineId) ?? '',
      check: r.checkId,
      place: r.place,
      taken_at: r.takenAt,
      hours: printNumber(r.hours, 2),
      state: r.state === 'asLeft' ? 'as left' : 'as found',
      by: r.by,
      position_confirmed: r.positionConfirmed ? 'yes' : 'no',
      renewed: r.renewed ? 'yes' : 'no',
      settled: r.settled ? 'yes' : 'no',
      strikes: r.strikes ?? '',
      walk: r.walkId ?? '',
      tool: r.tool ? `${r.tool.name} ±${r.tool.resolution}` : '',
      note: r.note,
      links_out: r.value.kind === 'travel' ? String(r.value.linksOut) : '',
      id: r.id,
    };
    return [{ ...base, ...cellsOf(r.value) }];
  });
  return stringify(rows, {
    header: true,
    columns: COLUMNS.map((c) => c.replace('*', '')),
    escape_formulas: true,
  });
}

function cellsOf(value: Reading['value']): { quantity: string; value: string; unit: string } {
  switch (value.kind) {
    case 'measure':
      return {
        quantity: 'measure',
        value: value.values.map((v) => printNumber(v, 4)).join(' / '),
        unit: baseUnit(value.unit),
      };
    case 'travel':
      return { quantity: 'travel', value: printNumber(value.left, 4), unit: 'mm' };
    case 'mark':
      return {
        quantity: 'mark',
        value: value.stands === 'at' ? 'at' : `${value.stands} ${printNumber(value.by, 3)}`,
        unit: 'mm',
      };
    case 'feel':
      return {
        quantity: 'feel',
        value:
          {
            stuck: 'stuck',
            justSlides: 'just slides',
            slidesEasily: 'slides easily',
            hangs: 'hangs',
          }[value.feel] +
          (value.play === undefined ? '' : value.play ? ', with play' : ', no play'),
        unit: '',
      };
    case 'count':
      return {
        quantity: 'count',
        value: `missing=${value.missing} damaged=${value.damaged} one_edge=${value.oneEdge} both_edges=${value.bothEdges}`,
        unit: '',
      };
    case 'gonogo':
      return { quantity: 'gonogo', value: value.fits ? 'fits' : 'does not fit', unit: '' };
    case 'condition': {
      const seen = [...value.seen, ...(value.found ? [value.found] : [])];
      return {
        quantity: 'condition',
        value: `${value.grade}${seen.length ? `: ${seen.join('; ')}` : ''}`,
        unit: '',
      };
    }
    case 'level':
      return {
        quantity: 'level',
        value: `${value.level}${value.colour ? ` ${value.colour}` : ''}`,
        unit: '',
      };
    case 'setting':
      return { quantity: 'setting', value: value.option, unit: '' };
    case 'service':
      return {
        quantity: 'service',
        value: `done${value.amount === null ? '' : ` ${printNumber(value.amount, 3)}`}${value.product ? ` of ${value.product}` : ''}`,
        unit: '',
      };
    case 'look':
      return {
        quantity: 'look',
        value: value.seen === 'fine' ? 'fine' : value.found || 'damaged',
        unit: '',
      };
    case 'skip':
      return { quantity: 'skip', value: value.why, unit: '' };
  }
}

/** Values travel in the core's own unit, whatever unit was typed. */
function baseUnit(typed: string): string {
  const unit = UNITS.find((u) => u.symbol === typed);
  return unit ? ownUnit(unit.dimension) : 'mm';
}
