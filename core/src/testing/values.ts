import type { ReadingValue } from '../contracts';

/** A width in mm as a person typed it; several are repeats. */
export const width = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: values.map(String),
  unit: 'mm',
});
