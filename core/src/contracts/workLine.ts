import { z } from 'zod';
import { Decision } from './check';
import { Day, Id, Moment } from './common';
import { Machine } from './machine';
import { OwnerAnswer, Tick } from './tick';
import { WorkItem } from './work';

/**
 * Where some work stands: called for by a verdict; by a service, a recheck or a task; put off; or
 * accepted and not done.
 */
export const WorkState = z.enum(['called', 'beside', 'putOff', 'accepted']);
export type WorkState = z.infer<typeof WorkState>;

/** What some work costs now, and what leaving it may cost. Money of the branch. */
export const WorkSums = z.object({
  currency: z.string(),
  now: z.number().nullable().describe('parts, labour and cover; null where a part has no price'),
  sooner: z
    .number()
    .nullable()
    .describe('so much of it would not be paid later anyway; null: not reckoned'),
  unpriced: z.array(z.string()).describe('numbers of the parts without one'),
  ifItGoes: z.number().describe('the stop in harvest, what it breaks, the work in the field'),
  chance: z.number().nullable().describe('that it goes before harvest ends; null: not forecast'),
  left: z.number().nullable().describe('chance × what it costs when it goes'),
});
export type WorkSums = z.infer<typeof WorkSums>;

/** One piece of work on a machine, wherever it stands, with what a person needs to decide it. */
export const WorkLine = z.object({
  key: z.string().describe('unique on its machine'),
  state: WorkState,
  work: z.object({
    checkId: WorkItem.shape.checkId,
    from: WorkItem.shape.from,
    task: WorkItem.shape.task,
    decision: WorkItem.shape.decision,
    places: WorkItem.shape.places,
    reason: WorkItem.shape.reason,
    minutes: WorkItem.shape.minutes,
    cover: WorkItem.shape.cover,
    parts: WorkItem.shape.parts,
    mates: WorkItem.shape.mates,
    learnt: WorkItem.shape.learnt,
    subjects: z.array(z.string()).describe('what an answer to it is kept under'),
  }),
  component: z.string(),
  station: z.int(),
  ifLeft: z.string(),
  guardsPeople: z
    .boolean()
    .describe('somebody can be hurt when it fails: neither left nor put off'),
  sums: WorkSums.nullable().describe('null where the branch has not said its costs'),
  owner: z
    .object({ answer: OwnerAnswer, note: z.string(), by: z.string(), at: Moment })
    .nullable()
    .describe('what the owner said last'),
  putOff: z
    .object({
      until: Tick.shape.until.unwrap().unwrap(),
      why: z.string(),
      by: z.string(),
      at: Moment,
    })
    .nullable(),
  item: z
    .object({
      id: Id,
      acceptedBy: z.string(),
      acceptedAt: Moment,
      asksReading: z.boolean().describe('worked on, and not read since'),
      visit: z.object({ id: Id, startsOn: Day, technician: z.string() }).nullable(),
    })
    .nullable()
    .describe('the accepted item'),
});
export type WorkLine = z.infer<typeof WorkLine>;

/** Which work is asked for. */
export const WorkAsked = z.object({
  state: WorkState.default('called'),
  decision: Decision.exclude(['holds']).optional(),
  part: z.string().max(120).optional().describe('number of a part it needs'),
  q: z.string().max(120).optional().describe('machine, customer or component'),
  cursor: z.string().max(300).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(120),
});
export type WorkAsked = z.output<typeof WorkAsked>;

/** A page of the work of a branch, the machine whose harvest is nearest first. */
export const WorkList = z.object({
  today: Day,
  branch: z.string(),
  rows: z.array(
    z.object({
      machine: Machine.pick({ id: true, serial: true, model: true, customer: true, branch: true }),
      harvest: Day,
      line: WorkLine,
    }),
  ),
  next: z.string().nullable().describe('cursor of the next page'),
  all: z
    .object({
      states: z.partialRecord(WorkState, z.int()),
      decisions: z
        .partialRecord(Decision, z.int())
        .describe('of the state asked for, whatever else is asked'),
      parts: z
        .array(
          z.object({ number: z.string(), name: z.string(), lines: z.int(), quantity: z.int() }),
        )
        .describe('parts of the state asked for, most wanted first; at most 40'),
      wanted: z.int().describe('lines that are asked for, on all pages'),
      behind: z.int().describe('machines whose lines are older than their facts'),
      apart: z.int().describe('machines that cannot be judged, or are not yet'),
    })
    .nullable()
    .describe('all lines together, with the first page'),
});
export type WorkList = z.infer<typeof WorkList>;
