import { z } from 'zod';
import { Decision } from '../check';
import { aboveZero, Count, Day, Id, LongText, MapSpot, Moment, ShortText } from '../common';
import { HalfDay, Site } from '../work';
import { BoardSetting, DaysAway } from './crew';

export * from './crew';

/** Where a visit stands on the board. */
export const Placing = z.object({
  technicianIds: z.array(z.uuid('a technician')).min(1, 'a technician').max(2, 'at most two'),
  startsOn: Day,
  starts: HalfDay,
  site: Site,
  pinned: z.boolean().default(false),
  overTime: z.boolean().default(false),
  halfDays: z
    .int('whole half days')
    .min(1, 'at least one half day')
    .max(200, 'at most 200 half days')
    .nullable()
    .default(null)
    .describe('null: as long as its work takes'),
});
export type Placing = z.infer<typeof Placing>;

/** A part that a visit waits for. */
export const AwaitedPart = z.object({
  number: z.string(),
  name: z.string(),
  on: Day.nullable().describe('null: nobody knows when it comes'),
  spread: z.number().describe('days that may vary by'),
});

/** Work of a machine that one visit takes, or that has none yet. */
export const BoardWork = z.object({
  visitId: Id.nullable(),
  workIds: z.array(Id),
  hours: z.number().positive(),
  work: z.array(z.object({ component: z.string(), decision: Decision })),
  stands: z.array(z.string()).describe('how the machine is stood for it: "header:off"'),
});
export type BoardWork = z.infer<typeof BoardWork>;

/** A visit on the board, or work that has none yet. */
export const BoardJob = z.object({
  id: Id.describe('of the visit; for work without one, the id it will have'),
  machine: z.object({
    id: Id,
    serial: z.string(),
    model: z.string(),
    customer: z.string(),
  }),
  version: z.int().describe('of the visit; 0: it is not published'),
  published: Placing.nullable(),
  ends: z.object({ on: Day, half: HalfDay }).nullable().describe('as it is published'),
  startedAt: Moment.nullable(),
  finishedAt: Moment.nullable(),
  note: z.string(),
  crop: z.string(),
  harvest: z.object({ start: Day, end: Day }),
  due: Day.describe('it is to have ended before this day: harvest less the margin'),
  hours: z.number().describe('of labour'),
  halfDays: z.int(),
  crew: z.union([z.literal(1), z.literal(2)]),
  skills: z.array(z.string()),
  workIds: z.array(Id),
  work: z.array(z.object({ component: z.string(), decision: Decision })),
  awaited: z.array(AwaitedPart).describe('parts that are not on the shelf for it'),
  earliest: Day.nullable().describe('first day with all its parts; null: nobody knows'),
  perDayLate: z.number().describe('what a day late costs'),
  spot: MapSpot.nullable().describe("of its customer's farm; null: nobody has said"),
  notAtFarm: z.array(z.string()).describe('why its work cannot be done at the farm'),
  site: Site.describe('where it is best done, unless somebody says'),
  chance: z.number().nullable().describe('that it is ready for its harvest by this plan'),
});
export type BoardJob = z.infer<typeof BoardJob>;

/** A machine of the branch, whether or not it has work. */
export const BoardMachine = z.object({
  ...BoardJob.shape.machine.shape,
  ...{ crop: z.string(), harvest: BoardJob.shape.harvest, due: Day },
  perDayLate: z.number(),
  spot: MapSpot.nullable(),
});
export type BoardMachine = z.infer<typeof BoardMachine>;

/** A technician on the board, with the half days from today on. */
export const BoardTechnician = z.object({
  id: Id,
  name: z.string(),
  skills: z.array(z.string()),
  open: z
    .array(z.int().min(0).max(2))
    .describe('by half day from today: 0 off, 1 open, 2 over time'),
  away: z.array(DaysAway),
});

/** Who published a plan, when and why. */
export const PlanVersion = z.object({
  n: z.int().min(1),
  by: z.string(),
  at: Moment,
  why: z.string(),
  changes: z.int().describe('visits that were put, moved or taken off'),
});
export type PlanVersion = z.infer<typeof PlanVersion>;

/** All that a planner has before them. */
export const BoardPage = z.object({
  today: Day,
  branch: z.string(),
  slots: z.int().describe('half days from the morning of today on'),
  setting: BoardSetting,
  plan: PlanVersion.nullable(),
  technicians: z.array(BoardTechnician),
  jobs: z.array(BoardJob),
  machines: z.array(BoardMachine),
  currency: z.string().nullable().describe('null: the branch has not said what a stop costs'),
  cv: z.number().describe('how far work takes longer or shorter than reckoned, relative'),
  cvFrom: z.int().describe('jobs of the branch it was learnt from; 0: the shop rule'),
  behind: z.int().describe('machines whose work is older than their facts'),
});
export type BoardPage = z.infer<typeof BoardPage>;

