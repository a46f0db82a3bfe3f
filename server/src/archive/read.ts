import { ForeignKeyConstraintError, QueryTypes, type Transaction } from 'sequelize';
import { ARCHIVE_LISTS, type ArchiveList } from '@green-tally/core/archive';
import type { ArchiveManifest, ArchiveTaken } from '@green-tally/core/contracts/archive';
import type { Person } from '@green-tally/core/contracts';
import { holdLock, planMoved, type Database } from '../db';
import { fieldErrors, Invalid } from '../errors';
import { photoKey } from '../photos/photos';
import type { FileStore } from '../photos/store';
import { jsonOf, linesOf, wholeFile } from './contents';
import { manifestOf } from './manifest';
import { makeRoom, refuseFull } from './room';
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
