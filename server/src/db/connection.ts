import pg from 'pg';
import { Sequelize } from 'sequelize';
import { migrate } from './migrations';
import { defineModels } from './tables';

/** One database: Sequelize for the rows, a pool for the sessions. */
export interface Database {
  readonly sequelize: Sequelize;
  readonly pool: pg.Pool;
  close(): Promise<void>;
}

/** Connects, migrates, and ties the models to the connection. */
export async function openDatabase(url: string): Promise<Database> {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: 8 },
  });
  defineModels(sequelize);
  await migrate(sequelize);
  const pool = new pg.Pool({ connectionString: url, max: 4 });
  pool.on('error', (error) => process.stderr.write(`session pool: ${error.message}\n`));
  return {
    sequelize,
    pool,
    close: async () => {
      await pool.end();
      await sequelize.close();
    },
  };
}
