import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { ForeignKeyConstraintError, QueryTypes, type Transaction } from 'sequelize';
import { ARCHIVE_LISTS, type ArchiveList } from '@green-tally/core/archive';
import {
  ArchiveManifest,
  type ArchiveFile,
  type ArchiveTaken,
} from '@green-tally/core/contracts/archive';
import type { Person } from '@green-tally/core/contracts';
import { holdLock, PersonRow, planMoved, type Database } from '../db';
import { Conflict, fieldErrors, Invalid } from '../errors';
import { photoKey } from '../photos/photos';
import type { FileStore } from '../photos/store';
import { insertOf } from './sql';
import { noArchive, openZip, type OpenZip } from './zip';

/** Where an archive is brought in, and by whom. */
export interface BringingIn {
  readonly db: Database;
  readonly photos: FileStore;
  /** the admin who does it; stays able to sign in. Undefined: by command, into an empty place */
  readonly person?: Person | undefined;
  /** looked through only: all is done, and undone again */
  readonly look: boolean;
}

/** A manifest names every photo: so large at most, bytes. */
const MOST_MANIFEST = 64 * 1024 * 1024;
/** No row is longer, bytes. */
const MOST_ROW = 16 * 1024 * 1024;
/** What is unpacked at most, bytes. */
const MOST_ALL = 500 * 1024 ** 3;
/** What is read into memory as one file: a picture, a page, bytes. */
const MOST_FILE = 64 * 1024 * 1024;
const AT_ONCE = 500;

/**
 * Brings an archive into a place that is empty but for who set it up. It is stored whole or not at all,
 * and only where every file is what the manifest says.
 * @throws Invalid naming file, line and field; Conflict where the place is not empty
 */
export async function bringIn(file: string, bringing: BringingIn): Promise<ArchiveTaken> {
  const zip = await openZip(file);
  try {
    const manifest = await manifestOf(zip);
    return await taken(zip, manifest, bringing);
  } finally {
    zip.close();
  }
}

async function manifestOf(zip: OpenZip): Promise<ArchiveManifest> {
  const entry = zip.entries.get('manifest.json');
  if (!entry) throw noArchive('It has no manifest.json.');
  if (entry.uncompressedSize > MOST_MANIFEST) throw noArchive('Its manifest is too long.');
  const read = ArchiveManifest.safeParse(jsonOf(await whole(await zip.read('manifest.json'))));
  if (!read.success)
    throw new Invalid(
      'This is no archive that can be brought in',
      'Its manifest.json is not as it should be. Nothing was stored.',
      fieldErrors(read.error).slice(0, 20),
    );
  compare(zip, read.data);
  return read.data;
}

/** What is in the zip is what the manifest names, each as long as it says. */
function compare({ entries }: OpenZip, { files }: ArchiveManifest): void {
  const named = new Set(files.map((f) => f.path));
  if (named.size !== files.length) throw noArchive('Its manifest names a file twice.');
  const more = [...entries.keys()].find((name) => name !== 'manifest.json' && !named.has(name));
  if (more) throw noArchive(`${more} is in it and not in its manifest.`);
  let all = 0;
  for (const { path, bytes } of files) {
    const entry = entries.get(path);
    if (!entry) throw noArchive(`${path} is in its manifest and not in it.`);
    if (entry.uncompressedSize !== bytes)
      throw noArchive(`${path} is ${entry.uncompressedSize} bytes long, not ${bytes}.`);
    all += bytes;
  }
  if (all > MOST_ALL) throw noArchive('It is larger than any archive.');
  for (const { name } of ARCHIVE_LISTS)
    if (!named.has(`data/${name}.jsonl`)) throw noArchive(`data/${name}.jsonl is missing.`);
}

/** It was looked through, and nothing of it stays. */
class LookedThrough extends Error {
  constructor(readonly taken: ArchiveTaken) {
    super();
  }
}

async function taken(
  zip: OpenZip,
  manifest: ArchiveManifest,
  bringing: BringingIn,
): Promise<ArchiveTaken> {
  const { db, photos, look } = bringing;
  const kept: string[] = [];
  try {
    return await db.transaction(async (transaction) => {
      await holdLock(db.sequelize, 'archive', transaction);
      await refuseFull(db, transaction);
      const back = await makeRoom(bringing, transaction);
      const lists: { name: string; rows: number }[] = [];
      for (const list of ARCHIVE_LISTS)
        lists.push({
          name: list.name,
          rows: await takeList(zip, manifest, { list, db, transaction }),
        });
      await back();
      const pages = await takePages(zip, manifest, { db, transaction });
      const pictures = await takePhotos(zip, manifest, { db, transaction, look, photos, kept });
      await db.sequelize.query('DELETE FROM fleet_rates', { transaction });
      await callWorkers(db, transaction);
      await planMoved(db, 'all', transaction);
      const found = { stored: !look, madeAt: manifest.madeAt, lists, photos: pictures, pages };
      if (look) throw new LookedThrough(found);
      return found;
    });
  } catch (error) {
    if (error instanceof LookedThrough) return error.taken;
    for (const key of kept) await photos.drop(key);
    if (error instanceof ForeignKeyConstraintError)
      throw noArchive(`What it names is not in it: ${error.message}.`);
    throw error;
  }
}