/** What a plan would change of one visit. */
export const PlanChange = z.object({
  id: Id.describe('of the visit'),
  machineId: Id,
  version: Count.min(0).describe('of the visit as it was seen; 0: it was not there'),
  to: Placing.nullable().describe('null: it is taken off'),
  note: LongText.optional().describe('kept as it is where nothing is said'),
});
export type PlanChange = z.infer<typeof PlanChange>;

/** A plan to be published: all of it or nothing. */
export const Publish = z.object({
  seen: Count.min(0).describe('number of the plan it was made on; 0: there was none'),
  why: ShortText,
  changes: z.array(PlanChange).min(1, 'at least one change').max(2000),
});
export type Publish = z.infer<typeof Publish>;

/** How one visit differs between two plans. */
export const VisitDiffers = z.object({
  id: Id,
  serial: z.string(),
  customer: z.string(),
  from: Placing.nullable(),
  to: Placing.nullable(),
});
export type VisitDiffers = z.infer<typeof VisitDiffers>;

/** What is asked of a plan that is looked for. */
export const WhatIf = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('earlier'),
    crop: ShortText.nullable().describe('null: every crop'),
    days: z.int('whole days').min(-60).max(60).describe('below 0: later'),
  }),
  z.object({ kind: z.literal('away'), technicianId: Id, from: Day, to: Day }),
  z.object({ kind: z.literal('partLate'), number: ShortText, days: z.int().min(1).max(250) }),
  z.object({ kind: z.literal('extraDay'), on: Day }),
  z.object({
    kind: z.literal('down'),
    machineId: Id,
    hours: aboveZero(200),
  }),
]);
export type WhatIf = z.infer<typeof WhatIf>;

/** What a plan is looked for by. */
export const PlanWish = z.object({
  id: Id,
  kept: z
    .array(z.object({ id: Id, to: Placing }))
    .max(2000)
    .describe('visits that stay as the planner has put them'),
  objective: z.enum(['dates', 'loss']).default('dates'),
  whatIf: z.array(WhatIf).max(10).default([]),
  seconds: z.int().min(1).max(60).default(5),
});
export type PlanWish = z.infer<typeof PlanWish>;

/** Why a visit is late or has no place. @see HeldUpBy */
export const HeldUpReason = z.enum(['skill', 'parts', 'time', 'pin', 'bay', 'hands', 'plan']);
export const Frees = z.enum([
  'partsNow',
  'anotherBay',
  'overTime',
  'anyoneDoesIt',
  'anotherHand',
  'moveIt',
]);

/** How a plan fares: of the board as it is, or as it would be. */
export const PlanFares = z.object({
  placings: z.array(z.object({ id: Id, to: Placing.nullable() })),
  late: z.array(
    z.object({
      id: Id,
      serial: z.string(),
      customer: z.string(),
      days: z.int().nullable().describe('null: it has no place at all'),
      by: HeldUpReason,
      frees: z.array(Frees),
    }),
  ),
  ready: z.array(z.object({ machineId: Id, serial: z.string(), chance: z.number() })),
  loss: z.number().describe('what lateness is expected to cost'),
  cost: z.number(),
  km: z.number(),
});
export type PlanFares = z.infer<typeof PlanFares>;

/** A search for a plan: how far it is, and what it has found. */
export const PlanSearch = z.object({
  id: Id,
  state: z.enum(['waiting', 'running', 'done', 'stopped', 'failed']),
  by: z.string(),
  at: Moment,
  seen: z.int().describe('number of the plan it began from'),
  share: z.number().min(0).max(1).describe('of its time that is gone'),
  first: z.number().nullable().describe('cost of the first plan'),
  cost: z.number().nullable().describe('cost of the best so far'),
  bound: z.number().nullable().describe('no plan costs less; null: not known yet'),
  proven: z.boolean().describe('the bound is that of the whole board'),
  wish: PlanWish,
  before: PlanFares.nullable().describe('the plan as it was, under what is asked'),
  after: PlanFares.nullable().describe('the best plan found'),
  trouble: z.string().nullable(),
});
export type PlanSearch = z.infer<typeof PlanSearch>;

/** A secret link of a technician's calendar. Whoever has it sees their visits and nothing else. */
export const CalendarFeed = z.object({
  id: Id,
  personId: Id,
  name: z.string(),
  key: z.string().describe('the secret end of its address'),
  madeBy: z.string(),
  madeAt: Moment,
  revokedAt: Moment.nullable(),
});
export type CalendarFeed = z.infer<typeof CalendarFeed>;

/** Harvest of a crop comes earlier or later than was thought. */
export const HarvestMove = z.object({
  crop: ShortText,
  customer: ShortText.nullable().default(null).describe('null: of all customers'),
  days: z
    .int('whole days')
    .min(-120, 'at most 120 days')
    .max(120, 'at most 120 days')
    .refine((d) => d !== 0, 'a number of days other than 0')
    .describe('below 0: earlier'),
});
export type HarvestMove = z.infer<typeof HarvestMove>;
