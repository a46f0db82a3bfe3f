// npm run cluster [-- --storm [--kills 3] [--seed 1]]: two PostgreSQL nodes under Patroni with etcd,
// HAProxy, two servers and a worker on loopback. With --storm phones send while the primary is killed;
// at the end the database holds what was answered, and the longest time without a write is told.
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import {
  bundleServer,
  checkNode,
  ensureApp,
  ensurePackages,
  freePort,
  keepRunning,
  Plain,
  ROOT,
  say,
  startUntil,
} from './house.mjs';
import { join } from 'node:path';
import { ensureCluster } from './failover/debian.mjs';
import { startNodes } from './failover/nodes.mjs';
import { phone } from './faults/phone.mjs';
import { pause, randomFrom } from './faults/random.mjs';
import { DAY } from './faults/season.mjs';
import { given, sending, tickOf, tidily } from './faults/shared.mjs';

const STORM = process.argv.includes('--storm');
const KILLS = given('kills', 3);
const SEED = given('seed', 1);
const PHONES = 6;

/** Two servers and a worker on one database. */
async function startServers(url, ends) {
  const program = bundleServer();
  const env = {
    ...process.env,
    ...{ DATABASE_URL: url, GREEN_TALLY_DEMO: '1', WORKERS: '0' },
    ...{ GREEN_TALLY_GAUGE: '', GREEN_TALLY_STOCK: '', LOG_LEVEL: 'silent' },
  };
  const bases = [];
  const starts = [];
  for (const first of [8700, 8720]) {
    const port = await freePort(first);
    bases.push(`http://127.0.0.1:${port}`);
    starts.push(
      new Promise((ready, fail) => {
        const server = keepRunning({
          ...{ name: 'A server', quiet: true, most: Infinity },
          start: () => {
            const started = startUntil(process.execPath, [program], /listening on/, {
              ...{ name: 'A server', env: { ...env, PORT: String(port) } },
              stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
            });
            started.ready.then(ready, fail);
            return started.child;
          },
        });
        ends.push(() => server.stop());
      }),
    );
  }
  await Promise.all(starts);
  const worker = keepRunning({
    ...{ name: 'The worker', quiet: true, most: Infinity },
    start: () => {
      const started = startUntil(
        process.execPath,
        [join(ROOT, 'server/dist/work.mjs')],
        /working/,
        { ...{ name: 'The worker', env }, stdio: ['ignore', 'pipe', 'pipe', 'ipc'] },
      );
      // one that begins while the database is away is started again
      started.ready.catch(() => undefined);
      return started.child;
    },
  });
  ends.push(() => worker.stop());
  return bases;
}

/** One write after another, and the longest time between two that were answered, ms. */
function watchWrites(bases, machineId) {
  const me = phone(bases, 'ines', 1500);
  const random = randomFrom(SEED + 77);
  let longest = 0;
  let last = performance.now();
  let over = false;
  const done = (async () => {
    while (!over) {
      await me.send('POST', '/ticks', tickOf(random.uuid(), machineId, DAY));
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
      await pause(50);
    }
  })();
  return {
    longest: () => {
      const was = longest;
      longest = 0;
      return was;
    },
    end: () => {
      over = true;
      return done;
    },
  };
}

async function storm(nodes, bases) {
  const random = randomFrom(SEED);
  const phones = Array.from({ length: PHONES }, (_, i) =>
    phone(i % 2 ? bases : [...bases].reverse(), ['ines', 'bram', 'tobin'][i % 3]),
  );
  const { places, over, end, tell } = await sending(phones, SEED);
  const watch = watchWrites(bases, places[0].machine.id);
  await pause(3000);
  watch.longest();
  const outages = [];
  for (let n = 0; n < KILLS && !over(); n += 1) {
    const primary = await nodes.primary();
    say(`The primary ${primary.name} is killed`);
    await nodes.kill(primary);
    await pause(25_000);
    nodes.again(primary);
    await nodes.settled();
    await pause(2000 + random.below(1000));
    outages.push(watch.longest());
    say(
      `No write was answered for ${(outages.at(-1) / 1000).toFixed(1)} s; both nodes are there again`,
    );
  }
  await end();
  await watch.end();
  process.stdout.write(
    `  ${outages.length} times the primary was killed; the longest time without a write ${(Math.max(...outages) / 1000).toFixed(1)} s\n`,
  );
  await tell(nodes.url);
}

async function main(ends) {
  if (process.platform !== 'linux') throw new Plain('The cluster is made of Debian’s packages.');
  checkNode();
  ensurePackages();
  if (!STORM) ensureApp();
  const programs = ensureCluster();
  const folder = mkdtempSync('/var/lib/green-tally-cluster-');
  chmodSync(folder, 0o755);
  ends.push(() => rmSync(folder, { recursive: true, force: true }));
  say('Starting three etcd, two PostgreSQL nodes under Patroni, and HAProxy');
  const nodes = await startNodes({ folder, programs, firstPort: 55_100 });
  ends.push(() => nodes.end());
  await nodes.settled();
  say('Starting two servers and a worker');
  const bases = await startServers(nodes.url, ends);
  if (STORM) return storm(nodes, bases);
  process.stdout.write(`
  Two servers on one database that fails over:
    ${bases.join('\n    ')}
  Nodes: ${nodes.nodes.map((n) => `${n.name} at 127.0.0.1:${n.sql}, its health at :${n.rest}/patroni`).join('; ')}
  Ctrl-C stops everything and forgets it: this shows how it is put together (docs/OPERATIONS.md).

`);
  // until it is stopped
  await new Promise(() => setInterval(() => undefined, 60_000));
}

await tidily(main);
