import { fork, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DEMO_PASSWORD, DEMO_PEOPLE } from '@green-tally/demo';
import { openDatabase, SettingRow, type Database } from '../db';
import { loadDemo } from '../demo/load';
import { createApp } from '../http/app';
import { clockFor } from '../clock';
import { openMetrics } from '../http/metrics';
import { fileMailer } from '../reports/mail';
import type { Setting } from '../http/setting';
import { photoStore } from '../photos/chosen';
import { readersOn } from './readApart';

/**
 * Starts the server and its workers: DATABASE_URL, PORT (8461), HOST (127.0.0.1), APP_DIR,
 * GREEN_TALLY_DEMO=1, WORKERS (1; 0 where workers are started by themselves). PHOTOS_S3_BUCKET puts
 * photos into an S3-compatible store: PHOTOS_S3_ENDPOINT, PHOTOS_S3_REGION, and the keys in
 * AWS_ACCESS_KEY_ID and AWS_SECRET_ACCESS_KEY. OUTBOX_DIR: where the stand-in for mail writes its
 * files. GREEN_TALLY_GAUGE: address of a wireless gauge; GREEN_TALLY_STOCK: of the stock service;
 * GREEN_TALLY_FLEET: of the fleet service. TRUST_PROXY: addresses of the proxy before it, whose word
 * on who asks is taken; METRICS_TOKEN opens /metrics to other machines; LOG_LEVEL (warn).
 */
async function serve(): Promise<void> {
  const url = process.env['DATABASE_URL'];
  if (!url)
    throw new Error('DATABASE_URL is not set. Use npm start, which brings its own database.');
  const db = await openDatabase(url);
  const demo = process.env['GREEN_TALLY_DEMO'] === '1';
  const statedDay = demo ? await loadDemo(db) : undefined;
  const here = dirname(fileURLToPath(import.meta.url));
  const appDir = process.env['APP_DIR'] ?? join(here, '../../app/dist');
  const photos = await photoStore();
  const app = createApp({
    db,
    clock: clockFor(statedDay),
    sessionSecret: await secretOf(db),
    ...(existsSync(appDir) ? { appDir } : {}),
    ...(photos ? { photos } : {}),
    patience: PATIENCE_MS,
    ...outside(),
    readers: readersOn(join(here, 'readFile.mjs')),
    metrics: openMetrics(db),
    metricsToken: process.env['METRICS_TOKEN'] || undefined,
    proxy: process.env['TRUST_PROXY'] || undefined,
    logLevel: process.env['LOG_LEVEL'] || undefined,
    demoSignIns: demo
      ? DEMO_PEOPLE.map(({ name, signIn, role }) => ({
          name,
          signIn,
          role,
          password: DEMO_PASSWORD,
        }))
      : [],
  });
  const port = Number(process.env['PORT'] ?? 8461);
  const host = process.env['HOST'] ?? '127.0.0.1';
  const server: Server = app.listen(port, host, (error?: Error) => {
    if (error) {
      process.stderr.write(`Cannot listen on ${host}:${port}: ${error.message}\n`);
      process.exit(1);
    }
    process.stdout.write(`listening on ${host}:${port}\n`);
  });
  const workers = Array.from({ length: Number(process.env['WORKERS'] ?? 1) }, () =>
    keepWorking(join(here, 'work.mjs')),
  );
  const close = () => {
    // a database that is gone keeps nobody from leaving
    setTimeout(() => process.exit(1), LEAVES_MS).unref();
    workers.forEach((w) => w.stop());
    server.close(() => void db.close().finally(() => process.exit(0)));
    server.closeAllConnections();
  };
  process.once('SIGTERM', close);
  process.once('SIGINT', close);
  // started by npm run demo or npm start: when that is gone, however it went, this goes too
  process.once('disconnect', close);
}

/** Devices and services outside, or what stands in for them. */
function outside(): Pick<Setting, 'gauge' | 'stock' | 'fleet' | 'mail'> {
  const of = (name: string) => process.env[name] || undefined;
  const [gauge, outbox] = [of('GREEN_TALLY_GAUGE'), of('OUTBOX_DIR')];
  return {
    stock: of('GREEN_TALLY_STOCK'),
    fleet: of('GREEN_TALLY_FLEET'),
    ...(gauge ? { gauge } : {}),
    ...(outbox ? { mail: fileMailer(outbox) } : {}),
  };
}

/** A server that was told to end is gone by then, ms. */
const LEAVES_MS = 8000;

/** Workers have judged what was written to within this time, or none is at work. */
const PATIENCE_MS = 60_000;

/** A worker in a process of its own; one that breaks down is started anew. */
function keepWorking(program: string): { stop(): void } {
  let child: ChildProcess;
  let stopped = false;
  const start = () => {
    child = fork(program, [], { execArgv: ['--enable-source-maps'] });
    child.once('exit', (code) => {
      if (stopped) return;
      process.stderr.write(`A worker ended (${code}); starting another.\n`);
      setTimeout(() => stopped || start(), 1000);
    });
  };
  start();
  return {
    stop() {
      stopped = true;
      child.kill('SIGTERM');
    },
  };
}

/**
 * The secret that signs session cookies: made once, kept in the database, so that every process
 * shares it.
 */
async function secretOf(db: Database): Promise<string> {
  await db.sequelize.query(
    `INSERT INTO settings VALUES ('sessionSecret', :secret) ON CONFLICT DO NOTHING`,
    { replacements: { secret: randomBytes(32).toString('base64url') } },
  );
  return (await SettingRow.findByPk('sessionSecret', { rejectOnEmpty: true })).value;
}

serve().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
