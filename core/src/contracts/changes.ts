import { z } from 'zod';
import { Id } from './common';
import { ClassHands, ClassRate, MachineCosts } from './costs';
import { Machine } from './machine';
import { Reading, Walk } from './reading';
import { OperatorSaid } from './card';
import { Photo } from './photo';
import { Tick } from './tick';
import { JobTime, Visit, WorkItem } from './work';

/** Names one revision of a model's sheet. */
export const SheetRef = z.object({ model: z.string(), revision: z.int() });
export type SheetRef = z.infer<typeof SheetRef>;

/** What a machine's facts are judged by, beside themselves. Revisions are named: they never change. */
export const JudgedBy = z.object({
  sheets: z.array(SheetRef).describe('the newest revisions'),
  earlier: z.array(SheetRef).describe('older ones that readings are still judged by'),
  rates: z.record(z.string(), ClassRate).default({}),
  hands: z.record(z.string(), ClassHands).default({}),
  times: z.record(z.string(), JobTime).default({}),
  costs: MachineCosts.nullable().default(null),
});
export type JudgedBy = z.infer<typeof JudgedBy>;

/** What is known already: 0 is nothing. */
export const ChangesAsked = z.object({
  since: z.coerce.number().int().min(0).default(0),
  basis: z.string().max(80).optional().describe('of the last answer'),
});

/**
 * What has changed of a machine since a version of it. Facts are added or written anew, by id; only
 * visits are ever taken away.
 */
export const MachineChanges = z.object({
  machine: Machine,
  version: z.int(),
  since: z.int().describe('0: all there is, in the place of what was known'),
  basis: z.string(),
  judgedBy: JudgedBy.nullable().describe('null: as before'),
  readings: z.array(Reading),
  walks: z.array(Walk),
  work: z.array(WorkItem),
  ticks: z.array(Tick),
  photos: z.array(Photo).default([]),
  said: z.array(OperatorSaid).default([]),
  visits: z.array(Visit),
  dropped: z.array(Id).describe('visits taken away'),
});
export type MachineChanges = z.infer<typeof MachineChanges>;

/** What is told as it happens. `many`: so many machines that each list is better asked for anew. */
export const LiveChange = z.object({
  what: z.enum(['facts', 'standing', 'many', 'board', 'search']),
  id: Id.nullable(),
  version: z.int(),
});
export type LiveChange = z.infer<typeof LiveChange>;
