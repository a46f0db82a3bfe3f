import { z } from 'zod';
import { LongText, ShortText, Slug } from './common';
import {
  BandLimit,
  CheckUnit,
  ElongationLimit,
  Interval,
  Quantity,
  QUANTITY_UNITS,
  TakeUp,
  Tool,
  WearLimit,
  WearRate,
} from './limits';

const millimetres = z.number().finite().nonnegative();
const positiveMillimetres = z.number().finite().positive();

/** The decisions a reading leads to, as a technician says them. */
export const Decision = z.enum([
  'holds',
  'watch',
  'adjust',
  'shorten',
  'turn',
  'replace',
  'remeasure',
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
  method: Method,
  how: LongText.describe('how to take the reading, step by step'),
  why: LongText.describe('why this limit'),
  tool: Tool,
  labour: Labour,
  labourPer: z.enum(['place', 'check']).default('place'),
  parts: z.array(Part).default([]),
  knockOns: z.array(KnockOn).default([]),
  pairs: z
    .array(z.object({ check: Slug, from: z.number().min(0).max(1).default(0.5), why: ShortText }))
    .default([])
    .describe(
      'mates: renewed together with this when they have worn so far of the way to their own limit',
    ),
  ifLeft: ShortText,
  safety: z.array(ShortText).default([]),
  interval: Interval.default({ kind: 'season' }),
  when: z
    .record(Slug, z.array(Slug).min(1))
    .default({})
    .describe(
      'equipment it is there with: {"feeder-drive": ["variable"]}; on every build when empty',
    ),
  schools: LongText.default('').describe('where good people disagree, and why this way was chosen'),
  runsToSettle: z
    .boolean()
    .default(false)
    .describe('an adjustment counts only after running and looking again'),
  source: ShortText,
};

const measured = {
  quantity: Quantity.default('length'),
  limit: z.discriminatedUnion('type', [WearLimit, ElongationLimit, BandLimit]),
  unit: CheckUnit.default('mm'),
  style: z
    .enum(['mm', 'inFraction', 'inThou', 'plain'])
    .default('mm')
    .describe('how lengths are written; plain: in the unit, for what is no length'),
  repeats: z.int().min(1).max(5).default(1),
  wearRate: WearRate.optional(),
  takeUp: TakeUp.optional(),
  maxDifference: z
    .number()
    .finite()
    .positive()
    .optional()
    .describe('most that any two places may differ, in the unit of the quantity'),
  lookAlone: z.boolean().default(false).describe('offers "looks fine", which never passes'),
};
const agreeing = <
  T extends z.ZodType<{
    quantity: Quantity;
    unit: string;
    style: string;
    limit: { type: string };
    takeUp?: unknown;
    wearRate?: unknown;
  }>,
>(
  schema: T,
) =>
  schema.superRefine((c, ctx) => {
    const wrong = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: [path], message });
    const units: readonly string[] = QUANTITY_UNITS[c.quantity];
    if (!units.includes(c.unit)) wrong('unit', `a unit of ${c.quantity}: ${units.join(', ')}`);
    if ((c.quantity === 'length') === (c.style === 'plain'))
      wrong(
        'style',
        c.quantity === 'length'
          ? 'mm, inFraction or inThou for a length'
          : '"plain" for what is no length',
      );
    if (c.limit.type === 'elongation' && c.quantity !== 'length')
      wrong('quantity', '"length": elongation is read as a length');
    if (c.limit.type === 'band' && c.wearRate !== undefined)
      wrong('wearRate', 'none: a band is set, it does not wear');
  });
export const MeasureCheck = agreeing(
  z.object({ ...base, ...measured, kind: z.literal('measure') }),
);
export const SeriesCheck = agreeing(
  z.object({
    ...base,
    ...measured,
    kind: z.literal('series'),
    outOfFamily: z
      .number()
      .positive()
      .describe('step off the neighbours that is challenged, in the unit of the quantity'),
  }),
);

/** An indicator against its mark. `short` is always the loose side; the words say what is seen there. */
export const MarkCheck = z.object({
  ...base,
  kind: z.literal('mark'),
  gauge: z.object({
    length: positiveMillimetres,
    short: millimetres.default(0).describe('mm short that is still fine'),
    past: millimetres.describe('mm past the end that is still fine (0: exactly at)'),
  }),
  words: z
    .object({ short: ShortText, at: ShortText, past: ShortText })
    .default({
      short: 'washer not yet at the end of the gauge',
      at: 'washer level with the end',
      past: 'washer beyond the end',
    }),
  maxSideDifference: millimetres,
  takeUp: TakeUp.optional(),
  setsItself: z
    .boolean()
    .default(false)
    .describe('hydraulic or spring loaded: look, do not adjust'),
});

