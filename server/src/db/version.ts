import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from './connection';

/**
 * Moves the facts' version on; call it inside each writing transaction. Derived views are cached
 * under it.
 */
export async function factsChanged(db: Database, transaction: Transaction): Promise<void> {
  await db.sequelize.query(
    `UPDATE settings SET value = (value::bigint + 1)::text WHERE key = 'factsVersion'`,
    { transaction },
  );
}

/** The facts' version now. */
export async function factsVersion(db: Database): Promise<string> {
  const [row] = await db.sequelize.query<{ value: string }>(
    `SELECT value FROM settings WHERE key = 'factsVersion'`,
    { type: QueryTypes.SELECT },
  );
  return row?.value ?? '0';
}
