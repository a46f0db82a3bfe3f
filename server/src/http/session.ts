import connectPgSimple from 'connect-pg-simple';
import type { Request, RequestHandler, Response } from 'express';
import session from 'express-session';
import type { Person } from '@green-tally/core/contracts';
import type { Database } from '../db';
import { findPerson, type SignedIn } from '../people/people';
import { LONGEST_MS, SESSION_MS } from '../people/sessions';
import { readerOf } from '../tokens/tokens';
import { mayDo, type Right } from '@green-tally/core/rights';
import { Forbidden, NotSignedIn } from '../errors';

declare module 'express-session' {
  interface SessionData {
    personId: string;
    startedAt: string;
    /** what the device said of itself */
    device: string;
  }
}

const COOKIE = 'green-tally';

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
    cookie: { httpOnly: true, sameSite: 'strict', maxAge: SESSION_MS, secure: 'auto' },
  });
}

/**
 * Writes must come from our own pages. A browser says where a request comes from: anything but the
 * very same origin is refused, another port of this machine and a page without an origin among them.
 * What says nothing is no browser, so no foreign page is behind it (decision 035).
 */
export const ownOrigin: RequestHandler = (req, _res, next) => {
  const reading = ['GET', 'HEAD', 'OPTIONS'].includes(req.method);
  if (!reading && !isOwn(req.get('sec-fetch-site'), req.get('origin'), req.get('host')))
    throw new Forbidden('Wrong origin', 'Changes are only taken from the app itself.');
  next();
};

function isOwn(
  site: string | undefined,
  origin: string | undefined,
  host: string | undefined,
): boolean {
  if (site !== undefined && site !== 'same-origin') return false;
  return origin === undefined || (URL.canParse(origin) && new URL(origin).host === host);
}

/** Whose session this is; null where nobody is signed in, or the session has lasted long enough. */
export async function signedIn({ session: now }: Request): Promise<SignedIn | null> {
  if (!now.personId || tooLong(now.startedAt)) return null;
  return findPerson(now.personId);
}

const tooLong = (startedAt: string | undefined): boolean =>
  startedAt !== undefined && Date.now() - Date.parse(startedAt) > LONGEST_MS;

/** What a door knows of its route. */
interface Doorway {
  /** may be done by one who is to set their own password first */
  readonly first: boolean;
  readonly route: string;
  readonly now: () => Date;
}

/** The token a request brings instead of a session; undefined where it brings none. */
export const bearerOf = (req: Request): string | undefined =>
  /^Bearer +(gt_\S+)$/i.exec(req.get('authorization') ?? '')?.[1];

/** Whoever reads by a token, where it may read this. @throws NotSignedIn, Forbidden */
async function tokenReader(key: string, { route, now }: Doorway): Promise<Person> {
  const found = await readerOf(key, route, now());
  if (!found)
    throw new NotSignedIn(
      'No such token',
      'It was taken back, has ended, or was not copied whole.',
    );
  if (!found.may)
    throw new Forbidden(
      'Not in this token',
      'This token reads other lists. An admin makes one for this.',
    );
  return found.person;
}

/** Requires a signed-in person who holds the right, or a token that reads this; 401 and 403 otherwise. */
export function allow(right: Right, doorway: Doorway): RequestHandler {
  return async (req, res, next) => {
    const token = bearerOf(req);
    if (token !== undefined) {
      res.locals['person'] = await tokenReader(token, doorway);
      return next();
    }
    const found = await signedIn(req);
    if (!found) throw new NotSignedIn('Not signed in', 'Sign in first.');
    const { person, mustChange } = found;
    if (mustChange && !doorway.first)
      throw new Forbidden('Your own password first', 'Set a password of your own first.');
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
      req.session.startedAt = new Date().toISOString();
      req.session.device = (req.get('user-agent') ?? '').slice(0, 200);
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
