import type { SpecSheet } from '../contracts';
import { enterLimits, type Entered, type LimitEdit } from './enterLimits';
import {
  limitRows,
  LIMIT_COLUMNS,
  type LimitColumn,
  type LimitPart,
  type LimitRow,
} from './limitRows';

/** The columns of the file, in their order. */
export const LIMIT_FILE_COLUMNS = [
  'check',
  'place',
  'figures',
  'component',
  'measures',
  ...LIMIT_COLUMNS,
] as const;

/** The figures of a sheet as the rows of a file, heading first. */
export const limitTable = (sheet: SpecSheet): string[][] => [
  [...LIMIT_FILE_COLUMNS],
  ...limitRows(sheet).map((row) => [
    row.checkId,
    row.place,
    row.part,
    row.component,
    row.measures,
    ...LIMIT_COLUMNS.map((c) => row.cells[c]),
  ]),
];

/** What one row of a file or of a pasted table comes to. */
export interface TableLine {
  /** line in the file, the heading being 1 */
  readonly line: number;
  readonly row: LimitRow | undefined;
  readonly state: 'entered' | 'same' | 'trouble';
  readonly edit: LimitEdit | undefined;
  /** column and what is wrong, or what was made of it */
  readonly says: readonly { readonly column: string; readonly message: string }[];
}

/** A table as it would be entered: shown first, entered only as a whole. */
export interface TablePreview {
  readonly lines: readonly TableLine[];
  readonly entered: Entered;
  readonly troubles: number;
  /** what is wrong with the table as a whole */
  readonly refused: string | undefined;
}

/** Headings by which people name the columns. */
const HEADINGS: readonly (readonly [RegExp, LimitColumn | 'check' | 'place' | 'figures'])[] = [
  [/^(check|id|check id)$/, 'check'],
  [/^(place|where|position on it)$/, 'place'],
  [/^(figures|part|what)$/, 'figures'],
  [/^(new|nominal|size when new|when new)$/, 'new'],
  [/^(low|lowest|min|minimum|at least)$/, 'low'],
  [/^(high|highest|max|maximum|at most)$/, 'high'],
  [/^(limit|wear limit|worn)$/, 'limit'],
  [/^(unit|units)$/, 'unit'],
  [/^(page|source|book|manual page)$/, 'page'],
];

interface Heading {
  readonly column: LimitColumn | 'check' | 'place' | 'figures';
  readonly at: number;
  /** a unit written in the heading: "limit (in)" */
  readonly unit: string;
}

/**
 * Reads a table with a heading: from a file, or pasted from a spreadsheet. Cells of a column that is
 * not there, and empty ones, leave what is in the sheet.
 */
export function readLimitTable(
  sheet: SpecSheet,
  table: readonly (readonly string[])[],
): TablePreview {
  const [head = [], ...body] = table;
  const headings = head.flatMap((text, at) => headingOf(text, at));
  const refused = headingTrouble(headings);
  if (refused)
    return { lines: [], entered: { sheet, troubles: [], changed: [] }, troubles: 1, refused };
  const rows = limitRows(sheet);
  let above = '';
  const found = body.flatMap((cells, i) => {
    if (cells.every((c) => !c.trim())) return [];
    const told = lineOf({ cells, line: i + 2, headings, above }, rows);
    above = told.check;
    return [told.line];
  });
  const lines = withoutTwice(found);
  const entered = enterLimits(
    sheet,
    lines.flatMap((l) => l.edit ?? []),
  );
  const judged = lines.map((l) => judgedLine(l, entered));
  return {
    lines: judged,
    entered,
    troubles: judged.filter((l) => l.state === 'trouble').length,
    refused: undefined,
  };
}

function headingOf(text: string, at: number): Heading[] {
  const [, name = '', unit = ''] = /^(.*?)\s*(?:[([]\s*(\S+?)\s*[)\]])?$/.exec(text.trim()) ?? [];
  const known = HEADINGS.find(([words]) => words.test(name.trim().toLowerCase()));
  return known ? [{ column: known[1], at, unit }] : [];
}

function headingTrouble(headings: readonly Heading[]): string | undefined {
  const named = headings.map((h) => h.column);
  const twice = named.find((c, i) => named.indexOf(c) < i);
  if (twice) return `The heading names "${twice}" twice. Leave one of them.`;
  if (!named.includes('check'))
    return 'The first row must be a heading with a column "check". Save the table from here and fill that in.';
  return named.some((c) => (LIMIT_COLUMNS as readonly string[]).includes(c))
    ? undefined
    : `The heading names no figures: ${LIMIT_COLUMNS.join(', ')}.`;
}

