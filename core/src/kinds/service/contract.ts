import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { aboveZero, ShortText } from '../../contracts/common';

/** A service done: strokes, litres, product. */
export const ServiceCheck = z
  .object({
    ...checkBase,
    ...varying({
      amount: aboveZero(1000).optional(),
      most: aboveZero(1000).optional(),
      product: ShortText.optional(),
    }),
    kind: z.literal('service'),
    asks: z.enum(['done', 'strokes', 'litres']),
    amount: aboveZero(1000)
      .optional()
      .describe('how many strokes or litres; empty: not entered yet'),
    most: aboveZero(1000).optional().describe('never more than this'),
    product: ShortText,
  })
  .superRefine((c, ctx) => {
    if (c.most !== undefined && c.amount !== undefined && c.most < c.amount)
      ctx.addIssue({
        code: 'custom',
        path: ['most'],
        message: `at least the ${c.amount} that are asked for`,
      });
  });
export type ServiceCheck = z.infer<typeof ServiceCheck>;

export const ServiceValue = z.object({
  kind: z.literal('service'),
  amount: z.number().finite().nonnegative().max(10_000).nullable().default(null),
  product: z.string().trim().max(120).default('').describe('empty: as the sheet says'),
});
