import { amountText, ownUnit, readAmount, travelUnit, type CsvForm } from '../csv';

/** `35.6`, `1 3/8`; repeats as `36 / 36.1`. */
export const MEASURE_CSV: CsvForm<'measure'> = {
  read(row) {
    const typed = row.number('value').split(' / ');
    const values = typed.flatMap((text) => readAmount(row, text, row.measured) ?? []);
    return values.length === typed.length
      ? { kind: 'measure', values, typed, unit: row.cell('unit') || ownUnit(row.measured) }
      : undefined;
  },
  write: ({ values, unit }) => ({
    value: values.map((v) => amountText(v)).join(' / '),
    unit: travelUnit(unit),
  }),
};