/** What was brought in is judged by the workers, for the Yard to have it; then learnt from. */
async function callWorkers(db: Database, transaction: Transaction): Promise<void> {
  const ids = await idsIn({ db, transaction }, 'machines');
  const judge = Array.from(ids, (id) => ({ key: id, data: { machine: id } }));
  await db.queue.add('judge', judge, transaction);
  await db.queue.add('newDay', [{ key: 'archive' }], transaction);
}

/** An archive goes into an empty place: nothing is mixed, nothing is overwritten. */
async function refuseFull(db: Database, transaction: Transaction): Promise<void> {
  for (const { name, table } of ARCHIVE_LISTS) {
    if (SET_UP.has(name)) continue;
    const [row] = await db.sequelize.query<{ n: number }>(
      `SELECT count(*)::int AS n FROM ${table}`,
      { transaction, type: QueryTypes.SELECT },
    );
    if (row?.n)
      throw new Conflict(
        'This place is not empty',
        `There are ${row.n} ${name.replaceAll('-', ' ')} here. An archive goes into a place that was just set up; nothing is mixed.`,
      );
  }
}

/** What setting a place up leaves behind. */
const SET_UP: ReadonlySet<string> = new Set(['branches', 'people', 'audit']);

/**
 * Takes away who set the place up, for the archive to say who works here; puts back the admin who brings
 * it in: as the one of the archive with the same sign-in name, or beside them.
 */
async function makeRoom(
  { db, person }: BringingIn,
  transaction: Transaction,
): Promise<() => Promise<void>> {
  const all = await PersonRow.findAll({ transaction });
  const me = all.find((p) => p.id === person?.id);
  const others = all.filter((p) => p !== me);
  if (others.length)
    throw new Conflict(
      'This place is not empty',
      `${others.map((p) => p.name).join(', ')} work here already. An archive goes into a place that was just set up.`,
    );
  const sql = (text: string, bind: unknown[] = []) =>
    db.sequelize.query(text, { bind, transaction });
  await sql('DELETE FROM people');
  const branches = await db.sequelize.query<{ id: string; name: string }>(
    'DELETE FROM branches RETURNING id, name',
    { transaction, type: QueryTypes.SELECT },
  );
  return async () => {
    if (!me) return;
    const same = await PersonRow.findOne({ where: { signIn: me.signIn }, transaction });
    if (same) {
      await sql('UPDATE people SET password_hash = $2 WHERE id = $1', [same.id, me.passwordHash]);
      await sql(
        `UPDATE session SET sess = (sess::jsonb || jsonb_build_object('personId', $2::text))::json WHERE sess->>'personId' = $1`,
        [me.id, same.id],
      );
      return;
    }
    for (const { id, name } of branches.filter((b) => b.name === me.branch))
      await sql(
        'INSERT INTO branches (id, name) SELECT $1, $2 WHERE NOT EXISTS (SELECT 1 FROM branches WHERE name = $2)',
        [id, name],
      );
    await PersonRow.create({ ...me.get() }, { transaction });
  };
}

interface IntoList {
  readonly list: ArchiveList;
  readonly db: Database;
  readonly transaction: Transaction;
}

async function takeList(
  zip: OpenZip,
  { files }: ArchiveManifest,
  { list, db, transaction }: IntoList,
): Promise<number> {
  const path = `data/${list.name}.jsonl`;
  const file = files.find((f) => f.path === path);
  if (!file) throw noArchive(`${path} is missing.`);
  const sql = insertOf(list);
  let rows: unknown[] = [];
  let n = 0;
  const store = async () => {
    if (rows.length) await db.sequelize.query(sql, { bind: [JSON.stringify(rows)], transaction });
    rows = [];
  };
  for await (const line of linesOf(zip, file)) {
    n += 1;
    rows.push(rowOf(list, line, `${path} line ${n}`));
    if (rows.length >= AT_ONCE) await store();
  }
  await store();
  if (n !== (file.rows ?? 0))
    throw noArchive(`${path} has ${n} rows, its manifest says ${file.rows ?? 0}.`);
  return n;
}

function rowOf({ row }: ArchiveList, line: string, where: string): unknown {
  const value = jsonOf(line, where);
  const read = row.safeParse(value);
  if (read.success) return value;
  const troubles = fieldErrors(read.error).slice(0, 5);
  throw new Invalid(
    'This is no archive that can be brought in',
    `${where} is not as its schema says. Nothing was stored.`,
    troubles.map(({ field, message }) => ({ field: `${where}: ${field}`, message })),
  );
}

