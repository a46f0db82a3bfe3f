import type { ReadingKind, ReadingValue } from '../contracts';
import type { CsvForm, CsvRow } from '../kinds';
import { CONDITION_CSV } from '../kinds/condition/csv';
import { COUNT_CSV } from '../kinds/count/csv';
import { FEEL_CSV } from '../kinds/feel/csv';
import { GONOGO_CSV } from '../kinds/gonogo/csv';
import { LEVEL_CSV } from '../kinds/level/csv';
import { LOOK_CSV } from '../kinds/look/csv';
import { MARK_CSV } from '../kinds/mark/csv';
import { MEASURE_CSV } from '../kinds/measure/csv';
import { RENEWAL_CSV } from '../kinds/renewal/csv';
import { SERVICE_CSV } from '../kinds/service/csv';
import { SETTING_CSV } from '../kinds/setting/csv';
import { SKIP_CSV } from '../kinds/skip/csv';
import { STRIKE_CSV } from '../kinds/strike/csv';
import { TRAVEL_CSV } from '../kinds/travel/csv';

export type { CsvRow } from '../kinds';

/** How every kind of value is written in the readings file. */
const CSV_FORMS: { readonly [K in ReadingKind]: CsvForm<K> } = {
  measure: MEASURE_CSV,
  travel: TRAVEL_CSV,
  mark: MARK_CSV,
  feel: FEEL_CSV,
  gonogo: GONOGO_CSV,
  count: COUNT_CSV,
  condition: CONDITION_CSV,
  level: LEVEL_CSV,
  setting: SETTING_CSV,
  service: SERVICE_CSV,
  look: LOOK_CSV,
  skip: SKIP_CSV,
  renewal: RENEWAL_CSV,
  strike: STRIKE_CSV,
};

/** Quantities of the readings file, in the order they are told. */
export const CSV_QUANTITIES = Object.keys(CSV_FORMS);

const isReadingKind = (quantity: string): quantity is ReadingKind => quantity in CSV_FORMS;

/**
 * Reads the value of a row by its quantity; notes the troubles. What is read is held against the
 * contract afterwards.
 */
export function readCsvValue(row: CsvRow): object | undefined {
  const quantity = row.cell('quantity').toLowerCase();
  if (isReadingKind(quantity)) return CSV_FORMS[quantity].read(row);
  const [last, ...others] = [...CSV_QUANTITIES].reverse();
  return row.wrong(
    'quantity',
    `"${row.cell('quantity')}" is not a quantity: write ${others.reverse().join(', ')} or ${last}.`,
  );
}

/** The cells a value is written in. */
export function writeCsvValue(value: ReadingValue): {
  readonly quantity: ReadingKind;
  readonly value: string;
  readonly unit: string;
} {
  return { quantity: value.kind, ...formOf(value).write(value) };
}

const formOf = <K extends ReadingKind>(value: { kind: K }): CsvForm<K> => CSV_FORMS[value.kind];
