import { plainCell, type CsvForm } from '../csv';

/** Why it was not taken. */
export const SKIP_CSV: CsvForm<'skip'> = {
  read: (row) => ({ kind: 'skip', why: row.cell('value') }),
  write: ({ why }) => plainCell(why),
};
