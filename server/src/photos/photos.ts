import { QueryTypes, type Transaction } from 'sequelize';
import { MOST_PHOTO_BYTES, Photo, type Person, type PhotoState } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { databaseAway, machinesChanged, PhotoRow, toPhoto, type Database } from '../db';
import { Away, Conflict, Forbidden, invalidField, NotFound } from '../errors';
import { machineToChange } from '../machines/machines';
import { machineToSee } from '../people/sight';
import { pictureOf } from './picture';
import type { FileStore } from './store';

/*
 * A photo comes in parts, each from where the last one ended, so that a phone with little signal
 * gets a large one through bit by bit:
 *
 *   announced ──── parts ────▶ whole, looked through, in the store ────▶ among the machine's facts
 *
 * Announcing it again, or sending a part again, tells how much has come through and changes nothing.
 */

type Announced = Omit<Photo, 'dropped'>;
export type PhotoSize = 'full' | 'small';

/** Under which a photo's file lies. */
export const photoKey = (id: string, size: PhotoSize): string => `photos/${id}/${size}.jpg`;

/**
 * Announces a photo. @returns how much of it is here
 * @throws NotFound, Forbidden; Conflict when the id is another photo's
 */
export async function announcePhoto(
  db: Database,
  photo: Announced,
  person: Person,
): Promise<PhotoState> {
  await machineToChange(photo.machineId, person);
  const kept = await PhotoRow.findByPk(photo.id);
  if (kept) return stateOfKept(kept, photo);
  return db.transaction(async (transaction) => {
    await db.sequelize.query(
      'INSERT INTO photo_uploads (id, photo) VALUES ($1, $2) ON CONFLICT (id) DO NOTHING',
      { bind: [photo.id, JSON.stringify({ ...photo, by: person.name })], transaction },
    );
    const there = await uploadOf(db, photo.id, transaction);
    if (!there || !samePhoto(there, photo)) throw anotherPhoto();
    return { have: await cameThrough(db, photo.id, transaction), done: false };
  });
}

function stateOfKept(kept: PhotoRow, photo: Announced): PhotoState {
  if (!samePhoto(kept, photo)) throw anotherPhoto();
  return { have: photo.bytes, done: true };
}

type Told = Pick<Photo, 'machineId' | 'checkId' | 'place'>;
const samePhoto = (a: Told, b: Told): boolean =>
  a.machineId === b.machineId && a.checkId === b.checkId && a.place === b.place;

const anotherPhoto = () =>
  new Conflict('Another photo', 'A photo with this id is of something else.', [
    { field: 'id', message: 'wanted an id of its own' },
  ]);

async function uploadOf(
  db: Database,
  id: string,
  transaction: Transaction,
): Promise<Announced | undefined> {
  const [row] = await db.sequelize.query<{ photo: unknown }>(
    'SELECT photo FROM photo_uploads WHERE id = $1 FOR UPDATE',
    { bind: [id], type: QueryTypes.SELECT, transaction },
  );
  return row && Photo.parse(row.photo);
}

async function cameThrough(db: Database, id: string, transaction: Transaction): Promise<number> {
  const [row] = await db.sequelize.query<{ have: number }>(
    'SELECT coalesce(sum(length(data)), 0)::int AS have FROM photo_parts WHERE photo_id = $1',
    { bind: [id], type: QueryTypes.SELECT, transaction },
  );
  return row?.have ?? 0;
}

/**
 * Takes a part of a photo. One that does not begin where the last ended changes nothing: the answer
 * says where to go on. The last one makes it a fact of its machine.
 * @throws NotFound when it was not announced; Forbidden in another branch; Invalid when it is no picture: then it is to be
 *   announced anew
 */
export async function takePart(db: Database, store: FileStore, part: Part): Promise<PhotoState> {
  const kept = await PhotoRow.findByPk(part.id);
  if (kept) return { have: kept.bytes, done: true };
  const came = await db.transaction((transaction) => addPart(db, part, transaction));
  if (!came.whole) return { have: came.have, done: false };
  await storeWhole(db, store, came.photo, came.whole);
  return { have: came.have, done: true };
}

interface Part {
  readonly id: string;
  /** where it begins, bytes */
  readonly from: number;
  readonly data: Uint8Array;
  readonly person: Person;
}

interface Came {
  readonly photo: Announced;
  readonly have: number;
  /** once all of it is here */
  readonly whole: Uint8Array | undefined;
}

