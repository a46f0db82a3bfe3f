import { Op, type Transaction } from 'sequelize';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { subDays } from 'date-fns/subDays';
import type { NewOrders, OrderChange, PartOrder, Person } from '@green-tally/core/contracts';
import { workingDayFrom, workingDaysAfter } from '@green-tally/core/plan';
import { inBranch } from '@green-tally/core/rights';
import { holdLock, OrderRow, planMoved, type Database } from '../db';
import { Conflict, Forbidden, invalidField, NotFound } from '../errors';
import { partsKnown, suppliersKnown } from './catalogue';
import { askStock, bookIn, countIn } from './stock';

/** Who changes orders, when, and who counts the shelves. */
export interface Counter {
  readonly db: Database;
  readonly person: Person;
  readonly today: string;
  readonly now: Date;
  /** address of the stock service */
  readonly stock: string | undefined;
}

export const toOrder = (row: OrderRow): PartOrder => ({
  id: row.id,
  branch: row.branch,
  number: row.number,
  name: row.name,
  quantity: row.quantity,
  supplier: row.supplier ?? null,
  placedOn: row.placedOn,
  expectedOn: row.expectedOn,
  arrivedOn: row.arrivedOn ?? null,
  note: row.note,
  by: row.by,
  version: row.version,
});

/** Orders that came so many days ago are still shown. */
const LATELY = 30;

/** Orders of a branch that are open, and those that came lately; what is expected first at the head. */
export async function ordersOf(branch: string, today: string): Promise<PartOrder[]> {
  const since = formatISO(subDays(parseISO(today), LATELY), { representation: 'date' });
  const rows = await OrderRow.findAll({
    where: { branch, arrivedOn: { [Op.or]: [{ [Op.is]: null }, { [Op.gte]: since }] } },
    order: ['expectedOn', 'number', 'id'],
  });
  return rows.map(toOrder);
}

/**
 * Places orders, all or none; one that is there already is left as it is. When it is expected follows
 * from its supplier's lead time unless it is said.
 * @throws Invalid for a part no sheet names, or where nobody knows when it comes
 */
export async function placeOrders(
  { db, person, today }: Counter,
  { orders }: NewOrders,
): Promise<PartOrder[]> {
  const known = new Map((await partsKnown()).map((p) => [p.number, p]));
  const suppliers = new Map((await suppliersKnown()).map((s) => [s.name, s]));
  const rows = orders.map(({ expectedOn, ...order }, i) => {
    const part = known.get(order.number);
    if (!part)
      throw invalidField(
        `orders.${i}.number`,
        `No spec sheet names a part ${order.number}.`,
        'a part number of a sheet',
      );
    const supplier = suppliers.get(part.supplier ?? '');
    const comes =
      expectedOn ?? (supplier && workingDaysAfter(workingDayFrom(today), supplier.leadDays));
    if (!comes)
      throw invalidField(
        `orders.${i}.expectedOn`,
        `Nobody has said who delivers ${order.number}, so it is not known when it comes.`,
        'a day, or a supplier for this part',
      );
    if (comes < today)
      throw invalidField(`orders.${i}.expectedOn`, `${comes} is past.`, 'today or a later day');
    return {
      ...order,
      branch: person.branch,
      name: part.name,
      supplier: supplier?.name ?? null,
      placedOn: today,
      expectedOn: comes,
      arrivedOn: null,
      by: person.name,
      version: 1,
    };
  });
  await db.transaction(async (transaction) => {
    await holdLock(db.sequelize, 'orders', transaction, person.branch);
    await refuseTwice(orders, person.branch, transaction);
    await OrderRow.bulkCreate(
      rows.map(({ seen: _, ...row }) => row),
      { transaction, ignoreDuplicates: true },
    );
    await planMoved(db, person.branch, transaction);
  });
  const kept = await OrderRow.findAll({ where: { id: orders.map((o) => o.id) } });
  return kept.map(toOrder);
}

