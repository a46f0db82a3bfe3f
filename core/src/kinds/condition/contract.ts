import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { LongText, ShortText } from '../../contracts/common';

const marked = z.enum(['watch', 'adjust', 'turn', 'replace']);
const damaged = z.enum(['adjust', 'turn', 'replace']);

/** Sound, marked or damaged, by eye. */
export const ConditionCheck = z.object({
  ...checkBase,
  ...varying({ marked: marked.optional(), damaged: damaged.optional() }),
  kind: z.literal('condition'),
  looksFor: z.array(ShortText).min(1).max(12),
  marked: marked.default('watch'),
  damaged: damaged.default('replace'),
});
export type ConditionCheck = z.infer<typeof ConditionCheck>;

export const ConditionValue = z.object({
  kind: z.literal('condition'),
  grade: z.enum(['sound', 'marked', 'damaged']),
  seen: z.array(ShortText).max(12).default([]),
  found: LongText.default(''),
});
