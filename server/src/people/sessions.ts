import { createHash } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import type { OpenSession } from '@green-tally/core/contracts/staff';
import { within, type Database } from '../db';
import { NotFound } from '../errors';

/** A session lasts so long after it was used last, ms. */
export const SESSION_MS = 14 * 24 * 3600 * 1000;
/** And no longer than so long in all, however often it is used, ms. */
export const LONGEST_MS = 90 * 24 * 3600 * 1000;

/** A name of a session that does not open it. */
const nameOf = (sid: string): string =>
  createHash('sha256').update(sid).digest('base64url').slice(0, 22);

interface Kept {
  readonly sid: string;
  readonly started: string | null;
  readonly device: string | null;
  readonly expire: Date;
}

const keptOf = (db: Database, personId: string): Promise<Kept[]> =>
  db.sequelize.query<Kept>(
    `SELECT sid, sess->>'startedAt' AS started, sess->>'device' AS device, expire FROM session
     WHERE sess->>'personId' = $1 AND expire > now() ORDER BY expire DESC`,
    { bind: [personId], type: QueryTypes.SELECT },
  );

/** Devices that a person is signed in on, the one used last first. @param here sid of the one that asks */
export async function sessionsOf(
  db: Database,
  personId: string,
  here: string,
): Promise<OpenSession[]> {
  return (await keptOf(db, personId)).map(({ sid, started, device, expire }) => ({
    id: nameOf(sid),
    startedAt: started,
    lastSeen: new Date(expire.getTime() - SESSION_MS).toISOString(),
    device: deviceWords(device ?? ''),
    here: sid === here,
  }));
}

/** Ends one of a person's sessions. @throws NotFound */
export async function endOne(db: Database, personId: string, id: string): Promise<void> {
  const kept = (await keptOf(db, personId)).find(({ sid }) => nameOf(sid) === id);
  if (!kept) throw new NotFound('device');
  await db.sequelize.query('DELETE FROM session WHERE sid = $1', { bind: [kept.sid] });
}

/** Ends all sessions of a person, but for one. */
export async function endAll(
  db: Database,
  personId: string,
  { but = '', transaction }: { readonly but?: string; readonly transaction?: Transaction } = {},
): Promise<void> {
  await db.sequelize.query(`DELETE FROM session WHERE sess->>'personId' = $1 AND sid <> $2`, {
    bind: [personId, but],
    ...within(transaction),
  });
}

const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPhone|iPad/, 'a phone or tablet (iOS)'],
  [/Android/, 'a phone or tablet (Android)'],
  [/Windows/, 'a computer (Windows)'],
  [/Macintosh/, 'a computer (macOS)'],
  [/Linux|X11/, 'a computer (Linux)'],
];

/** What a device says of itself, in words. */
export const deviceWords = (agent: string): string =>
  SYSTEMS.find(([pattern]) => pattern.test(agent))?.[1] ??
  (agent ? 'a device' : 'a device that says nothing of itself');
