import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { ShortText } from '../../contracts/common';

/** A level at its eye, and a colour that tells. */
export const LevelCheck = z.object({
  ...checkBase,
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
});
