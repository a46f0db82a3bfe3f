import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { onThread } from '../board/thread';
import { clockFor } from '../clock';
import { openDatabase, SettingRow } from '../db';
import { startWorker } from '../jobs/work';

/** Starts a worker: DATABASE_URL, GREEN_TALLY_DEMO=1, GREEN_TALLY_STOCK. Any number may work on one database. */
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
      look: onThread(join(dirname(fileURLToPath(import.meta.url)), 'planBoard.mjs')),
    },
    url,
  );
  process.stdout.write('working\n');
  const end = () => {
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
