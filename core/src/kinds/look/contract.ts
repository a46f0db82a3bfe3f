import { z } from 'zod';
import { LongText } from '../../contracts/common';

/** A mere look at what should be measured: it may damn, it never passes. */
export const LookValue = z.object({
  kind: z.literal('look'),
  seen: z.enum(['fine', 'damaged']),
  found: LongText.default(''),
});
