import { plainCell, type CsvForm } from '../csv';

/** Why the reading it strikes was wrong. */
export const STRIKE_CSV: CsvForm<'strike'> = {
  read: (row) => ({ kind: 'strike', why: row.cell('value') }),
  write: ({ why }) => plainCell(why),
};
