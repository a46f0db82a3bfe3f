import { plainCell, type CsvForm } from '../csv';

/** The option, as the sheet names it. */
export const SETTING_CSV: CsvForm<'setting'> = {
  read: (row) => ({ kind: 'setting', option: row.cell('value') }),
  write: ({ option }) => plainCell(option),
};
