// npm run restore [-- --time "2026-11-27 09:00:00+00"]: brings the data of npm start back from its copy,
// as it was at a moment, or as far as it was written. What is there now is set aside, not thrown away.
import { existsSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { copiesOf } from './backups/pgbackrest.mjs';
import { startCluster } from './cluster.mjs';
import { checkNode, DATA, endPlainly, Plain, say } from './house.mjs';

const at = process.argv.indexOf('--time');
const until = at < 0 ? undefined : process.argv[at + 1];

try {
  checkNode();
  if (
    at >= 0 &&
    !(until && /^\d{4}-\d\d-\d\d[ T]\d\d:\d\d(:\d\d(\.\d+)?)?([+-]\d\d(:?\d\d)?|Z)$/.test(until))
  )
    throw new Plain('Say the moment with its time zone: --time "2026-11-27 09:00:00+00".');
  const folder = join(DATA, process.env.DEMO ? 'demo' : 'real');
  const copies = copiesOf(folder);
  if (existsSync(join(copies.data, 'postmaster.pid')))
    throw new Plain(
      'The database runs, or fell without tidying up. Stop it first (Ctrl-C where it was started).',
    );
  if (!copies.list().length) throw new Plain(`There is no copy in ${copies.shelf}.`);
  if (existsSync(copies.data)) {
    const aside = `${copies.data}-before-${new Date().toISOString().replace(/[:.]/g, '-')}`;
    say(`What is there now is set aside: ${aside}`);
    renameSync(copies.data, aside);
  }
  say(until ? `Bringing back what was there at ${until}` : 'Bringing back all that was copied');
  copies.bringBack(until);
  const cluster = await startCluster(folder);
  await cluster.ready();
  await cluster.stop();
  say('Done. Start as usual (npm start), look, and make a whole copy: npm run backup -- --full');
} catch (error) {
  endPlainly(error);
}
