import { Sequelize } from 'sequelize';
import { openDatabase } from '../db';
import { loadDemo } from '../demo/load';

/** The demo's database, loaded once for the whole test run and copied for each that asks. */
const TEMPLATE = 't_demo_template';

/** Makes the template. Before any test, by one process. @param base url of the test cluster */
export async function makeTemplate(base: string): Promise<void> {
  await ask(base, `CREATE DATABASE ${TEMPLATE}`);
  const db = await openDatabase(databaseUrl(base, TEMPLATE));
  try {
    await loadDemo(db);
  } finally {
    await db.close();
  }
}

/** Makes an empty database or a copy of the demo's. @param name of the new database */
export const makeDatabase = (base: string, name: string, demo: boolean): Promise<void> =>
  ask(base, `CREATE DATABASE ${name}${demo ? ` TEMPLATE ${TEMPLATE} STRATEGY FILE_COPY` : ''}`);

async function ask(base: string, sql: string): Promise<void> {
  const keeper = new Sequelize(base, { logging: false, pool: { max: 1 } });
  try {
    await keeper.query(sql);
  } finally {
    await keeper.close();
  }
}

/** The cluster's url with another database. */
export const databaseUrl = (base: string, name: string): string =>
  base.replace(/\/[^/]+$/, `/${name}`);
