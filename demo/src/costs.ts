import type {
  BranchCosts,
  Machine,
  MachineCosts,
  PartPrice,
  SpecSheet,
} from '@green-tally/core/contracts';
import { random } from '@green-tally/core/random';

/**
 * What the invented dealership reckons with. Sedge Ford has not said yet: there the shop rule
 * decides.
 */
export const DEMO_COSTS: readonly BranchCosts[] = [
  {
    branch: 'Upper Larkmoor',
    currency: 'crowns',
    labourHour: 92,
    stopHour: 480,
    customers: [{ customer: 'Harrow End', stopHour: 650 }],
    version: 1,
  },
];

/** Prices by what a part is called; the first word that fits. Crowns, all made up. */
const BY_NAME: readonly (readonly [RegExp, number])[] = [
  [/oil|grease/i, 11],
  [/belt/i, 190],
  [/chain/i, 360],
  [/sprocket/i, 84],
  [/rasp|concave|insert/i, 240],
  [/knife|section|blade/i, 14],
  [/bearing/i, 46],
  [/filter/i, 58],
];
const USUAL = 75;

/** A price for every part of the sheets but the last, which nobody has asked for yet. */
export function pricesOf(sheets: readonly SpecSheet[]): readonly PartPrice[] {
  const names = new Map(
    sheets.flatMap((s) => s.checks.flatMap((c) => c.parts.map((p) => [p.number, p.name] as const))),
  );
  const dice = random(77);
  const parts = [...names].sort(([a], [b]) => (a < b ? -1 : 1));
  return parts.map(([number, name], i) => {
    const about = BY_NAME.find(([word]) => word.test(name))?.[1] ?? USUAL;
    const price = Math.round(about * (0.7 + 0.6 * dice.next()));
    return { number, price: i === parts.length - 1 ? null : price };
  });
}

/** The money that bears on one machine of the demo. */
export function costsOf(
  { branch, customer }: Machine,
  sheets: readonly SpecSheet[],
): MachineCosts | null {
  const costs = DEMO_COSTS.find((c) => c.branch === branch);
  if (!costs) return null;
  const own = costs.customers.find((c) => c.customer === customer);
  return {
    currency: costs.currency,
    labourHour: costs.labourHour,
    stopHour: own?.stopHour ?? costs.stopHour,
    ownStopHour: own !== undefined,
    prices: Object.fromEntries(
      pricesOf(sheets).flatMap(({ number, price }) => (price === null ? [] : [[number, price]])),
    ),
  };
}
