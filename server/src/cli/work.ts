import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { onThread } from '../board/thread';
import { clockFor } from '../clock';
import { openDatabase, SettingRow } from '../db';
import { startWorker } from '../jobs/work';

/** A worker that was told to end is gone by then, ms. */
const LEAVES_MS = 12_000;

/** Starts a worker: DATABASE_URL, GREEN_TALLY_DEMO=1, GREEN_TALLY_STOCK, GREEN_TALLY_FLEET. Any number may work on one database. */
async function work(): Promise<void> {
  const url = process.env['DATABASE_URL'];
  if (!url)
    throw new Error('DATABASE_URL is not set. Use npm start, which brings its own database.');
  const db = await openDatabase(url, { working: true });
  const demo = process.env['GREEN_TALLY_DEMO'] === '1';
  const statedDay = demo ? (await SettingRow.findByPk('statedDay'))?.value : undefined;
  const worker = await startWorker(
    {
      db,
      clock: clockFor(statedDay),
      stock: process.env['GREEN_TALLY_STOCK'] || undefined,
      fleet: process.env['GREEN_TALLY_FLEET'] || undefined,
      look: onThread(join(dirname(fileURLToPath(import.meta.url)), 'planBoard.mjs')),
    },
    url,
  );
  process.stdout.write('working\n');
  const end = () => {
    // a database that is gone keeps nobody from leaving: what it had taken comes back to another
    setTimeout(() => process.exit(1), LEAVES_MS).unref();
    void worker
      .stop()
      .then(() => db.close())
      .finally(() => process.exit(0));
  };
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
  process.once('disconnect', end);
}

work().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
