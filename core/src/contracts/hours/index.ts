import { z } from 'zod';
import { Id, Moment } from '../common';

/** Which meter a figure is of. They are never mixed: wear goes by the separator's. */
export const Meter = z.enum(['engine', 'separator']);
export type Meter = z.infer<typeof Meter>;

/** Why a report is not simply taken. */
export const HoursDoubt = z.enum(['backwards', 'reset', 'tooFast', 'gap', 'leap']);
export type HoursDoubt = z.infer<typeof HoursDoubt>;

/** What a fleet service said of one meter of one machine. */
export const HoursReport = z.object({
  id: Id,
  machine: z.object({ id: Id, serial: z.string(), model: z.string() }),
  meter: Meter,
  hours: z.number().describe('as the meter shows it'),
  offset: z.number().describe('to be added since a meter was swapped'),
  at: Moment,
  source: z.string(),
  state: z.enum(['taken', 'challenged', 'refused']),
  doubt: HoursDoubt.nullable(),
  before: z.object({ hours: z.number(), at: Moment.nullable() }).nullable(),
  answeredBy: z.string().nullable(),
});
export type HoursReport = z.infer<typeof HoursReport>;

/** Hours of a branch's machines: what waits for a person, and what stands last. */
export const HoursPage = z.object({
  service: z.boolean().describe('whether there is a service to ask'),
  challenged: z.array(HoursReport),
  latest: z.array(HoursReport),
});
export type HoursPage = z.infer<typeof HoursPage>;

/** What a person says to a challenged report. */
export const HoursAnswer = z.object({
  answer: z
    .enum(['right', 'swapped', 'wrong'])
    .describe(
      'the figure is right; the meter was swapped and goes on from here; the figure is wrong',
    ),
});
export type HoursAnswer = z.infer<typeof HoursAnswer>;

/** What became of a snapshot. */
export const HoursTaken = z.object({
  taken: z.int(),
  challenged: z.int(),
  known: z.int().describe('reported before'),
  unknown: z.array(z.string()).describe('serials that are on no book here'),
});
export type HoursTaken = z.infer<typeof HoursTaken>;
