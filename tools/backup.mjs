// npm run backup [-- --full]: a copy of the data of npm start, while it runs: all of it the first
// time, then what has changed. Photos that lie in the database are in it. DATA=demo takes the demo's.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { copiesOf } from './backups/pgbackrest.mjs';
import { checkNode, DATA, endPlainly, Plain, say } from './house.mjs';

try {
  checkNode();
  if (process.env.DATABASE_URL)
    throw new Plain(
      'This database is not ours to copy (DATABASE_URL is set): back it up where it is kept. docs/OPERATIONS.md tells how.',
    );
  const copies = copiesOf(join(DATA, process.env.DEMO ? 'demo' : 'real'));
  if (!existsSync(join(copies.data, 'postmaster.pid')))
    throw new Plain(
      'The database does not run. Start it first: npm start (DEMO=1 for the demo’s).',
    );
  say(`Making a copy in ${copies.shelf}`);
  copies.keep(process.argv.includes('--full'));
  for (const { label, timestamp, info } of copies.list())
    process.stdout.write(
      `  ${label}: ended ${new Date(timestamp.stop * 1000).toISOString()}, ${(info.size / 1e6).toFixed(0)} MB, ${(info.repository.delta / 1e6).toFixed(1)} MB on the shelf\n`,
    );
  process.stdout.write(
    'What is written from now on is copied too, within a minute. Bring it back with npm run restore.\n',
  );
} catch (error) {
  endPlainly(error);
}
