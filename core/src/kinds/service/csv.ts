import { amountText, notA, plainCell, type CsvForm } from '../csv';

/** `done`, `done 2`, `done 2 of Grease NLGI 2`. */
export const SERVICE_CSV: CsvForm<'service'> = {
  read(row) {
    const [said, amount, product = ''] =
      /^done(?:\s+(\d+(?:\.\d+)?))?(?:\s+of\s+(.+))?$/i.exec(row.number('value')) ?? [];
    if (said === undefined) return notA(row, 'service', 'done, done 2 or done 2 of Grease NLGI 2');
    return { kind: 'service', amount: amount === undefined ? null : Number(amount), product };
  },
  write: ({ amount, product }) =>
    plainCell(
      `done${amount === null ? '' : ` ${amountText(amount, 3)}`}${product ? ` of ${product}` : ''}`,
    ),
};
