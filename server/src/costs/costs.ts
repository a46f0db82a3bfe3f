import { UniqueConstraintError } from 'sequelize';
import type { BranchCosts, CostsPage, Person, PriceList } from '@green-tally/core/contracts';
import { catalogueOf } from '@green-tally/core/parts';
import { inBranch } from '@green-tally/core/rights';
import {
  BranchRow,
  CostsRow,
  currentSheets,
  MachineRow,
  machinesChanged,
  PriceRow,
  toCosts,
  type Database,
} from '../db';
import { Conflict, Forbidden, invalidField, NotFound } from '../errors';

/** What is set at a branch, and what could be: its customers and every part the sheets name. */
export async function costsPage(branch: string): Promise<CostsPage> {
  const [row, machines, sheets, prices] = await Promise.all([
    CostsRow.findByPk(branch),
    MachineRow.findAll({ where: { branch }, attributes: ['customer'] }),
    currentSheets(),
    PriceRow.findAll(),
  ]);
  const priced = new Map(prices.map((p) => [p.number, p.price]));
  return {
    branch,
    costs: row && toCosts(row),
    customers: [...new Set(machines.map((m) => m.customer))].sort(),
    parts: catalogueOf(sheets)
      .map(({ number, name }) => ({ number, name, price: priced.get(number) ?? null }))
      .sort((a, b) => a.number.localeCompare(b.number)),
  };
}

/**
 * Sets a branch's costs. @throws Forbidden for another branch; NotFound for one that is not there;
 * Conflict when somebody else has set them since
 */
export async function keepCosts(
  db: Database,
  costs: BranchCosts,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<BranchCosts> {
  if (!inBranch(person, costs.branch))
    throw new Forbidden('Another branch', `You work for ${person.branch}.`);
  if (!(await BranchRow.findOne({ where: { name: costs.branch } }))) throw new NotFound('branch');
  const next = { ...costs, version: costs.version + 1, by: person.name, at: now };
  return db.transaction(async (transaction) => {
    if (costs.version === 0) {
      try {
        await CostsRow.create(next, { transaction });
      } catch (error) {
        if (error instanceof UniqueConstraintError) throw setMeanwhile();
        throw error;
      }
    } else {
      const [changed] = await CostsRow.update(next, {
        where: { branch: costs.branch, version: costs.version },
        transaction,
      });
      if (!changed) throw setMeanwhile();
    }
    await machinesChanged(db, { branch: costs.branch }, transaction);
    return { ...costs, version: next.version };
  });
}

const setMeanwhile = () =>
  new Conflict(
    'Set meanwhile',
    'Somebody else has set these costs since you opened them. Load them again and look.',
    [{ field: 'version', message: 'wanted the one that is there now' }],
  );

/** Sets prices, all or none; null takes one away. @throws Invalid for a part no sheet names */
export async function keepPrices(
  db: Database,
  { prices }: PriceList,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<PriceList> {
  const known = new Set(catalogueOf(await currentSheets()).map((p) => p.number));
  prices.forEach(({ number }, i) => {
    if (!known.has(number))
      throw invalidField(
        `prices.${i}.number`,
        `No spec sheet names a part ${number}.`,
        'a part number of a sheet',
      );
  });
  await db.transaction(async (transaction) => {
    const set = prices.map(({ number, price }) => ({ number, price, by: person.name, at: now }));
    await PriceRow.bulkCreate(set, { transaction, updateOnDuplicate: ['price', 'by', 'at'] });
    await machinesChanged(db, 'all', transaction);
  });
  return { prices };
}
