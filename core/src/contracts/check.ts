import { z } from 'zod';
import { LongText, ShortText, Slug } from './common';

const millimetres = z.number().finite().nonnegative();
const positiveMillimetres = z.number().finite().positive();

/** The decisions a reading leads to, as a technician says them. */
export const Decision = z.enum(['holds', 'watch', 'adjust', 'shorten', 'turn', 'replace', 'remeasure']);
export type Decision = z.infer<typeof Decision>;

/** What a tool can be trusted to: resolution of its scale and, when known, its own standard uncertainty; both mm. */
export const Tool = z.object({
  name: ShortText,
  resolution: positiveMillimetres,
  uncertainty: positiveMillimetres.optional(),
});
export type Tool = z.infer<typeof Tool>;

/** A wear limit: x runs from nominal (new) to limit; at the limit is out. mm. */
export const WearLimit = z.object({
  type: z.literal('wear'),
  nominal: positiveMillimetres,
  limit: positiveMillimetres,
}).refine((l) => l.nominal !== l.limit, { path: ['limit'], message: 'a limit that differs from the new size' });

/** Chain elongation: length over `pitches` pitches of `pitch` mm; the limit in %, or the shop rule when absent. */
export const ElongationLimit = z.object({
  type: z.literal('elongation'),
  pitch: positiveMillimetres,
  pitches: z.int().min(1).max(400),
  limitPercent: z.number().positive().max(10).optional(),
  largerSprocketTeeth: z.int().min(5).max(300).optional(),
});

/** The adjuster of a chain and its travel: what stretch it can still take up. */
export const TakeUp = z.object({
  total: positiveMillimetres,
  reserve: millimetres.describe('travel that must be left to go into harvest, mm'),
  strandsPerTravel: z.number().positive().max(4).describe('k: mm of chain taken in by 1 mm of travel'),
  pitch: positiveMillimetres,
  loopPitches: z.int().min(4).max(1000),
  limitPercent: z.number().positive().max(10).describe('elongation at which the chain is renewed, %'),
  resolution: positiveMillimetres,
});
export type TakeUp = z.infer<typeof TakeUp>;

/** Expected wear fraction per hour in service for this class of component, mean and spread, and of a new one at 0 h. */
export const WearRate = z.object({
  perHour: z.number().nonnegative(),
  sd: z.number().positive(),
  atNew: z.number().default(0.02),
  atNewSd: z.number().positive().default(0.03),
});
export type WearRate = z.infer<typeof WearRate>;

export const Part = z.object({
  number: ShortText,
  name: ShortText,
  each: z.int().min(1).describe('how many for one place'),
  with: z.string().optional().describe('why the mates come along'),
});
export type Part = z.infer<typeof Part>;

/** Work on another component caused by this one: a check of the sheet to take again, or something to do. */
export const KnockOn = z.union([
  z.object({ check: Slug, why: ShortText }),
  z.object({ task: ShortText }),
]);
export type KnockOn = z.infer<typeof KnockOn>;

const Labour = z.object({
  measure: z.number().nonnegative().describe('minutes to take the readings'),
  adjust: z.number().nonnegative().default(0),
  shorten: z.number().nonnegative().default(0),
  turn: z.number().nonnegative().default(0),
  replace: z.number().nonnegative().default(0),
  cover: z.object({ name: ShortText, minutes: z.number().nonnegative() }).optional(),
});

const base = {
  id: Slug,
  station: z.int().min(1).max(14),
  stationName: ShortText,
  component: ShortText,
  measures: ShortText.describe('what is read, in a few words'),
  on: z.enum(['combine', 'header']),
  places: z.array(ShortText).min(1).max(64),
  position: ShortText.describe('how the machine must stand'),
  method: ShortText,
  how: LongText.describe('how to take the reading, step by step'),
  why: LongText.describe('why this limit'),
  tool: Tool,
  labour: Labour,
  labourPer: z.enum(['place', 'check']).default('place'),
  parts: z.array(Part).default([]),
  knockOns: z.array(KnockOn).default([]),
  ifLeft: ShortText,
  safety: z.array(ShortText).default([]),
  runsToSettle: z.boolean().default(false).describe('an adjustment counts only after running and looking again'),
  source: ShortText,
};

const measured = {
  limit: z.discriminatedUnion('type', [WearLimit, ElongationLimit]),
  unit: z.enum(['mm', 'in']).default('mm'),
  style: z.enum(['mm', 'inFraction', 'inThou']).default('mm'),
  repeats: z.int().min(1).max(5).default(1),
  wearRate: WearRate.optional(),
  takeUp: TakeUp.optional(),
  lookAlone: z.boolean().default(false).describe('offers "looks fine", which never passes'),
};

export const MeasureCheck = z.object({ ...base, ...measured, kind: z.literal('measure') });
export const SeriesCheck = z.object({ ...base, ...measured, kind: z.literal('series'), outOfFamily: z.number().positive().describe('step off the neighbours that is challenged, mm') });
export const MarkCheck = z.object({
  ...base,
  kind: z.literal('mark'),
  gauge: z.object({ length: positiveMillimetres, past: millimetres.describe('mm past the end that is still fine (0: exactly at)') }),
  maxSideDifference: millimetres,
  takeUp: TakeUp,
});
export const Feel = z.enum(['stuck', 'justSlides', 'slidesEasily', 'hangs']);
export type Feel = z.infer<typeof Feel>;
export const FeelCheck = z.object({
  ...base,
  kind: z.literal('feel'),
  good: z.array(Feel).min(1),
  takeUp: TakeUp,
});
export const CountCheck = z.object({
  ...base,
  kind: z.literal('count'),
  total: z.int().min(1).max(500),
  oppositeMates: z.boolean(),
  turnFrom: z.int().min(1).describe('knives with one worn edge from which the set is turned'),
});

export const Check = z.discriminatedUnion('kind', [MeasureCheck, SeriesCheck, MarkCheck, FeelCheck, CountCheck]);
export type Check = z.infer<typeof Check>;
export type MeasuredCheck = z.infer<typeof MeasureCheck> | z.infer<typeof SeriesCheck>;
export type MarkCheck = z.infer<typeof MarkCheck>;
export type FeelCheck = z.infer<typeof FeelCheck>;
export type CountCheck = z.infer<typeof CountCheck>;
export type SeriesCheck = z.infer<typeof SeriesCheck>;

/** The checks of one model, combine or header, at one revision. */
export const SpecSheet = z.object({
  model: ShortText,
  maker: ShortText,
  machine: z.enum(['combine', 'header']),
  revision: z.int().min(1),
  remark: LongText.default(''),
  checks: z.array(Check).min(1),
}).superRefine((sheet, ctx) => {
  const ids = sheet.checks.map((c) => c.id);
  ids.forEach((id, i) => {
    if (ids.indexOf(id) !== i) ctx.addIssue({ code: 'custom', path: ['checks', i, 'id'], message: `an id not used before; "${id}" is there twice` });
  });
  sheet.checks.forEach((check, i) => {
    if (new Set(check.places).size !== check.places.length) ctx.addIssue({ code: 'custom', path: ['checks', i, 'places'], message: 'places that are all different' });
    if (check.on !== sheet.machine) ctx.addIssue({ code: 'custom', path: ['checks', i, 'on'], message: `"${sheet.machine}", as the sheet` });
  });
});
export type SpecSheet = z.infer<typeof SpecSheet>;
