import { QUANTITY_UNITS, type Check } from '@green-tally/core/contracts';
import { parseQuantity, printAs, printNumber, type Writing } from '@green-tally/core/units';
import { nameOf, type FormField, type FormValues } from './field';
import { printDiffers, printFit } from './differs';
import { fieldsOf, type SheetChoices } from './fields';
import { printPartLine } from './partLine';
import { writingOf } from './writing';

/** A check of a sheet as the texts of its form. */
export const toForm = (check: Check, sheet: SheetChoices): FormValues =>
  Object.fromEntries(
    fieldsOf(check, sheet).map((field) => [nameOf(field.path), printAt(field, check)]),
  );

/** What one field of a check says. */
export const printAt = (field: FormField, check: Check): string =>
  printField(field, at(check, field.path), check);

/** A value of a check as its field writes it. */
export function printField(field: FormField, value: unknown, check: Check): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'number' && field.as !== 'quantity') return printNumber(value, 6);
  return PRINTERS[field.as]?.(value as never, check, field) ?? String(value);
}

type Told = Record<string, unknown>;

/** How what is no plain word or number is written; the rest as it stands. */
const PRINTERS: Partial<
  Record<FormField['as'], (value: never, check: Check, field: FormField) => string>
> = {
  quantity: (value: number, check) => printExactly(value, writingOf(check)),
  yesNo: (value: boolean) => (value ? 'yes' : 'no'),
  rows: (value: readonly string[]) => value.join('\n'),
  ways: (value: readonly string[]) => value.join(','),
  list: (value: readonly string[]) => value.join(', '),
  fit: (value: object) => printFit(value),
  perPlace: (value: Record<string, Told>, check) =>
    Object.entries(value)
      .map(([place, differs]) => `${place} | ${printDiffers(differs, check)}`)
      .join('\n'),
  versions: (value: readonly Told[], check) =>
    value
      .map(({ serials, built, when, ...differs }) => {
        const fit = { serials, built, when } as Parameters<typeof printFit>[0];
        return `${printFit(fit)} | ${printDiffers(differs, check)}`;
      })
      .join('\n'),
  lines: (value: readonly Told[], _check, { path }) =>
    value.map((v) => printLine(path, v)).join('\n'),
};

/**
 * A value in the check's own writing where that says all of it; else in the core's unit, so that
 * opening and keeping a form changes nothing.
 */
function printExactly(value: number, writing: Writing): string {
  const said = printAs(value, writing, 4);
  const back = parseQuantity(said, writing.quantity, writing.unit).value;
  const [own] = QUANTITY_UNITS[writing.quantity as keyof typeof QUANTITY_UNITS];
  return Math.abs(back - value) < 1e-9 ? said : `${printNumber(value, 9)} ${own}`;
}

function printLine(path: string, v: Record<string, unknown>): string {
  if (path === 'parts') return printPartLine(v);
  if (path === 'pairs')
    return `${String(v['check'])} | ${printNumber(Number(v['from']) * 100, 4)} | ${String(v['why'])}`;
  if (path === 'expected')
    return [v['crop'] ?? '', v['header'] ?? '', v['option'], v['because'] ?? ''].join(' | ');
  return 'check' in v ? `${String(v['check'])} | ${String(v['why'])}` : String(v['task']);
}

function at(value: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (v, key) =>
        v !== null && typeof v === 'object' ? (v as Record<string, unknown>)[key] : undefined,
      value,
    );
}
