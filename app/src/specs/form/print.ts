import { QUANTITY_UNITS, type Check } from '@green-tally/core/contracts';
import { parseQuantity, printAs, printNumber, type Writing } from '@green-tally/core/units';
import { nameOf, type FormField, type FormValues } from './field';
import { printDiffers, printFit } from './differs';
import { fieldsOf } from './fields';
import { writingOf } from './writing';

/** A check as the texts of its form. */
export function toForm(check: Check): FormValues {
  return Object.fromEntries(
    fieldsOf(check).map((field) => [
      nameOf(field.path),
      printField(field, at(check, field.path), check),
    ]),
  );
}

function printField(field: FormField, value: unknown, check: Check): string {
  if (value === undefined || value === null) return '';
  if (field.as === 'quantity' && typeof value === 'number')
    return printExactly(value, writingOf(check));
  if (typeof value === 'number') return printNumber(value, 6);
  if (field.as === 'list' && Array.isArray(value)) return value.join(', ');
  if (field.as === 'fit') return printFit(value as object);
  if (field.as === 'perPlace')
    return Object.entries(value as Record<string, Record<string, unknown>>)
      .map(([place, differs]) => `${place} | ${printDiffers(differs, check)}`)
      .join('\n');
  if (field.as === 'versions' && Array.isArray(value))
    return value
      .map(({ serials, built, when, ...differs }: Record<string, unknown>) => {
        const fit = { serials, built, when } as Parameters<typeof printFit>[0];
        return `${printFit(fit)} | ${printDiffers(differs, check)}`;
      })
      .join('\n');
  if (field.as === 'lines' && Array.isArray(value))
    return value.map((v: Record<string, unknown>) => printLine(field.path, v)).join('\n');
  return String(value);
}

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
  if (path === 'parts')
    return [v['number'], v['name'], v['each'], ...(v['with'] ? [v['with']] : [])].join(' | ');
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
