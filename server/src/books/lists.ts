import { stringify } from 'csv-stringify/sync';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { type Person } from '@green-tally/core/contracts';
import {
  BOOK_COLUMNS,
  type BookKind,
  type BooksAsked,
  type Customer,
  type CustomerPage,
  type Header,
  type HeaderPage,
} from '@green-tally/core/contracts/books';
import { connection, MachineRow, PersonRow, spotOf } from '../db';
import { cursorAt, placeAt } from '../paging';
import { ownBranch } from '../people/people';

type Asked = BooksAsked & { readonly branch: string | undefined };

const Place = z.tuple([z.string(), z.string()]);

/** Rows of a list with their place in it, one more than a page, and how many there are on all. */
interface Found<T> {
  readonly rows: readonly (T & { readonly at: readonly [string, string] })[];
  readonly all: number;
}

/**
 * A page of a list that an SQL text makes, with columns `sort` and `id` among its own.
 * @throws Invalid for a cursor that is none
 */
async function found<T extends object>(
  list: string,
  bind: readonly unknown[],
  { cursor, limit }: Pick<Asked, 'cursor' | 'limit'>,
  name: string,
): Promise<Found<T>> {
  const [sort, id] = cursor === undefined ? [null, null] : placeAt(cursor, Place, name);
  const given = bind.length;
  const rows = await connection().query<T & { sort: string; id: string }>(
    `SELECT * FROM (${list}) l
     WHERE $${given + 1}::text IS NULL OR (sort COLLATE "C", id::text) > ($${given + 1}, $${given + 2})
     ORDER BY sort COLLATE "C", id::text LIMIT $${given + 3}`,
    { bind: [...bind, sort, id, limit + 1], type: QueryTypes.SELECT },
  );
  const [count] = await connection().query<{ n: number }>(
    `SELECT count(*)::int AS n FROM (${list}) l`,
    { bind: [...bind], type: QueryTypes.SELECT },
  );
  return {
    rows: rows.map((row) => ({ ...row, at: [row.sort, row.id] as const })),
    all: count?.n ?? 0,
  };
}

const nextOf = <T>({ rows }: Found<T>, limit: number): string | null => {
  const last = rows[limit - 1];
  return rows.length > limit && last ? cursorAt(last.at) : null;
};

const sought = (q: string | undefined): string | null => q?.trim().toLowerCase() || null;

type CustomerFound = Omit<Customer, 'spot'> & {
  readonly x: number | null;
  readonly y: number | null;
};

const CUSTOMERS = `
  SELECT id, name, branch, place, phone, email, note, x, y, lower(name) AS sort FROM customers
  WHERE ($1::text IS NULL OR branch = $1)
    AND ($2::text IS NULL OR strpos(lower(concat_ws(' ', name, place)), $2) > 0)`;

/** A page of customers, by name. @throws Invalid for a cursor that is none */
export async function customerPage({ branch, q, ...page }: Asked): Promise<CustomerPage> {
  const list = await found<CustomerFound>(
    CUSTOMERS,
    [branch ?? null, sought(q)],
    page,
    'customers',
  );
  return {
    customers: list.rows
      .slice(0, page.limit)
      .map(({ id, name, branch: at, place, phone, email, note, x, y }) => ({
        ...{ id, name, branch: at, place, phone, email, note, spot: spotOf(x, y) },
      })),
    next: nextOf(list, page.limit),
    all: list.all,
  };
}

