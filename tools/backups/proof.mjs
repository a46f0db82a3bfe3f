// npm run backup:proof: loads the demo into a cluster of its own, copies it, writes on, loses it all,
// brings it back to a moment, and compares every table by count and hash.
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { startCluster } from '../cluster.mjs';
import { bundle, checkNode, endPlainly, ensurePackages, say } from '../house.mjs';
import { copiesOf } from './pgbackrest.mjs';

/** Every table of ours: how many rows, and a hash of all of them. */
async function stateOf(url) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const tables = await client.query(
    `SELECT table_schema || '.' || quote_ident(table_name) AS name FROM information_schema.tables
     WHERE table_schema = 'public' AND table_type = 'BASE TABLE' ORDER BY 1`,
  );
  const state = {};
  for (const { name } of tables.rows) {
    const { rows } = await client.query(
      `SELECT count(*)::int AS n, md5(coalesce(string_agg(md5(t::text), '' ORDER BY md5(t::text)), '')) AS hash FROM ${name} t`,
    );
    state[name] = `${rows[0].n} ${rows[0].hash}`;
  }
  const { rows } = await client.query('SELECT clock_timestamp()::text AS now');
  await client.end();
  return { state, now: rows[0].now };
}

async function sql(url, ...texts) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  for (const text of texts) await client.query(text);
  await client.end();
}

const folder = mkdtempSync(join(tmpdir(), 'green-tally-copies-'));
chmodSync(folder, 0o755);
let cluster;
try {
  checkNode();
  ensurePackages();
  cluster = await startCluster(folder, { quiet: true, firstPort: 54_980 });
  say('Loading the demo');
  const fill = bundle('server/src/cli/fill.ts', 'server/dist/fill.mjs');
  const env = { ...process.env, DATABASE_URL: cluster.url, MACHINES: '24' };
  const filled = spawnSync(process.execPath, [fill], { env, encoding: 'utf8' });
  if (filled.status !== 0) throw new Error(filled.stderr);
  // a photo, as the database keeps it
  await sql(
    cluster.url,
    `INSERT INTO stored_files SELECT 'photos/proof', decode(repeat('ff00ab', 60000), 'hex')`,
  );
  const copies = copiesOf(folder);
  let from = performance.now();
  copies.keep(true);
  const copied = performance.now() - from;
  // a copy is of a whole second: the moment lies after it
  await new Promise((done) => setTimeout(done, 2000));
  // written after the copy, and before the moment
  await sql(cluster.url, `INSERT INTO settings VALUES ('proof', 'written after the copy')`);
  const before = await stateOf(cluster.url);
  await new Promise((done) => setTimeout(done, 1200));
  await sql(
    cluster.url,
    'DELETE FROM readings',
    `DELETE FROM settings WHERE key = 'proof'`,
    'TRUNCATE stored_files',
    'SELECT pg_switch_wal()',
  );
  const lost = await stateOf(cluster.url);
  await new Promise((done) => setTimeout(done, 1500));
  await cluster.stop();
  from = performance.now();
  renameSync(copies.data, `${copies.data}-lost`);
  copies.bringBack(before.now);
  cluster = await startCluster(folder, { quiet: true, firstPort: 54_980 });
  await cluster.ready();
  const back = performance.now() - from;
  const after = await stateOf(cluster.url);
  const wrong = Object.keys(before.state).filter((t) => before.state[t] !== after.state[t]);
  const rows = Object.values(before.state).reduce((n, s) => n + Number(s.split(' ')[0]), 0);
  const gone = Object.keys(before.state).filter((t) => before.state[t] !== lost.state[t]);
  process.stdout.write(
    `  ${Object.keys(before.state).length} tables, ${rows} rows; copied whole in ${(copied / 1000).toFixed(1)} s\n` +
      `  lost: ${gone.join(', ')}; brought back to ${before.now} in ${(back / 1000).toFixed(1)} s\n` +
      `  ${wrong.length ? `✗ differ: ${wrong.join(', ')}` : 'counts and hashes of all tables are the same'}\n`,
  );
  if (wrong.length || gone.length < 3) process.exitCode = 1;
} catch (error) {
  endPlainly(error);
} finally {
  await cluster?.stop();
  rmSync(folder, { recursive: true, force: true });
}
