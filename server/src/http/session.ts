import connectPgSimple from 'connect-pg-simple';
import type { Request, RequestHandler, Response } from 'express';
import session from 'express-session';
import type { Person } from '@green-tally/core/contracts';
import type { Database } from '../db';
import { findPerson } from '../people/people';
import { mayDo, type Right } from '@green-tally/core/rights';
import { Forbidden, NotSignedIn } from '../errors';

declare module 'express-session' {
  interface SessionData {
    personId: string;
  }
}

const COOKIE = 'green-tally';
const TWO_WEEKS = 14 * 24 * 3600 * 1000;

/**
 * Sessions kept in PostgreSQL, so that any server process knows them; the cookie is out of reach of
 * scripts and other sites.
 */
export function sessions(db: Database, secret: string): RequestHandler {
  const Store = connectPgSimple(session);
  return session({
    store: new Store({ pool: db.pool, tableName: 'session', pruneSessionInterval: false }),
    name: COOKIE,
    secret,
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: 'strict', maxAge: TWO_WEEKS, secure: 'auto' },
  });
}

/** Writes must come from our own pages: a foreign Origin is refused. */
export const ownOrigin: RequestHandler = (req, _res, next) => {
  const origin = req.get('origin');
  const reading = ['GET', 'HEAD', 'OPTIONS'].includes(req.method);
  if (
    !reading &&
    (req.get('sec-fetch-site') === 'cross-site' ||
      (origin && origin !== 'null' && new URL(origin).host !== req.get('host')))
  ) {
    throw new Forbidden('Wrong origin', 'Changes are only taken from the app itself.');
  }
  next();
};

/** Requires a signed-in person who holds the right; 401 and 403 otherwise. */
export function allow(right: Right): RequestHandler {
  return async (req, res, next) => {
    const person = req.session.personId ? await findPerson(req.session.personId) : null;
    if (!person) throw new NotSignedIn('Not signed in', 'Sign in first.');
    if (!mayDo(person.role, right))
      throw new Forbidden(
        'Not yours to do',
        `A ${person.role} cannot do this here. Ask a planner or admin.`,
      );
    res.locals['person'] = person;
    next();
  };
}

/** Begins a session anew, so that one fixed before signing in is worth nothing. */
export function beginSession(req: Request, personId: string): Promise<void> {
  return new Promise((resolve, reject) =>
    req.session.regenerate((error: unknown) => {
      if (error) return reject(error instanceof Error ? error : new Error(String(error)));
      req.session.personId = personId;
      resolve();
    }),
  );
}

/** Ends the session and takes the cookie back. */
export function endSession(req: Request, res: Response): Promise<void> {
  return new Promise((resolve, reject) =>
    req.session.destroy((error: unknown) => {
      if (error) return reject(error instanceof Error ? error : new Error(String(error)));
      res.clearCookie(COOKIE);
      resolve();
    }),
  );
}

/** The person that {@link allow} let through; undefined where anyone may come in. */
export function personOf(res: Response): Person | undefined {
  return res.locals['person'] as Person | undefined;
}
