import { z } from 'zod';
import { Decision } from './check';
import { BuiltAs, Day, Id, Moment, Revision, ShortText } from './common';
import { ClassHands, ClassRate, MachineCosts } from './costs';
import { Reading, Walk } from './reading';
import { SpecSheet } from './sheet';
import { OperatorSaid } from './card';
import { Photo } from './photo';
import { Tick } from './tick';
import { JobTime, Visit, WorkItem } from './work';

export const Harvest = z
  .object({
    crop: ShortText,
    start: Day,
    end: Day,
    areaHa: z.number().min(0.01, 'at least 0.01 ha').max(100_000, 'at most 100,000 ha'),
    widthM: z.number().min(0.1, 'at least 0.1 m').max(30, 'at most 30 m'),
    speedKmh: z.number().min(0.1, 'at least 0.1 km/h').max(30, 'at most 30 km/h'),
    efficiency: z.number().min(0.01, 'a share of at least 0.01').max(1, 'a share of at most 1'),
    cropSince: Day.optional().describe('when the crop was changed, as far as is known'),
  })
  .refine((h) => h.end >= h.start, {
    path: ['end'],
    message: 'a date on or after the harvest start',
  });
export type Harvest = z.infer<typeof Harvest>;

/** A combine on the books, with the header that is on it. Hours are separator hours. */
export const Machine = z.object({
  id: Id,
  serial: ShortText,
  model: ShortText,
  customer: ShortText,
  branch: ShortText,
  builtOn: Day,
  hours: z.number().nonnegative().max(100_000),
  header: z
    .object({
      model: ShortText,
      serial: ShortText,
      equipment: BuiltAs.optional(),
      since: Moment.optional().describe('when it took the place of another, as far as is known'),
    })
    .nullable(),
  equipment: BuiltAs.optional().describe(
    'how it is built: {"feeder-drive": "fixed"}; the sheet\'s first option where nothing is said',
  ),
  rejudged: z
    .record(z.string().max(120), Revision)
    .refine((of) => Object.keys(of).length <= 20, 'at most 20 models')
    .optional()
    .describe("revision each model's older readings were re-judged under"),
  harvest: Harvest,
});
export type Machine = z.infer<typeof Machine>;

/** A machine as it is added; of the person's own branch unless said. */
export const NewMachine = Machine.extend({ branch: ShortText.optional() }).omit({ rejudged: true });

export const MachineChange = z.object({
  hours: Machine.shape.hours.optional(),
  harvest: Harvest.optional(),
  equipment: Machine.shape.equipment,
  header: Machine.shape.header.optional(),
});

/** Everything needed to judge one machine, on the phone or anywhere. */
export const MachineFile = z.object({
  machine: Machine,
  sheets: z.array(SpecSheet),
  earlier: z
    .array(SpecSheet)
    .default([])
    .describe('older revisions that readings are still judged by'),
  readings: z.array(Reading),
  walks: z.array(Walk),
  work: z.array(WorkItem),
  visits: z.array(Visit),
  ticks: z.array(Tick).default([]),
  photos: z.array(Photo).default([]),
  said: z.array(OperatorSaid).default([]).describe('what operators said on their card'),
  rates: z
    .record(z.string(), ClassRate)
    .default({})
    .describe('what the fleet has shown, by component class'),
  hands: z
    .record(z.string(), ClassHands)
    .default({})
    .describe('how often the fleet’s looks found something to do, by component class'),
  costs: MachineCosts.nullable().default(null).describe('null where the branch has not said'),
  times: z
    .record(z.string(), JobTime)
    .default({})
    .describe('how long jobs have taken against the sheet, by component class and decision'),
});
export type MachineFile = z.infer<typeof MachineFile>;

