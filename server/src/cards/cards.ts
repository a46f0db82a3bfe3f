import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type {
  CardLink,
  OperatorCard,
  OperatorNote,
  OperatorSaid,
  Person,
} from '@green-tally/core/contracts';
import { cardItems } from '@green-tally/core/choose';
import { standingOf } from '@green-tally/core/plan';
import { inBranch } from '@green-tally/core/rights';
import {
  CardRow,
  lockMachines,
  MachineRow,
  machineFileOf,
  machinesChanged,
  SaidRow,
  toSaid,
  type Database,
} from '../db';
import { Conflict, NotFound } from '../errors';
import { idOfLink, linkKey } from '../links/links';
import { machineToChange } from '../machines/machines';
import { pictureOf } from '../photos/picture';
import type { FileStore } from '../photos/store';

/*
 * The operator's card: a link without an account that opens one machine's few checks of the day and
 * takes what its driver says. Nothing secret is stored and a label can be printed again; taken back, it
 * opens nothing.
 */
const OPENS = 'card';

const toLink = (row: CardRow, secret: string): CardLink => ({
  id: row.id,
  machineId: row.machineId,
  key: linkKey(OPENS, row.id, secret),
  madeBy: row.madeBy,
  madeAt: row.madeAt.toISOString(),
  revokedAt: row.revokedAt?.toISOString() ?? null,
});

/** What cards are made with. */
export interface Cards {
  readonly db: Database;
  readonly secret: string;
  readonly store: FileStore;
}

/** Links of a machine's card, newest first. @throws NotFound, Forbidden */
export async function listCards(
  { secret }: Cards,
  machineId: string,
  person: Person,
): Promise<CardLink[]> {
  await machineToChange(machineId, person);
  const rows = await CardRow.findAll({ where: { machineId }, order: [['madeAt', 'DESC']] });
  return rows.map((row) => toLink(row, secret));
}

/** Makes a link. @throws NotFound, Forbidden */
export async function makeCard(
  { secret }: Cards,
  machineId: string,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<CardLink> {
  await machineToChange(machineId, person);
  const row = await CardRow.create({
    id: randomUUID(),
    machineId,
    madeBy: person.name,
    madeAt: now,
  });
  return toLink(row, secret);
}

/** Takes a link back; once more does no harm. @throws NotFound, Forbidden */
export async function revokeCard(
  { secret }: Cards,
  id: string,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<CardLink> {
  const row = await CardRow.findByPk(id);
  if (!row) throw new NotFound('card');
  await machineToChange(row.machineId, person);
  return toLink(row.revokedAt ? row : await row.update({ revokedAt: now }), secret);
}

/**
 * The card that a link opens. @throws NotFound alike for one that never was, is signed by another, or
 * was taken back
 */
async function opened({ secret }: Cards, key: string): Promise<CardRow> {
  const id = idOfLink(OPENS, key, secret);
  const row = id ? await CardRow.findByPk(id) : null;
  if (!row || row.revokedAt) throw new NotFound('card');
  return row;
}

/** What a link shows: the machine and today's few checks. @throws NotFound */
export async function cardFor(cards: Cards, key: string, today: string): Promise<OperatorCard> {
  const { machineId } = await opened(cards, key);
  const read = await machineFileOf(machineId);
  if (!read) throw new NotFound('card');
  const { file } = read;
  const { id, serial, model, hours, harvest } = file.machine;
  return {
    machine: { id, serial, model, hours, crop: harvest.crop },
    today,
    items: [...cardItems(file, standingOf(file, today))],
  };
}

/** How far ahead a phone's clock may be, ms. */
const CLOCK_SLACK = 10 * 60_000;

/**
 * Takes what an operator says, once however often it is sent. A time to come is taken as now: a phone
 * in a cab is not always set.
 * @throws NotFound; Conflict when the id is of something else; Invalid when its photo cannot be read
 */
export async function hear(
  cards: Cards,
  key: string,
  { note, now }: { readonly note: OperatorNote; readonly now: Date },
): Promise<OperatorSaid> {
  const { db, store } = cards;
  const card = await opened(cards, key);
  const { machineId } = card;
  const { photo, ...words } = note;
  const later = Date.parse(note.at) > now.getTime() + CLOCK_SLACK;
  const said: OperatorSaid = {
    ...words,
    at: later ? now.toISOString() : new Date(note.at).toISOString(),
    machineId,
    cardId: card.id,
    photo: photo !== null,
  };
  const there = await SaidRow.findByPk(note.id);
  if (there) return sameSaid(toSaid(there), said);
  if (photo !== null) {
    const picture = await pictureOf(Buffer.from(photo, 'base64'));
    await store.keep(fileOf(note.id), picture.full);
  }
  return db.transaction(async (transaction) => {
    await lockMachines(db, [machineId], transaction);
    const [row, made] = await SaidRow.findOrCreate({
      where: { id: note.id },
      defaults: { ...said, at: new Date(said.at) },
      transaction,
    });
    if (!made) return sameSaid(toSaid(row), said);
    await machinesChanged(db, { ids: [machineId] }, transaction);
    return toSaid(row);
  });
}

const fileOf = (id: string): string => `said/${id}.jpg`;

/** What is there already, when the same is said again. */
function sameSaid(there: OperatorSaid, said: OperatorSaid): OperatorSaid {
  const { at: _, ...one } = there;
  const { at: __, ...other } = said;
  if (isDeepStrictEqual(one, other)) return there;
  throw new Conflict('Something else', 'This was sent before with other words.', [
    { field: 'id', message: 'wanted an id of its own' },
  ]);
}

/** The photo that came with it, for people of the machine's branch. @throws NotFound */
export async function saidPhoto({ store }: Cards, id: string, person: Person): Promise<Uint8Array> {
  const said = await SaidRow.findByPk(id);
  const machine = said && (await MachineRow.findByPk(said.machineId));
  const data =
    machine && inBranch(person, machine.branch) ? await store.read(fileOf(id)) : undefined;
  if (!data) throw new NotFound('photo');
  return data;
}
