import { v7 as uuidv7 } from 'uuid';
import { NewMachine, NewPerson, type FieldTrouble } from '@green-tally/core/contracts';
import { BOOK_COLUMNS, Customer, Header, type BookKind } from '@green-tally/core/contracts/books';
import type { z } from 'zod';
import { readTable, type CsvRecord, type TableReader } from '../files/readTable';
import { fieldErrors } from '../errors';

/** What a line of each list's file becomes. */
export interface BookItems {
  readonly customers: z.output<typeof Customer>;
  readonly machines: z.output<typeof NewMachine>;
  readonly headers: z.output<typeof Header>;
  readonly people: z.output<typeof NewPerson>;
}

/** One line of a list's file: what it says, or what is wrong with it. */
export interface ReadLine<K extends BookKind> {
  readonly line: number;
  readonly name: string;
  readonly item: BookItems[K] | undefined;
  readonly errors: FieldTrouble[];
}

const MOST_LINES = 5000;
const USUAL = { 'speed km/h': '6', efficiency: '0.7' } as const;

/** Whose branch a list is of unless it says, and how its table is read. */
export interface BookReading {
  readonly branch: string;
  readonly table?: TableReader | undefined;
}

/**
 * Reads a list's file line by line. @throws Invalid when it is no such file at all
 */
export async function readBook<K extends BookKind>(
  kind: K,
  text: string,
  { branch, table = readTable }: BookReading,
): Promise<ReadLine<K>[]> {
  const columns = BOOK_COLUMNS[kind];
  const { records, decimalComma } = await table(text, {
    name: `a list of ${kind}`,
    rows: kind,
    columns: columns.map((c) => c.name),
    required: columns.filter((c) => c.required).map((c) => c.name),
    most: MOST_LINES,
  });
  const read = records.map(({ record, row }) =>
    readLine(kind, { record, row, decimalComma, branch }),
  );
  return withoutTwice(read);
}

interface Line {
  readonly record: CsvRecord;
  readonly row: number;
  readonly decimalComma: boolean;
  readonly branch: string;
}

function readLine<K extends BookKind>(kind: K, line: Line): ReadLine<K> {
  const { record, row } = line;
  const name = record[kind === 'customers' || kind === 'people' ? 'name' : 'serial'] ?? '';
  const empty = BOOK_COLUMNS[kind].filter((c) => c.required && !record[c.name]);
  if (empty.length)
    return {
      line: row,
      name,
      item: undefined,
      errors: empty.map((c) => ({
        field: c.name,
        message: `is empty: ${c.holds}, such as ${c.example}`,
      })),
    };
  const parsed = PARSED[kind](line);
  return parsed.success
    ? { line: row, name, item: parsed.data, errors: [] }
    : { line: row, name, item: undefined, errors: inColumns(fieldErrors(parsed.error)) };
}

/** A number as the file writes it; not one: itself, for the contract to refuse. */
function figure({ record, decimalComma }: Line, column: string): unknown {
  const text = record[column] || (column in USUAL ? USUAL[column as keyof typeof USUAL] : '');
  const plain = decimalComma ? text.replace(/(\d),(\d)/g, '$1.$2') : text;
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : text;
}

const PARSED: {
  readonly [K in BookKind]: (line: Line) => z.ZodSafeParseResult<BookItems[K]>;
} = {
  customers: (line) => {
    const { record, branch } = line;
    const somewhere = record['km east'] || record['km north'];
    const spot = somewhere ? { x: figure(line, 'km east'), y: figure(line, 'km north') } : null;
    return Customer.safeParse({ id: uuidv7(), branch, ...record, spot });
  },
  headers: ({ record, branch }) => Header.safeParse({ id: uuidv7(), branch, ...record }),
  people: ({ record }) => NewPerson.safeParse({ ...record, signIn: record['sign-in'] }),
  machines: (line) => {
    const { record } = line;
    const header = record['header model'] || record['header serial'];
    return NewMachine.safeParse({
      id: uuidv7(),
      serial: record['serial'],
      model: record['model'],
      customer: record['customer'],
      builtOn: record['built on'],
      hours: figure(line, 'hours'),
      header: header ? { model: record['header model'], serial: record['header serial'] } : null,
      harvest: {
        crop: record['crop'],
        start: record['harvest start'],
        end: record['harvest end'],
        areaHa: figure(line, 'area ha'),
        widthM: figure(line, 'width m'),
        speedKmh: figure(line, 'speed km/h'),
        efficiency: figure(line, 'efficiency'),
      },
    });
  },
};

/** A field of the contract as the column that it is written in. */
const COLUMN_OF: Readonly<Record<string, string>> = {
  'spot.x': 'km east',
  'spot.y': 'km north',
  signIn: 'sign-in',
  builtOn: 'built on',
  'header.model': 'header model',
  'header.serial': 'header serial',
  'harvest.crop': 'crop',
  'harvest.start': 'harvest start',
  'harvest.end': 'harvest end',
  'harvest.areaHa': 'area ha',
  'harvest.widthM': 'width m',
  'harvest.speedKmh': 'speed km/h',
  'harvest.efficiency': 'efficiency',
};
const inColumns = (errors: readonly FieldTrouble[]): FieldTrouble[] =>
  errors.map((e) => ({ ...e, field: COLUMN_OF[e.field] ?? e.field }));

/** The same name twice in one file: nobody could say which counts. */
function withoutTwice<K extends BookKind>(lines: readonly ReadLine<K>[]): ReadLine<K>[] {
  const first = new Map<string, number>();
  return lines.map((line) => {
    const key = line.name.toLowerCase();
    const earlier = first.get(key);
    if (earlier === undefined) {
      first.set(key, line.line);
      return line;
    }
    const message = `once only: line ${earlier} is "${line.name}" too`;
    return { ...line, item: undefined, errors: [...line.errors, { field: 'name', message }] };
  });
}
