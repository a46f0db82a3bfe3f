import PgBoss from 'pg-boss';
import type pg from 'pg';
import type { Sequelize, Transaction } from 'sequelize';

/**
 * The queues of jobs, and how each takes what is put into it. `short`: one waits a key, however
 * often it is asked for; it may run beside another of its key, so each job bears that.
 */
export const QUEUES = {
  judge: { policy: 'short', retryLimit: 5, retryDelay: 1, retryBackoff: true, expireInSeconds: 30 },
  importReadings: {
    policy: 'short',
    retryLimit: 3,
    retryDelay: 2,
    expireInSeconds: 1800,
  },
  clearUp: { policy: 'short', retryLimit: 1, retryDelay: 60, expireInSeconds: 300 },
  newDay: { policy: 'short', retryLimit: 3, retryDelay: 5, expireInSeconds: 1800 },
  stock: { policy: 'short', retryLimit: 1, retryDelay: 30, expireInSeconds: 120 },
  hours: { policy: 'short', retryLimit: 1, retryDelay: 30, expireInSeconds: 300 },
  // one that a killed worker had taken is looked for anew
  search: { policy: 'short', retryLimit: 2, retryDelay: 1, expireInSeconds: 180 },
  chances: { policy: 'short', retryLimit: 2, retryDelay: 2, expireInSeconds: 60 },
} as const;
export type QueueName = keyof typeof QUEUES;

/** What is to be done: `key` names it, so that it waits once; `data` is handed to the job. */
export interface Job {
  readonly key: string;
  readonly data?: object;
}

/** Jobs kept in the database, put in by the transaction that calls for them. */
export interface Queue {
  readonly boss: PgBoss;
  /** Puts jobs in, in a transaction: one that is rolled back leaves none. */
  add(name: QueueName, jobs: readonly Job[], transaction: Transaction): Promise<void>;
}

const NEVER = new Promise<never>(() => undefined);

/**
 * Opens the queues. A process that only puts jobs in keeps no clock and clears nothing up; workers do.
 * @param working whether this process runs jobs
 */
export async function openQueue(
  sequelize: Sequelize,
  pool: pg.Pool,
  working = false,
): Promise<Queue> {
  const boss = new PgBoss({
    // a job that is still underway when the place ends is not told of: it comes back by its time
    db: { executeSql: (text, values) => (pool.ending ? NEVER : pool.query(text, values)) },
    schedule: working,
    supervise: working,
    // what a killed worker had taken comes back this soon after its time is over
    maintenanceIntervalSeconds: 15,
    archiveCompletedAfterSeconds: 600,
    deleteAfterHours: 24,
  });
  boss.on('error', (error) => process.stderr.write(`jobs: ${error.message}\n`));
  await boss.start();
  const there = new Set((await boss.getQueues()).map((q) => q.name));
  for (const [name, options] of Object.entries(QUEUES))
    if (!there.has(name)) await boss.createQueue(name, { name, ...options });
  return {
    boss,
    async add(name, jobs, transaction) {
      if (!jobs.length) return;
      const db = {
        executeSql: async (text: string, values: unknown[]) => {
          const bind = values.map((v) => v ?? null);
          const [rows] = await sequelize.query(text, { bind, transaction });
          return { rows };
        },
      };
      await boss.insert(
        jobs.map(({ key, data }) => ({ name, singletonKey: key, data: data ?? {} })),
        { db },
      );
    },
  };
}
