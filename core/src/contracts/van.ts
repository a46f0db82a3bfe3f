import { z } from 'zod';
import { Day } from './common';
import { UsedPart } from './work';

/** What is loaded for some visits: parts, what is poured and greased, gauges and tools. */
export const VanList = z.object({
  technician: z.string(),
  on: Day.nullable().describe('null: for one visit'),
  visits: z.array(
    z.object({
      id: z.string(),
      machineId: z.string(),
      serial: z.string(),
      model: z.string(),
      customer: z.string(),
      site: z.enum(['bay', 'farm']),
      startsOn: Day,
      endsOn: Day,
      hours: z.number(),
      work: z.array(
        z.object({
          id: z.string(),
          component: z.string(),
          decision: z.string(),
          reason: z.string(),
        }),
      ),
    }),
  ),
  parts: z.array(UsedPart.extend({ for: z.array(z.string()).describe('serials of machines') })),
  litres: z.array(z.object({ product: z.string(), litres: z.number() })),
  grease: z.array(z.object({ product: z.string(), strokes: z.number() })),
  gauges: z.array(z.string()).describe('to read what is worked on, as left'),
  tools: z.array(z.string()).describe('for the kinds of work there are'),
});
export type VanList = z.infer<typeof VanList>;
