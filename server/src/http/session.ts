import connectPgSimple from 'connect-pg-simple';
import type { RequestHandler, Response } from 'express';
import session from 'express-session';
import type { Person } from '@green-tally/core/contracts';
import type { Database } from '../db';
import { findPerson } from '../people/people';
import { ProblemError } from './problem';
import { mayDo, type Right } from './roles';

declare module 'express-session' {
  interface SessionData {
    personId: string;
  }
}

const TWO_WEEKS = 14 * 24 * 3600 * 1000;

/** Sessions kept in PostgreSQL, so that any server process knows them; the cookie is out of reach of scripts and other sites. */
export function sessions(db: Database, secret: string): RequestHandler {
  const Store = connectPgSimple(session);
  return session({
    store: new Store({ pool: db.pool, tableName: 'session', pruneSessionInterval: false }),
    name: 'green-tally',
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
    throw new ProblemError(403, 'Wrong origin', 'Changes are only taken from the app itself.');
  }
  next();
};

/** Requires a signed-in person who holds the right; 401 and 403 otherwise. */
export function allow(right: Right): RequestHandler {
  return async (req, res, next) => {
    const person = req.session.personId ? await findPerson(req.session.personId) : null;
    if (!person) throw new ProblemError(401, 'Not signed in', 'Sign in first.');
    if (!mayDo(person.role, right))
      throw new ProblemError(
        403,
        'Not yours to do',
        `A ${person.role} cannot do this here. Ask a planner or admin.`,
      );
    res.locals['person'] = person;
    next();
  };
}

/** The person that {@link allow} let through. */
export function personOf(res: Response): Person {
  return res.locals['person'] as Person;
}
