import type { Check } from '@green-tally/core/contracts';
import type { Writing } from '@green-tally/core/units';

/** How lengths of a check are written in its form. */
export const writingOf = (check: Check): Writing =>
  check.kind === 'measure' || check.kind === 'series'
    ? check
    : { quantity: 'length', unit: 'mm', style: 'mm' };
