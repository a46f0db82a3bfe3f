import { UniqueConstraintError, type Transaction } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import type { BookKind, BookLine, BookReport, Person } from '@green-tally/core/contracts';
import {
  CustomerRow,
  HeaderRow,
  MachineRow,
  machinesChanged,
  PersonRow,
  SheetRow,
  type Database,
} from '../db';
import { harvestTroubles } from '@green-tally/core/harvest';
import { Conflict } from '../errors';
import { guessable, hashPassword } from '../people/passwords';
import type { TableReader } from '../files/readTable';
import { keepHeaders } from './keepHeaders';
import { readBook, type BookItems, type ReadLine } from './readBook';

/** Who brings a list in, and whether it is only to be shown. */
export interface BringingIn {
  readonly person: Person;
  readonly preview: boolean;
  readonly today: string;
  /** here unless said */
  readonly table?: TableReader | undefined;
}

/**
 * Brings in a list: every line is looked at first, and nothing is stored while there is one
 * trouble. What is on the books already stays as it is.
 * @throws Invalid when it is no such file at all
 */
export async function bringIn(
  db: Database,
  kind: BookKind,
  text: string,
  doing: BringingIn,
): Promise<BookReport> {
  switch (kind) {
    case 'customers':
      return bring(db, 'customers', text, doing);
    case 'machines':
      return bring(db, 'machines', text, doing);
    case 'headers':
      return bring(db, 'headers', text, doing);
    case 'people':
      return bring(db, 'people', text, doing);
  }
}

async function bring<K extends BookKind>(
  db: Database,
  kind: K,
  text: string,
  { person, preview, table, today }: BringingIn,
): Promise<BookReport> {
  const read = await readBook(kind, text, { branch: person.branch, table });
  const known = await KNOWN[kind](person.branch);
  const models = kind === 'machines' || kind === 'headers' ? await knownModels() : undefined;
  const judged = read.map((line) => lookAt(kind, line, { known, models, today }));
  const troubles = judged.filter((l) => l.state === 'trouble').length;
  const fresh = read.filter((_, i) => judged[i]?.state === 'new').flatMap((l) => l.item ?? []);
  const stored = !preview && troubles === 0 && fresh.length > 0;
  if (stored) await STORE[kind](db, fresh, person);
  return {
    kind,
    stored,
    fresh: fresh.length,
    there: judged.filter((l) => l.state === 'there').length,
    troubles,
    lines: judged,
  };
}

interface Known {
  readonly known: ReadonlySet<string>;
  readonly models: ReadonlyMap<string, 'combine' | 'header'> | undefined;
  readonly today: string;
}

function lookAt<K extends BookKind>(
  kind: K,
  { line, name, item, errors }: ReadLine<K>,
  { known, models, today }: Known,
): BookLine {
  if (!item) return { line, name, state: 'trouble', errors };
  const unknown = models ? modelTroubles(kind, item, models) : [];
  if (unknown.length) return { line, name, state: 'trouble', errors: unknown };
  const key = kind === 'people' && 'signIn' in item ? item.signIn : name;
  if (known.has(key.toLowerCase())) return { line, name, state: 'there', errors: [] };
  const wrong = newTroubles(item, today);
  return { line, name, state: wrong.length ? 'trouble' : 'new', errors: wrong };
}

/** What cannot be of something new: a harvest that is over, a password that everybody would try. */
function newTroubles(item: BookItems[BookKind], today: string): BookLine['errors'] {
  if ('harvest' in item)
    return harvestTroubles(item.harvest, { machine: item, today }).map(({ field, message }) => ({
      field: `harvest ${field}`,
      message,
    }));
  return 'password' in item ? guessable(item.password, [item.name, item.signIn]) : [];
}

/** A model without a sheet cannot be judged: the sheet comes first. */
function modelTroubles(
  kind: BookKind,
  item: BookItems[BookKind],
  models: NonNullable<Known['models']>,
): BookLine['errors'] {
  const wanted: [field: string, model: string, machine: 'combine' | 'header'][] = [];
  if ('harvest' in item) {
    wanted.push(['model', item.model, 'combine']);
    if (item.header) wanted.push(['header model', item.header.model, 'header']);
  } else if (kind === 'headers' && 'model' in item) wanted.push(['model', item.model, 'header']);
  return wanted.flatMap(([field, model, machine]) => {
    if (models.get(model) === machine) return [];
    const there = [...models].flatMap(([m, kindOf]) => (kindOf === machine ? [m] : []));
    const one = there.length ? ` Write one of ${there.join(', ')}, or make` : ' Make';
    return [
      {
        field,
        message: `no sheet for a ${machine} "${model}".${one} its sheet from a starter first.`,
      },
    ];
  });
}

async function knownModels(): Promise<NonNullable<Known['models']>> {
  const rows = await SheetRow.findAll({ order: [['revision', 'ASC']] });
  return new Map(rows.map((r) => [r.model, r.document.machine]));
}

const lowered = (names: readonly string[]): ReadonlySet<string> =>
  new Set(names.map((n) => n.toLowerCase()));

/** Names that are on the books already; serials and sign-in names are one to all branches. */
const KNOWN: { readonly [K in BookKind]: (branch: string) => Promise<ReadonlySet<string>> } = {
  customers: async (branch) =>
    lowered((await CustomerRow.findAll({ where: { branch } })).map((r) => r.name)),
  machines: async () => lowered((await MachineRow.findAll()).map((r) => r.serial)),
  headers: async () => lowered((await HeaderRow.findAll()).map((r) => r.serial)),
  people: async () => lowered((await PersonRow.findAll()).map((r) => r.signIn)),
};

type Store<K extends BookKind> = (
  db: Database,
  items: readonly BookItems[K][],
  person: Person,
) => Promise<void>;

/** All of it or nothing. @throws Conflict when somebody was faster with a name */
async function within(
  db: Database,
  work: (transaction: Transaction) => Promise<void>,
): Promise<void> {
  try {
    await db.transaction(work);
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new Conflict(
      'Somebody was faster',
      'One of these has come onto the books in the meantime. Nothing was stored: look at the file again.',
    );
  }
}

const STORE: { readonly [K in BookKind]: Store<K> } = {
  customers: (db, items) =>
    within(db, async (transaction) => {
      await CustomerRow.bulkCreate(
        items.map(({ spot, ...c }) => ({ ...c, x: spot?.x ?? null, y: spot?.y ?? null })),
        { transaction },
      );
    }),
  headers: (db, items) =>
    within(db, async (transaction) => {
      await HeaderRow.bulkCreate(
        items.map(({ on: _on, ...h }) => ({ ...h, equipment: h.equipment ?? null })),
        { transaction },
      );
    }),
  machines: (db, items, { branch }) =>
    within(db, async (transaction) => {
      const machines = items.map((m) => ({
        ...m,
        header: m.header ?? null,
        branch: m.branch ?? branch,
      }));
      await MachineRow.bulkCreate(machines, { transaction });
      await keepHeaders(machines, transaction);
      await machinesChanged(db, { ids: machines.map((m) => m.id) }, transaction);
    }),
  people: async (db, items, { branch }) => {
    const rows = await Promise.all(
      items.map(async ({ password, ...p }) => ({
        ...p,
        id: uuidv7(),
        branch,
        passwordHash: await hashPassword(password),
        mustChange: true,
      })),
    );
    await within(db, async (transaction) => {
      await PersonRow.bulkCreate(rows, { transaction });
    });
  },
};
