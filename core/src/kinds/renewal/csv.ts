import { plainCell, type CsvForm } from '../csv';

/** Who fitted it and which part: `owner: LM-3310`. */
export const RENEWAL_CSV: CsvForm<'renewal'> = {
  read(row) {
    const [fittedBy = '', ...part] = row.cell('value').split(':');
    return {
      kind: 'renewal',
      fittedBy: fittedBy.trim().toLowerCase(),
      part: part.join(':').trim(),
    };
  },
  write: ({ fittedBy, part }) => plainCell(part ? `${fittedBy}: ${part}` : fittedBy),
};
