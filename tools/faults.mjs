// npm run faults [-- --faults 1000 --seed 1]: phones send readings, walks, ticks and photos while the
// server is killed, the database is killed, connections are cut at every step of signing on, answers
// are lost, the store for photos is full, and phones' clocks jump. At the end the database holds what
// was taken, each once, unchanged.
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyHome, startCluster } from './cluster.mjs';
import {
  bundleServer,
  checkNode,
  ensurePackages,
  freePort,
  keepRunning,
  say,
  startUntil,
} from './house.mjs';
import { phone } from './faults/phone.mjs';
import { pause, randomFrom } from './faults/random.mjs';
import { DAY } from './faults/season.mjs';
import { given, sending, tickOf, tidily } from './faults/shared.mjs';
import { answerWire, databaseWire, photoShelf } from './faults/wires.mjs';
import { share } from './ask.mjs';

const FAULTS = given('faults', 1000);
const SEED = given('seed', 1);
const PHONES = 6;

/** How often each kind of fault comes, of a hundred. */
const KINDS = {
  'answer lost': 46,
  'sign-on to the database cut': 26,
  'all connections to the database cut': 12,
  'store for photos full': 4,
  'database killed': 6,
  'server killed': 6,
};

/** Database, wires and server, each of which can be killed. */
async function bringUp(ends) {
  const folder = mkdtempSync(join(tmpdir(), 'green-tally-faults-'));
  chmodSync(folder, 0o755);
  ends.push(() => rmSync(folder, { recursive: true, force: true }));
  // npm test has filled one ahead
  if (process.env.GREEN_TALLY_FILLED) copyHome(process.env.GREEN_TALLY_FILLED, folder);
  const cluster = await startCluster(folder, { quiet: true, firstPort: 54_960 });
  ends.push(() => cluster.stop());
  const port = Number(new URL(cluster.url).port);
  const wire = await databaseWire(port);
  ends.push(() => wire.end());
  const shelf = await photoShelf();
  ends.push(() => shelf.end());
  const url = cluster.url.replace(`:${port}/`, `:${wire.port}/`);
  const own = await freePort(8680);
  const program = bundleServer();
  const env = {
    ...process.env,
    DATABASE_URL: url,
    PORT: String(own),
    GREEN_TALLY_DEMO: '1',
    GREEN_TALLY_GAUGE: '',
    GREEN_TALLY_STOCK: '',
    PHOTOS_S3_BUCKET: 'photos',
    PHOTOS_S3_ENDPOINT: shelf.url,
    AWS_ACCESS_KEY_ID: 'stand-in',
    AWS_SECRET_ACCESS_KEY: 'stand-in',
    LOG_LEVEL: 'silent',
  };
  let server;
  await new Promise((ready, fail) => {
    server = keepRunning({
      name: 'The server',
      quiet: true,
      most: Infinity,
      start: () => {
        const started = startUntil(process.execPath, [program], /listening on/, {
          name: 'The server',
          env,
          stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
        });
        started.ready.then(ready, fail);
        return started.child;
      },
    });
  });
  ends.push(() => server.stop());
  const answers = await answerWire(`http://127.0.0.1:${own}`);
  ends.push(() => answers.end());
  return { cluster, wire, shelf, server, answers, own };
}

/** Brings one fault about, and tells how long it took until a write was answered again, ms. */
async function fault(kind, { cluster, wire, shelf, server, answers, random, watch }) {
  switch (kind) {
    case 'answer lost':
      answers.loseNext(1);
      return;
    case 'sign-on to the database cut':
      wire.cutNext(random.below(8));
      return;
    case 'all connections to the database cut':
      wire.cutAll();
      break;
    case 'store for photos full':
      shelf.full(true);
      await pause(400);
      shelf.full(false);
      return;
    case 'database killed':
      process.kill(cluster.pid(), 'SIGKILL');
      break;
    case 'server killed':
      process.kill(server.child().pid, 'SIGKILL');
      break;
  }
  return watch();
}

async function storm(ends) {
  checkNode();
  ensurePackages();
  say(`A storm of ${FAULTS} faults, seed ${SEED}`);
  const place = await bringUp(ends);
  const random = randomFrom(SEED);
  const phones = Array.from({ length: PHONES }, (_, i) =>
    phone(place.answers.url, ['ines', 'bram', 'tobin'][i % 3]),
  );
  const { places, script, over, end, tell } = await sending(phones, SEED);
  // a write on its own, again and again: when the place works again it is answered
  const watcher = phone(`http://127.0.0.1:${place.own}`, 'ines');
  const watch = async () => {
    const from = performance.now();
    // what was under way when it fell is over
    await pause(20);
    const id = randomFrom(Math.round(from)).uuid();
    await watcher.send('POST', '/ticks', tickOf(id, places[0].machine.id, DAY));
    return performance.now() - from;
  };
  const bag = Object.entries(KINDS).flatMap(([kind, n]) => Array.from({ length: n }, () => kind));
  const counts = {};
  const recovery = {};
  const begun = performance.now();
  for (let n = 0; n < FAULTS && !over(); n += 1) {
    const kind = random.one(bag);
    counts[kind] = (counts[kind] ?? 0) + 1;
    const ms = await fault(kind, { ...place, random, watch });
    if (ms !== undefined) (recovery[kind] ??= []).push(ms);
    await pause(20 + random.below(120));
    if (n % 100 === 99) say(`${n + 1} faults, ${script.readings.size} readings taken`);
  }
  await end();
  for (const [kind, n] of Object.entries(counts)) process.stdout.write(`  ${n} × ${kind}\n`);
  for (const [kind, times] of Object.entries(recovery))
    process.stdout.write(
      `  after ${kind}: a write is answered after ${share(times, 0.5).toFixed(0)} ms (median), ${Math.max(...times).toFixed(0)} ms at most\n`,
    );
  const tried = phones.reduce((sum, p) => sum + p.told.tries, 0);
  const unanswered = phones.reduce((sum, p) => sum + p.told.unanswered + p.told.later, 0);
  process.stdout.write(
    `  ${tried} requests in ${((performance.now() - begun) / 1000).toFixed(0)} s, ${unanswered} of them sent again\n`,
  );
  await tell(place.cluster.url);
}

await tidily(storm);
