// A server on a throw-away database of its own, for the tests and for what is measured or pictured.
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { throwAwayCluster } from './cluster.mjs';
import { bundle, bundleServer, freePort, ROOT, startStandIns, startUntil, stop } from './house.mjs';

/**
 * Starts a server with its worker on an empty database, or on the demo's, or on the demo's machines
 * and copies of them.
 * @param {{ databasePort: number, firstPort: number, demo?: boolean, machines?: number, copyOf?: string }} wish
 *   `machines`: so many are on the books; `copyOf`: a filled database to begin with
 * @returns its address, its database's, its process's id, what filling said, and how to end it all
 */
export async function throwAwayPlace({ databasePort, firstPort, demo = true, machines, copyOf }) {
  const cluster = await throwAwayCluster(databasePort, copyOf);
  let child;
  let standIns;
  let ended;
  const endAll = async () => {
    await stop(child);
    await standIns?.end();
    await cluster.stop();
  };
  const end = () => (ended ??= endAll());
  try {
    if (demo) standIns = await startStandIns(firstPort + 5);
    const env = {
      ...process.env,
      DATABASE_URL: cluster.url,
      GREEN_TALLY_DEMO: demo ? '1' : '',
      OUTBOX_DIR: join(ROOT, 'test-results', 'outbox'),
      ...(standIns?.env ?? { GREEN_TALLY_GAUGE: '', GREEN_TALLY_STOCK: '', GREEN_TALLY_FLEET: '' }),
    };
    const filled = machines === undefined ? '' : fill({ ...env, MACHINES: String(machines) });
    const port = await freePort(firstPort);
    const started = startUntil(process.execPath, [bundleServer()], /listening on/, {
      name: 'The server',
      env: { ...env, PORT: String(port) },
    });
    child = started.child;
    await started.ready;
    return { url: `http://127.0.0.1:${port}`, database: cluster.url, pid: child.pid, filled, end };
  } catch (error) {
    await end();
    throw error;
  }
}

/** Starts several side by side; where one does not start, none stays. */
export async function throwAwayPlaces(wishes) {
  const started = await Promise.allSettled(wishes.map(throwAwayPlace));
  const failed = started.find((s) => s.status === 'rejected');
  if (!failed) return started.map((s) => s.value);
  for (const { value } of started) await value?.end();
  throw failed.reason;
}

/** The demo's database, filled and stopped, for places to begin with a copy of it; what it holds is beside it. */
export async function demoToCopy(databasePort) {
  const cluster = await throwAwayCluster(databasePort);
  try {
    fill({
      ...process.env,
      ...{ DATABASE_URL: cluster.url, SCENARIO: join(cluster.home, 'scenario.json') },
    });
  } catch (error) {
    await cluster.stop();
    throw error;
  }
  await cluster.stop({ keep: true });
  return { home: cluster.home, end: () => rmSync(cluster.home, { recursive: true, force: true }) };
}

function fill(env) {
  const program = bundle('server/src/cli/fill.ts', 'server/dist/fill.mjs');
  const done = spawnSync(process.execPath, [program], { env, encoding: 'utf8' });
  if (done.status !== 0) throw new Error(done.stderr);
  return done.stdout;
}
