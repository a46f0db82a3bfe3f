import pg from 'pg';
import { CHANGES, type Change } from './changes';

/** Ears on the database. */
export interface Ears {
  stop(): Promise<void>;
}

/**
 * Listens to what is told of changes, on a connection of its own that is made anew until it stands,
 * and whenever it is lost.
 * @param heard is called for each change, and with undefined when something may have been missed: at
 *   the beginning and after a loss
 */
export async function listen(
  url: string,
  heard: (change: Change | undefined) => void,
): Promise<Ears> {
  let client: pg.Client | undefined;
  let stopped = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const connect = async (): Promise<void> => {
    const own = new pg.Client({
      connectionString: url,
      keepAlive: true,
      connectionTimeoutMillis: 4000,
    });
    client = own;
    own.on('notification', ({ payload }) => heard(changeIn(payload)));
    own.on('error', again);
    own.on('end', again);
    await own.connect();
    await own.query(`LISTEN ${CHANGES}`);
    heard(undefined);
  };
  const again = () => {
    if (stopped) return;
    clearTimeout(timer);
    timer = setTimeout(() => void connect().catch(again), 1000);
  };
  await connect().catch(again);
  return {
    async stop() {
      stopped = true;
      clearTimeout(timer);
      await client?.end();
    },
  };
}

/** Only we tell anything on this channel. */
const changeIn = (payload: string | undefined): Change | undefined =>
  payload ? (JSON.parse(payload) as Change) : undefined;

/** Tells many what one connection hears. */
export interface Changes {
  /** @returns how to stop hearing */
  subscribe(heard: (change: Change | undefined) => void): () => void;
  stop(): Promise<void>;
}

/** A process's one pair of ears, opened when somebody first wants to hear. */
export function changesOf(url: string): Changes {
  const hearing = new Set<(change: Change | undefined) => void>();
  let ears: Promise<Ears> | undefined;
  const open = () => {
    ears ??= listen(url, (change) => hearing.forEach((heard) => heard(change)));
    // the next who wants to hear tries again
    ears.catch(() => (ears = undefined));
  };
  return {
    subscribe(heard) {
      hearing.add(heard);
      open();
      return () => void hearing.delete(heard);
    },
    async stop() {
      hearing.clear();
      await (await ears?.catch(() => undefined))?.stop();
    },
  };
}
