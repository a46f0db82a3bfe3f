import { z } from 'zod';
import { aboveZero, Day, Id, LongText, Moment, ShortText } from './common';

/** What the owner said of some work. */
export const OwnerAnswer = z.enum(['yes', 'notNow', 'callMe']);
export type OwnerAnswer = z.infer<typeof OwnerAnswer>;

/**
 * Something a person said of a task, a skip or a decision: done, or not after all. Facts: ticking
 * twice or on two phones is two ticks of one key, and the last one counts.
 */
export const Tick = z.object({
  id: Id,
  machineId: Id,
  key: z.string().trim().min(3).max(400).describe('what is ticked: kind, then what it belongs to'),
  done: z.boolean(),
  at: Moment,
  by: ShortText,
  note: LongText.default(''),
  until: z
    .union([z.object({ on: Day }), z.object({ atHours: aboveZero(100_000) })])
    .nullable()
    .default(null)
    .describe('to what day or hour something is put off'),
  answer: OwnerAnswer.nullable().default(null).describe("the owner's, of some work"),
});
export type Tick = z.infer<typeof Tick>;

export const TickBatch = z.object({ ticks: z.array(Tick).min(1).max(200) });
