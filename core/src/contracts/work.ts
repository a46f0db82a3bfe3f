import { z } from 'zod';
import { Decision, HeavyPart } from './check';
import { aboveZero, Count, Day, Id, LongText, Moment, ShortText, Slug } from './common';

/** Parts of some work. `quantity` is what is fitted. */
export const WorkPart = z.object({
  number: ShortText,
  name: ShortText,
  quantity: z.int().min(1).max(10_000),
  soldIn: z.int().min(2).max(10_000).optional().describe('sold in boxes of so many'),
  order: z.int().min(1).max(20_000).optional().describe('how many are ordered: whole boxes'),
  instead: ShortText.optional().describe('the number it has taken the place of'),
  heavy: HeavyPart.extend({
    together: z
      .int()
      .min(1)
      .max(10_000)
      .optional()
      .describe('how many, where it goes only all at once'),
    minutes: z.number().nonnegative().max(100_000).optional().describe('then, without the covers'),
  }).optional(),
  neededBy: ShortText.optional().describe('the part that wants it'),
});

const minutes = z.number().nonnegative().max(100_000);

/**
 * What some work came from: a verdict, a service that fell due, something watched that is to be
 * looked at again, or a task.
 */
export const WorkFrom = z.enum(['verdict', 'service', 'recheck', 'task']);
export type WorkFrom = z.infer<typeof WorkFrom>;

/** A part that was fitted, and how many of it. */
export const UsedPart = z.object({
  number: ShortText,
  name: ShortText,
  quantity: z.int('whole parts').min(0, '0 or more').max(10_000),
});
export type UsedPart = z.infer<typeof UsedPart>;

/**
 * Somebody worked on an item: who, how long, what was fitted. Facts: another time is another entry,
 * and one that was wrong is taken back by one that strikes it.
 */
export const WorkedEntry = z.object({
  id: Id,
  at: Moment,
  by: ShortText,
  hands: z.array(ShortText).min(1, 'who did it').max(8),
  minutes: z
    .number('minutes in figures')
    .finite()
    .positive('more than no time')
    .max(6000, 'at most 6,000 minutes: 100 hours')
    .describe('of all hands together, without opening covers'),
  parts: z.array(UsedPart).max(100).default([]),
  hours: z.number().nonnegative().max(100_000).describe("the machine's hours then"),
  note: LongText.default(''),
  strikes: Id.nullable().default(null).describe('the entry that is taken back by this one'),
});
export type WorkedEntry = z.infer<typeof WorkedEntry>;

/**
 * A decision a person accepted into work: a fact, so it is stored. `reason` and `minutes` are as they
 * stood when accepted.
 */
export const WorkItem = z
  .object({
    id: Id,
    machineId: Id,
    checkId: Slug.describe('for a task: the check that brought it'),
    from: WorkFrom.default('verdict'),
    task: z
      .object({ key: z.string().min(3).max(400), text: z.string().min(1).max(400) })
      .nullable()
      .default(null),
    decision: Decision.exclude(['holds']).describe('due: a service, or a task to be done'),
    places: z.array(ShortText).max(64),
    reason: z.string().max(1000),
    minutes,
    cover: z
      .object({ name: ShortText, minutes: z.number().nonnegative() })
      .nullable()
      .default(null),
    parts: z.array(WorkPart).default([]),
    mates: z.array(Slug).max(20).default([]).describe('checks whose parts are renewed with it'),
    learnt: z
      .object({ sheet: minutes, jobs: Count.min(1) })
      .nullable()
      .default(null)
      .describe('minutes by the sheet, where those of so many jobs were taken in their place'),
    proposed: z
      .object({ decision: Decision, minutes, parts: z.array(WorkPart) })
      .nullable()
      .default(null)
      .describe('as it was proposed, where a person changed it'),
    worked: z.array(WorkedEntry).max(50).default([]),
    acceptedBy: ShortText,
    acceptedAt: Moment,
    withdrawnAt: Moment.nullable().default(null),
  })
  .superRefine((item, ctx) => {
    const trouble = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: [path], message });
    if ((item.from === 'task') !== (item.task !== null))
      trouble('task', 'a task where the work came from one, and only there');
    if (item.from !== 'task' && !item.places.length) trouble('places', 'at least one place');
    if (item.from === 'verdict' && item.decision === 'due')
      trouble('decision', 'a decision that calls for work');
  });
export type WorkItem = z.infer<typeof WorkItem>;

export const WorkBatch = z.object({ items: z.array(WorkItem).min(1).max(200) });

/** How long a kind of job has taken against the sheet's minutes: the median of so many. */
export const JobTime = z.object({
  ratio: z.number().finite().positive(),
  jobs: z.int().min(1),
});
export type JobTime = z.infer<typeof JobTime>;

/** Before noon or after it. */
export const HalfDay = z.enum(['morning', 'noon']);
export type HalfDay = z.infer<typeof HalfDay>;

/** Where a visit is: the machine in a bay, or the technician at the farm. */
export const Site = z.enum(['bay', 'farm']);

/** Planned work on one machine. `hours` is filled by the server from the machine's open work. */
export const Visit = z.object({
  id: Id,
  machineId: Id,
  technicianId: Id,
  technician: z.string(),
  mateId: Id.nullable().default(null).describe('who helps, where it takes two'),
  mate: z.string().nullable().default(null),
  startsOn: Day,
  starts: HalfDay.default('morning'),
  endsOn: Day,
  ends: HalfDay.default('noon').describe('the half day it ends with'),
  halfDays: z
    .int()
    .min(1)
    .max(400)
    .nullable()
    .default(null)
    .describe('null: as long as its hours take'),
  hours: aboveZero(1000),
  site: Site,
  pinned: z.boolean().default(false).describe('stays where it is when the rest is planned anew'),
  overTime: z.boolean().default(false).describe('worked over time too'),
  note: LongText.default(''),
  workIds: z.array(Id),
  startedAt: Moment.nullable().default(null),
  stoppedAt: Moment.nullable().default(null).describe('begun, and laid down until it goes on'),
  finishedAt: Moment.nullable().default(null),
  version: Count.min(1),
});
export type Visit = z.infer<typeof Visit>;

/** What is said of a visit by who is on it; null takes it back. */
export const VisitNote = z.object({
  startedAt: Moment.nullable().optional(),
  stoppedAt: Moment.nullable().optional(),
  finishedAt: Moment.nullable().optional(),
});
export type VisitNote = z.infer<typeof VisitNote>;

/** What a planner sets. `version` is the one seen when changing an existing visit. */
export const VisitPlan = z.object({
  id: Id,
  machineId: Id,
  technicianId: z.uuid('a technician'),
  startsOn: Day,
  starts: HalfDay.optional().describe('as it was, or in the morning'),
  mateId: Id.nullable().optional().describe('who helps; as it was where nothing is said'),
  site: Site.default('bay'),
  note: LongText.default(''),
  version: Count.min(1).nullable().default(null),
});
export type VisitPlan = z.infer<typeof VisitPlan>;
