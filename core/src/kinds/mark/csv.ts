import { amountText, notA, type CsvForm } from '../csv';

/** `at`, `short 2`, `past 1.5` (mm). */
export const MARK_CSV: CsvForm<'mark'> = {
  read(row) {
    const [said, stands = '', text = '0'] =
      /^(short|at|past)(?:\s+(.+))?$/i.exec(row.number('value')) ?? [];
    if (said === undefined) return notA(row, 'mark', 'at, short 2 or past 1.5 (mm)');
    const by = Number(text.replace(/\s*mm$/, ''));
    return Number.isFinite(by)
      ? { kind: 'mark', stands: stands.toLowerCase(), by }
      : row.wrong('value', `"${text}" is not a length in mm.`);
  },
  write: ({ stands, by }) => ({
    value: stands === 'at' ? 'at' : `${stands} ${amountText(by, 3)}`,
    unit: 'mm',
  }),
};
