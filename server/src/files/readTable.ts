import { parse } from 'csv-parse/sync';
import { Invalid } from '../errors';

/** The cells of one line, by column. */
export type CsvRecord = Readonly<Record<string, string>>;

/** What kind of file it is, and what its first line must name. */
export interface CsvFile {
  /** "a readings file" */
  readonly name: string;
  /** what its rows are: "readings" */
  readonly rows: string;
  readonly columns: readonly string[];
  readonly required: readonly string[];
  readonly most: number;
}

export interface CsvTable {
  /** `row` is the line in the file, the heading being 1 */
  readonly records: readonly { readonly record: CsvRecord; readonly row: number }[];
  /** numbers may be written with a comma, for it does not part the columns */
  readonly decimalComma: boolean;
}

/** Reads a table: here, or on a thread. @throws Invalid */
export type TableReader = (text: string, file: CsvFile) => CsvTable | Promise<CsvTable>;

/** No column's name and no cell of ours is longer, and no table has more columns. */
const MOST_COLUMNS = 200;
const LONGEST_CELL = 4000;

/**
 * Reads a file with a heading: comma, semicolon or tab; with or without a byte-order mark.
 * @throws Invalid when it is no such file at all: the missing columns are named
 */
export function readTable(text: string, file: CsvFile): CsvTable {
  const delimiter = delimiterOf(text);
  return { records: parseRecords(text, delimiter, file), decimalComma: delimiter !== ',' };
}

function delimiterOf(text: string): string {
  const header = text.slice(0, text.search(/[\r\n]|$/));
  return [',', ';', '\t'].reduce(
    (best, d) => (header.split(d).length > header.split(best).length ? d : best),
    ',',
  );
}

function parseRecords(
  text: string,
  delimiter: string,
  { name, rows: what, columns: names, required, most }: CsvFile,
): CsvTable['records'] {
  let columns: string[] = [];
  let rows: { record: CsvRecord; info: { lines: number } }[];
  try {
    rows = parse(text, {
      bom: true,
      delimiter,
      trim: true,
      skip_empty_lines: true,
      relax_column_count: true,
      info: true,
      max_record_size: 100_000,
      columns: (header: string[]) => {
        if (header.length > MOST_COLUMNS)
          throw new Error(`its first line names more than ${MOST_COLUMNS} columns`);
        return (columns = header.map((h) => h.trim().toLowerCase()));
      },
    }) as unknown as typeof rows;
  } catch (error) {
    throw new Invalid(
      `Not ${name}`,
      `The file cannot be read as CSV: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
  const missing = required.filter((c) => !columns.includes(c));
  if (missing.length) {
    throw new Invalid(
      'Columns are missing',
      `Missing: ${missing.join(', ')}. The first line names the columns: ${names.join(', ')}.`,
      missing.map((field) => ({ field, message: 'wanted a column of this name' })),
    );
  }
  if (rows.length === 0)
    throw new Invalid('No rows', `The file has its columns but no ${what} below them.`);
  if (rows.length > most)
    throw new Invalid(
      'Too many rows',
      `The file has ${rows.length} rows; send at most ${most} at a time.`,
    );
  return rows.map(({ record, info: { lines: row } }) => {
    const long = Object.entries(record).find(([, cell]) => cell.length > LONGEST_CELL);
    if (long)
      throw new Invalid(
        `Not ${name}`,
        `Line ${row} has ${long[1].length} characters in one cell.`,
        [
          {
            field: `line ${row}, ${long[0]}`,
            message: `wanted at most ${LONGEST_CELL} characters`,
          },
        ],
      );
    return { record, row };
  });
}
