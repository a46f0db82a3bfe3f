import { amountText, readAmount, type CsvForm } from '../csv';

/** A length; links taken out since stand in a column of their own. */
export const TRAVEL_CSV: CsvForm<'travel'> = {
  read(row) {
    const left = readAmount(row, row.number('value'), 'length');
    const linksOut = row.cell('links_out') === '' ? 0 : Number(row.cell('links_out'));
    if (!Number.isInteger(linksOut))
      return row.wrong('links_out', `"${row.cell('links_out')}" is not a whole number.`);
    if (left === undefined) return undefined;
    return {
      kind: 'travel',
      left,
      linksOut,
      typed: row.cell('value'),
      unit: row.cell('unit') || 'mm',
    };
  },
  write: ({ left }) => ({ value: amountText(left), unit: 'mm' }),
};
