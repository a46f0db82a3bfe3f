import { InputError, printNumber } from '../units';
import type { BenchResult } from './bench';

/** A number in a formula: enough of it to work the formula out again by hand. */
export const n = (value: number, decimals = 4): string => printNumber(value, decimals);

type Way = Pick<BenchResult, 'formula' | 'numbers'> &
  Partial<Pick<BenchResult, 'uncertainty' | 'says' | 'tone' | 'decimals'>>;

/** A result in millimetres. */
export const length = (label: string, value: number, way: Way): BenchResult => ({
  ...{ label, value, dimension: 'length', unit: 'mm', decimals: 1 },
  ...way,
});

/** A result that is a force, in newtons. */
export const force = (label: string, value: number, way: Way): BenchResult => ({
  ...{ label, value, dimension: 'force', unit: 'N', decimals: 0 },
  ...way,
});

/** A result in a unit that only one system has. */
export const amount = (label: string, value: number, unit: string, way: Way): BenchResult => ({
  ...{ label, value, unit, decimals: 2 },
  ...way,
});

/** Runs a computation whose fields have other names here. */
export function named<T>(work: () => T, names: Readonly<Record<string, string>>): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(names[error.field] ?? error.field, error.value, error.wanted);
  }
}
