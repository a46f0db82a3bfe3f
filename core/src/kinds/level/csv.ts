import { amountText, notA, plainCell, type CsvForm } from '../csv';

const FORM =
  /^(low|right|high)(?:\s+(?!\+|of\s)([^+]+?))?(?:\s*\+\s*(\d+(?:\.\d+)?)\s*l)?(?:\s+of\s+(.+))?$/i;

/** `low`, `right`, `high`, with the colour after it, what was added and what is in it. */
export const LEVEL_CSV: CsvForm<'level'> = {
  read(row) {
    const [said, level = '', colour = '', added, product = ''] = FORM.exec(row.cell('value')) ?? [];
    return said === undefined
      ? notA(
          row,
          'level',
          'low, right or high, with the colour after it, then "+ 1.5 l" for what was added and "of Gear oil" for what is in it',
        )
      : {
          kind: 'level',
          level: level.toLowerCase(),
          colour,
          product,
          toppedUp: added === undefined ? null : Number(added),
        };
  },
  // what was read before these fields came has neither
  write: ({ level, colour, product, toppedUp }) =>
    plainCell(
      `${level}${colour ? ` ${colour}` : ''}${typeof toppedUp === 'number' ? ` + ${amountText(toppedUp, 2)} l` : ''}${product ? ` of ${product}` : ''}`,
    ),
};
