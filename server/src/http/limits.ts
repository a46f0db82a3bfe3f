import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { TooMany } from '../errors';

/** At most twenty failed tries a minute and address, for doors that take a password. */
export function limitTries(): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: 20,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: (_req, _res, next) =>
      next(new TooMany('Too many tries', 'Wait a minute, then try again.')),
  });
}
