import { z } from 'zod';
import { Day } from './common';
import { Interval } from './limits';
import { Machine } from './machine';

/** How near something is: late, to be done now, before harvest, within it, or after. */
export const DueState = z.enum(['overdue', 'now', 'beforeHarvest', 'inSeason', 'later']);
export type DueState = z.infer<typeof DueState>;

/** The rule by which something falls due. */
export const DueBy = z.enum([
  'hours',
  'calendar',
  'early',
  'daily',
  'crop',
  'header',
  'season',
  'afterHarvest',
  'storageIn',
  'storageOut',
  'once',
  'never',
  'watch',
  'task',
  'deferred',
]);
export type DueBy = z.infer<typeof DueBy>;

/** One thing that is due on a machine, or will be. Hours: machine hours. */
export const DueLine = z.object({
  key: z.string().describe('unique on its machine'),
  kind: z.enum(['check', 'service', 'recheck', 'task', 'deferred']),
  state: DueState,
  checkId: z.string().nullable(),
  component: z.string(),
  station: z.int(),
  what: z.string().describe('what is to be done, in a few words'),
  interval: Interval.nullable(),
  by: DueBy,
  on: Day.nullable().describe('projected from its hours by the machine’s own use'),
  atHours: z.number().nullable(),
  last: z.object({ on: Day, hours: z.number() }).nullable(),
  minutes: z.number(),
});
export type DueLine = z.infer<typeof DueLine>;

/** Which part of the due list is asked for. */
export const DueAsked = z.object({
  branch: z.string().max(120).optional(),
  states: z
    .string()
    .max(120)
    .transform((text) => text.split(','))
    .pipe(z.array(DueState).min(1))
    .optional()
    .describe('how near, with commas between'),
  kind: DueLine.shape.kind.optional(),
  q: z.string().max(120).optional().describe('machine, customer or component'),
  cursor: z.string().max(300).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(120),
});
export type DueAsked = z.output<typeof DueAsked>;

/** A page of what is due on the machines of a branch, nearest first. */
export const DueList = z.object({
  today: Day,
  branch: z.string(),
  rows: z.array(
    z.object({
      machine: Machine.pick({ id: true, serial: true, model: true, customer: true, branch: true }),
      harvest: Day,
      line: DueLine,
    }),
  ),
  next: z.string().nullable().describe('cursor of the next page'),
  all: z
    .object({
      states: z.partialRecord(DueState, z.int()).describe('lines of the branch, by how near'),
      kinds: z.array(DueLine.shape.kind),
      wanted: z.int().describe('lines that are asked for, on all pages'),
      behind: z.int().describe('machines whose lines are older than their facts'),
      apart: z.int().describe('machines that cannot be judged, or are not yet'),
    })
    .nullable()
    .describe('all lines together, with the first page'),
});
export type DueList = z.infer<typeof DueList>;
