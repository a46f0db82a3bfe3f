import type { ReadingKind, ValueOf } from '../contracts';
import {
  parseQuantity,
  printNumber,
  UNITS,
  UnitParseError,
  unitSymbols,
  type Dimension,
} from '../units';

/** One row of the readings file, as a value's form reads it. */
export interface CsvRow {
  /** what stands in a column, trimmed; empty when nothing does */
  cell(column: string): string;
  /** the same with a decimal point, whatever the file writes */
  number(column: string): string;
  /** notes a trouble; returns nothing, so that it can be returned */
  wrong(field: string, message: string): undefined;
  /** what the check measures */
  readonly measured: Dimension;
}

/**
 * How a kind of value is written in the readings file, both ways. What is read is held against the
 * contract afterwards.
 */
export interface CsvForm<K extends ReadingKind> {
  read(row: CsvRow): object | undefined;
  write(value: ValueOf<K>): { readonly value: string; readonly unit: string };
}

/** The core's own unit of a quantity, taken where the file says none. */
export const ownUnit = (dimension: Dimension): string =>
  unitSymbols(dimension).split(', ')[0] ?? 'mm';

/** Values travel in the core's own unit, whatever unit was typed. */
export function travelUnit(typed: string): string {
  const unit = UNITS.find((u) => u.symbol === typed);
  return unit ? ownUnit(unit.dimension) : 'mm';
}

/** An amount as the row writes it, in the core's own unit; notes the trouble when it is none. */
export function readAmount(row: CsvRow, text: string, dimension: Dimension): number | undefined {
  try {
    return parseQuantity(text, dimension, row.cell('unit') || ownUnit(dimension)).value;
  } catch (error) {
    if (error instanceof UnitParseError) return row.wrong('value', error.message);
    const units = dimension === 'length' ? 'mm or in' : unitSymbols(dimension);
    return row.wrong(
      'unit',
      `"${row.cell('unit')}" is not a unit of ${dimension}: write ${units}.`,
    );
  }
}

/** Says that a value is not what its quantity asks for. */
export const notA = (row: CsvRow, what: string, write: string): undefined =>
  row.wrong('value', `"${row.cell('value')}" is not a ${what}: write ${write}.`);

/** A value cell without a unit. */
export const plainCell = (value: string): { value: string; unit: string } => ({ value, unit: '' });

/** An amount with no more digits than it needs, and none less: it comes back as the same. */
export const amountText = (value: number, decimals = 9): string => printNumber(value, decimals);
