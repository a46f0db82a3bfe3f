import type { Sequelize, Transaction } from 'sequelize';

/** What one process at a time does, by a number of its own. */
const LOCKS = {
  migrations: 7141,
  people: 7142,
  demo: 7143,
  /** serials on the books */
  serials: 7144,
  /** parts ordered, by branch */
  orders: 7145,
  queues: 7146,
  /** revisions of a sheet, by model */
  revisions: 7147,
  suppliers: 7148,
  /** how a branch plans, by branch */
  boards: 7149,
  /** the plan that is published, by branch */
  plans: 7150,
  /** bringing an archive in */
  archive: 7151,
} as const;

/** Holds a lock until the transaction ends. @param of what is locked, where there are several */
export async function holdLock(
  sequelize: Sequelize,
  what: keyof typeof LOCKS,
  transaction: Transaction,
  of = '',
): Promise<void> {
  await sequelize.query('SELECT pg_advisory_xact_lock($1, hashtext($2))', {
    bind: [LOCKS[what], of],
    transaction,
  });
}
