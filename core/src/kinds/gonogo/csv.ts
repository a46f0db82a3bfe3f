import { notA, plainCell, type CsvForm } from '../csv';

/** `fits` or `does not fit`. */
export const GONOGO_CSV: CsvForm<'gonogo'> = {
  read(row) {
    const said = row.cell('value').toLowerCase();
    return said === 'fits' || said === 'does not fit'
      ? { kind: 'gonogo', fits: said === 'fits' }
      : notA(row, 'gauge reading', 'fits or does not fit');
  },
  write: ({ fits }) => plainCell(fits ? 'fits' : 'does not fit'),
};