function jsonOf(text: string | Uint8Array, where = 'manifest.json'): unknown {
  try {
    return JSON.parse(typeof text === 'string' ? text : textOf(text, where));
  } catch (error) {
    if (error instanceof Invalid) throw error;
    throw noArchive(`${where} is no JSON.`);
  }
}

function textOf(bytes: Uint8Array, where: string): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw noArchive(`${where} is no UTF-8.`);
  }
}

/** The lines of a file; once it is read, it was what its manifest says. */
async function* linesOf(zip: OpenZip, file: ArchiveFile): AsyncGenerator<string> {
  let rest: Buffer = Buffer.alloc(0);
  for await (const chunk of hashed(zip, file)) {
    const text = rest.length ? Buffer.concat([rest, chunk]) : chunk;
    let from = 0;
    for (let at = text.indexOf(10); at >= 0; at = text.indexOf(10, from)) {
      yield textOf(text.subarray(from, at), file.path);
      from = at + 1;
    }
    rest = text.subarray(from);
    if (rest.length > MOST_ROW) throw noArchive(`${file.path} has a row that is too long.`);
  }
  if (rest.length) throw noArchive(`${file.path} ends in the middle of a row.`);
}

/** A file's bytes as they come. @throws Invalid at their end, where they are not what the manifest says */
async function* hashed(zip: OpenZip, { path, sha256 }: ArchiveFile): AsyncGenerator<Buffer> {
  const hash = createHash('sha256');
  try {
    for await (const chunk of await zip.read(path)) {
      hash.update(chunk as Buffer);
      yield chunk as Buffer;
    }
  } catch (error) {
    if (error instanceof Invalid) throw error;
    throw noArchive(`${path} cannot be unpacked: ${error instanceof Error ? error.message : ''}.`);
  }
  if (hash.digest('hex') !== sha256)
    throw noArchive(`${path} is not what its manifest says: it was changed or is spoilt.`);
}

async function whole(chunks: Readable | AsyncIterable<Buffer>): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const chunk of chunks) parts.push(chunk as Buffer);
  return Buffer.concat(parts);
}

const wholeFile = (zip: OpenZip, file: ArchiveFile): Promise<Buffer> => {
  if (file.bytes > MOST_FILE) throw noArchive(`${file.path} is too large.`);
  return whole(hashed(zip, file));
};

interface Into {
  readonly db: Database;
  readonly transaction: Transaction;
}

const idsIn = async ({ db, transaction }: Into, of: string): Promise<ReadonlySet<string>> =>
  new Set(
    (
      await db.sequelize.query<{ id: string }>(`SELECT id FROM ${of}`, {
        transaction,
        type: QueryTypes.SELECT,
      })
    ).map((r) => r.id),
  );

async function takePages(zip: OpenZip, { files }: ArchiveManifest, into: Into): Promise<number> {
  const wanted = await idsIn(into, 'sheet_pages');
  const there = files.filter((f) => f.path.startsWith('pages/'));
  for (const file of there) {
    const id = file.path.slice('pages/'.length);
    if (!wanted.has(id)) throw noArchive(`${file.path} belongs to no page.`);
    await into.db.sequelize.query('UPDATE sheet_pages SET data = $2 WHERE id = $1', {
      bind: [id, await wholeFile(zip, file)],
      transaction: into.transaction,
    });
  }
  if (there.length !== wanted.size)
    throw noArchive(`It has ${there.length} pages of books, its list ${wanted.size}.`);
  return there.length;
}

interface IntoPhotos extends Into {
  readonly photos: FileStore;
  readonly look: boolean;
  /** keys of what was kept, to be dropped where the rest fails */
  readonly kept: string[];
}

const PHOTO = /^photos\/([0-9a-f-]{36})\.(full|small)\.jpg$/;

async function takePhotos(
  zip: OpenZip,
  { files }: ArchiveManifest,
  { photos, look, kept, ...into }: IntoPhotos,
): Promise<number> {
  const wanted = await idsIn(into, 'photos WHERE dropped IS NULL');
  const there = files.filter((f) => f.path.startsWith('photos/'));
  const large = new Set<string>();
  for (const file of there) {
    const [, id = '', size] = PHOTO.exec(file.path) ?? [];
    if (!wanted.has(id)) throw noArchive(`${file.path} belongs to no photo.`);
    const data = await wholeFile(zip, file);
    if (size === 'full') large.add(id);
    if (look) continue;
    const key = photoKey(id, size === 'full' ? 'full' : 'small');
    kept.push(key);
    await photos.keep(key, data);
  }
  const lost = [...wanted].find((id) => !large.has(id));
  if (lost) throw noArchive(`photos/${lost}.full.jpg is missing.`);
  return large.size;
}
