import { plainCell, type CsvForm } from '../csv';

/** `fine`, or what was seen. */
export const LOOK_CSV: CsvForm<'look'> = {
  read(row) {
    const text = row.cell('value');
    return text.toLowerCase() === 'fine'
      ? { kind: 'look', seen: 'fine', found: '' }
      : { kind: 'look', seen: 'damaged', found: text };
  },
  write: ({ seen, found }) => plainCell(seen === 'fine' ? 'fine' : found || 'damaged'),
};
