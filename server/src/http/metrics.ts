import type { RequestHandler, Response } from 'express';
import { QueryTypes } from 'sequelize';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import type { Database } from '../db';

/** What is counted of a process and its database. */
export interface Metrics {
  /** counts a request and how long it took; stands before all others */
  readonly watch: RequestHandler;
  /** all of it, as Prometheus reads it */
  told(databaseUp: boolean): Promise<{ readonly type: string; readonly text: string }>;
}

const ROUTE = 'route';
/** Names the route that took a request, for what is counted: never its path, which has ids. */
export const nameRoute = (res: Response, route: string): void => {
  res.locals[ROUTE] = route;
};

/** Requests are over in this time, or worth looking at, s. */
const BUCKETS = [0.01, 0.03, 0.1, 0.3, 1, 3, 10];

/** What a process tells of itself, and of the database it shares. */
export function openMetrics(db: Database): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry, prefix: 'green_tally_' });
  const registers = [registry];
  const took = new Histogram({
    name: 'green_tally_request_seconds',
    help: 'How long requests took, by route of the table and status',
    labelNames: ['route', 'status'] as const,
    buckets: BUCKETS,
    registers,
  });
  const unavailable = new Counter({
    name: 'green_tally_database_away_total',
    help: 'Requests that were answered 503 because the database was away',
    registers,
  });
  const up = new Gauge({
    name: 'green_tally_database_up',
    help: '1 when the database answers',
    registers,
  });
  const jobs = new Gauge({
    name: 'green_tally_jobs_waiting',
    help: 'Jobs that wait or are under way, by queue',
    labelNames: ['queue'] as const,
    registers,
  });
  const oldest = new Gauge({
    name: 'green_tally_oldest_job_seconds',
    help: 'How long the job has waited that waits longest',
    registers,
  });
  const behind = new Gauge({
    name: 'green_tally_machines_behind',
    help: 'Machines whose standing is older than their facts',
    registers,
  });
  return {
    watch: (_req, res, next) => {
      const begun = process.hrtime.bigint();
      res.once('finish', () => {
        const route = String(res.locals[ROUTE] ?? 'other');
        took.observe(
          { route, status: String(res.statusCode) },
          Number(process.hrtime.bigint() - begun) / 1e9,
        );
        if (res.statusCode === 503) unavailable.inc();
      });
      next();
    },
    async told(databaseUp) {
      up.set(databaseUp ? 1 : 0);
      if (databaseUp) {
        const now = await shared(db);
        jobs.reset();
        now.queues.forEach(({ name, n }) => jobs.set({ queue: name }, n));
        oldest.set(now.oldest);
        behind.set(now.behind);
      }
      return { type: registry.contentType, text: await registry.metrics() };
    },
  };
}

async function shared({ sequelize }: Database) {
  const queues = await sequelize.query<{ name: string; n: number; oldest: number | null }>(
    `SELECT name, count(*)::int AS n, max(extract(epoch FROM now() - start_after))::float AS oldest
     FROM pgboss.job WHERE state IN ('created', 'retry', 'active') AND start_after <= now() GROUP BY name`,
    { type: QueryTypes.SELECT },
  );
  const [row] = await sequelize.query<{ behind: number }>(
    `SELECT count(*)::int AS behind FROM machines m LEFT JOIN machine_standings s ON s.machine_id = m.id
     WHERE s.version IS DISTINCT FROM m.version`,
    { type: QueryTypes.SELECT },
  );
  return {
    queues,
    oldest: Math.max(0, ...queues.map((q) => q.oldest ?? 0)),
    behind: row?.behind ?? 0,
  };
}
