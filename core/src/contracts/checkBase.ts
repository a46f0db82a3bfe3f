import { z } from 'zod';
import { LongText, ShortText, Slug } from './common';
import { Fits } from './fits';
import { Interval, Tool } from './limits';

/** The decisions a reading leads to, as a technician says them. */
export const Decision = z.enum([
  'holds',
  'watch',
  'adjust',
  'shorten',
  'turn',
  'replace',
  'remeasure',
  'due',
]);
export type Decision = z.infer<typeof Decision>;

/** Ways to take a reading; each has its drawing. */
export const Method = z.enum([
  'spring-gauge',
  'tip-to-tip',
  'canister-gap',
  'overlap',
  'slat-at-floor',
  'slat-in-window',
  'eye-bolt',
  'hydraulic',
  'sheave-gap',
  'belt-width',
  'belt-note',
  'belt-push',
  'chain-pitches',
  'sag',
  'elevator-feel',
  'hold-down',
  'section-guard',
  'rasp-bar',
  'knife-edge',
  'knife-count',
  'draper-band',
  'level-eye',
  'gonogo',
  'clearance',
  'play',
  'tooth',
  'meter',
  'torque',
  'look',
  'setting',
  'grease',
]);
export type Method = z.infer<typeof Method>;

export const HeavyPart = z.object({
  number: ShortText,
  name: ShortText,
  because: ShortText,
  all: z
    .literal(true)
    .optional()
    .describe('only all of a check at once, never mixed with the standard one'),
});

export const Part = z.object({
  number: ShortText,
  name: ShortText,
  each: z.int().min(1).max(1000).describe('how many for one place'),
  with: z.string().max(400).optional().describe('why the mates come along'),
  soldIn: z.int().min(2).max(1000).optional().describe('sold in boxes or sets of so many'),
  supersededBy: z
    .object({ number: ShortText, name: ShortText })
    .optional()
    .describe('the number that is ordered now'),
  heavy: HeavyPart.optional().describe('the heavy one that may go in its place, and when'),
  needs: z
    .array(z.object({ number: ShortText, name: ShortText, each: z.int().min(1).max(1000) }))
    .max(20)
    .optional()
    .describe('what is needed with each one of it: a kit, a shaft, bolts used once'),
});
export type Part = z.infer<typeof Part>;

/**
 * Work on another component caused by this one: a check of the sheet to take again, or something to
 * do.
 */
export const KnockOn = z.union([
  z.object({ check: Slug, why: ShortText }),
  z.object({ task: ShortText }),
]);
export type KnockOn = z.infer<typeof KnockOn>;

/** A hundred hours on one place of one check are a slip of the finger. */
const minutes = z.number().nonnegative().max(6000, 'at most 6,000 minutes: 100 hours');

const Labour = z.object({
  measure: minutes.describe('minutes to take the readings'),
  adjust: minutes.default(0),
  shorten: minutes.default(0),
  turn: minutes.default(0),
  replace: minutes.default(0),
  cover: z.object({ name: ShortText, minutes }).optional(),
});

/** What every check carries, whatever its kind. */
export const checkBase = {
  id: Slug,
  station: z.int().min(1).max(14),
  stationName: ShortText,
  component: ShortText,
  measures: ShortText.describe('what is read, in a few words'),
  on: z.enum(['combine', 'header']),
  places: z.array(ShortText).min(1).max(64),
  position: ShortText.describe('how the machine must stand'),
  method: Method,
  how: LongText.describe('how to take the reading, step by step'),
  why: LongText.describe('why this limit'),
  tool: Tool,
  labour: Labour,
  costs: z
    .object({
      stopHours: z
        .number()
        .finite()
        .nonnegative()
        .max(1000, 'at most 1,000 hours')
        .describe('hours it stops the machine in harvest'),
      collateral: z
        .number()
        .finite()
        .nonnegative()
        .max(10_000_000, 'below 10 million')
        .default(0)
        .describe('what it breaks with it'),
      fieldMinutes: minutes.describe('minutes to renew it in the field'),
    })
    .optional()
    .describe('what it costs when it goes in harvest'),
  wearClass: Slug.optional().describe(
    'components that wear alike, whatever the model; its own id when empty',
  ),
  labourPer: z.enum(['place', 'check']).default('place'),
  parts: z.array(Part).max(40).default([]),
  knockOns: z.array(KnockOn).max(40).default([]),
  pairs: z
    .array(z.object({ check: Slug, from: z.number().min(0).max(1).default(0.5), why: ShortText }))
    .default([])
    .describe(
      'mates: renewed together with this when they have worn so far of the way to their own limit',
    ),
  ifLeft: ShortText,
  safety: z.array(ShortText).max(40).default([]),
  guardsPeople: z
    .boolean()
    .default(false)
    .describe('somebody can be hurt when it fails: walked whatever the time there is'),
  interval: Interval.default({ kind: 'season' }),
  when: z
    .record(Slug, z.array(Slug).min(1).max(60))
    .refine((of) => Object.keys(of).length <= 60, 'at most 60 kinds of equipment')
    .default({})
    .describe(
      'equipment it is there with: {"feeder-drive": ["variable"]}; on every build when empty',
    ),
  fits: Fits.optional().describe('only on machines of these serials or years'),
  schools: LongText.default('').describe('where good people disagree, and why this way was chosen'),
  runsToSettle: z
    .boolean()
    .default(false)
    .describe('an adjustment counts only after running and looking again'),
  source: ShortText,
};

/** Said of a check with an adjuster whose travel nobody has entered yet. */
export const takeUpToEnter = z
  .literal(true)
  .optional()
  .describe('there is an adjuster, and its travel is still to be entered');
export const TAKE_UP_ENTERED = 'nothing: the travel of its adjuster is entered';
