import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { ShortText } from '../../contracts/common';

/** A profile gauge that fits or does not. */
export const GoNoGoCheck = z.object({
  ...checkBase,
  ...varying({}),
  kind: z.literal('gonogo'),
  gauge: ShortText,
  good: z.enum(['fits', 'doesNotFit']).describe('what a good part shows'),
  otherwise: z.enum(['replace', 'adjust', 'turn']).default('replace'),
});
export type GoNoGoCheck = z.infer<typeof GoNoGoCheck>;

export const GoNoGoValue = z.object({ kind: z.literal('gonogo'), fits: z.boolean() });
