import { z } from 'zod';
import { Decision, HeavyPart } from './check';
import { Day, Id, LongText, Moment, ShortText, Slug } from './common';

/** Parts of some work. `quantity` is what is fitted. */
export const WorkPart = z.object({
  number: ShortText,
  name: ShortText,
  quantity: z.int().min(1),
  soldIn: z.int().min(2).optional().describe('sold in boxes of so many'),
  order: z.int().min(1).optional().describe('how many are ordered: whole boxes'),
  instead: ShortText.optional().describe('the number it has taken the place of'),
  heavy: HeavyPart.extend({
    together: z.int().min(1).optional().describe('how many, where it goes only all at once'),
    minutes: z.number().nonnegative().max(100_000).optional().describe('then, without the covers'),
  }).optional(),
  neededBy: ShortText.optional().describe('the part that wants it'),
});

/**
 * A decision a person accepted into work: a fact, so it is stored. `reason` and `hours` are as they
 * stood when accepted.
 */
export const WorkItem = z.object({
  id: Id,
  machineId: Id,
  checkId: Slug,
  decision: Decision.exclude(['holds', 'due']),
  places: z.array(ShortText).min(1),
  reason: z.string().max(1000),
  minutes: z.number().nonnegative().max(100_000),
  cover: z.object({ name: ShortText, minutes: z.number().nonnegative() }).nullable().default(null),
  parts: z.array(WorkPart).default([]),
  acceptedBy: ShortText,
  acceptedAt: Moment,
  withdrawnAt: Moment.nullable().default(null),
});
export type WorkItem = z.infer<typeof WorkItem>;

export const WorkBatch = z.object({ items: z.array(WorkItem).min(1).max(200) });

/** Planned work on one machine. `hours` is filled by the server from the machine's open work. */
export const Visit = z.object({
  id: Id,
  machineId: Id,
  technicianId: Id,
  technician: z.string(),
  startsOn: Day,
  endsOn: Day,
  hours: z.number().positive().max(1000),
  site: z.enum(['bay', 'farm']),
  note: LongText.default(''),
  workIds: z.array(Id),
  version: z.int().min(1),
});
export type Visit = z.infer<typeof Visit>;

/** What a planner sets. `version` is the one seen when changing an existing visit. */
export const VisitPlan = z.object({
  id: Id,
  machineId: Id,
  technicianId: z.uuid('a technician'),
  startsOn: Day,
  site: z.enum(['bay', 'farm']).default('bay'),
  note: LongText.default(''),
  version: z.int().min(1).nullable().default(null),
});
export type VisitPlan = z.infer<typeof VisitPlan>;