interface RawLine {
  readonly cells: readonly string[];
  readonly line: number;
  readonly headings: readonly Heading[];
  /** the check of the row above, for cells that were merged */
  readonly above: string;
}

function lineOf(
  { cells, line, headings, above }: RawLine,
  rows: readonly LimitRow[],
): { readonly check: string; readonly line: TableLine } {
  const cell = (column: Heading['column']) => {
    const h = headings.find((x) => x.column === column);
    return h ? (cells[h.at] ?? '').trim() : '';
  };
  const written = cell('check');
  const check = written || above;
  const says: { column: string; message: string }[] = [];
  const trouble = (column: string, message: string): TableLine => ({
    line,
    row: undefined,
    state: 'trouble',
    edit: undefined,
    says: [{ column, message }],
  });
  if (!check) return { check, line: trouble('check', 'which check it is: its id') };
  if (!written)
    says.push({ column: 'check', message: `taken from the row above, "${check}": merged cells` });
  const row = rowOf(rows, { check, place: cell('place'), figures: cell('figures') });
  if (typeof row === 'string') {
    const column = rows.some((r) => r.checkId === check) ? 'place' : 'check';
    return { check, line: trouble(column, row) };
  }
  const edit = { key: row.key, cells: cellsOf(headings, cells, { row, says }) };
  return { check, line: { line, row, state: 'entered', edit, says } };
}

/** Cells that say something; a unit in the heading goes for the whole column. */
function cellsOf(
  headings: readonly Heading[],
  cells: readonly string[],
  { row, says }: { readonly row: LimitRow; readonly says: { column: string; message: string }[] },
): LimitEdit['cells'] {
  const edit: Partial<Record<LimitColumn, string>> = {};
  for (const { column, at, unit } of headings) {
    if (column === 'check' || column === 'place' || column === 'figures') continue;
    const text = (cells[at] ?? '').trim();
    if (!text) continue;
    const takesUnit = row.part === 'limit' && !row.asks[column]?.startsWith('%');
    const inUnit = unit !== '' && takesUnit && /^[\d.,\s/-]+$/.test(text);
    edit[column] = inUnit ? `${text} ${unit}` : text;
    if (inUnit) says.push({ column, message: `in ${unit}, as its heading says` });
  }
  return edit;
}

function rowOf(
  rows: readonly LimitRow[],
  wanted: { readonly check: string; readonly place: string; readonly figures: string },
): LimitRow | string {
  const id = wanted.check.toLowerCase();
  const own = rows.filter((r) => r.checkId === id || r.component.toLowerCase() === id);
  if (!own.length) return `a check of this sheet; there is no "${wanted.check}" with figures`;
  const here = own.filter((r) => r.place.toLowerCase() === wanted.place.toLowerCase());
  if (!here.length)
    return `${[...new Set(own.map((r) => (r.place ? `"${r.place}"` : 'empty, for all places')))].join(' or ')}; there is no "${wanted.place}"`;
  const named = wanted.figures
    ? here.filter((r) => r.part === (wanted.figures.toLowerCase() as LimitPart))
    : here;
  const [row] = named;
  if (!row) return `figures ${here.map((r) => r.part).join(' or ')}`;
  return wanted.figures || new Set(here.map((r) => r.checkId)).size === 1
    ? row
    : `its id: ${here.map((r) => r.checkId).join(', ')}`;
}

/** The same row twice: nobody could say which counts. */
function withoutTwice(lines: readonly TableLine[]): readonly TableLine[] {
  const first = new Map<string, number>();
  return lines.map((l) => {
    if (!l.row) return l;
    const earlier = first.get(l.row.key);
    if (earlier === undefined) {
      first.set(l.row.key, l.line);
      return l;
    }
    return {
      ...l,
      state: 'trouble' as const,
      edit: undefined,
      says: [{ column: 'check', message: `once only: line ${earlier} is the same row` }],
    };
  });
}

function judgedLine(line: TableLine, { troubles, changed }: Entered): TableLine {
  if (!line.row) return line;
  const { key, checkId } = line.row;
  const own = troubles.filter((t) => t.key === key);
  if (own.length) return { ...line, state: 'trouble', says: own };
  // another row of the same check holds this one back
  const beside = troubles.some((t) => t.key.startsWith(`${checkId}|`));
  if (beside && line.state !== 'trouble')
    return {
      ...line,
      state: 'trouble',
      says: [{ column: 'check', message: 'another row of this check has to be mended first' }],
    };
  if (line.state === 'trouble') return line;
  return { ...line, state: changed.includes(key) ? 'entered' : 'same' };
}
