import {
  finite,
  InputError,
  parseQuantity,
  printNumber,
  UnitParseError,
  UNITS,
  type Dimension,
} from '../units';

/** What is entered on a bench. Values are in the core's own unit, or in the unit shown where it has none. */
export interface BenchField {
  readonly label: string;
  /** as it stands in the formulas */
  readonly symbol: string;
  /** what is measured; a plain number in `unit` where nothing is said */
  readonly dimension?: Dimension;
  readonly unit: string;
  /** a figure of the size one may expect, shown as an example; it counts only where it is typed */
  readonly usual: string;
  /** the usual figure is a rule of the trade, and stands there before anybody types */
  readonly rule?: boolean;
  readonly low: number;
  readonly high: number;
  /** how far one step of dragging goes, in `unit` */
  readonly step: number;
  readonly whole?: boolean;
  readonly hint?: string;
  /** what may be chosen instead of typed: its name, and what is typed by choosing it */
  readonly offers?: readonly { readonly title: string; readonly text: string }[];
}

/** A number that comes of a bench, with how it came. */
export interface BenchResult {
  readonly label: string;
  readonly value: number;
  readonly dimension?: Dimension;
  readonly unit: string;
  readonly decimals: number;
  /** ± of the value, in its unit */
  readonly uncertainty?: number;
  /** the formula, and the same with the numbers in it; nothing where it is a comparison in words */
  readonly formula: string;
  readonly numbers: string;
  readonly says?: string;
  readonly tone?: 'good' | 'bad' | 'doubt';
}

/** One drawing of a bench, with what it needs and what comes of it. */
export interface BenchSection<F extends string> {
  readonly id: string;
  /** its name among the others, in a word or two */
  readonly short: string;
  readonly title: string;
  readonly about: string;
  readonly fields: readonly F[];
  /** @throws InputError naming the field */
  readonly work: (given: Given<F>) => readonly BenchResult[];
}

/** A calculator of the bench: what is entered, and what comes of it section by section. */
export interface Bench<F extends string = string> {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  readonly fields: Readonly<Record<F, BenchField>>;
  /** what is kept and linked beside the fields, by name, and how long it may be */
  readonly extras?: Readonly<Record<string, number>>;
  readonly sections: readonly BenchSection<F>[];
}

/** What was entered, as typed, by field. */
export type BenchTexts = Readonly<Record<string, string>>;

/** The values of a bench. */
export interface Given<F extends string> {
  /** the value of a field. @throws InputError naming it when it is empty */
  readonly need: (field: F) => number;
  /** the value of a field, or undefined when it is empty */
  readonly maybe: (field: F) => number | undefined;
  /** what is kept beside the fields, as it stands; empty where nothing does */
  readonly text: (extra: string) => string;
}

/** What a bench made of what was typed. */
export interface BenchOutcome {
  /** values that could be read, in the core's own unit */
  readonly values: Readonly<Record<string, number>>;
  /** what is wrong, by field */
  readonly troubles: Readonly<Record<string, string>>;
  /** results by section; where it cannot be worked out, what it lacks in words */
  readonly sections: Readonly<
    Record<string, { readonly results: readonly BenchResult[]; readonly lacks: string }>
  >;
}

/**
 * Reads one field as typed.
 * @returns undefined where nothing is typed
 * @throws InputError in words: what it is, and what could be there
 */
export function readField(field: BenchField, text: string): number | undefined {
  if (!text.trim()) return undefined;
  const value = field.dimension
    ? parseQuantity(text, field.dimension, field.unit).value
    : plainNumber(text, field.unit);
  const { low, high } = field;
  const inOwn = value / factorOf(field);
  if (field.whole && !Number.isInteger(inOwn))
    throw new InputError(field.label, text, 'a whole number');
  if (!(inOwn >= low && inOwn <= high)) {
    const range =
      `a value between ${printNumber(low, 4)} and ${printNumber(high, 4)} ${field.unit}`.trim();
    throw new InputError(field.label, text, range + wrongUnit(field, inOwn));
  }
  return value;
}

/** A number out of its range that would be right in inches or in millimetres was typed in the other. */
function wrongUnit(field: BenchField, value: number): string {
  if (field.dimension !== 'length') return '';
  const inches = field.unit === 'mm' && value * 25.4 >= field.low && value * 25.4 <= field.high;
  return inches && value < field.low ? '. If these are inches, write "in" behind the number' : '';
}

function plainNumber(text: string, unit: string): number {
  const bare = text.trim().replace(',', '.').replace(unit, '').trim();
  const value = /^[-+]?(\d+\.?\d*|\.\d+)$/.test(bare) ? Number(bare) : NaN;
  if (!Number.isFinite(value)) throw new InputError('value', text, 'a number');
  return value;
}

/** How many of the core's own unit the field's unit holds. */
export const factorOf = ({ dimension, unit }: Pick<BenchField, 'dimension' | 'unit'>): number =>
  (dimension && UNITS.find((u) => u.dimension === dimension && u.symbol === unit)?.factor) || 1;

