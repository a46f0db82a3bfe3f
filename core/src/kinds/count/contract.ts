import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { ShortText } from '../../contracts/common';

const Renewed = z
  .enum(['each', 'opposite', 'hangers', 'set'])
  .describe(
    'a bad one alone, with its opposite mate, its whole hanger with the opposite hanger, or the whole set',
  );

/** Knives, sections, fingers, blades: what is missing or spent of a total. */
export const CountCheck = z.object({
  ...checkBase,
  ...varying({ total: z.int().min(1).max(500).optional(), renew: Renewed.optional() }),
  kind: z.literal('count'),
  counted: ShortText.default('knives'),
  total: z.int().min(1).max(500).optional().describe('how many there are; empty: not entered yet'),
  allowed: z.int().min(0).max(100).default(0).describe('missing or damaged that may wait'),
  renew: Renewed,
  perHanger: z.int().min(1).max(8).default(2).describe('how many hang on one hanger'),
  turnFrom: z
    .int()
    .min(1)
    .max(500)
    .optional()
    .describe('reversible edges: how many worn on one edge before the set is turned'),
});
export type CountCheck = z.infer<typeof CountCheck>;

export const CountValue = z.object({
  kind: z.literal('count'),
  missing: z.int().min(0).max(500),
  damaged: z.int().min(0).max(500),
  oneEdge: z.int().min(0).max(500),
  bothEdges: z.int().min(0).max(500),
});
