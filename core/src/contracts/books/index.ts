import { z } from 'zod';
import { BuiltAs, Id, LongText, MapSpot, ShortText, Slug } from '../common';

/** What a dealership keeps a list of, and can bring in as a file. */
export const BookKind = z.enum(['customers', 'machines', 'headers', 'people']);
export type BookKind = z.infer<typeof BookKind>;

/** Whom machines and headers belong to. Named once in a branch. */
export const Customer = z.object({
  id: Id,
  name: ShortText,
  branch: ShortText,
  place: z.string().trim().max(120).default(''),
  phone: z.string().trim().max(60).default(''),
  email: z.string().trim().max(120).default(''),
  note: LongText.default(''),
  spot: MapSpot.nullable().default(null).describe('where its farm lies; null: nobody has said'),
});
export type Customer = z.infer<typeof Customer>;

/** A header on the books, whether or not it is on a machine. */
export const Header = z.object({
  id: Id,
  serial: ShortText,
  model: ShortText,
  customer: ShortText,
  branch: ShortText,
  equipment: BuiltAs.optional(),
  on: ShortText.nullable().default(null).describe('serial of the machine it is on'),
});
export type Header = z.infer<typeof Header>;

/** Which customers or headers are asked for. */
export const BooksAsked = z.object({
  q: z.string().max(120).optional().describe('name, place; serial, model or customer'),
  customer: z.string().max(120).optional().describe('headers of one customer'),
  cursor: z.string().max(300).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type BooksAsked = z.output<typeof BooksAsked>;

const paged = { next: z.string().nullable(), all: z.int().describe('on all pages') };
export const CustomerPage = z.object({ customers: z.array(Customer), ...paged });
export type CustomerPage = z.infer<typeof CustomerPage>;
export const HeaderPage = z.object({ headers: z.array(Header), ...paged });
export type HeaderPage = z.infer<typeof HeaderPage>;

/** A column of a list's file. */
export interface BookColumn {
  readonly name: string;
  readonly required: boolean;
  /** what it holds, in a few words */
  readonly holds: string;
  readonly example: string;
}

const column = (name: string, holds: string, example: string, required = true): BookColumn => ({
  name,
  holds,
  example,
  required,
});

/** The columns of each list's file, in their order. */
export const BOOK_COLUMNS: Readonly<Record<BookKind, readonly BookColumn[]>> = {
  customers: [
    column('name', 'as it stands on their invoices', 'Mill Farm'),
    column('place', 'where to drive to', 'Mill Lane 4', false),
    column('phone', 'as it is dialled', '0100 200 300', false),
    column('email', 'for reports', 'office@mill-farm.invalid', false),
    column('note', 'anything', 'gate is locked', false),
    column('km east', 'of the middle of the map, in figures', '12.5', false),
    column('km north', 'of the middle of the map, in figures', '-3', false),
  ],
  machines: [
    column('serial', 'as on its plate', 'A1001'),
    column('model', 'as its spec sheet is named', 'My combine'),
    column('customer', 'whose it is', 'Mill Farm'),
    column('built on', 'a day, 2021-03-15', '2021-03-15'),
    column('hours', 'separator hours', '820'),
    column('header model', 'on it now', '', false),
    column('header serial', 'on it now', '', false),
    column('crop', 'harvested first', 'malting barley'),
    column('harvest start', 'a day', '2026-07-04'),
    column('harvest end', 'a day', '2026-07-18'),
    column('area ha', 'to be cut', '380'),
    column('width m', 'of the header', '9.1'),
    column('speed km/h', 'as it is driven; 6 when empty', '6', false),
    column('efficiency', 'share of the day that is cut; 0.7 when empty', '0.7', false),
  ],
  headers: [
    column('serial', 'as on its plate', 'H200'),
    column('model', 'as its spec sheet is named', 'My header'),
    column('customer', 'whose it is', 'Mill Farm'),
  ],
  people: [
    column('name', 'first and last', 'Ada Reed'),
    column('sign-in', 'what they type', 'ada'),
    column('role', 'technician, planner or admin', 'technician'),
    column('password', 'at least 10 characters; they are told it in person', 'ten letters'),
  ],
};

/** What one line of a file comes to. */
export const BookLine = z.object({
  line: z.int().describe('line in the file, the heading being 1'),
  name: z.string(),
  state: z.enum(['new', 'there', 'trouble']),
  errors: z.array(z.object({ field: z.string(), message: z.string() })),
});
export type BookLine = z.infer<typeof BookLine>;

/** What a file would bring in, or has. Nothing is stored while there is one trouble. */
export const BookReport = z.object({
  kind: BookKind,
  stored: z.boolean(),
  fresh: z.int().describe('lines that are new'),
  there: z.int().describe('lines that are on the books already'),
  troubles: z.int(),
  lines: z.array(BookLine),
});
export type BookReport = z.infer<typeof BookReport>;

/** A sheet to begin with: all checks of a kind of machine, none of its figures. */
export const Starter = z.object({
  id: Slug,
  name: ShortText,
  machine: z.enum(['combine', 'header']),
  checks: z.int(),
  figures: z.int().describe('how many rows of figures are to be entered'),
});
export type Starter = z.infer<typeof Starter>;

/** The model that a new sheet is for. */
export const NewSheet = z.object({
  model: ShortText,
  maker: ShortText,
  from: z.union([
    z.object({ starter: Slug }),
    z.object({ model: ShortText, figures: z.boolean().describe('with them, or without') }),
  ]),
});
export type NewSheet = z.infer<typeof NewSheet>;
