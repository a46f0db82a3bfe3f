import { z } from 'zod';
import { Count, Day, Id, MapSpot, ShortText } from '../common';

const amount = z
  .number('an amount in figures')
  .finite()
  .nonnegative('an amount of 0 or more')
  .max(1_000_000, 'an amount up to a million');
/** Whether a half day is worked: not at all, as usual, or over time where it helps. */
export const Worked = z.enum(['off', 'open', 'over']);
export type Worked = z.infer<typeof Worked>;

/** Half days of a week, Monday morning first. */
export const Week = z.array(Worked).length(14, 'two half days for each of seven days');

/** Days that somebody is away, first and last. */
export const DaysAway = z
  .object({ from: Day, to: Day, why: ShortText })
  .refine((d) => d.to >= d.from, { path: ['to'], message: 'the first day or a later one' });
export type DaysAway = z.infer<typeof DaysAway>;

/** What a technician can do and when. `version` is the one seen when changing; 0: nobody has said. */
export const TechnicianHours = z.object({
  personId: Id,
  skills: z.array(ShortText).max(30),
  week: Week,
  away: z.array(DaysAway).max(100),
  version: Count.min(0),
});
export type TechnicianHours = z.infer<typeof TechnicianHours>;

/** A skill, and what work wants it: whatever is on a component with one of these words in its name. */
export const Skill = z.object({
  name: ShortText,
  words: z.array(ShortText).min(1, 'at least one word').max(30),
});
export type Skill = z.infer<typeof Skill>;

/** How a branch plans its visits. `version` is the one seen when changing; 0: nobody has said. */
export const BoardSetting = z.object({
  branch: ShortText,
  bays: z.int('whole bays').min(0, '0 or more').max(100, 'at most 100 bays'),
  home: MapSpot.nullable().describe('where the branch is; null: nobody has said'),
  km: amount.describe('what a km of driving costs'),
  overTime: amount.describe('what a half day over time costs'),
  change: amount.describe('what it is worth that a published visit stays'),
  holidays: z.array(z.object({ on: Day, name: ShortText })).max(60),
  skills: z.array(Skill).max(30),
  twoHands: z.array(ShortText).max(30).describe('words of components that take two people'),
  notAtFarm: z
    .array(z.string().max(60))
    .max(60)
    .describe('how a machine cannot be stood at a farm: "header off", "feeder level"'),
  ripe: z.object({
    earlier: z.int('whole days').min(0).max(60).describe('days harvest may begin before its day'),
    later: z.int('whole days').min(0).max(60),
  }),
  version: Count.min(0),
});
export type BoardSetting = z.infer<typeof BoardSetting>;

/** All that a branch plans by. */
export const CrewPage = z.object({
  setting: BoardSetting,
  technicians: z.array(TechnicianHours.extend({ name: z.string() })),
  farms: z.array(
    z.object({ id: Id, name: z.string(), place: z.string(), spot: MapSpot.nullable() }),
  ),
});
export type CrewPage = z.infer<typeof CrewPage>;

/** Where farms lie. */
export const FarmSpots = z.object({
  farms: z
    .array(z.object({ id: Id, spot: MapSpot.nullable() }))
    .min(1)
    .max(2000),
});
