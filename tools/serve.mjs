// Brings the whole place up: packages, app, database, server. Used by demo and start.
import { join } from 'node:path';
import { forgetCluster, startCluster } from './cluster.mjs';
import {
  bundleServer,
  checkNode,
  DATA,
  ensureApp,
  ensurePackages,
  keepRunning,
  Plain,
  portFree,
  say,
  startStandIns,
  startUntil,
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
  const program = bundleServer();
  const folder = join(DATA, demo ? 'demo' : 'real');
  let cluster;
  let server;
  let standIns;
  let ending;
  const end = () =>
    (ending ??= (async () => {
      say('Stopping');
      await server?.stop();
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
      // mail is a stand-in: what would be sent is written here
      OUTBOX_DIR: process.env.OUTBOX_DIR ?? join(folder, 'outbox'),
      ...standIns?.env,
    };
    await new Promise((ready, fail) => {
      server = keepRunning({
        name: 'The server',
        start: () => {
          const started = startUntil(
            process.execPath,
            ['--enable-source-maps', program],
            /listening on/,
            {
              name: 'The server',
              env,
              echo: true,
              detached: true,
              stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
            },
          );
          // the first start tells why it failed; later ones are told of when they end
          started.ready.then(ready, fail);
          return started.child;
        },
        fallen: (code) => {
          if (!ending) process.stderr.write(`\n✗ The server ended (${code}).\n`);
          process.exitCode = ending ? 0 : 1;
          void end();
        },
      });
    });
  } catch (error) {
    await end();
    throw error;
  }
  return { end, address: `http://127.0.0.1:${port}`, standIns };
}
