import { QueryTypes, type Transaction } from 'sequelize';
import { StockAnswer, type StockCount, type StockState } from '@green-tally/core/contracts/parts';
import { BranchRow, planMoved, StockRow, within, type Database } from '../db';
import { Conflict, invalidField } from '../errors';
import { partsKnown } from './catalogue';

/** The stock service is given so long to answer, ms, and so much to say, bytes. */
const PATIENCE = 8000;
const MOST_BYTES = 8 * 1024 * 1024;

/**
 * Asks the stock service how many of each part every branch has, and keeps what it says: all of a
 * branch or nothing. What it does not name it has none of. What a person counted later stays.
 * @returns branches that were answered for
 */
export async function askStock(db: Database, service: string | undefined): Promise<number> {
  if (!service) return 0;
  let answered = 0;
  for (const { name } of await BranchRow.findAll({ order: ['name'] })) {
    try {
      await keepAnswer(db, name, await ask(service, name));
      answered += 1;
    } catch (error) {
      await noteTrouble(db, name, error instanceof Error ? error.message : String(error));
    }
  }
  return answered;
}

async function ask(service: string, branch: string): Promise<StockAnswer> {
  const url = new URL('/stock', service);
  url.searchParams.set('branch', branch);
  const response = await fetch(url, { signal: AbortSignal.timeout(PATIENCE) });
  if (!response.ok) throw new Error(`The stock service answered ${response.status}.`);
  const text = await response.text();
  if (text.length > MOST_BYTES) throw new Error('The stock service said more than can be.');
  const read = StockAnswer.safeParse(parsed(text));
  if (!read.success)
    throw new Error(
      `The stock service said something that cannot be: ${read.error.issues[0]?.path.join('.') ?? ''}.`,
    );
  return read.data;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Error('The stock service did not answer in JSON.');
  }
}

function keepAnswer(db: Database, branch: string, answer: StockAnswer): Promise<void> {
  const lines = [...new Map(answer.lines.map((l) => [l.number, l.onHand]))];
  return db.transaction(async (transaction) => {
    await db.sequelize.query(
      `INSERT INTO stock AS s (branch, number, on_hand, as_of, source)
       SELECT $1, x.number, x.on_hand, $3, 'service' FROM jsonb_to_recordset($2) AS x (number text, on_hand int)
       ON CONFLICT (branch, number) DO UPDATE SET on_hand = excluded.on_hand, as_of = excluded.as_of, source = 'service'
       WHERE s.source = 'service' OR s.as_of < excluded.as_of`,
      {
        bind: [
          branch,
          JSON.stringify(lines.map(([number, onHand]) => ({ number, on_hand: onHand }))),
          answer.asOf,
        ],
        transaction,
      },
    );
    await db.sequelize.query(
      "DELETE FROM stock WHERE branch = $1 AND source = 'service' AND as_of < $2",
      { bind: [branch, answer.asOf], transaction },
    );
    await db.sequelize.query(
      `INSERT INTO stock_asked (branch, service, simulated, as_of, trouble) VALUES ($1, $2, $3, $4, NULL)
       ON CONFLICT (branch) DO UPDATE SET service = $2, simulated = $3, as_of = $4, trouble = NULL`,
      { bind: [branch, answer.service, answer.simulated, answer.asOf], transaction },
    );
    await planMoved(db, branch, transaction);
  });
}

const noteTrouble = (db: Database, branch: string, trouble: string): Promise<unknown> =>
  db.sequelize.query(
    `INSERT INTO stock_asked (branch, simulated, trouble) VALUES ($1, false, $2)
     ON CONFLICT (branch) DO UPDATE SET trouble = $2`,
    { bind: [branch, trouble.slice(0, 300)] },
  );

/** How a branch knows its stock. */
export async function stockState(db: Database, branch: string): Promise<StockState> {
  const [row] = await db.sequelize.query<{
    service: string | null;
    simulated: boolean;
    as_of: Date | null;
    trouble: string | null;
  }>('SELECT service, simulated, as_of, trouble FROM stock_asked WHERE branch = $1', {
    bind: [branch],
    type: QueryTypes.SELECT,
  });
  return {
    service: row?.service ?? null,
    simulated: row?.simulated ?? false,
    asOf: row?.as_of?.toISOString() ?? null,
    trouble: row?.trouble ?? null,
  };
}

/** Keeps what somebody counted on a branch's shelf. @throws Invalid for a part no sheet names */
export async function keepCount(
  { db, branch, now }: { readonly db: Database; readonly branch: string; readonly now: Date },
  { counts }: StockCount,
): Promise<{ counted: number }> {
  const known = new Set((await partsKnown()).map((p) => p.number));
  counts.forEach(({ number }, i) => {
    if (!known.has(number))
      throw invalidField(
        `counts.${i}.number`,
        `No spec sheet names a part ${number}.`,
        'a part number of a sheet',
      );
  });
  await db.transaction(async (transaction) => {
    await StockRow.bulkCreate(
      counts.map((c) => ({ ...c, branch, asOf: now, source: 'count' as const })),
      { updateOnDuplicate: ['onHand', 'asOf', 'source'], transaction },
    );
    await planMoved(db, branch, transaction);
  });
  return { counted: counts.length };
}

/** Parts that came onto a shelf, or left it. */
interface Came {
  readonly branch: string;
  readonly number: string;
  readonly quantity: number;
}

/**
 * Tells the stock service what came, which counts it.
 * @throws Conflict when it does not answer: counted here, the number would be lost with its next answer
 */
export async function bookIn(service: string, came: Came): Promise<void> {
  const response = await fetch(new URL('/booked', service), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(came),
    signal: AbortSignal.timeout(PATIENCE),
  }).catch(() => undefined);
  if (!response?.ok)
    throw new Conflict(
      'The stock service does not answer',
      'What has come could not be booked in, so the order stays as it was. Say it again when the service answers.',
    );
}

/** Counts what came, where no service does. */
export const countIn = (
  db: Database,
  { branch, number, quantity }: Came,
  now: Date,
  transaction?: Transaction,
): Promise<unknown> =>
  db.sequelize.query(
    `INSERT INTO stock AS s (branch, number, on_hand, as_of, source) VALUES ($1, $2, greatest(0, $3), $4, 'count')
     ON CONFLICT (branch, number) DO UPDATE SET on_hand = greatest(0, s.on_hand + $3), as_of = $4, source = 'count'`,
    { bind: [branch, number, quantity, now], ...within(transaction) },
  );
