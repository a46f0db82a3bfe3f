import { z } from 'zod';

/** What a column holds, and how it stands in a row. */
export type ColumnKind = 'id' | 'text' | 'int' | 'number' | 'flag' | 'day' | 'moment' | 'json';

/** One column of a list. */
export interface Column {
  /** in a row */
  readonly name: string;
  /** in the database */
  readonly column: string;
  readonly kind: ColumnKind;
  readonly optional: boolean;
}

const KINDS: Readonly<Record<ColumnKind, z.ZodType>> = {
  id: z.uuid('an id: 8-4-4-4-12 hexadecimal figures'),
  text: z.string('text'),
  int: z.int('a whole number'),
  number: z.number('a number'),
  flag: z.boolean('true or false'),
  day: z.iso.date('a day like 2026-06-09'),
  moment: z.iso.datetime('a moment like 2026-06-09T05:10:00.000000Z'),
  json: z.json(),
};
const isKind = (kind: string): kind is ColumnKind => kind in KINDS;

/**
 * Columns as they are written down: `name:kind`, `?` behind where it may be null.
 * @throws Error for a kind that is none
 */
export function columnsOf(spec: string): Column[] {
  return spec
    .trim()
    .split(/\s+/)
    .map((part) => {
      const [name = '', kind = ''] = part.replace('?', '').split(':');
      if (!isKind(kind)) throw new Error(`${part}: no such kind`);
      return {
        ...{ name, kind, optional: part.endsWith('?') },
        column: name.replaceAll(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`),
      };
    });
}

/** The contract of a row: every column, and nothing else. */
export const rowContract = (columns: readonly Column[]): z.ZodObject =>
  z.strictObject(
    Object.fromEntries(
      columns.map(({ name, kind, optional }) => [
        name,
        optional ? KINDS[kind].nullable() : KINDS[kind],
      ]),
    ),
  );
