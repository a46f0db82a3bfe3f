import { parse } from 'csv-parse/browser/esm/sync';
import { stringify } from 'csv-stringify/browser/esm/sync';

/** Cells as a spreadsheet copies them: tabs between, quoted where a cell holds a line break. */
export const readBlock = (text: string): string[][] => readCells(text, '\t');

/** Cells of a file: comma, semicolon or tab, whichever parts its heading most. */
export function readFile(text: string): string[][] {
  const head = text.slice(0, text.search(/[\r\n]|$/));
  const delimiter = [',', ';', '\t'].reduce((best, d) =>
    head.split(d).length > head.split(best).length ? d : best,
  );
  return readCells(text, delimiter);
}

function readCells(text: string, delimiter: string): string[][] {
  return parse(text, {
    bom: true,
    delimiter,
    relax_column_count: true,
    relax_quotes: true,
    skip_empty_lines: false,
  }) as unknown as string[][];
}

/** A table as a file; what a spreadsheet would take for a formula is written as text. */
export const writeFile = (table: readonly (readonly string[])[]): string =>
  stringify(table.map((row) => row.map((c) => (/^[=+@]/.test(c) ? `'${c}` : c))));
