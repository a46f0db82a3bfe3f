import { writeFileSync } from 'node:fs';
import pg from 'pg';
import { scenario, type Scenario } from '@green-tally/demo';
import { openDatabase, remigrate, type Database } from '../db';
import { loadDemo } from '../demo/load';
import { fillTo } from '../demo/multiply';
import { learn } from '../standings/newDay';

/**
 * Fills a database with the demo (DATABASE_URL), and with copies of it where MACHINES says so many.
 * What it was worked out to is kept in the file SCENARIO names.
 */
async function fill(): Promise<void> {
  const url = process.env['DATABASE_URL'] ?? '';
  const db = await openDatabase(url);
  await loadDemo(db, workedOut);
  const machines = Number(process.env['MACHINES'] ?? 0);
  if (machines) await copies(db, url, machines);
  await db.close();
}

function workedOut(): Scenario {
  const demo = scenario();
  const file = process.env['SCENARIO'];
  if (file) writeFileSync(file, JSON.stringify(demo));
  return demo;
}

/** For `npm run scale`: so many machines are on the books then. */
async function copies(db: Database, url: string, machines: number): Promise<void> {
  if (machines < 24)
    await db.sequelize.query(
      `WITH gone AS (SELECT id FROM machines ORDER BY (branch = 'Upper Larkmoor') DESC, serial OFFSET ${machines})
       ${[
         'readings',
         'walks',
         'ticks',
         'work_items',
         'visits',
         'machine_standings',
         'due_lines',
         'machine_lives',
         'machine_writes',
       ]
         .map((t) => `, x_${t} AS (DELETE FROM ${t} WHERE machine_id IN (SELECT id FROM gone))`)
         .join('')}
       SELECT 1`,
    );
  if (machines < 24)
    await db.sequelize.query(
      `DELETE FROM machines m WHERE NOT EXISTS (SELECT 1 FROM machine_standings s WHERE s.machine_id = m.id)`,
    );
  const readings = await fillTo(url, machines);
  await timeMigrations(db, url);
  await learn(db, '2026-06-09');
  process.stdout.write(`filled ${readings}\n`);
}

/** How long the newest migrations take over what is there, and who waits for them how long. */
async function timeMigrations(db: Database, url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  let longest = 0;
  let running = true;
  const probe = (async () => {
    while (running) {
      const from = performance.now();
      await client.query('SELECT id FROM readings LIMIT 1');
      longest = Math.max(longest, performance.now() - from);
      await new Promise((done) => setTimeout(done, 2));
    }
  })();
  // taken down before anybody looks, so that only the way up is timed
  const took = await remigrate(db.sequelize, '007-versions-and-standings');
  running = false;
  await probe;
  await client.end();
  process.stdout.write(`migrated ${took.toFixed(0)} longest ${longest.toFixed(0)}\n`);
}

fill().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
  process.exit(1);
});
