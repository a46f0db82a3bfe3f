import { notA, plainCell, type CsvForm } from '../csv';

/** `low`, `right`, `high`, with the colour after it. */
export const LEVEL_CSV: CsvForm<'level'> = {
  read(row) {
    const [said, level = '', colour = ''] =
      /^(low|right|high)(?:\s+(.+))?$/i.exec(row.cell('value')) ?? [];
    return said === undefined
      ? notA(row, 'level', 'low, right or high, with the colour after it')
      : { kind: 'level', level: level.toLowerCase(), colour };
  },
  write: ({ level, colour }) => plainCell(`${level}${colour ? ` ${colour}` : ''}`),
};
