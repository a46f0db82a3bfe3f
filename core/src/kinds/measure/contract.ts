import { z } from 'zod';
import { aboveZero } from '../../contracts/common';
import { checkBase, TAKE_UP_ENTERED, takeUpToEnter } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import {
  BandLimit,
  CheckUnit,
  ElongationLimit,
  OpenLimit,
  Quantity,
  QUANTITY_UNITS,
  TakeUp,
  WearLimit,
  WearRate,
} from '../../contracts/limits';

/** Nothing measured on a combine is more than a million of its unit. */
const MOST = 1_000_000;

export const measured = {
  quantity: Quantity.default('length'),
  limit: z.discriminatedUnion('type', [WearLimit, ElongationLimit, BandLimit, OpenLimit]),
  unit: CheckUnit.default('mm'),
  style: z
    .enum(['mm', 'inFraction', 'inThou', 'plain'])
    .default('mm')
    .describe('how lengths are written; plain: in the unit, for what is no length'),
  repeats: z.int().min(1).max(5).default(1),
  wearRate: WearRate.optional(),
  drift: z
    .object({
      perHour: z
        .number()
        .finite()
        .min(-MOST)
        .max(MOST)
        .refine((d) => d !== 0, 'a drift that is not 0: below 0 where it falls'),
      sd: z.number().finite().min(1e-9, 'at least 0.000000001').max(MOST),
    })
    .optional()
    .describe('how fast a setting leaves its band, in the unit of the quantity, signed'),
  takeUp: TakeUp.optional(),
  takeUpToEnter,
  maxDifference: aboveZero(MOST)
    .optional()
    .describe('most that any two places may differ, in the unit of the quantity'),
  newTolerance: z
    .number()
    .finite()
    .nonnegative()
    .max(MOST)
    .optional()
    .describe('by how much a new part may be better than the book'),
  plausible: z
    .object({ low: z.number().finite().optional(), high: z.number().finite().optional() })
    .optional()
    .describe('what can be read at all; outside it a reading is challenged'),
  lookAlone: z.boolean().default(false).describe('offers "looks fine", which never passes'),
};
interface Drifting {
  limit: { type: string; low?: number | undefined; high?: number | undefined };
  drift?: { perHour: number } | undefined;
}

function driftTrouble({ limit, drift }: Drifting): string | undefined {
  if (!drift) return undefined;
  if (limit.type !== 'band')
    return 'none: what wears has a wear rate, only a band is left by drifting';
  if (drift.perHour < 0 && limit.low === undefined) return 'a lowest value that it drifts to';
  if (drift.perHour > 0 && limit.high === undefined) return 'a highest value that it drifts to';
  return undefined;
}

/** An adjuster whose travel is entered is not to be entered. */
const enteredTwice = (c: { takeUp?: unknown; takeUpToEnter?: unknown }): string | undefined =>
  c.takeUp && c.takeUpToEnter ? TAKE_UP_ENTERED : undefined;

/** Refuses unit, style and limit that do not belong together. */
export const agreeing = <
  T extends z.ZodType<{
    quantity: Quantity;
    unit: string;
    style: string;
    limit: { type: string; low?: number | undefined; high?: number | undefined };
    takeUp?: unknown;
    takeUpToEnter?: unknown;
    wearRate?: unknown;
    drift?: { perHour: number } | undefined;
    plausible?: { low?: number | undefined; high?: number | undefined } | undefined;
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
    if ((c.plausible?.low ?? -Infinity) >= (c.plausible?.high ?? Infinity))
      wrong('plausible', 'a lowest plausible value below the highest');
    if (c.limit.type === 'band' && c.wearRate !== undefined)
      wrong('wearRate', 'none: a band is set, it does not wear');
    const drift = driftTrouble(c);
    if (drift) wrong('drift', drift);
    const twice = enteredTwice(c);
    if (twice) wrong('takeUpToEnter', twice);
  });

export const MeasureCheck = agreeing(
  z.object({
    ...checkBase,
    ...measured,
    ...varying({ limit: measured.limit.optional() }),
    kind: z.literal('measure'),
  }),
);
export type MeasureCheck = z.infer<typeof MeasureCheck>;

/**
 * One measure, once or several times over, in the core's own unit; `typed` keeps what the person
 * wrote.
 */
export const MeasureValue = z.object({
  kind: z.literal('measure'),
  values: z.array(z.number().finite().nonnegative().max(1_000_000)).min(1).max(10),
  typed: z.array(z.string().max(40)).max(10).default([]),
  unit: z.string().max(8).default('mm'),
});
