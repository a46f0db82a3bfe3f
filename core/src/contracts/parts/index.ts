import { z } from 'zod';
import { Count, Day, Id, LongText, Moment, ShortText } from '../common';
import { PartPrice } from '../costs';

/** Who delivers parts, and how long that takes. */
export const Supplier = z.object({
  name: ShortText,
  leadDays: z
    .int('whole working days')
    .min(0, '0 working days or more')
    .max(250, 'at most 250 working days')
    .describe('working days from the order to the shelf'),
  spreadDays: z
    .number('days in figures')
    .min(0, '0 or more')
    .max(60, 'at most 60 days')
    .default(0)
    .describe('how far that varies, working days (standard deviation)'),
});
export type Supplier = z.infer<typeof Supplier>;

/** All suppliers, as a planner writes them. */
export const SupplierList = z.object({
  suppliers: z
    .array(Supplier)
    .max(500)
    .superRefine((list, ctx) => {
      const seen = new Set<string>();
      list.forEach(({ name }, i) => {
        if (seen.has(name.toLowerCase()))
          ctx.addIssue({
            code: 'custom',
            path: [i, 'name'],
            message: `each once; "${name}" is there twice`,
          });
        seen.add(name.toLowerCase());
      });
    }),
});
export type SupplierList = z.infer<typeof SupplierList>;

/** What a planner or the parts counter says of a part. */
export const PartEntry = PartPrice.extend({
  supplier: ShortText.nullable().default(null).describe('who delivers it; null: not said'),
});
export type PartEntry = z.infer<typeof PartEntry>;

/** A part that some sheet names, with what is known of it. */
export const CatalogPart = PartEntry.extend({
  name: z.string(),
  soldIn: z.int().nullable().describe('sold in boxes of so many; null: one by one'),
  supersededBy: z.string().nullable().describe('the number that is ordered now'),
  needs: z.array(z.object({ number: z.string(), name: z.string(), each: z.int() })),
  heavy: z.string().nullable().describe('the heavy one that may go in its place'),
  models: z.array(z.string()).describe('whose sheets name it'),
});
export type CatalogPart = z.infer<typeof CatalogPart>;

/** How many of a part a branch has. */
export const StockLine = z.object({
  branch: ShortText,
  number: ShortText,
  onHand: z.int('whole parts').min(0, '0 or more').max(1_000_000),
  asOf: Moment,
  source: z.enum(['service', 'count']).describe('the stock service, or counted by a person'),
});
export type StockLine = z.infer<typeof StockLine>;

/** Parts on order. `version` is the one seen when changing an existing order. */
export const PartOrder = z
  .object({
    id: Id,
    branch: ShortText,
    number: ShortText,
    name: ShortText,
    quantity: z.int('whole parts').min(1, '1 or more').max(100_000),
    supplier: ShortText.nullable().default(null),
    placedOn: Day,
    expectedOn: Day,
    arrivedOn: Day.nullable().default(null),
    note: LongText.default(''),
    by: ShortText,
    version: Count.min(1),
  })
  .superRefine((o, ctx) => {
    if (o.expectedOn < o.placedOn)
      ctx.addIssue({
        code: 'custom',
        path: ['expectedOn'],
        message: 'a day on or after it was ordered',
      });
    if (o.arrivedOn !== null && o.arrivedOn < o.placedOn)
      ctx.addIssue({
        code: 'custom',
        path: ['arrivedOn'],
        message: 'a day on or after it was ordered',
      });
  });
export type PartOrder = z.infer<typeof PartOrder>;

/** How a need of a part is met: from the shelf, by an order on its way, or not yet. */
export const MetBy = z.enum(['stock', 'order', 'short']);

/** What may go in the place of a part for one piece of work, and why it would. */
export const Substitute = z.object({
  number: z.string(),
  name: z.string(),
  quantity: z.int().describe('how many are fitted then'),
  because: z.string(),
});

/** So many of a part for one piece of work. */
export const PartNeed = z.object({
  machineId: Id,
  serial: z.string(),
  workId: Id,
  component: z.string(),
  quantity: z.int(),
  visit: z.object({ id: Id, startsOn: Day, technician: z.string() }).nullable(),
  by: Day.describe('when it must be here: the visit, else when the work must start'),
  substitute: Substitute.nullable(),
});
export type PartNeed = z.infer<typeof PartNeed>;

