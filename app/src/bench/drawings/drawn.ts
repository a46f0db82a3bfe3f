import type { BenchResult } from '@green-tally/core/bench';
import type { Palette } from '../../ui';

/** What a drawing of the bench is told. */
export interface Drawn {
  /** values as entered, in the core's own unit */
  readonly v: Readonly<Record<string, number>>;
  readonly results: readonly BenchResult[];
  readonly palette: Palette;
}

/** A result by how its label begins. */
export const resultOf = (results: readonly BenchResult[], label: string): number =>
  results.find((r) => r.label.startsWith(label))?.value ?? 0;
