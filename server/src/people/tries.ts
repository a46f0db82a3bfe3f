import { createHash } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Database } from '../db';
import { TooMany } from '../errors';

/** So many wrong passwords of one account, from wherever they come, before it rests. */
const MOST = 10;
const RESTS_S = 600;

/** Names are not kept in clear beside what was tried. */
const keyOf = (signIn: string): string =>
  `account ${createHash('sha256').update(signIn.trim().toLowerCase()).digest('base64url')}`;

/**
 * Counts a try before it is made, so that many at once are counted too. An account that was tried
 * too often rests: a right password is refused as well, or trying on would pay.
 * @throws TooMany
 */
export async function countTry(db: Database, signIn: string): Promise<void> {
  const [row] = await db.sequelize.query<{ hits: number }>(
    `INSERT INTO tries AS t (key, hits, until) VALUES ($1, 1, now() + $2 * interval '1 s')
     ON CONFLICT (key) DO UPDATE SET
       hits = CASE WHEN t.until <= now() THEN 1 ELSE t.hits + 1 END,
       until = CASE WHEN t.until <= now() THEN excluded.until ELSE t.until END
     RETURNING hits`,
    { bind: [keyOf(signIn), RESTS_S], type: QueryTypes.SELECT },
  );
  if ((row?.hits ?? 1) > MOST)
    throw new TooMany(
      'Too many tries',
      'This account rests for ten minutes, for its password was tried too often. An admin can set a new one.',
    );
}

/** The right password was given, or an admin has set one: what was tried before counts no more. */
export async function forgetTries(db: Database, signIn: string): Promise<void> {
  await db.sequelize.query('DELETE FROM tries WHERE key = $1', { bind: [keyOf(signIn)] });
}