/** What comes of a bench with what was typed; never throws for what was typed. */
export function workOut<F extends string>(bench: Bench<F>, texts: BenchTexts): BenchOutcome {
  const values: Record<string, number> = {};
  const troubles: Record<string, string> = {};
  for (const [id, field] of Object.entries<BenchField>(bench.fields)) {
    try {
      const value = readField(field, texts[id] ?? firstText(field));
      if (value !== undefined) values[id] = value;
    } catch (error) {
      troubles[id] = wordsOf(error);
    }
  }
  const given: Given<F> = {
    text: (extra) => texts[extra] ?? '',
    maybe: (field) => {
      if (troubles[field]) throw new Missing(field);
      return values[field];
    },
    need: (field) => {
      if (troubles[field] || values[field] === undefined) throw new Missing(field);
      return values[field];
    },
  };
  const sections = Object.fromEntries(
    bench.sections.map((section) => [section.id, outcomeOf(bench, section, { given, troubles })]),
  );
  return { values, troubles, sections };
}

function outcomeOf<F extends string>(
  bench: Bench<F>,
  section: BenchSection<F>,
  { given, troubles }: { given: Given<F>; troubles: Record<string, string> },
): BenchOutcome['sections'][string] {
  try {
    const results = section.work(given);
    results.forEach((r) => finite(r.label, r.value));
    return { results, lacks: '' };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const field: BenchField | undefined = bench.fields[error.field as F];
    if (error instanceof Missing)
      return {
        results: [],
        lacks: `Enter ${field ? `“${field.label}”` : error.field}${troubles[error.field] ? ' as it says there' : ''}.`,
      };
    if (field) troubles[error.field] ??= wordsOf(error);
    return { results: [], lacks: wordsOf(error) };
  }
}

/** What was entered, once it is worked out: for what is worked out of it beside the results. */
export const givenOf = <F extends string>(
  texts: BenchTexts,
  { values, troubles }: BenchOutcome,
): Given<F> => ({
  need: (field) => {
    const value = values[field];
    if (value === undefined || troubles[field]) throw new InputError(field, '', 'entered');
    return value;
  },
  maybe: (field) => {
    if (troubles[field]) throw new InputError(field, '', 'entered');
    return values[field];
  },
  text: (extra) => texts[extra] ?? '',
});

/** What comes of what was entered; undefined while something is missing for it, or wrong. */
export function whereGiven<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof InputError) return undefined;
    throw error;
  }
}

/** A field that this section needs is not there. */
class Missing extends InputError {
  constructor(field: string) {
    super(field, '', 'entered');
  }
}

/** What is wrong, as it stands at its field. */
function wordsOf(error: unknown): string {
  if (!(error instanceof InputError)) throw error;
  return error instanceof UnitParseError ? error.message : `Enter ${error.wanted}.`;
}

/**
 * A result as it is printed: in its unit, and beside it in the other system's.
 * @example printResult({ value: 25.4, dimension: 'length', unit: 'mm', decimals: 1, … }) // { text: '25.4 mm', other: '1 in' }
 */
export function printResult(result: BenchResult): { text: string; other: string } {
  const { value, dimension, unit, decimals, uncertainty } = result;
  const own = value / factorOf(result);
  const plusMinus =
    uncertainty === undefined ? '' : ` ± ${printNumber(uncertainty / factorOf(result), decimals)}`;
  const text = `${printNumber(own, decimals)}${plusMinus} ${unit}`.trim();
  const beside = dimension && OTHERS[`${dimension} ${unit}`];
  if (!beside) return { text, other: '' };
  const factor = factorOf({ dimension, unit: beside[0] });
  return { text, other: `${printNumber(value / factor, beside[1])} ${beside[0]}` };
}

/** The unit of the other system, and its decimals. */
const OTHERS: Readonly<Record<string, readonly [unit: string, decimals: number]>> = {
  'length mm': ['in', 3],
  'length in': ['mm', 2],
  'force N': ['lbf', 1],
  'speed km/h': ['mph', 1],
  'area ha': ['ac', 1],
};

/** What stands in a field before anybody types: a rule of the trade, or nothing. */
export const firstText = ({ usual, rule }: BenchField): string => (rule ? usual : '');

/** What stands on a bench before anybody types. */
export const firstTexts = (bench: Bench): BenchTexts =>
  Object.fromEntries(Object.entries(bench.fields).map(([id, f]) => [id, firstText(f)]));

/** Figures of nobody's machine, to see what a bench does. */
export const exampleTexts = (bench: Bench): BenchTexts =>
  Object.fromEntries(Object.entries(bench.fields).map(([id, f]) => [id, f.usual]));

/** What was typed, as the query of a link that restores it; what stands there anyway is left out. */
export const benchQuery = (bench: Bench, texts: BenchTexts): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(texts).filter(
      ([id, text]) => longestOf(bench, id) > 0 && text !== firstIn(bench, id),
    ),
  );

/** The longest text of a field that is taken from a link. */
const LONGEST = 40;

const firstIn = ({ fields }: Bench, id: string): string =>
  fields[id] ? firstText(fields[id]) : '';

/** How long a text may be under a name; 0: the bench knows no such name. */
const longestOf = (bench: Bench, id: string): number =>
  Object.hasOwn(bench.fields, id)
    ? LONGEST
    : Object.hasOwn(bench.extras ?? {}, id)
      ? (bench.extras?.[id] ?? 0)
      : 0;

/** What a link says was typed; what is no field of this bench, or is too long, is left out. */
export const textsOfQuery = (bench: Bench, query: Readonly<Record<string, unknown>>): BenchTexts =>
  Object.fromEntries(
    Object.entries(query).flatMap(([id, text]) =>
      typeof text === 'string' && text.length <= longestOf(bench, id) ? [[id, text]] : [],
    ),
  );
