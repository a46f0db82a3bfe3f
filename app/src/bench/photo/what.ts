import { z } from 'zod';
import type { PhotoQuantity } from '@green-tally/core/benchFor';

/** As it is kept on this device. */
export const Quantity: z.ZodType<PhotoQuantity> = z.enum(['between', 'edges', 'toStrip']);

/** What may be measured, how, and what to tap. */
export const WHAT: Readonly<
  Record<PhotoQuantity, { title: string; tap: readonly string[]; how: string }>
> = {
  between: {
    title: 'Pin to pin',
    tap: ['Tap the middle of the first pin.', 'Tap the middle of the last pin.'],
    how: 'From the middle of one pin to the middle of another. Pull the chain straight first.',
  },
  edges: {
    title: 'Edge to edge',
    tap: ['Tap one edge.', 'Tap the other edge, opposite.'],
    how: 'Straight across from one edge to the other: a belt’s back, a gap, a knife’s height.',
  },
  toStrip: {
    title: 'Down from the strip',
    tap: ['Tap the edge that hangs away from the strip.'],
    how: 'The strip’s cut edge lies along the span as a straight edge; tap where it hangs lowest.',
  },
};
