import type { RequestHandler } from 'express';
import {
  ipKeyGenerator,
  rateLimit,
  type ClientRateLimitInfo,
  type Store,
} from 'express-rate-limit';
import { QueryTypes } from 'sequelize';
import { databaseAway, type Database } from '../db';
import { TooMany } from '../errors';
import { bearerOf } from './session';

const WINDOW_MS = 60_000;

/** Tries counted in the database, so that every server process counts the same. */
class TriesKept implements Store {
  readonly prefix = 'tries';
  constructor(private readonly db: Database) {}

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const [row] = await this.db.sequelize.query<{ hits: number; until: Date }>(
      `INSERT INTO tries AS t (key, hits, until) VALUES ($1, 1, now() + $2 * interval '1 ms')
       ON CONFLICT (key) DO UPDATE SET
         hits = CASE WHEN t.until <= now() THEN 1 ELSE t.hits + 1 END,
         until = CASE WHEN t.until <= now() THEN excluded.until ELSE t.until END
       RETURNING hits, until`,
      { bind: [key, WINDOW_MS], type: QueryTypes.SELECT },
    );
    return { totalHits: row?.hits ?? 1, resetTime: row?.until };
  }

  async decrement(key: string): Promise<void> {
    const taken = 'UPDATE tries SET hits = greatest(hits - 1, 0) WHERE key = $1 AND until > now()';
    // the answer is on its way: a try too many on record is all that a lost database costs
    await this.db.sequelize.query(taken, { bind: [key] }).catch((error: unknown) => {
      if (!databaseAway(error)) throw error;
    });
  }

  async resetKey(key: string): Promise<void> {
    await this.db.sequelize.query('DELETE FROM tries WHERE key = $1', { bind: [key] });
  }
}

/** At most twenty failed tries a minute and address, for doors that take a password. */
export function limitTries(db: Database): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: 20,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    store: new TriesKept(db),
    handler: (_req, _res, next) =>
      next(new TooMany('Too many tries', 'Wait a minute, then try again.')),
  });
}

/** At most thirty calls a minute and address, for doors without an account that keep what is sent. */
export function limitCalls(db: Database): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: 30,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: new TriesKept(db),
    keyGenerator: (req) => `calls ${ipKeyGenerator(req.ip ?? '')}`,
    handler: (_req, _res, next) =>
      next(new TooMany('Too much at once', 'Wait a minute; what was said is sent again then.')),
  });
}

/** At most so many calls a minute by one token: a spreadsheet asks seldom. */
const TOKEN_CALLS = 120;

/** Bounds what a token asks for; who comes without one is not counted. */
export function limitTokens(db: Database): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: TOKEN_CALLS,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skip: (req) => bearerOf(req) === undefined,
    store: new TriesKept(db),
    keyGenerator: (req) => `token ${(bearerOf(req) ?? '').split('~')[0] ?? ''}`,
    handler: (_req, _res, next) =>
      next(new TooMany('Too much at once', `A token asks at most ${TOKEN_CALLS} times a minute.`)),
  });
}
