import { QueryTypes } from 'sequelize';
import type { PartDemand, PartNeed, PartsPage, WorkLine } from '@green-tally/core/contracts';
import { demandOf } from '@green-tally/core/parts';
import { StockRow } from '../db';
import { besidesOf, freshen, type Looking } from '../standings/fresh';
import { currencyOf, partsKnown, suppliersKnown } from './catalogue';
import { ordersOf } from './orders';
import { stockState } from './stock';

/** Work that is accepted and not worked on yet, with its machine and when it must be ready. */
interface Waiting {
  readonly id: string;
  readonly serial: string;
  readonly by: string;
  readonly line: WorkLine;
}

/** What the open work of a branch wants of its parts, net of shelf and orders. */
export async function partsPage(
  looking: Looking & { readonly branch: string },
): Promise<PartsPage> {
  const { db, branch, today } = looking;
  const now = await freshen(looking);
  const [orders, stock, { behind }, currency] = await Promise.all([
    ordersOf(branch, today),
    stockState(db, branch),
    besidesOf(db, branch, now),
    currencyOf(branch),
  ]);
  return {
    today,
    branch,
    rows: await demandNow(looking),
    orders,
    stock,
    currency,
    behind,
  };
}

/** The demand of a branch by part, the one to be ordered first at the head. */
export async function demandNow({
  db,
  branch,
  today,
}: Looking & { readonly branch: string }): Promise<PartDemand[]> {
  const waiting = await db.sequelize.query<Waiting>(
    `SELECT m.id, m.serial, w.line,
       coalesce(w.line->'item'->'visit'->>'startsOn', s.must_start::text, m.harvest->>'start') AS by
     FROM work_lines w JOIN machines m ON m.id = w.machine_id JOIN machine_standings s ON s.machine_id = m.id
     WHERE m.branch = $1 AND w.state = 'accepted' AND jsonb_array_length(w.line->'work'->'parts') > 0
       AND NOT (w.line->'item'->>'asksReading')::boolean`,
    { bind: [branch], type: QueryTypes.SELECT },
  );
  const [catalogue, suppliers, stock, orders] = await Promise.all([
    partsKnown(),
    suppliersKnown(),
    StockRow.findAll({ where: { branch } }),
    ordersOf(branch, today),
  ]);
  return demandOf({ today, needs: waiting.flatMap(needsOf), stock, orders, catalogue, suppliers });
}

const needsOf = ({
  id,
  serial,
  by,
  line,
}: Waiting): (PartNeed & { number: string; name: string })[] =>
  line.work.parts.map(({ number, name, quantity, heavy }) => ({
    machineId: id,
    serial,
    workId: line.item?.id ?? '',
    component: line.component,
    number,
    name,
    quantity,
    visit: line.item?.visit ?? null,
    by,
    substitute: heavy
      ? {
          ...{ number: heavy.number, name: heavy.name, because: heavy.because },
          quantity: heavy.together ?? quantity,
        }
      : null,
  }));
