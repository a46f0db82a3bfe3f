import type { PartEntry, PartOrder, SpecSheet, Supplier } from '@green-tally/core/contracts';
import { catalogueOf } from '@green-tally/core/parts';
import { random } from '@green-tally/core/random';
import { demoId } from './ids';

/** Who delivers to the invented dealership. */
export const DEMO_SUPPLIERS: readonly Supplier[] = [
  { name: 'Larkmoor depot', leadDays: 1, spreadDays: 0.3 },
  { name: 'Tolvane parts', leadDays: 4, spreadDays: 1 },
  { name: 'Brackenfell parts', leadDays: 8, spreadDays: 2.5 },
];

/** Who delivers a part, by what it is; the first word that fits. */
const BY_NAME: readonly (readonly [RegExp, string])[] = [
  [/oil|grease|filter|bolt|nut|seal/i, 'Larkmoor depot'],
  [/chain|sprocket|slat/i, 'Brackenfell parts'],
];
const USUAL = 'Tolvane parts';

/** Suppliers of all parts, beside their prices. The last part nobody has asked about yet. */
export function partsOf(
  sheets: readonly SpecSheet[],
  prices: readonly { readonly number: string; readonly price: number | null }[],
): PartEntry[] {
  const priced = new Map(prices.map((p) => [p.number, p.price]));
  const dice = random(78);
  const catalogue = catalogueOf(sheets);
  return catalogue.map(({ number, name }, i) => ({
    number,
    price: priced.get(number) ?? (priced.has(number) ? null : Math.round(20 + 60 * dice.next())),
    supplier:
      i === catalogue.length - 1 ? null : (BY_NAME.find(([word]) => word.test(name))?.[1] ?? USUAL),
  }));
}

/** What lies on the shelves of each branch: a few of most, none of some. */
export function stockOf(
  sheets: readonly SpecSheet[],
  branches: readonly string[],
): Record<string, Record<string, number>> {
  return Object.fromEntries(
    branches.map((branch, b) => {
      const dice = random(500 + b);
      return [
        branch,
        Object.fromEntries(
          catalogueOf(sheets).map(({ number }) => [
            number,
            dice.next() < 0.45 ? 0 : Math.floor(1 + 4 * dice.next()),
          ]),
        ),
      ];
    }),
  );
}

/** Some parts are on order already: one on its way, one that should have come. */
export function ordersOf(sheets: readonly SpecSheet[]): PartOrder[] {
  const catalogue = catalogueOf(sheets);
  const order = (
    word: RegExp,
    quantity: number,
    [placedOn, expectedOn]: readonly [string, string],
  ): PartOrder[] => {
    const part = catalogue.find((p) => word.test(p.name) && !p.supersededBy);
    return part
      ? [
          {
            id: demoId(`order ${part.number}`),
            branch: 'Upper Larkmoor',
            number: part.number,
            name: part.name,
            quantity,
            supplier: BY_NAME.find(([w]) => w.test(part.name))?.[1] ?? USUAL,
            placedOn,
            expectedOn,
            arrivedOn: null,
            note: '',
            by: 'Rhea Aldane',
            version: 1,
          },
        ]
      : [];
  };
  return [
    ...order(/fan drive belt/i, 2, ['2026-06-04', '2026-06-11']),
    ...order(/gathering chain/i, 1, ['2026-05-22', '2026-06-03']),
  ];
}
