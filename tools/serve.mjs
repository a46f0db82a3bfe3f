// Brings the whole place up: packages, app, database, server. Used by demo and start.
import { join } from 'node:path';
import { forgetCluster, startCluster } from './cluster.mjs';
import {
  bundleServer,
  checkNode,
  DATA,
  ensureApp,
  ensurePackages,
  Plain,
  portFree,
  say,
  startStandIns,
  startUntil,
  stop,
} from './house.mjs';

/** @param {{ demo: boolean, fresh?: boolean, port: number }} wish */
export async function bringUp({ demo, fresh = false, port }) {
  checkNode();
  if (!(await portFree(port)))
    throw new Plain(
      `Port ${port} is taken. Stop what uses it, or choose another: PORT=${port + 1} npm ${demo ? 'run demo' : 'start'}`,
    );
  ensurePackages();
  ensureApp();
  const server = bundleServer();
  const folder = join(DATA, demo ? 'demo' : 'real');
  let cluster;
  let child;
  let standIns;
  let ending;
  const end = () =>
    (ending ??= (async () => {
      say('Stopping');
      await stop(child);
      await standIns?.end();
      await cluster?.stop();
    })());
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end());
  try {
    if (fresh && !process.env.DATABASE_URL) {
      say('Starting over: forgetting the data kept so far');
      await forgetCluster(folder);
    }
    if (!process.env.DATABASE_URL) {
      say('Starting the database');
      cluster = await startCluster(folder);
    }
    if (demo) standIns = await startStandIns(port + 10);
    say('Starting the server');
    const env = {
      ...process.env,
      DATABASE_URL: process.env.DATABASE_URL ?? cluster.url,
      PORT: String(port),
      GREEN_TALLY_DEMO: demo ? '1' : '',
      ...standIns?.env,
    };
    const started = startUntil(process.execPath, ['--enable-source-maps', server], /listening on/, {
      name: 'The server',
      env,
      echo: true,
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    });
    child = started.child;
    await started.ready;
    child.once('exit', (code) => {
      if (!ending) process.stderr.write(`\n✗ The server ended (${code}).\n`);
      process.exitCode = ending ? 0 : 1;
      void end();
    });
  } catch (error) {
    await end();
    throw error;
  }
  return { end, address: `http://127.0.0.1:${port}`, standIns };
}
