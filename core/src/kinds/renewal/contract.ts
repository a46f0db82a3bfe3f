import { z } from 'zod';

/** A new part was fitted, whether or not anything was read then. */
export const RenewalValue = z.object({
  kind: z.literal('renewal'),
  fittedBy: z.enum(['shop', 'owner', 'unknown']),
  part: z.string().trim().max(120).default('').describe('number or name, as far as it is known'),
});
