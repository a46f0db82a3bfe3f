import { QUANTITY_UNITS, type Check } from '@green-tally/core/contracts';
import { InputError, parseQuantity } from '@green-tally/core/units';
import type { FormField } from './field';
import { readDiffers, readFit } from './differs';
import { writingOf } from './writing';
import { PART_LINE, readSold } from './partLine';

/** What a field says, or what is wrong with it. */
export type ReadField = { readonly value: unknown } | { readonly trouble: string };

const NUMBERS: readonly FormField['as'][] = ['number', 'whole', 'quantity'];

/** Reads one field of a check's form. */
export function readField(field: FormField, written: string, check: Check): ReadField {
  const said = written.trim();
  if (said === '' && NUMBERS.includes(field.as))
    return field.optional ? { value: undefined } : { trouble: 'a number' };
  return READERS[field.as](said, field, check);
}

type Reader = (said: string, field: FormField, check: Check) => ReadField;

const readWords: Reader = (said, { optional }) => ({
  value: said === '' && optional ? undefined : said,
});

/** A choice by its value, or by its title as one types it in a table. */
const readChoice: Reader = (said, field) => {
  const { options = [], optional } = field;
  const meant =
    options.find((o) => o.value === said) ?? options.find((o) => sameText(o.title, said));
  if (meant) return { value: meant.value };
  if (said === '' && optional) return { value: undefined };
  return { trouble: `one of ${options.map((o) => o.title).join(', ')}` };
};

const readYesNo: Reader = (said) => {
  if (sameText(said, 'yes')) return { value: true };
  return sameText(said, 'no') || said === '' ? { value: false } : { trouble: 'yes or no' };
};

const sameText = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

const rowsOf = (said: string): string[] =>
  said
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** How each kind of field is read; the compiler lists here what a new one needs. */
const READERS: { readonly [K in FormField['as']]: Reader } = {
  number: (said) => readNumber(said, false),
  whole: (said) => readNumber(said, true),
  quantity: (said, _, check) => readQuantity(said, check),
  list: (said) => ({
    value: said
      .split(',')
      .map((s) => s.trim())
      .filter(Boolean),
  }),
  rows: (said) => ({ value: rowsOf(said) }),
  yesNo: readYesNo,
  ways: (said) => ({ value: said ? said.split(',') : undefined }),
  lines: (said, { path }) => readLines(path, said),
  fit: (said) => (said ? readFit(said) : { value: undefined }),
  perPlace: (said, _, check) => readDiffering('perPlace', said, check),
  versions: (said, _, check) => readDiffering('versions', said, check),
  text: readWords,
  long: readWords,
  choice: readChoice,
};

/** Lines of what differs: where, then what. */
function readDiffering(as: 'perPlace' | 'versions', said: string, check: Check): ReadField {
  const rows = said.split('\n').filter((line) => line.trim());
  if (!rows.length) return { value: undefined };
  const read: [string, object][] = [];
  for (const [i, row] of rows.entries()) {
    const [where = '', what] = row.split('|').map((cell) => cell.trim());
    if (!where || !what) return { trouble: `in line ${i + 1}: where it is, a |, and what differs` };
    const differs = readDiffers(what, check);
    const fit = as === 'versions' ? readFit(where) : { value: {} };
    if ('trouble' in fit) return { trouble: `in line ${i + 1}: ${fit.trouble}` };
    if ('trouble' in differs) return { trouble: `in line ${i + 1}: ${differs.trouble}` };
    if (as === 'perPlace' && read.some(([place]) => place === where))
      return { trouble: `in line ${i + 1}: ${where} is there twice` };
    read.push([where, { ...fit.value, ...differs.value }]);
  }
  return { value: as === 'perPlace' ? Object.fromEntries(read) : read.map(([, v]) => v) };
}

function readNumber(said: string, whole: boolean): ReadField {
  const value = Number(said.replace(',', '.'));
  if (!Number.isFinite(value)) return { trouble: `a number; "${said}" is none` };
  return whole && !Number.isInteger(value) ? { trouble: 'a whole number' } : { value };
}

function readQuantity(said: string, check: Check): ReadField {
  const { quantity, unit } = writingOf(check);
  try {
    return { value: Number(parseQuantity(said, quantity, unit).value.toFixed(9)) };
  } catch (error) {
    if (error instanceof InputError) return { trouble: error.message };
    const units: readonly string[] =
      quantity in QUANTITY_UNITS ? QUANTITY_UNITS[quantity as keyof typeof QUANTITY_UNITS] : [];
    return { trouble: `a value in ${units.join(' or ')}` };
  }
}

type Cells = readonly string[];

function readLines(path: string, said: string): ReadField {
  const rows = said
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()))
    .filter((cells) => cells.some(Boolean));
  const { fits, wanted, value } = LINES[path] ?? KNOCK_ONS;
  const odd = rows.findIndex((row) => !fits(row));
  return odd >= 0 ? { trouble: `in line ${odd + 1}: ${wanted}` } : { value: rows.map(value) };
}

/** How the lines of one field are read. */
interface LineForm {
  readonly fits: (row: Cells) => boolean;
  readonly wanted: string;
  readonly value: (row: Cells) => object;
}

const isCount = (text: string | undefined): boolean =>
  text === undefined || (Number.isInteger(Number(text)) && Number(text) > 0);

const KNOCK_ONS: LineForm = {
  fits: () => true,
  wanted: 'check id | why, or a task',
  value: ([first, why]) => (why === undefined ? { task: first } : { check: first, why }),
};

const LINES: Readonly<Record<string, LineForm>> = {
  parts: {
    fits: ([part, name, each, , sold = '']) =>
      Boolean(part && name) && isCount(each) && !('trouble' in readSold(sold)),
    wanted: PART_LINE,
    value: ([number, name, each, mates, sold = '']) => ({
      number,
      name,
      each: Number(each ?? 1),
      ...(mates ? { with: mates } : {}),
      ...readSold(sold),
    }),
  },
  pairs: {
    fits: ([check, from, why]) =>
      Boolean(check && why) && !('trouble' in readNumber(from ?? '', false)),
    wanted: 'check id | from so much worn, % | why',
    value: ([check, from = '', why]) => ({
      check,
      from: Number((Number(from.replace(',', '.')) / 100).toFixed(6)),
      why,
    }),
  },
  expected: {
    fits: ([, , option]) => Boolean(option),
    wanted: 'crop | header | option | because',
    value: ([crop, header, option, because]) => ({
      ...(crop ? { crop } : {}),
      ...(header ? { header } : {}),
      option,
      ...(because ? { because } : {}),
    }),
  },
};
