import { z } from 'zod';
import { aboveZero, ShortText } from './common';

/** What is measured. Values are held in the core's own unit: mm, N, kPa, N·m, Hz, rpm, V, °. */
export const Quantity = z.enum([
  'length',
  'force',
  'pressure',
  'torque',
  'frequency',
  'rotation',
  'voltage',
  'angle',
]);
export type Quantity = z.infer<typeof Quantity>;

/** Units a check may be written in, the core's own first. */
export const QUANTITY_UNITS = {
  length: ['mm', 'in'],
  force: ['N', 'lbf'],
  pressure: ['kPa', 'bar', 'psi'],
  torque: ['N·m', 'lbf·ft'],
  frequency: ['Hz'],
  rotation: ['rpm'],
  voltage: ['V'],
  angle: ['°'],
} as const satisfies Readonly<Record<Quantity, readonly string[]>>;
export const CheckUnit = z.enum([
  'mm',
  'in',
  'N',
  'lbf',
  'kPa',
  'bar',
  'psi',
  'N·m',
  'lbf·ft',
  'Hz',
  'rpm',
  'V',
  '°',
]);
export type CheckUnit = z.infer<typeof CheckUnit>;

/** Nothing measured on a combine is more than a million of its unit. */
const MOST = 1_000_000;
const zeroOrMore = z.number().finite().nonnegative().max(MOST, 'at most 1,000,000');
const positive = aboveZero(MOST);

/**
 * What a tool can be trusted to: resolution of its scale and, when known, its own standard
 * uncertainty; both in the core's unit of what it measures.
 */
export const Tool = z.object({
  name: ShortText,
  resolution: z
    .number()
    .min(0.0001, 'at least 0.0001: no scale is finer')
    .max(1000, 'at most 1,000: no scale is coarser'),
  uncertainty: z.number().min(0.00001, 'at least 0.00001').max(1000, 'at most 1,000').optional(),
});
export type Tool = z.infer<typeof Tool>;

/** New size and limit closer than this are one: wear between them is no number. */
const LEAST_APART = 1e-6;

/**
 * A wear limit: x runs from nominal (new) to limit; at the limit is out. `wornSide` says which way
 * it wears and must agree.
 */
export const WearLimit = z
  .object({
    type: z.literal('wear'),
    nominal: zeroOrMore,
    limit: zeroOrMore,
    wornSide: z.enum(['smaller', 'larger']).optional(),
  })
  .superRefine((l, ctx) => {
    if (Math.abs(l.nominal - l.limit) < LEAST_APART)
      ctx.addIssue({
        code: 'custom',
        path: ['limit'],
        message: 'a limit that differs from the new size',
      });
    else if (l.wornSide && l.wornSide !== (l.limit < l.nominal ? 'smaller' : 'larger')) {
      ctx.addIssue({
        code: 'custom',
        path: ['wornSide'],
        message: `"${l.limit < l.nominal ? 'smaller' : 'larger'}", as the new size ${l.nominal} and the limit ${l.limit} say`,
      });
    }
  });

/**
 * Chain elongation: length over `pitches` pitches of `pitch` mm; the limit in %, or the shop rule
 * when absent.
 */
export const ElongationLimit = z.object({
  type: z.literal('elongation'),
  pitch: positive,
  pitches: z.int().min(1).max(400),
  limitPercent: aboveZero(10).optional(),
  largerSprocketTeeth: z.int().min(5).max(300).optional(),
});

const edge = z.enum(['adjust', 'replace', 'turn']);

/**
 * A band that a clearance, gap, tension, voltage or speed must lie in; on its edge is inside.
 * `below` and `above` say what is done outside. A new belt may have a band of its own until it is
 * run in.
 */
