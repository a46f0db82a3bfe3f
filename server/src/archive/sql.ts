import type { ArchiveList, Column, ColumnKind } from '@green-tally/core/archive';

/** A row as JSON text, its columns in their order and its moments to the microsecond. */
const CELLS: Partial<Readonly<Record<ColumnKind, (column: string) => string>>> = {
  moment: (c) => `to_char(${c} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`,
  day: (c) => `to_char(${c}, 'YYYY-MM-DD')`,
};
const TYPES: Readonly<Record<ColumnKind, string>> = {
  ...{ id: 'uuid', text: 'text', int: 'int', number: 'double precision', flag: 'boolean' },
  ...{ day: 'date', moment: 'timestamptz', json: 'jsonb' },
};

const quoted = (name: string): string => `"${name}"`;
const cell = ({ name, column, kind }: Column): string =>
  `'${name}', ${CELLS[kind]?.(quoted(column)) ?? quoted(column)}`;

/** What a list is ordered by: the same in every database, whatever its language. */
const orderOf = ({ key, columns }: ArchiveList): string =>
  key
    .map((name) => {
      const own = columns.find((c) => c.name === name);
      const column = quoted(own?.column ?? name);
      return own?.kind === 'text' ? `${column} COLLATE "C"` : column;
    })
    .join(', ');

/** Selects a list, a row a line of JSON. */
export const selectOf = (list: ArchiveList): string =>
  `SELECT json_build_object(${list.columns.map(cell).join(', ')})::text AS row FROM ${list.table} ORDER BY ${orderOf(list)}`;

/** What a table wants beside what an archive holds: secrets, which open nothing then. */
const BESIDE: Readonly<Record<string, readonly [column: string, value: string]>> = {
  people: ['password_hash', `'none'`],
  'report-links': ['secret_hash', `'none'`],
  'sheet-pages': ['data', `''::bytea`],
};

/** Inserts rows that are given as one JSON array: $1. */
export function insertOf({ name, table, columns }: ArchiveList): string {
  const beside = BESIDE[name];
  const into = [...columns.map((c) => quoted(c.column)), ...(beside ? [beside[0]] : [])];
  const from = [...columns.map((c) => `x.${quoted(c.name)}`), ...(beside ? [beside[1]] : [])];
  const types = columns.map((c) => `${quoted(c.name)} ${TYPES[c.kind]}`);
  return `INSERT INTO ${table} (${into.join(', ')}) SELECT ${from.join(', ')} FROM jsonb_to_recordset($1::jsonb) AS x(${types.join(', ')})`;
}
