import { z } from 'zod';
import { Id, LongText, Moment, ShortText } from './common';

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
});
export type Tick = z.infer<typeof Tick>;

export const TickBatch = z.object({ ticks: z.array(Tick).min(1).max(200) });