/** Headers on the books, and those that machines carry and nobody wrote down by themselves. */
const HEADERS = `
  SELECT * FROM (
    SELECT h.id, h.serial, h.model, h.customer, h.branch, h.equipment, h.serial AS sort,
      (SELECT m.serial FROM machines m WHERE m.header->>'serial' = h.serial LIMIT 1) AS "on"
    FROM headers h
    UNION ALL
    SELECT m.id, m.header->>'serial', m.header->>'model', m.customer, m.branch, NULL,
      m.header->>'serial', m.serial
    FROM machines m WHERE jsonb_typeof(m.header) = 'object'
      AND NOT EXISTS (SELECT 1 FROM headers h WHERE h.serial = m.header->>'serial')) x
  WHERE ($1::text IS NULL OR branch = $1)
    AND ($2::text IS NULL OR strpos(lower(concat_ws(' ', serial, model, customer)), $2) > 0)
    AND ($3::text IS NULL OR customer = $3)`;

/** A page of headers, by serial. @throws Invalid for a cursor that is none */
export async function headerPage({ branch, q, customer, ...page }: Asked): Promise<HeaderPage> {
  const bind = [branch ?? null, sought(q), customer ?? null];
  const list = await found<Header & { equipment: Header['equipment'] | null }>(
    HEADERS,
    bind,
    page,
    'headers',
  );
  return {
    headers: list.rows
      .slice(0, page.limit)
      .map(({ id, serial, model, customer: of, branch: at, on, equipment }) => ({
        ...{ id, serial, model, customer: of, branch: at, on },
        ...(equipment ? { equipment } : {}),
      })),
    next: nextOf(list, page.limit),
    all: list.all,
  };
}

/** All of a list, page after page. */
async function whole<P extends { readonly next: string | null }, T>(
  ask: (cursor: string | undefined) => Promise<P>,
  of: (page: P) => readonly T[],
): Promise<T[]> {
  const all: T[] = [];
  let cursor: string | undefined;
  do {
    const page = await ask(cursor);
    all.push(...of(page));
    cursor = page.next ?? undefined;
  } while (cursor !== undefined);
  return all;
}

const A_PAGE = 500;

/** A list as the file that it is brought in by; an empty list is its heading. */
export async function writeBook(kind: BookKind, person: Person): Promise<string> {
  const columns = BOOK_COLUMNS[kind].map((c) => c.name);
  const rows = await ROWS[kind](person);
  return stringify(
    rows.map((row) => columns.map((c) => safe(row[c]))),
    { header: true, columns },
  );
}

type Row = Readonly<Record<string, string | number>>;

/** A cell that a spreadsheet would take for a formula is written as text. */
const safe = (cell: string | number | undefined): string | number =>
  typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : (cell ?? '');

const ROWS: { readonly [K in BookKind]: (person: Person) => Promise<Row[]> } = {
  customers: async (person) =>
    (
      await whole(
        (cursor) => customerPage({ branch: ownBranch(person).branch, cursor, limit: A_PAGE }),
        (p) => p.customers,
      )
    ).map(({ id: _id, branch: _branch, spot, ...rest }) => ({
      ...rest,
      'km east': spot?.x ?? '',
      'km north': spot?.y ?? '',
    })),
  headers: async (person) =>
    (
      await whole(
        (cursor) => headerPage({ branch: ownBranch(person).branch, cursor, limit: A_PAGE }),
        (p) => p.headers,
      )
    ).map(({ serial, model, customer }) => ({ serial, model, customer })),
  people: async () =>
    (await PersonRow.findAll({ order: [['name', 'ASC']] })).map(({ name, signIn, role }) => ({
      name,
      'sign-in': signIn,
      role,
    })),
  machines: async (person) =>
    (await MachineRow.findAll({ where: ownBranch(person), order: [['serial', 'ASC']] })).map(
      ({ serial, model, customer, builtOn, hours, header, harvest }) => ({
        serial,
        model,
        customer,
        'built on': builtOn,
        hours,
        'header model': header?.model ?? '',
        'header serial': header?.serial ?? '',
        crop: harvest.crop,
        'harvest start': harvest.start,
        'harvest end': harvest.end,
        'area ha': harvest.areaHa,
        'width m': harvest.widthM,
        'speed km/h': harvest.speedKmh,
        efficiency: harvest.efficiency,
      }),
    ),
};
