import { QUANTITY_UNITS, type Check } from '@green-tally/core/contracts';
import { InputError, parseQuantity } from '@green-tally/core/units';
import type { FormField } from './field';
import { writingOf } from './print';

/** What a field says, or what is wrong with it. */
export type ReadField = { readonly value: unknown } | { readonly trouble: string };

const NUMBERS: readonly FormField['as'][] = ['number', 'whole', 'quantity'];

/** Reads one field of a check's form. */
export function readField(field: FormField, written: string, check: Check): ReadField {
  const said = written.trim();
  if (said === '' && NUMBERS.includes(field.as))
    return field.optional ? { value: undefined } : { trouble: 'a number' };
  switch (field.as) {
    case 'number':
    case 'whole':
      return readNumber(said, field.as === 'whole');
    case 'quantity':
      return readQuantity(said, check);
    case 'list':
      return {
        value: said
          .split(',')
          .map((s) => s.trim())
          .filter(Boolean),
      };
    case 'lines':
      return readLines(field.path, said);
    case 'text':
    case 'long':
    case 'choice':
      return { value: said };
  }
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
    fits: ([part, name, each]) => Boolean(part && name) && isCount(each),
    wanted: 'number | name | how many | why its mates come along',
    value: ([number, name, each, mates]) => ({
      number,
      name,
      each: Number(each ?? 1),
      ...(mates ? { with: mates } : {}),
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