async function addPart(
  db: Database,
  { id, from, data, person }: Part,
  transaction: Transaction,
): Promise<Came> {
  const photo = await uploadOf(db, id, transaction);
  if (!photo) throw new NotFound('announced photo');
  await machineToChange(photo.machineId, person, transaction);
  const before = await cameThrough(db, id, transaction);
  const fits = from === before && data.length > 0;
  if (fits && before + data.length > Math.min(photo.bytes, MOST_PHOTO_BYTES))
    throw invalidField('photo', 'More came than was announced.', `${photo.bytes} bytes in all`);
  if (fits)
    await db.sequelize.query('INSERT INTO photo_parts VALUES ($1, $2, $3)', {
      bind: [id, from, Buffer.from(data)],
      transaction,
    });
  const have = fits ? before + data.length : before;
  return {
    photo,
    have,
    whole: have === photo.bytes ? await joined(db, id, transaction) : undefined,
  };
}

async function joined(db: Database, id: string, transaction: Transaction): Promise<Uint8Array> {
  const parts = await db.sequelize.query<{ data: Buffer }>(
    'SELECT data FROM photo_parts WHERE photo_id = $1 ORDER BY start',
    { bind: [id], type: QueryTypes.SELECT, transaction },
  );
  return Buffer.concat(parts.map((p) => p.data));
}

/** The files first, then the fact: a fact whose picture is not there would be a lie. */
async function storeWhole(
  db: Database,
  store: FileStore,
  photo: Announced,
  data: Uint8Array,
): Promise<void> {
  const { full, small, width, height } = await pictureOf(data).catch(async (error: unknown) => {
    await db.sequelize.query('DELETE FROM photo_uploads WHERE id = $1', { bind: [photo.id] });
    throw error;
  });
  await kept(store, photo.id, { full, small });
  await db.transaction(async (transaction) => {
    const row = { ...photo, width, height, takenAt: new Date(photo.takenAt), dropped: null };
    await PhotoRow.bulkCreate([row], { transaction, ignoreDuplicates: true });
    await db.sequelize.query('DELETE FROM photo_uploads WHERE id = $1', {
      bind: [photo.id],
      transaction,
    });
    await machinesChanged(db, { ids: [photo.machineId] }, transaction);
  });
}

/** @throws Away where the store is full, or gone: what came is here still, and the last of it is sent again */
async function kept(
  store: FileStore,
  id: string,
  pictures: Readonly<Record<PhotoSize, Uint8Array>>,
): Promise<void> {
  try {
    await store.keep(photoKey(id, 'full'), pictures.full);
    await store.keep(photoKey(id, 'small'), pictures.small);
  } catch (error) {
    if (databaseAway(error)) throw error;
    process.stderr.write(
      `photos: ${error instanceof Error ? error.name : 'the store'} does not take any\n`,
    );
    throw new Away(
      'Photos are not taken just now',
      'The store for photos is full or away. The photo stays on the phone and is sent again.',
    );
  }
}

/** A photo that a person may look at. @throws NotFound; Forbidden for people of another branch */
export async function photoToSee(id: string, person: Person): Promise<PhotoRow> {
  const row = await PhotoRow.findByPk(id);
  if (!row || row.dropped) throw new NotFound('photo');
  await machineToSee(row.machineId, person);
  return row;
}

/** What a photo shows. @throws NotFound where it lies nowhere any more */
export async function photoShown(
  store: FileStore,
  { id }: Pick<PhotoRow, 'id'>,
  size: PhotoSize,
): Promise<Uint8Array> {
  const data = await store.read(photoKey(id, size));
  if (!data) throw new NotFound('photo');
  return data;
}

/**
 * Takes a photo away again: by who took it, or by a planner. That there was one stays on record.
 * @throws NotFound, Forbidden
 */
export async function dropPhoto(
  db: Database,
  store: FileStore,
  { id, person, now }: { readonly id: string; readonly person: Person; readonly now: Date },
): Promise<Photo> {
  const row = await PhotoRow.findByPk(id);
  if (!row) throw new NotFound('photo');
  await machineToChange(row.machineId, person);
  if (row.by !== person.name && !mayDo(person.role, 'planVisits'))
    throw new Forbidden('Not yours', `${row.by} took this photo; he or a planner takes it away.`);
  if (!row.dropped)
    await db.transaction(async (transaction) => {
      await row.update({ dropped: { at: now.toISOString(), by: person.name } }, { transaction });
      await machinesChanged(db, { ids: [row.machineId] }, transaction);
    });
  await store.drop(photoKey(id, 'full'));
  await store.drop(photoKey(id, 'small'));
  return toPhoto(row);
}
