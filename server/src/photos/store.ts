import { QueryTypes, type Sequelize } from 'sequelize';

/** Where files lie: the database, or a store outside it. A file never changes under its key. */
export interface FileStore {
  keep(key: string, data: Uint8Array): Promise<void>;
  /** undefined when there is none */
  read(key: string): Promise<Uint8Array | undefined>;
  /** does nothing when there is none */
  drop(key: string): Promise<void>;
}

/** Files in a table of the database: backed up with it, and nothing else to run. */
export function databaseStore(sequelize: Sequelize): FileStore {
  return {
    async keep(key, data) {
      await sequelize.query(
        'INSERT INTO stored_files VALUES ($1, $2) ON CONFLICT (key) DO UPDATE SET data = EXCLUDED.data',
        { bind: [key, Buffer.from(data)] },
      );
    },
    async read(key) {
      const [row] = await sequelize.query<{ data: Buffer }>(
        'SELECT data FROM stored_files WHERE key = $1',
        { bind: [key], type: QueryTypes.SELECT },
      );
      return row?.data;
    },
    async drop(key) {
      await sequelize.query('DELETE FROM stored_files WHERE key = $1', { bind: [key] });
    },
  };
}
