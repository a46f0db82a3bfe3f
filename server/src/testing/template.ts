import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { Sequelize } from 'sequelize';
import { scenario, type Scenario } from '@green-tally/demo';
import { openDatabase } from '../db';
import { loadDemo } from '../demo/load';

/** The demo's database, loaded once for the whole test run and copied for each that asks. */
const TEMPLATE = 't_demo_template';
/** A database with its tables and nothing in them. */
const EMPTY = 't_empty_template';

/**
 * Makes the template. Before any test, by one process.
 * @param base url of the test cluster, which may hold the demo already
 * @param file where the dealership is kept as it was worked out, for demoAsLoaded()
 */
export async function makeTemplate(base: string, file: string): Promise<void> {
  await ask(base, `CREATE DATABASE ${EMPTY}`);
  await (await openDatabase(databaseUrl(base, EMPTY))).close();
  if (existsSync(file)) {
    await ask(databaseUrl(base, 'postgres'), `ALTER DATABASE green_tally RENAME TO ${TEMPLATE}`);
    await ask(databaseUrl(base, 'postgres'), 'CREATE DATABASE green_tally');
    return;
  }
  const demo = scenario();
  writeFileSync(file, JSON.stringify(demo));
  await ask(base, `CREATE DATABASE ${TEMPLATE}`);
  const db = await openDatabase(databaseUrl(base, TEMPLATE));
  try {
    await loadDemo(db, () => demo);
  } finally {
    await db.close();
  }
}

/** The invented dealership as the template holds it: to work it out again takes seconds. */
export const demoAsLoaded = (): Scenario =>
  JSON.parse(readFileSync(process.env['TEST_SCENARIO'] ?? '', 'utf8')) as Scenario;

/** Makes an empty database or a copy of the demo's. @param name of the new database */
export const makeDatabase = (base: string, name: string, demo: boolean): Promise<void> =>
  ask(
    base,
    `CREATE DATABASE ${name} TEMPLATE ${demo ? TEMPLATE : EMPTY} STRATEGY ${demo ? 'FILE_COPY' : 'WAL_LOG'}`,
  );

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