export const BandLimit = z
  .object({
    type: z.literal('band'),
    low: zeroOrMore.optional(),
    nominal: zeroOrMore.optional(),
    high: zeroOrMore.optional(),
    below: edge.default('adjust'),
    above: edge.default('adjust'),
    whenNew: z
      .object({
        low: zeroOrMore,
        high: zeroOrMore,
        hours: positive.describe('run in after so many hours'),
      })
      .optional(),
  })
  .superRefine((b, ctx) => {
    const wrong = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: [path], message });
    if (b.low === undefined && b.high === undefined)
      wrong('low', 'a lowest value, a highest, or both');
    if (b.low !== undefined && b.high !== undefined && b.low >= b.high)
      wrong('low', `a lowest value below the highest, ${b.high}`);
    if (b.nominal !== undefined && (b.nominal < (b.low ?? 0) || b.nominal > (b.high ?? Infinity)))
      wrong('nominal', 'a nominal value inside the band');
    if (b.whenNew && b.whenNew.low >= b.whenNew.high)
      wrong('whenNew', `a lowest value below the highest, ${b.whenNew.high}`);
  });
export type BandLimit = z.infer<typeof BandLimit>;

/**
 * A limit that nobody has entered yet: readings are taken and kept, and prove nothing. `wants` says
 * of which form it will be.
 */
export const OpenLimit = z.object({
  type: z.literal('open'),
  wants: z.enum(['wear', 'elongation', 'band']),
  pitches: z.int().min(1).max(400).optional().describe('pitches measured, of a chain'),
});
export type OpenLimit = z.infer<typeof OpenLimit>;

/** The adjuster of a chain and its travel: what stretch it can still take up. Lengths mm. */
export const TakeUp = z
  .object({
    total: positive,
    reserve: zeroOrMore.describe('travel that must be left to go into harvest, mm'),
    strandsPerTravel: aboveZero(4).describe('k: mm of chain taken in by 1 mm of travel'),
    pitch: positive,
    loopPitches: z.int().min(4).max(1000),
    limitPercent: aboveZero(10).describe('elongation at which the chain is renewed, %'),
    resolution: positive,
  })
  .refine((t) => t.reserve < t.total, {
    path: ['reserve'],
    message: 'a reserve below the whole travel',
  });
export type TakeUp = z.infer<typeof TakeUp>;

const spread = z.number().finite().min(1e-9, 'at least 0.000000001').max(10, 'at most 10');

/**
 * Expected wear fraction per hour in service for this class of component, mean and spread, and of a
 * new one at 0 h.
 */
export const WearRate = z.object({
  perHour: zeroOrMore.max(10, 'at most 10: ten lives an hour'),
  sd: spread,
  atNew: z.number().finite().min(-10).max(10).default(0.02),
  atNewSd: spread.default(0.03),
});
export type WearRate = z.infer<typeof WearRate>;

/**
 * How often, and in which phase of the year: by hours or calendar, whichever comes first, once early
 * for new parts; daily in the season; per crop or header change; once before each harvest; once
 * after it; at storage in and out; once at so many hours of a new machine or part.
 */
export const Interval = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('every'),
      hours: positive.optional(),
      days: z.int().min(1).max(3660).optional(),
      early: positive.optional().describe('first look after a new part, h'),
    })
    .superRefine((i, ctx) => {
      const wrong = (path: string, message: string) =>
        ctx.addIssue({ code: 'custom', path: [path], message });
      if (i.hours === undefined && i.days === undefined)
        wrong('hours', 'an interval in hours, in days, or both');
      if (i.early !== undefined && i.hours !== undefined && i.early >= i.hours)
        wrong('early', `a first look before the usual ${i.hours} h`);
    }),
  z.object({
    kind: z.literal('daily'),
    days: z.int().min(2).max(60).optional().describe('only every so many days of the season'),
  }),
  z.object({ kind: z.literal('perCrop') }),
  z.object({ kind: z.literal('perHeader') }),
  z.object({ kind: z.literal('season'), early: positive.optional() }),
  z.object({ kind: z.literal('afterHarvest') }),
  z.object({ kind: z.literal('storageIn') }),
  z.object({ kind: z.literal('storageOut') }),
  z.object({
    kind: z.literal('once'),
    hours: positive.describe('hours of a new machine or a new part at which it is looked at'),
  }),
]);
export type Interval = z.infer<typeof Interval>;
