import type PgBoss from 'pg-boss';
import type { Clock } from '../clock';
import { listen, QUEUES, type Database, type QueueName } from '../db';
import { here, keepChances, runSearch } from '../board/search';
import type { LookApart } from '../board/thread';
import { askStock } from '../parts/stock';
import { clearUp } from './clearUp';
import { askFleet } from '../fleetHours/fleetHours';
import { runImport } from '../walks/importCsv';
import { judgeIfBehind } from '../standings/fresh';
import { beginDay } from '../standings/newDay';

/** What jobs are run with. */
export interface Shop {
  readonly db: Database;
  readonly clock: Clock;
  /** address of the stock service, where there is one */
  readonly stock?: string | undefined;
  /** address of the fleet service, where there is one */
  readonly fleet?: string | undefined;
  /** how plans are looked for; here unless said, on a thread where there is one */
  readonly look?: LookApart;
}

/** What each queue's jobs do; each may run twice, and beside another of its key. */
const DO: Readonly<Record<QueueName, (shop: Shop, job: PgBoss.Job) => Promise<unknown>>> = {
  judge: ({ db, clock }, job) => judgeIfBehind(db, named(job, 'machine'), clock.today()),
  importReadings: ({ db, clock }, job) => runImport(db, named(job, 'import'), clock.today()),
  clearUp: ({ db }) => clearUp(db),
  newDay: ({ db, clock }) => beginDay(db, clock.today()),
  stock: ({ db, stock }) => askStock(db, stock),
  hours: ({ db, fleet }) => (fleet ? askFleet(db, fleet) : Promise.resolve()),
  search: ({ db, clock, look = here }, job) =>
    runSearch({ db, today: clock.today(), look }, named(job, 'search')),
  chances: ({ db, clock }, job) =>
    keepChances({ db, branch: named(job, 'branch'), today: clock.today(), patience: 0 }),
};

/** What a job names: the id of a machine, say. */
function named({ data }: PgBoss.Job, name: string): string {
  const value: unknown = typeof data === 'object' ? Reflect.get(data, name) : undefined;
  if (typeof value === 'string') return value;
  throw new Error(`a job that names no ${name}`);
}

/** So many jobs are taken at once; they are done one after the other. */
const AT_ONCE: Readonly<Record<QueueName, number>> = {
  judge: 20,
  importReadings: 1,
  clearUp: 1,
  newDay: 1,
  stock: 1,
  hours: 1,
  search: 1,
  chances: 1,
};

/** Jobs that were run, by queue, and those that failed. */
export type Ran = Record<QueueName, number> & { failed: number };

/**
 * Runs jobs until none is left: a worker's work by hand, for tests and for a start with a filled
 * database.
 */
export async function runJobs(shop: Shop): Promise<Ran> {
  const ran: Ran = {
    ...{
      judge: 0,
      importReadings: 0,
      clearUp: 0,
      newDay: 0,
      stock: 0,
      hours: 0,
      search: 0,
      chances: 0,
    },
    failed: 0,
  };
  for (;;) {
    let taken = 0;
    for (const name of Object.keys(QUEUES) as QueueName[]) {
      const jobs = await shop.db.queue.boss.fetch<object>(name, { batchSize: AT_ONCE[name] });
      taken += jobs.length;
      for (const job of jobs) {
        if (await runOne(shop, name, job)) ran[name] += 1;
        else ran.failed += 1;
      }
    }
    if (!taken) return ran;
  }
}

/** Runs one job and says in the database how it went. */
async function runOne(shop: Shop, name: QueueName, job: PgBoss.Job<object>): Promise<boolean> {
  const { boss } = shop.db.queue;
  try {
    await DO[name](shop, job);
    await boss.complete(name, job.id);
    return true;
  } catch (error) {
    const why = error instanceof Error ? error : new Error(String(error));
    process.stderr.write(`job ${name} ${job.id}: ${why.message}\n`);
    await boss.fail(name, job.id, { message: why.message });
    return false;
  }
}

/** A worker's pulse: it is woken by what is told, and looks by itself this often. */
const LOOKS_EVERY_S = 2;
/** Midnight by the place's own clock. */
const MIDNIGHT = '0 0 * * *';
const HOURLY = '17 * * * *';
const EVERY_TEN_MINUTES = '*/10 * * * *';

/** A worker at work. */
export interface Worker {
  stop(): Promise<void>;
}

/**
 * Works off the queues until it is stopped. Any number of workers may share a database: a job is
 * handed to one of them, and comes back when that one is gone.
 * @param url of the database, for the connection that listens
 */
export async function startWorker(shop: Shop, url: string): Promise<Worker> {
  const { boss } = shop.db.queue;
  const running = new Map<QueueName, string>();
  for (const name of Object.keys(QUEUES) as QueueName[]) {
    const id = await boss.work<object>(
      name,
      { batchSize: AT_ONCE[name], pollingIntervalSeconds: LOOKS_EVERY_S },
      async (jobs) => {
        for (const job of jobs) await runOne(shop, name, job);
      },
    );
    running.set(name, id);
  }
  await boss.schedule('clearUp', HOURLY);
  await boss.schedule(
    'newDay',
    MIDNIGHT,
    {},
    { tz: Intl.DateTimeFormat().resolvedOptions().timeZone },
  );
  await boss.send('newDay', {}, { singletonKey: 'day' });
  if (shop.stock) {
    await boss.schedule('stock', EVERY_TEN_MINUTES);
    await boss.send('stock', {}, { singletonKey: 'stock' });
  }
  if (shop.fleet) {
    await boss.schedule('hours', EVERY_TEN_MINUTES);
    await boss.send('hours', {}, { singletonKey: 'hours' });
  }
  const ears = await listen(url, () => {
    for (const id of running.values()) boss.notifyWorker(id);
  });
  return {
    async stop() {
      await ears.stop();
      await boss.stop({ graceful: true, wait: true, timeout: 5000, close: false });
    },
  };
}
