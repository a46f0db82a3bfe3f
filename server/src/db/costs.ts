import type { Transaction } from 'sequelize';
import type { BranchCosts, Machine, MachineCosts, SpecSheet } from '@green-tally/core/contracts';
import { catalogueOf } from '@green-tally/core/parts';
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
  const prices = new Map(priced.flatMap((p) => (p.price === null ? [] : [[p.number, p.price]])));
  return ({ branch, customer }, sheets) => {
    const costs = branches.get(branch);
    if (!costs) return null;
    const own = costs.customers.find((c) => c.customer === customer);
    const numbers = catalogueOf(sheets).map((p) => p.number);
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
