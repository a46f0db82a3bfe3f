import { timingSafeEqual } from 'node:crypto';
import { Router, type Request, type Response } from 'express';
import type { Database } from '../db';
import type { Metrics } from './metrics';

/** A database that has not answered by then is away, ms. */
const PATIENCE_MS = 2000;

async function answers(db: Database): Promise<boolean> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<boolean>((done) => {
    timer = setTimeout(() => done(false), PATIENCE_MS);
  });
  const asked = db.pool.query('SELECT 1').then(
    () => true,
    () => false,
  );
  return Promise.race([asked, late]).finally(() => clearTimeout(timer));
}

/** What those who run it ask, beside the API. `token`: opens the metrics to others than this machine. */
export interface Watching {
  readonly db: Database;
  readonly metrics?: Metrics | undefined;
  readonly token?: string | undefined;
}

/**
 * /health: this process is alive. /ready: it can do its work, the database answers. /metrics: how it
 * goes, as Prometheus reads it, for this machine or for whoever has the token.
 */
export function health({ db, metrics, token }: Watching): Router {
  const router = Router();
  router.get('/health', (_req, res) => void fresh(res).json({ alive: true }));
  router.get('/ready', async (_req, res) => {
    const ready = await answers(db);
    if (!ready) res.set('retry-after', '3');
    fresh(res)
      .status(ready ? 200 : 503)
      .json({ ready, database: ready ? 'answers' : 'away' });
  });
  router.get('/metrics', async (req, res) => {
    if (!metrics || !mayRead(req, token)) return void fresh(res).status(404).end();
    const { type, text } = await metrics.told(await answers(db));
    fresh(res).type(type).send(text);
  });
  return router;
}

const fresh = (res: Response): Response => res.set('cache-control', 'no-store');

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

function mayRead(req: Request, token: string | undefined): boolean {
  if (!token) return LOOPBACK.test(req.socket.remoteAddress ?? '') && !req.get('x-forwarded-for');
  const given = Buffer.from(req.get('authorization')?.replace(/^Bearer /, '') ?? '');
  const wanted = Buffer.from(token);
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}