/**
 * Changes an order: another day, another number, come or not come after all. What comes is booked in
 * once, however often it is said.
 * @throws NotFound, Forbidden, Invalid; Conflict when somebody else has changed it since
 */
export async function changeOrder(
  counter: Counter,
  id: string,
  { version, ...change }: OrderChange,
): Promise<PartOrder> {
  const { db, today, now, stock } = counter;
  const { came, after } = await db.transaction(async (transaction) => {
    const row = await theOrder(counter, id, transaction);
    if (row.version !== version) throw changedMeanwhile();
    const before = toOrder(row);
    const next = { ...before, ...change };
    if (next.expectedOn < before.placedOn)
      throw invalidField('expectedOn', 'It was ordered later.', `${before.placedOn} or later`);
    if (next.arrivedOn && (next.arrivedOn > today || next.arrivedOn < before.placedOn))
      throw invalidField(
        'arrivedOn',
        `${next.arrivedOn} is not between the order and today.`,
        `a day from ${before.placedOn} to ${today}`,
      );
    await row.update({ ...change, version: version + 1 }, { transaction });
    const after = toOrder(row);
    const came = cameOf(after) - cameOf(before);
    if (came !== 0 && stock) await bookIn(stock, whereOf(after, came));
    else if (came !== 0) await countIn(db, whereOf(after, came), now, transaction);
    await planMoved(db, after.branch, transaction);
    return { came, after };
  });
  if (came !== 0) await askStock(db, stock);
  return after;
}

/**
 * Two who order what is short at the same moment would order it twice: the second is told.
 * @throws Conflict naming the part, and who was faster
 */
async function refuseTwice(
  orders: NewOrders['orders'],
  branch: string,
  transaction: Transaction,
): Promise<void> {
  const ids = orders.map((o) => o.id);
  const sent = await OrderRow.count({ where: { id: ids }, transaction });
  // sent once more: it was placed already
  if (sent === ids.length) return;
  for (const [i, { number, seen }] of orders.entries()) {
    if (seen === undefined) continue;
    const open = await OrderRow.findAll({
      where: { branch, number, arrivedOn: null, id: { [Op.notIn]: ids } },
      order: [['placedOn', 'DESC']],
      transaction,
    });
    const now = open.reduce((sum, o) => sum + o.quantity, 0);
    if (now === seen) continue;
    throw new Conflict(
      'Ordered meanwhile',
      `${now} of ${number} are on order now, not ${seen}: ${open.map((o) => o.by).join(', ') || 'an order has come or was taken back'}. Look at what is short as it is now.`,
      [{ field: `orders.${i}.seen`, message: `wanted ${now}` }],
    );
  }
}

const cameOf = (o: PartOrder): number => (o.arrivedOn === null ? 0 : o.quantity);

const whereOf = ({ branch, number }: PartOrder, quantity: number) => ({
  ...{ branch, number, quantity },
});

/** Takes an order back that has not come. */
export async function cancelOrder(counter: Counter, id: string): Promise<void> {
  await counter.db.transaction(async (transaction) => {
    const row = await theOrder(counter, id, transaction);
    if (row.arrivedOn)
      throw new Conflict('It has come', 'What has come is not cancelled. Book it out instead.');
    await row.destroy({ transaction });
    await planMoved(counter.db, row.branch, transaction);
  });
}

async function theOrder(
  { person }: Counter,
  id: string,
  transaction: NonNullable<Parameters<typeof OrderRow.findByPk>[1]>['transaction'],
): Promise<OrderRow> {
  const row = await OrderRow.findByPk(id, {
    ...(transaction ? { transaction, lock: true } : {}),
  });
  if (!row) throw new NotFound('order');
  if (!inBranch(person, row.branch))
    throw new Forbidden('Another branch', `You work for ${person.branch}.`);
  return row;
}

const changedMeanwhile = () =>
  new Conflict(
    'Changed meanwhile',
    'Somebody else has changed this order since you opened it. Look at it as it is now.',
    [{ field: 'version', message: 'wanted the one that is there now' }],
  );