/** A part over all open work of a branch: what is wanted, what is there, what to order by when. */
export const PartDemand = z.object({
  number: z.string(),
  name: z.string(),
  wanted: z.int(),
  onHand: z.int(),
  onOrder: z.int(),
  short: z.int().describe('wanted, and neither there nor on order'),
  toOrder: z.int().describe('what is short, in whole boxes'),
  orderBy: Day.nullable().describe('for the first need that is short; null: nothing is short'),
  earliest: Day.nullable().describe('when it can be here if it is ordered today; null: not known'),
  supplier: z.string().nullable(),
  leadDays: z.int().nullable(),
  price: z.number().nullable(),
  needs: z.array(
    PartNeed.extend({
      met: MetBy,
      on: Day.nullable().describe('when it is here, as far as is known'),
      heldUp: z.boolean().describe('it comes after its visit starts, or nobody knows when'),
      substitute: Substitute.extend({
        free: z.int().describe('of it on the shelf, and wanted by no other work'),
      }).nullable(),
    }),
  ),
});
export type PartDemand = z.infer<typeof PartDemand>;

/** What is changed of parts: only what is named. */
export const PartsChange = z.object({
  parts: z
    .array(
      z.object({
        number: ShortText,
        price: PartPrice.shape.price.optional(),
        supplier: ShortText.nullable().optional(),
      }),
    )
    .min(1)
    .max(10_000),
});
export type PartsChange = z.infer<typeof PartsChange>;

/** All parts and who delivers them. */
export const Catalogue = z.object({
  parts: z.array(CatalogPart),
  suppliers: z.array(Supplier),
  version: Count.min(0).describe('of the list of suppliers'),
  currency: z.string().nullable(),
});
export type Catalogue = z.infer<typeof Catalogue>;

/** The suppliers as they are written, with the version that was seen. */
export const SupplierChange = SupplierList.extend({ version: Count.min(0) });
export type SupplierChange = z.infer<typeof SupplierChange>;

/** What somebody counted on the shelf. */
export const StockCount = z.object({
  counts: z
    .array(z.object({ number: ShortText, onHand: StockLine.shape.onHand }))
    .min(1)
    .max(10_000),
});
export type StockCount = z.infer<typeof StockCount>;

/** The part of some work that its substitute is fitted for. */
export const PartSubstitution = z.object({ number: ShortText });

/** How a branch knows its stock: when the service was asked last, and how that went. */
export const StockState = z.object({
  service: z.string().nullable().describe('its name; null: there is none, people count'),
  simulated: z.boolean(),
  asOf: Moment.nullable(),
  trouble: z.string().nullable().describe('why the last question was not answered'),
});
export type StockState = z.infer<typeof StockState>;

/** Parts of a branch over all its open work. */
export const PartsPage = z.object({
  today: Day,
  branch: z.string(),
  rows: z.array(PartDemand),
  orders: z.array(PartOrder).describe('open, and those that came in the last 30 days'),
  stock: StockState,
  currency: z.string().nullable(),
  behind: z.int().describe('machines whose work is older than their facts'),
});
export type PartsPage = z.infer<typeof PartsPage>;

/** An order as it is placed. */
export const NewOrder = z.object({
  id: Id,
  number: ShortText,
  quantity: PartOrder.shape.quantity,
  expectedOn: Day.optional().describe('by its supplier’s lead time unless said'),
  note: LongText.default(''),
  seen: z
    .int()
    .min(0)
    .optional()
    .describe('how many of it were on order when this was decided: others may order too'),
});
export const NewOrders = z.object({ orders: z.array(NewOrder).min(1).max(200) });
export type NewOrders = z.infer<typeof NewOrders>;

/** What is changed of an order; `version` is the one that was seen. */
export const OrderChange = z.object({
  version: Count.min(1),
  expectedOn: Day.optional(),
  arrivedOn: Day.nullable().optional(),
  quantity: PartOrder.shape.quantity.optional(),
  note: LongText.optional(),
});
export type OrderChange = z.infer<typeof OrderChange>;

/** What the stock service answers. */
export const StockAnswer = z.object({
  service: ShortText,
  simulated: z.boolean().default(false),
  asOf: Moment,
  lines: z.array(z.object({ number: ShortText, onHand: StockLine.shape.onHand })).max(100_000),
});
export type StockAnswer = z.infer<typeof StockAnswer>;
