import type { Check, CheckKind, CheckOf, ReadingKind, ReadingValue } from '../contracts';
import { condition } from './condition';
import { CONDITION_CSV } from './condition/csv';
import { count } from './count';
import { COUNT_CSV } from './count/csv';
import type { CsvForm, CsvRow } from './csv';
import { feel } from './feel';
import { FEEL_CSV } from './feel/csv';
import { gonogo } from './gonogo';
import { GONOGO_CSV } from './gonogo/csv';
import type { Kind } from './kind';
import { level } from './level';
import { LEVEL_CSV } from './level/csv';
import { LOOK_CSV } from './look/csv';
import { mark } from './mark';
import { MARK_CSV } from './mark/csv';
import { measure } from './measure';
import { MEASURE_CSV } from './measure/csv';
import { series } from './series';
import { RENEWAL_CSV } from './renewal/csv';
import { service } from './service';
import { SERVICE_CSV } from './service/csv';
import { setting } from './setting';
import { SETTING_CSV } from './setting/csv';
import { SKIP_CSV } from './skip/csv';
import { TRAVEL_CSV } from './travel/csv';

/** Every kind of check. The compiler lists here what a new kind needs. */
export const KINDS: { readonly [K in CheckKind]: Kind<K> } = {
  measure,
  series,
  mark,
  feel,
  gonogo,
  count,
  condition,
  level,
  setting,
  service,
};

/** The room of a check's kind. */
export function kindOf<K extends CheckKind>(check: CheckOf<K> & { kind: K }): Kind<K> {
  return KINDS[check.kind];
}

/** What a check wants, in a few words. */
export const wantWords = (check: Check): string => kindOf(check).wants(check);

/** A check's drawing in words. */
export const drawnWords = (check: Check): string =>
  `${check.component}${SAID_WITH_COMMA.has(check.kind) ? ', ' : ': '}${kindOf(check).drawn(check)}.`;

const SAID_WITH_COMMA: ReadonlySet<CheckKind> = new Set(['measure', 'series']);

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
