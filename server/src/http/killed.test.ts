import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { resolve } from 'node:path';
import { QueryTypes } from 'sequelize';
import { Yard, type BoardJob } from '@green-tally/core/contracts';
import { machinesChanged, MachineRow, openDatabase, type Database } from '../db';
import { createApp } from '../http/app';
import { clockFor } from '../clock';
import { DEMO_DAY } from '@green-tally/demo';
import { openPlace, signedIn, type Place } from '../testing/place';

/*
 * Two servers and two workers on one database, as they run in earnest: workers are processes, and one
 * of them is killed in the middle of its work.
 */
let place: Place;
let other: Database | undefined;
let machines = 0;
const workers: ChildProcess[] = [];

beforeAll(async () => {
  place = await openPlace();
  machines = await MachineRow.count();
});
afterAll(async () => {
  workers.forEach((w) => w.kill('SIGKILL'));
  await other?.close();
  await place.close();
});

/** A worker in a process of its own, from the bundle that the set-up made. */
async function worker(): Promise<ChildProcess> {
  const child = spawn(process.execPath, [resolve(__dirname, '../../dist/work.mjs')], {
    env: { ...process.env, DATABASE_URL: place.url, GREEN_TALLY_DEMO: '1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  workers.push(child);
  await new Promise<void>((ready, fail) => {
    child.stdout?.once('data', () => ready());
    child.once('exit', (code) => fail(new Error(`the worker ended (${code})`)));
  });
  return child;
}

const sql = <T extends object>(text: string) =>
  place.db.sequelize.query<T>(text, { type: QueryTypes.SELECT });
const touchAll = () => place.db.transaction((t) => machinesChanged(place.db, 'all', t));
const yardOf = async (app: Place['app']) =>
  Yard.parse((await (await signedIn(app, 'maud')).get('/api/yard').expect(200)).body);
async function until(what: () => Promise<boolean>): Promise<void> {
  while (!(await what())) await new Promise((done) => setTimeout(done, 100));
}

test('a worker killed in the middle loses no job; each is done, and two servers show the same', async () => {
  const [first] = [await worker(), await worker()];
  await until(
    async () => (await sql(`SELECT 1 FROM pgboss.job WHERE state < 'completed'`)).length === 0,
  );

  await touchAll();
  // in the middle: some are taken, some are not
  await until(
    async () =>
      (await sql(`SELECT 1 FROM pgboss.job WHERE name = 'judge' AND state = 'active'`)).length > 0,
  );
  first?.kill('SIGKILL');
  await new Promise((gone) => first?.once('exit', gone));
  // the time it is given is over at once, for the test
  await place.db.sequelize.query(
    `UPDATE pgboss.job SET started_on = now() - interval '1 hour' WHERE name = 'judge' AND state = 'active'`,
  );
  other = await openDatabase(place.url);
  const app = createApp({
    db: other,
    clock: clockFor(DEMO_DAY),
    sessionSecret: 'test',
    logLevel: 'silent',
    // it only looks: workers do the work
    patience: 3_600_000,
  });
  await worker();
  // what the killed one had taken comes back once it is held to be gone
  await until(async () => {
    await place.db.queue.boss.expire();
    return (
      (
        await sql<{ id: string }>(
          `SELECT m.id FROM machines m JOIN machine_standings s ON s.machine_id = m.id WHERE s.version <> m.version`,
        )
      ).length === 0
    );
  });
  const [here, there] = [await yardOf(place.app), await yardOf(app)];
  expect(there).toEqual(here);
  expect(here.rows).toHaveLength(machines);
  expect(here.all?.behind).toBe(0);
  // each machine's job is there once, and ended
  const jobs = await sql<{ key: string; n: number }>(
    `SELECT singleton_key AS key, count(*)::int AS n FROM pgboss.job
     WHERE name = 'judge' AND state = 'failed' GROUP BY 1`,
  );
  expect(jobs).toEqual([]);
});

test('two workers share what there is: each job is handed to one of them', async () => {
  await until(
    async () => (await sql(`SELECT 1 FROM pgboss.job WHERE state < 'completed'`)).length === 0,
  );
  const since = (await sql<{ now: string }>('SELECT now()::text AS now'))[0]?.now ?? '';
  await touchAll();
  await until(
    async () =>
      (await sql(`SELECT 1 FROM pgboss.job WHERE name = 'judge' AND state < 'completed'`))
        .length === 0,
  );
  const done = await place.db.sequelize.query<{ key: string; n: number; tries: number }>(
    `SELECT singleton_key AS key, count(*)::int AS n, max(retry_count) AS tries FROM pgboss.job
     WHERE name = 'judge' AND created_on >= $1::timestamptz GROUP BY 1`,
    { bind: [since], type: QueryTypes.SELECT },
  );
  expect(done).toHaveLength(machines);
  expect(done.every((j) => j.n === 1 && j.tries === 0)).toBe(true);
});

test('a worker killed while it looks for a plan publishes nothing; the next one looks anew and ends', async () => {
  workers.forEach((w) => w.kill('SIGKILL'));
  const [seeker] = [await worker()];
  const rhea = await signedIn(place.app, 'rhea');
  const planNow = async () => {
    const { body } = await rhea.get('/api/board').expect(200);
    return { plan: body.plan, placed: body.jobs.map((j: BoardJob) => [j.id, j.published]) };
  };
  const before = await planNow();
  const stateOf = async (id: string): Promise<string> =>
    (await rhea.get(`/api/board/searches/${id}`).expect(200)).body.state;
  /** A search that is under way; one that has proven its plan the best has ended by itself. */
  const underWay = async (): Promise<string> => {
    for (let tries = 0; tries < 8; tries += 1) {
      const id = randomUUID();
      const wish = { id, kept: [], seconds: 8, objective: tries % 2 ? 'loss' : 'dates' };
      await rhea.post('/api/board/searches').send(wish).expect(202);
      await until(async () => (await stateOf(id)) !== 'waiting');
      if ((await stateOf(id)) === 'running') return id;
    }
    throw new Error('every search had ended before it could be cut off');
  };
  const id = await underWay();
  seeker.kill('SIGKILL');
  await new Promise((gone) => seeker.once('exit', gone));
  expect(await planNow()).toEqual(before);
  await place.db.sequelize.query(
    `UPDATE pgboss.job SET started_on = now() - interval '1 hour' WHERE name = 'search' AND state = 'active'`,
  );
  await worker();
  await until(async () => {
    await place.db.queue.boss.expire();
    return (await stateOf(id)) === 'done';
  });
  expect(await planNow()).toEqual(before);
});
