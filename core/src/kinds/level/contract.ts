import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { ShortText } from '../../contracts/common';

/** A level at its eye, and a colour that tells. */
export const LevelCheck = z.object({
  ...checkBase,
  ...varying({ product: ShortText.optional(), eye: ShortText.optional() }),
  kind: z.literal('level'),
  eye: ShortText.describe('where it is read: sight glass, plug, dipstick'),
  product: ShortText,
  colours: z.array(ShortText).max(6).default([]).describe('colours that tell of trouble'),
});
export type LevelCheck = z.infer<typeof LevelCheck>;

export const LevelValue = z.object({
  kind: z.literal('level'),
  level: z.enum(['low', 'right', 'high']),
  colour: z.string().trim().max(40).default(''),
  product: z
    .string()
    .trim()
    .max(120)
    .default('')
    .describe('what is in it; empty: as the sheet says'),
  toppedUp: z
    .number()
    .finite()
    .nonnegative()
    .max(1000)
    .nullable()
    .default(null)
    .describe('litres added'),
});
