import { z } from 'zod';
import { ForecastScore } from '../breakdown';
import { Day, Id, ShortText } from '../common';
import { WalkKind } from '../reading';

/** What machines can be told apart by. */
export const Dimension = z.enum(['model', 'crop', 'customer', 'branch']);
export type Dimension = z.infer<typeof Dimension>;

/** Which machines are looked at; all that may be seen where nothing is said. */
export const InsightOf = z.object({
  model: ShortText.optional(),
  crop: ShortText.optional(),
  customer: ShortText.optional(),
  branch: ShortText.optional(),
});
export type InsightOf = z.infer<typeof InsightOf>;

const ranged = {
  value: z.number(),
  low: z.number().describe('nine times of ten it lies above this'),
  high: z.number().describe('and below this'),
};
const Rate = z
  .object({ ...ranged, machines: z.int(), lives: z.int() })
  .describe('of the way to the limit an hour');

/** How long parts of a class live, hours; null where half have not ended. */
export const LifeLength = z.object({
  lives: z.int().describe('with a known beginning'),
  ended: z.int(),
  median: z.number().nullable(),
  low: z.number().nullable(),
  high: z.number().nullable(),
  worn: z.number().nullable().describe('of the way to its limit when taken out, mean'),
});

/** What is known of one component class. */
export const InsightClass = z.object({
  key: z.string(),
  wear: Rate.nullable(),
  travel: Rate.nullable().describe('of the take-up’s travel'),
  drift: Rate.nullable().describe('of a setting’s band'),
  life: LifeLength.nullable(),
  looks: z.int().describe('places looked at, walk by walk'),
  hands: z.int().describe('looks at which a hand was put to it'),
  stops: z.int().describe('breakdowns in harvest'),
  hoursLost: z.number(),
  minutes: z
    .object({ ...ranged, jobs: z.int() })
    .nullable()
    .describe('minutes its jobs took against the sheet’s'),
  forecast: z.object({ n: z.int(), happened: z.int(), said: z.number() }),
});
export type InsightClass = z.infer<typeof InsightClass>;

const Group = z.object({
  group: z.string(),
  ...ranged,
  machines: z.int(),
  lives: z.int(),
  apart: z.object(ranged).describe('from the mean of the other groups, as a share of it'),
});

/** A group whose rate lies off the mean of its class, nine times of ten. */
export const StandsOut = z.object({
  key: z.string(),
  dimension: Dimension,
  group: Group,
});
export type StandsOut = z.infer<typeof StandsOut>;

const WalkFinds = z.object({
  ...ranged,
  walks: z.int(),
  hours: z.number(),
  read: z.int(),
  found: z.int(),
});

/** What wears out where, and what it takes: over some machines. */
export const InsightPage = z.object({
  of: InsightOf,
  machines: z.int(),
  learntOn: Day.nullable().describe('null: nothing was learnt yet'),
  choices: z.object({
    model: z.array(z.string()),
    crop: z.array(z.string()),
    customer: z.array(z.string()),
    branch: z.array(z.string()),
  }),
  classes: z.array(InsightClass),
  standsOut: z.array(StandsOut),
  walks: z.array(WalkFinds.extend({ kind: WalkKind.nullable() })),
  forecasts: z.array(z.object({ branch: z.string(), score: ForecastScore })),
});
export type InsightPage = z.infer<typeof InsightPage>;

/** What one machine shows of a class. */
export const ClassMachine = z.object({
  id: Id,
  serial: z.string(),
  model: z.string(),
  crop: z.string(),
  customer: z.string(),
  branch: z.string(),
  hours: z.number(),
  rate: z.object({ ...ranged, lives: z.int() }).nullable(),
  parts: z.int().describe('lives with a known beginning'),
  ended: z.int(),
  stops: z.int(),
  hoursLost: z.number(),
  jobs: z.int(),
  done: z.array(z.string()).describe('what its jobs were: replace, adjust'),
  forecasts: z.int(),
  happened: z.int(),
});
export type ClassMachine = z.infer<typeof ClassMachine>;

/** One component class: where it wears out, how long it lives, and the machines it is told from. */
export const ClassPage = z.object({
  of: InsightOf,
  class: InsightClass,
  line: z.enum(['wear', 'travel', 'drift']).describe('what the groups and rates are of'),
  by: z.array(
    z.object({
      dimension: Dimension,
      spread: z.number().describe('how far groups differ, of their mean'),
      groups: z.array(Group),
    }),
  ),
  survival: z.array(
    z.object({
      hours: z.number(),
      share: z.number(),
      low: z.number(),
      high: z.number(),
      atRisk: z.int(),
    }),
  ),
  minutes: z.array(z.object({ decision: z.string(), ...ranged, jobs: z.int() })),
  machines: z.array(ClassMachine),
});
export type ClassPage = z.infer<typeof ClassPage>;

/** One walk with what it took and found, and the machine it was of. */
export const WalkFound = z.object({
  id: Id,
  machineId: Id,
  serial: z.string(),
  kind: WalkKind.nullable(),
  day: Day,
  minutes: z.number(),
  read: z.int(),
  found: z.int(),
});
export type WalkFound = z.infer<typeof WalkFound>;

/** Walks of a kind, those that found most in an hour first. */
export const WalksPage = z.object({
  of: InsightOf,
  kind: WalkKind.nullable(),
  walks: z.array(WalkFound),
  more: z.int().describe('walks that are not listed'),
});
export type WalksPage = z.infer<typeof WalksPage>;

/** What can be had as CSV. */
export const InsightTable = z.enum(['classes', 'groups', 'machines', 'walks', 'forecasts']);
export type InsightTable = z.infer<typeof InsightTable>;
