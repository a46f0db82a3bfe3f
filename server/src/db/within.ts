import type { Sequelize, Transaction } from 'sequelize';
import { SheetRow } from './models';

/** A query inside a transaction, when there is one. */
export const within = (transaction: Transaction | undefined) =>
  transaction ? { transaction } : {};

/** The connection the models are bound to. */
export function connection(): Sequelize {
  const { sequelize } = SheetRow;
  if (!sequelize) throw new Error('the database is not open');
  return sequelize;
}