export const Feel = z.enum(['stuck', 'justSlides', 'slidesEasily', 'hangs']);
export type Feel = z.infer<typeof Feel>;
export const FeelCheck = z.object({
  ...base,
  kind: z.literal('feel'),
  good: z.array(Feel).min(1),
  asksPlay: z.boolean().default(false).describe('up-and-down play is asked for too, and is wrong'),
  takeUp: TakeUp.optional(),
});

/** A profile gauge that fits or does not. */
export const GoNoGoCheck = z.object({
  ...base,
  kind: z.literal('gonogo'),
  gauge: ShortText,
  good: z.enum(['fits', 'doesNotFit']).describe('what a good part shows'),
  otherwise: z.enum(['replace', 'adjust', 'turn']).default('replace'),
});

export const CountCheck = z.object({
  ...base,
  kind: z.literal('count'),
  counted: ShortText.default('knives'),
  total: z.int().min(1).max(500),
  allowed: z.int().min(0).max(100).default(0).describe('missing or damaged that may wait'),
  renew: z
    .enum(['each', 'opposite', 'set'])
    .describe('a bad one alone, with its opposite mate, or the whole set'),
  turnFrom: z
    .int()
    .min(1)
    .optional()
    .describe('reversible edges: how many worn on one edge before the set is turned'),
});

export const ConditionCheck = z.object({
  ...base,
  kind: z.literal('condition'),
  looksFor: z.array(ShortText).min(1).max(12),
  marked: z.enum(['watch', 'adjust', 'turn', 'replace']).default('watch'),
  damaged: z.enum(['adjust', 'turn', 'replace']).default('replace'),
});

export const LevelCheck = z.object({
  ...base,
  kind: z.literal('level'),
  eye: ShortText.describe('where it is read: sight glass, plug, dipstick'),
  product: ShortText,
  colours: z.array(ShortText).max(6).default([]).describe('colours that tell of trouble'),
});

export const SettingCheck = z
  .object({
    ...base,
    kind: z.literal('setting'),
    options: z.array(ShortText).min(2).max(12),
    expected: z
      .array(
        z.object({
          crop: ShortText.optional(),
          header: ShortText.optional(),
          option: ShortText,
          because: ShortText.optional(),
        }),
      )
      .min(1)
      .max(60),
  })
  .superRefine((c, ctx) =>
    c.expected.forEach((e, i) => {
      if (!c.options.includes(e.option))
        ctx.addIssue({
          code: 'custom',
          path: ['expected', i, 'option'],
          message: `one of its options: ${c.options.join(', ')}`,
        });
    }),
  );

export const ServiceCheck = z
  .object({
    ...base,
    kind: z.literal('service'),
    asks: z.enum(['done', 'strokes', 'litres']),
    amount: z.number().finite().positive().max(1000).optional(),
    most: z.number().finite().positive().max(1000).optional().describe('never more than this'),
    product: ShortText,
  })
  .superRefine((c, ctx) => {
    if (c.asks !== 'done' && c.amount === undefined)
      ctx.addIssue({ code: 'custom', path: ['amount'], message: `how many ${c.asks}` });
    if (c.most !== undefined && c.amount !== undefined && c.most < c.amount)
      ctx.addIssue({
        code: 'custom',
        path: ['most'],
        message: `at least the ${c.amount} that are asked for`,
      });
  });

export const Check = z.discriminatedUnion('kind', [
  MeasureCheck,
  SeriesCheck,
  MarkCheck,
  FeelCheck,
  GoNoGoCheck,
  CountCheck,
  ConditionCheck,
  LevelCheck,
  SettingCheck,
  ServiceCheck,
]);
export type Check = z.infer<typeof Check>;
export type MeasuredCheck = z.infer<typeof MeasureCheck> | z.infer<typeof SeriesCheck>;
export type MarkCheck = z.infer<typeof MarkCheck>;
export type FeelCheck = z.infer<typeof FeelCheck>;
export type GoNoGoCheck = z.infer<typeof GoNoGoCheck>;
export type CountCheck = z.infer<typeof CountCheck>;
export type ConditionCheck = z.infer<typeof ConditionCheck>;
export type LevelCheck = z.infer<typeof LevelCheck>;
export type SettingCheck = z.infer<typeof SettingCheck>;
export type ServiceCheck = z.infer<typeof ServiceCheck>;
export type SeriesCheck = z.infer<typeof SeriesCheck>;
/** The adjuster of a check, where it has one. */
export function takeUpOf(check: Check): TakeUp | undefined {
  return 'takeUp' in check ? check.takeUp : undefined;
}
