import { z } from 'zod';
import { Day, Id, LongText, Moment, ShortText, Slug } from '../common';

/** What happened to a component that stopped a machine. */
export const BreakdownKind = z.enum([
  'broke',
  'cameOff',
  'jammed',
  'wornThrough',
  'ranHot',
  'other',
]);
export type BreakdownKind = z.infer<typeof BreakdownKind>;

/** A machine stopped in harvest: what, when, how long. Facts: kept as they are said. */
export const Breakdown = z.object({
  id: Id,
  machineId: Id,
  at: Moment,
  hours: z.number().nonnegative().max(100_000).describe("the machine's hours then"),
  checkId: Slug.nullable().describe('of its component; null: none of the sheet'),
  component: ShortText,
  kind: BreakdownKind,
  hoursLost: z
    .number('hours in figures')
    .finite()
    .min(0, '0 or more')
    .max(2000, 'at most 2,000 hours')
    .nullable()
    .describe('null: it stands still, or nobody knows'),
  note: LongText.default(''),
  by: ShortText,
});
export type Breakdown = z.infer<typeof Breakdown>;

/** A breakdown with what had been said of it before. */
export const BreakdownSaid = Breakdown.extend({
  serial: z.string(),
  model: z.string(),
  customer: z.string(),
  chance: z.number().nullable().describe('that the forecast had given it; null: none was made'),
});
export type BreakdownSaid = z.infer<typeof BreakdownSaid>;

/** A forecast that has come out: what was said before a harvest, and what was so after it. */
export const ClosedForecast = z.object({
  checkId: z.string(),
  place: z.string(),
  kind: z.string().describe('component class'),
  season: Day.describe('first day of the harvest it was for'),
  chance: z.number().min(0).max(1).describe('that the limit was reached before harvest ended'),
  happened: z.boolean(),
  by: z.enum(['reading', 'breakdown']).describe('what it was closed by'),
});
export type ClosedForecast = z.infer<typeof ClosedForecast>;

/** How good forecasts were. */
export const ForecastScore = z.object({
  n: z.int(),
  happened: z.int(),
  said: z.number().describe('how many would have happened by the chances'),
  brier: z.number().nullable().describe('mean squared error; 0 is best; null where there are none'),
  base: z.number().nullable().describe('the same of always saying the share that happened'),
  log: z.number().nullable().describe('mean log score, nats; 0 is best'),
  deciles: z.array(
    z.object({
      from: z.number(),
      to: z.number(),
      n: z.int(),
      said: z.number().describe('mean chance'),
      happened: z.number().describe('share'),
    }),
  ),
});
export type ForecastScore = z.infer<typeof ForecastScore>;

/** Whether forecasts were right: of a branch, and by component class. */
export const ForecastPage = z.object({
  branch: z.string(),
  all: ForecastScore,
  watched: ForecastScore.describe('of those the forecast gave at least 5 %'),
  kinds: z.array(z.object({ kind: z.string(), score: ForecastScore })),
  breakdowns: z.array(BreakdownSaid),
  hoursLost: z.number(),
});
export type ForecastPage = z.infer<typeof ForecastPage>;
