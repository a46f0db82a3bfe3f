import { createWriteStream } from 'node:fs';
import { rename } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { randomBytes } from 'node:crypto';
import { bringIn } from '../archive/read';
import { writeArchive } from '../archive/write';
import { openDatabase, PersonRow, type Database } from '../db';
import { Refusal } from '../errors';
import { hashPassword } from '../people/passwords';
import { databaseStore } from '../photos/store';
import { photoStore } from '../photos/chosen';

/**
 * `out FILE`, `look FILE`, `in FILE`: everything of DATABASE_URL as an archive, and back; `password
 * SIGN-IN`: a password for the first who signs in after it. For `npm run archive`.
 */
async function run(db: Database): Promise<void> {
  const [what = '', name = ''] = process.argv.slice(2);
  const photos = (await photoStore()) ?? databaseStore(db.sequelize);
  if (what === 'out') return out(db, photos, name);
  if (what === 'password') return password(name);
  const taken = await bringIn(name, { db, photos, look: what === 'look' });
  for (const { name: list, rows } of taken.lists) if (rows) say(`  ${list}: ${rows}`);
  say(`  photos: ${taken.photos}, pages of books: ${taken.pages}`);
  say(
    taken.stored
      ? 'Brought in. Nobody has a password yet: npm run archive -- password <sign-in name>'
      : 'It can be brought in. Nothing was stored.',
  );
}

const say = (text: string) => process.stdout.write(`${text}\n`);

async function out(
  db: Database,
  photos: ReturnType<typeof databaseStore>,
  file: string,
): Promise<void> {
  // half an archive must not look like a whole one
  const part = `${file}.part`;
  const by = 'npm run archive';
  await pipeline(writeArchive({ db, photos, by, now: new Date() }), createWriteStream(part));
  await rename(part, file);
  say(`Written: ${file}`);
}

async function password(signIn: string): Promise<void> {
  const row = await PersonRow.findOne({ where: { signIn } });
  if (!row) throw new Error(`Nobody signs in as ${signIn}.`);
  const once = randomBytes(9).toString('base64url');
  await row.update({ passwordHash: await hashPassword(once), mustChange: true });
  say(`${row.name} signs in once with ${once} and sets another then.`);
}

const db = await openDatabase(process.env['DATABASE_URL'] ?? '');
try {
  await run(db);
} catch (error) {
  if (!(error instanceof Error)) throw error;
  process.stderr.write(`${error.message}\n`);
  if (error instanceof Refusal)
    for (const { field, message } of error.errors ?? [])
      process.stderr.write(`  ${field}: ${message}\n`);
  process.exitCode = 1;
} finally {
  await db.close();
}
