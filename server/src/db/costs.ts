import type { Transaction } from 'sequelize';
import type { BranchCosts, Machine, MachineCosts, SpecSheet } from '@green-tally/core/contracts';
import { CostsRow, PriceRow } from './models';
import { within } from './within';

/** A branch's costs as the contract knows them. */
export const toCosts = (row: CostsRow): BranchCosts => ({
  branch: row.branch,
  currency: row.currency,
  labourHour: row.labourHour,
  stopHour: row.stopHour,
  customers: row.customers,
  version: row.version,
});

/** What bears on a machine in money: its branch's costs, its customer's stop hour, its parts. */
export type CostsOf = (
  machine: Pick<Machine, 'branch' | 'customer'>,
  sheets: readonly SpecSheet[],
) => MachineCosts | null;

/** All costs and prices, to be asked machine by machine. */
export async function costsInUse(transaction?: Transaction): Promise<CostsOf> {
  const [rows, priced] = await Promise.all([
    CostsRow.findAll(within(transaction)),
    PriceRow.findAll(within(transaction)),
  ]);
  const branches = new Map(rows.map((r) => [r.branch, toCosts(r)]));
  const prices = new Map(priced.map((p) => [p.number, p.price]));
  return ({ branch, customer }, sheets) => {
    const costs = branches.get(branch);
    if (!costs) return null;
    const own = costs.customers.find((c) => c.customer === customer);
    const numbers = sheets.flatMap((s) => partNumbers(s));
    return {
      currency: costs.currency,
      labourHour: costs.labourHour,
      stopHour: own?.stopHour ?? costs.stopHour,
      ownStopHour: own !== undefined,
      prices: Object.fromEntries(
        numbers.flatMap((n) => {
          const price = prices.get(n);
          return price === undefined ? [] : [[n, price]];
        }),
      ),
    };
  };
}

/** Numbers of all parts a sheet names, each once. */
const partNumbers = (sheet: SpecSheet): readonly string[] => [
  ...new Set(sheet.checks.flatMap((c) => c.parts.map((p) => p.number))),
];
