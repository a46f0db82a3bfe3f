import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { ShortText } from '../../contracts/common';

/** Knives, sections, fingers, blades: what is missing or spent of a total. */
export const CountCheck = z.object({
  ...checkBase,
  ...varying({ total: z.int().min(1).max(500).optional() }),
  kind: z.literal('count'),
  counted: ShortText.default('knives'),
  total: z.int().min(1).max(500),
  allowed: z.int().min(0).max(100).default(0).describe('missing or damaged that may wait'),
  renew: z
    .enum(['each', 'opposite', 'set'])
    .describe('a bad one alone, with its opposite mate, or the whole set'),
  turnFrom: z
    .int()
    .min(1)
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