/** What a machine still lacks to be ready, in the order to do it. */
export const MissingStep = z.object({
  id: z.enum([
    'noSheet',
    'startWalk',
    'resumeWalk',
    'readRest',
    'enterLimits',
    'remeasure',
    'acceptSkips',
    'acceptWork',
    'planVisit',
    'doWork',
    'tasks',
    'closeUp',
  ]),
  count: z.int(),
  checks: z.array(z.string()).describe('checks it is about, where it is about checks'),
});
export type MissingStep = z.infer<typeof MissingStep>;

/** One row of the Yard. `slack` in working days; below 0 is too late. */
export const YardRow = z.object({
  machine: Machine,
  behind: z.boolean().default(false).describe('being judged anew: this is how it stood before'),
  slack: z.int(),
  finish: Day,
  mustStartBy: Day,
  late: z.boolean(),
  hoursOpen: z.number(),
  hoursPlanned: z.number(),
  counts: z.partialRecord(Decision, z.int()),
  checksDue: z.int(),
  checks: z.int(),
  walk: z.enum(['none', 'started', 'done']),
  said: z.int().default(0).describe('words of operators that nobody has heard yet'),
  chance: z
    .number()
    .nullable()
    .default(null)
    .describe('that its accepted work is done before its harvest, by the published plan'),
  awaits: z.int().default(0).describe('parts its accepted work waits for'),
  /** empty when the machine is ready for harvest */
  missing: z.array(MissingStep.omit({ checks: true })),
  next: z.object({
    id: z.enum([...MissingStep.shape.id.options, 'visitLate', 'visitPlanned', 'ready']),
    day: Day.nullable(),
    technician: z.string().nullable(),
    count: z.int(),
  }),
});
export type YardRow = z.infer<typeof YardRow>;

/** Which part of the Yard is asked for, and in which order. */
export const YardAsked = z.object({
  branch: z.string().max(120).optional(),
  q: z.string().max(120).optional().describe('serial, model, customer or crop'),
  order: z.enum(['slack', 'serial', 'customer', 'harvest']).default('slack'),
  walk: z.enum(['none', 'started', 'done']).optional(),
  waits: z.enum(['yes']).optional().describe('only what waits for a planner'),
  crop: z.string().max(120).optional(),
  late: z.enum(['yes']).optional().describe('only what is late'),
  parts: z.enum(['yes']).optional().describe('only what waits for parts'),
  lacks: MissingStep.shape.id.optional().describe('only what is not ready for this'),
  cursor: z.string().max(300).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(60),
});
export type YardAsked = z.output<typeof YardAsked>;

/** A page of the Yard. */
export const Yard = z.object({
  today: Day,
  branch: z.string(),
  rows: z.array(YardRow),
  apart: z
    .array(z.object({ machine: Machine, trouble: z.string().nullable() }))
    .describe('machines that cannot be judged, and why; null: not judged yet'),
  next: z.string().nullable().describe('cursor of the next page'),
  all: z
    .object({
      machines: z.int(),
      unwalked: z.int(),
      late: z.int(),
      ready: z.int(),
      behind: z.int().describe('standings older than their facts'),
      crops: z.array(z.object({ crop: z.string(), start: Day, end: Day })),
      starts: z
        .array(z.object({ on: Day, late: z.boolean(), machines: z.int() }))
        .describe('by which day so many machines with work must start'),
      wanted: z
        .object({ id: Id, serial: z.string(), step: z.enum(['startWalk', 'resumeWalk']) })
        .nullable()
        .describe('the walk that is wanted most'),
    })
    .nullable()
    .describe('all machines together, with the first page'),
});
export type Yard = z.infer<typeof Yard>;

/** Which visits are asked for. */
export const VisitsAsked = z.object({
  from: Day.optional().describe('only those that end on this day or later'),
  technician: Id.optional().describe('only those they are on'),
  cursor: z.string().max(300).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});

/** A page of visits, earliest first, each with its machine. */
export const VisitPage = z.object({
  visits: z.array(z.object({ visit: Visit, machine: Machine })),
  next: z.string().nullable().describe('cursor of the next page'),
});
export type VisitPage = z.infer<typeof VisitPage>;
