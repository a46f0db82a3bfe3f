import { z } from 'zod';
import { Count, ShortText } from './common';

const money = z
  .number('an amount in figures, 0 or more')
  .finite()
  .nonnegative('an amount of 0 or more')
  .max(10_000_000, 'an amount below 10 million');

/** Refuses a list that names something twice, at the second of them. */
const onceEach =
  <F extends string>(field: F) =>
  (list: readonly Readonly<Record<F, string>>[], ctx: z.RefinementCtx): void => {
    const seen = new Set<string>();
    list.forEach((item, i) => {
      if (seen.has(item[field]))
        ctx.addIssue({
          code: 'custom',
          path: [i, field],
          message: `each once; "${item[field]}" is there twice`,
        });
      seen.add(item[field]);
    });
  };

/**
 * What standing still and working cost at one branch. A customer may have a stop hour of its own.
 * Money of the branch, an hour.
 */
export const BranchCosts = z.object({
  branch: ShortText,
  currency: z.string().trim().min(1, 'what amounts are in').max(12, 'a word of at most 12 letters'),
  labourHour: money.describe('an hour of a technician'),
  stopHour: money.describe('an hour of a combine standing still in harvest'),
  customers: z
    .array(z.object({ customer: ShortText, stopHour: money }))
    .max(2000)
    .default([])
    .superRefine(onceEach('customer')),
  version: Count.min(0).describe('the one seen when changing; 0 where none was set'),
});
export type BranchCosts = z.infer<typeof BranchCosts>;

/** A part of the sheets and what one of it costs; null where nobody has said. */
export const PartPrice = z.object({ number: ShortText, price: money.nullable() });
export type PartPrice = z.infer<typeof PartPrice>;

export const PriceList = z.object({
  prices: z.array(PartPrice).min(1).max(10_000).superRefine(onceEach('number')),
});

export type PriceList = z.infer<typeof PriceList>;

/** All about money at a branch: what is set, and what could be. */
export const CostsPage = z.object({
  branch: z.string(),
  costs: BranchCosts.nullable(),
  customers: z.array(z.string()).describe('customers with machines at the branch'),
  parts: z.array(PartPrice.extend({ name: z.string() })).describe('every part the sheets name'),
});
export type CostsPage = z.infer<typeof CostsPage>;

/** The money that bears on one machine. */
export const MachineCosts = z.object({
  currency: z.string(),
  labourHour: money,
  stopHour: money.describe("its customer's own, else the branch's"),
  ownStopHour: z.boolean(),
  prices: z.record(z.string(), money).describe('by part number, of the parts of its sheets'),
});
export type MachineCosts = z.infer<typeof MachineCosts>;

/**
 * How fast the members of a component class have worn so far, by the lives seen over the fleet; of
 * the way to the limit an hour, mean and spread.
 */
export const ClassRate = z.object({
  perHour: z.number().finite(),
  sd: z.number().finite().positive(),
  lives: z.int().min(1),
  of: z.enum(['branch', 'everywhere']),
});
export type ClassRate = z.infer<typeof ClassRate>;

/** In how many looks at a component class over the fleet somebody had to put a hand to it. */
export const ClassHands = z
  .object({ looks: z.int().min(0), hands: z.int().min(0) })
  .refine((c) => c.hands <= c.looks, { path: ['hands'], message: 'no more than there were looks' });
export type ClassHands = z.infer<typeof ClassHands>;
