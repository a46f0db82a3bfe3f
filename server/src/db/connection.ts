import pg from 'pg';
import { Sequelize } from 'sequelize';
import { changesOf, type Changes } from './listen';
import { migrate } from './migrations';
import { openQueue, type Queue } from './queue';
import { defineModels } from './tables';

/** One database: Sequelize for the rows, a pool for sessions and jobs, the queues. */
export interface Database {
  readonly sequelize: Sequelize;
  readonly pool: pg.Pool;
  /** jobs put in by writing transactions */
  readonly queue: Queue;
  /** what every process tells of changes */
  readonly changes: Changes;
  close(): Promise<void>;
}

/**
 * Connects, migrates, and ties the models to the connection.
 * @param working whether this process runs jobs
 */
export async function openDatabase(url: string, { working = false } = {}): Promise<Database> {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: 8 },
  });
  defineModels(sequelize);
  await migrate(sequelize);
  const pool = new pg.Pool({ connectionString: url, max: 6 });
  pool.on('error', (error) => process.stderr.write(`pool: ${error.message}\n`));
  const queue = await openQueue(sequelize, pool, working);
  const changes = changesOf(url);
  return {
    sequelize,
    pool,
    queue,
    changes,
    close: async () => {
      await changes.stop();
      await queue.boss.stop({ graceful: false, wait: false });
      await pool.end();
      await sequelize.close();
    },
  };
}
