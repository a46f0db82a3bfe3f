import pg from 'pg';
import { Sequelize, type Transaction } from 'sequelize';
import { noteDoing } from './audit';
import { changesOf, type Changes } from './listen';
import { holdLock } from './locks';
import { migrate } from './migrations';
import { openQueue, type Queue } from './queue';
import { defineModels } from './models';
import { inTheWay } from './trouble';

/** One database: Sequelize for the rows, a pool for sessions and jobs, the queues. */
export interface Database {
  readonly sequelize: Sequelize;
  readonly pool: pg.Pool;
  /** jobs put in by writing transactions */
  readonly queue: Queue;
  /** what every process tells of changes */
  readonly changes: Changes;
  /**
   * Does some work in one transaction. Where two are in each other's way it is done anew from its
   * beginning, so it changes nothing but the database.
   */
  transaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/**
 * A connection that bears losing its server at any moment. Between signing on and Sequelize's own
 * listener nobody would hear of it, and an error that nobody hears ends the process.
 */
class Client extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on('error', () => undefined);
  }
}

/** Time limits, ms. A statement of a request is over long before; jobs take what they take. */
const LIMITS = {
  connect: 4000,
  statement: 30_000,
  /** waits for an answer this much longer than the server would work at one */
  patience: 5000,
} as const;

/** So often a transaction is tried that others are in the way of. */
const TRIES = 6;

/**
 * Connects, migrates, and ties the models to the connection.
 * @param working whether this process runs jobs
 */
export async function openDatabase(url: string, { working = false } = {}): Promise<Database> {
  const limits = working
    ? {}
    : {
        statement_timeout: LIMITS.statement,
        query_timeout: LIMITS.statement + LIMITS.patience,
        idle_in_transaction_session_timeout: 2 * LIMITS.statement,
      };
  const patient = { keepAlive: true, connectionTimeoutMillis: LIMITS.connect, ...limits };
  // a migration takes as long as there are rows
  const unlimited = connect(url, {});
  const sequelize = connect(url, patient);
  defineModels(sequelize);
  const pool = new pg.Pool({ connectionString: url, max: 6, ...patient });
  pool.on('error', (error) => process.stderr.write(`pool: ${error.message}\n`));
  // one that is handed out is no longer heard by the pool
  pool.on('connect', (client) => client.on('error', () => undefined));
  let queue: Queue;
  try {
    await migrate(unlimited);
    // of several that start at once one makes the queues, the others find them there
    queue = await unlimited.transaction(async (transaction) => {
      await holdLock(unlimited, 'queues', transaction);
      return openQueue(sequelize, pool, working);
    });
  } finally {
    await unlimited.close();
  }
  const changes = changesOf(url);
  return {
    sequelize,
    pool,
    queue,
    changes,
    transaction: (work) =>
      tried(() =>
        sequelize.transaction(async (transaction) => {
          const result = await work(transaction);
          await noteDoing(sequelize, transaction);
          return result;
        }),
      ),
    close: async () => {
      await changes.stop();
      await queue.boss.stop({ graceful: false, wait: false });
      await pool.end();
      await sequelize.close();
    },
  };
}

const connect = (url: string, dialectOptions: object): Sequelize =>
  new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: { ...pg, Client },
    dialectOptions,
    logging: false,
    pool: { max: 8, acquire: 2 * LIMITS.connect },
  });

async function tried<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries += 1)
    try {
      return await work();
    } catch (error) {
      if (tries >= TRIES || !inTheWay(error)) throw error;
      // not both at the same moment again
      await new Promise((done) => setTimeout(done, Math.random() * 20 * 2 ** tries));
    }
}
