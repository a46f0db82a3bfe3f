import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { finished } from 'node:stream/promises';
import { QueryTypes, Transaction } from 'sequelize';
import { ZipFile } from 'yazl';
import { ARCHIVE_LISTS, readmeOf, schemaOf, type ArchiveList } from '@green-tally/core/archive';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  type ArchiveFile,
  type ArchiveManifest,
} from '@green-tally/core/contracts/archive';
import type { Database } from '../db';
import { photoKey } from '../photos/photos';
import type { FileStore } from '../photos/store';
import { selectOf } from './sql';

/** What an archive is made from, and by whom. */
export interface Archiving {
  readonly db: Database;
  readonly photos: FileStore;
  readonly by: string;
  readonly now: Date;
}

/** Rows fetched at once. */
const AT_ONCE = 1000;

/**
 * Everything there is as one zip, as it stood at one moment, made while it is read: memory does not
 * grow with it. What it holds is listed with its hashes in `manifest.json`, its last file.
 * @see core/archive for the lists
 */
export function writeArchive(archiving: Archiving): Readable {
  const zip = new ZipFile();
  const out = zip.outputStream as Readable;
  const adder = new Adder(zip, archiving.now);
  // who asked has gone: nothing more is read
  out.once('close', () => adder.stop());
  fill(adder, archiving).then(
    () => zip.end(),
    (error: unknown) => out.destroy(error instanceof Error ? error : new Error(String(error))),
  );
  return out;
}

async function fill(adder: Adder, archiving: Archiving): Promise<void> {
  const { db, by, now } = archiving;
  await adder.text('README.md', readmeOf());
  for (const list of ARCHIVE_LISTS)
    await adder.text(
      `schemas/${list.name}.schema.json`,
      `${JSON.stringify(schemaOf(list), null, 2)}\n`,
    );
  const one = { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ, readOnly: true };
  await db.sequelize.transaction(one, async (transaction) => {
    for (const list of ARCHIVE_LISTS) await addList(adder, archiving, { list, transaction });
    await addPages(adder, archiving, transaction);
    await addPhotos(adder, archiving, transaction);
  });
  const manifest: ArchiveManifest = {
    ...{ format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, madeAt: now.toISOString(), by },
    files: adder.files,
  };
  await adder.text('manifest.json', `${JSON.stringify(manifest, null, 1)}\n`);
}

interface OneList {
  readonly list: ArchiveList;
  readonly transaction: Transaction;
}

async function addList(adder: Adder, { db }: Archiving, one: OneList): Promise<void> {
  let rows = 0;
  async function* lines() {
    for await (const batch of fetched(db, one)) {
      rows += batch.length;
      yield Buffer.from(batch.map((row) => `${row}\n`).join(''));
    }
  }
  const file = await adder.add(`data/${one.list.name}.jsonl`, lines());
  adder.files.push({ ...file, rows });
}

/** The rows of a list as JSON, some at a time. */
async function* fetched(
  { sequelize }: Database,
  { list, transaction }: OneList,
): AsyncGenerator<string[]> {
  const cursor = `archived_${list.table}`;
  await sequelize.query(`DECLARE ${cursor} NO SCROLL CURSOR FOR ${selectOf(list)}`, {
    transaction,
  });
  for (;;) {
    const rows = await sequelize.query<{ row: string }>(`FETCH ${AT_ONCE} FROM ${cursor}`, {
      transaction,
      type: QueryTypes.SELECT,
    });
    if (rows.length) yield rows.map((r) => r.row);
    if (rows.length < AT_ONCE) break;
  }
  await sequelize.query(`CLOSE ${cursor}`, { transaction });
}

const idsOf = (
  { db }: Archiving,
  transaction: Transaction,
  of: string,
): Promise<{ id: string }[]> =>
  db.sequelize.query<{ id: string }>(`SELECT id FROM ${of} ORDER BY id`, {
    transaction,
    type: QueryTypes.SELECT,
  });

async function addPages(
  adder: Adder,
  archiving: Archiving,
  transaction: Transaction,
): Promise<void> {
  for (const { id } of await idsOf(archiving, transaction, 'sheet_pages')) {
    const [page] = await archiving.db.sequelize.query<{ data: Buffer }>(
      'SELECT data FROM sheet_pages WHERE id = $1',
      { bind: [id], transaction, type: QueryTypes.SELECT },
    );
    if (page) await adder.bytes(`pages/${id}`, page.data);
  }
}

async function addPhotos(
  adder: Adder,
  archiving: Archiving,
  transaction: Transaction,
): Promise<void> {
  for (const { id } of await idsOf(archiving, transaction, 'photos WHERE dropped IS NULL'))
    for (const size of ['full', 'small'] as const) {
      const data = await archiving.photos.read(photoKey(id, size));
      if (data) await adder.bytes(`photos/${id}.${size}.jpg`, data);
    }
}

/** Adds one file after the other to a zip, and keeps what each came to. */
class Adder {
  readonly files: ArchiveFile[] = [];
  private under: Readable | undefined;
  private stopped = false;

  constructor(
    private readonly zip: ZipFile,
    private readonly now: Date,
  ) {}

  stop(): void {
    this.stopped = true;
    this.under?.destroy(new Gone());
  }

  async text(path: string, text: string): Promise<void> {
    await this.bytes(path, Buffer.from(text));
  }

  async bytes(path: string, data: Uint8Array): Promise<void> {
    const file = await this.add(path, [Buffer.from(data)]);
    if (path !== 'manifest.json') this.files.push(file);
  }

  /** @throws Gone where nobody reads any more */
  async add(
    path: string,
    chunks: AsyncIterable<Buffer> | Iterable<Buffer>,
  ): Promise<Omit<ArchiveFile, 'rows'>> {
    if (this.stopped) throw new Gone();
    const hash = createHash('sha256');
    let bytes = 0;
    async function* counted() {
      for await (const chunk of chunks) {
        hash.update(chunk);
        bytes += chunk.length;
        yield chunk;
      }
    }
    const stream = Readable.from(counted(), { objectMode: false });
    this.under = stream;
    // what is a picture is packed already
    const compress = !path.startsWith('photos/');
    this.zip.addReadStream(stream, path, { mtime: this.now, mode: 0o100644, compress });
    await finished(stream);
    return { path, bytes, sha256: hash.digest('hex') };
  }
}

/** Who asked for it has gone. */
class Gone extends Error {}
