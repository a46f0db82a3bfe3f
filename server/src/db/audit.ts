import { AsyncLocalStorage } from 'node:async_hooks';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { within } from './within';

/** Who does what, while a request is worked off. */
export interface Doing {
  readonly by: string;
  readonly personId: string | null;
  /** route of the table, or a word of its own: "signed in" */
  readonly what: string;
  readonly subject: string;
  readonly detail: string;
}

interface Noted extends Doing {
  noted: boolean;
}

const doing = new AsyncLocalStorage<Noted>();

/**
 * Does some work, and keeps who did it: in its first transaction, so that neither is there without
 * the other; work that opens none is kept once it is done.
 */
export async function whileDoing<T>(
  sequelize: Sequelize,
  what: Doing,
  work: () => Promise<T>,
): Promise<T> {
  const now: Noted = { ...what, noted: false };
  return doing.run(now, async () => {
    const result = await work();
    if (!now.noted) await keepAudit(sequelize, now);
    return result;
  });
}

/** Says more of what is being done: of whom, from what to what. */
export function alsoSay(more: Partial<Pick<Doing, 'subject' | 'detail'>>): void {
  const now = doing.getStore();
  if (now) Object.assign(now, more);
}

/** Keeps what is being done, in a transaction; once, whichever of several comes first. */
export async function noteDoing(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const now = doing.getStore();
  if (!now || now.noted) return;
  await keepAudit(sequelize, now, transaction);
  // rolled back, it is kept by the try that comes after
  transaction.afterCommit(() => {
    now.noted = true;
  });
}

/** Keeps that somebody did something. */
export async function keepAudit(
  sequelize: Sequelize,
  { by, personId, what, subject, detail }: Doing,
  transaction?: Transaction,
): Promise<void> {
  await sequelize.query(
    'INSERT INTO audit (by, person_id, what, subject, detail) VALUES ($1, $2, $3, $4, $5)',
    {
      bind: [by, personId, what, subject.slice(0, 400), detail.slice(0, 2000)],
      type: QueryTypes.INSERT,
      ...within(transaction),
    },
  );
}
