import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from './connection';

/** The channel on which every process hears what has changed. */
export const CHANGES = 'green_tally_changes';

/**
 * What has changed: of one machine its facts or what is derived of them; of very many at once only
 * that it did; the plan of a branch or how likely its machines are ready; a search for a plan.
 */
export interface Change {
  readonly what: 'facts' | 'standing' | 'many' | 'board' | 'search';
  readonly id: string | null;
  readonly branch: string | null;
  readonly version: number;
}

/** Which machines a write bears on. */
export type Touched =
  | { readonly ids: readonly string[] }
  | { readonly model: string }
  | { readonly branch: string }
  | 'all';

/** From so many machines on a change is told as one. */
const TOLD_SINGLY = 20;

/**
 * Locks machines until the transaction ends, always in one order, so that two who lock some of the
 * same never wait for each other. Take it before what is decided by their facts is read.
 */
export async function lockMachines(
  db: Database,
  ids: readonly string[],
  transaction: Transaction,
): Promise<void> {
  await db.sequelize.query('SELECT id FROM machines WHERE id = ANY($1) ORDER BY id FOR UPDATE', {
    bind: [[...new Set(ids)]],
    type: QueryTypes.SELECT,
    transaction,
  });
}

/**
 * Moves the versions of machines on, inside the transaction that writes their facts or what they
 * are judged by: the last thing it does. Each is judged anew by a job that is put in here, and
 * whoever listens hears of it once the transaction is there.
 * @param dropped ids of visits that the write takes away
 */
export async function machinesChanged(
  db: Database,
  touched: Touched,
  transaction: Transaction,
  dropped: readonly string[] = [],
): Promise<void> {
  const [where, value] = whereOf(touched);
  const moved = await db.sequelize.query<{ id: string; version: number; branch: string }>(
    `WITH locked AS (SELECT id FROM machines WHERE ${where} ORDER BY id FOR UPDATE),
     moved AS (UPDATE machines m SET version = version + 1 FROM locked WHERE m.id = locked.id
       RETURNING m.id, m.version, m.branch),
     written AS (INSERT INTO machine_writes (machine_id, version, dropped)
       SELECT id, version, $2::jsonb FROM moved)
     SELECT * FROM moved`,
    { bind: [value, JSON.stringify(dropped)], type: QueryTypes.SELECT, transaction },
  );
  await db.queue.add(
    'judge',
    moved.map(({ id }) => ({ key: id, data: { machine: id } })),
    transaction,
  );
  const told: Change[] =
    moved.length < TOLD_SINGLY
      ? moved.map((m) => ({ what: 'facts', ...m }))
      : [{ what: 'many', id: null, branch: null, version: 0 }];
  for (const change of told) await tell(db, change, transaction);
}

function whereOf(touched: Touched): [string, unknown] {
  if (touched === 'all') return ['$1::text IS NOT NULL', 'all'];
  if ('ids' in touched) return ['id = ANY($1)', [...new Set(touched.ids)]];
  if ('branch' in touched) return ['branch = $1', touched.branch];
  return [`(model = $1 OR header->>'model' = $1)`, touched.model];
}

/** Tells every process, once the transaction is there. */
export async function tell(db: Database, change: Change, transaction?: Transaction): Promise<void> {
  await db.sequelize.query('SELECT pg_notify($1, $2)', {
    bind: [CHANGES, JSON.stringify(change)],
    type: QueryTypes.SELECT,
    ...(transaction ? { transaction } : {}),
  });
}

/**
 * Something that bears on a branch's plan is another: visits, harvests, who works when, what has come.
 * How likely its machines are ready is worked out anew, and whoever looks at the board hears of it.
 */
export async function planMoved(
  db: Database,
  branch: string | 'all',
  transaction: Transaction,
): Promise<void> {
  const branches =
    branch === 'all'
      ? (
          await db.sequelize.query<{ name: string }>('SELECT name FROM branches', {
            type: QueryTypes.SELECT,
            transaction,
          })
        ).map((b) => b.name)
      : [branch];
  await db.queue.add(
    'chances',
    branches.map((of) => ({ key: of, data: { branch: of } })),
    transaction,
  );
  for (const of of branches)
    await tell(db, { what: 'board', id: null, branch: of, version: 0 }, transaction);
}
