import type { ReadingKind, ReadingValue, ValueOf } from '../contracts';
import { InputError } from '../units';

/*
 * The contract refuses nonsense where readings come in. The judge does not rely on it: a number that
 * is none, a word nobody knows or a count below nothing is refused by name, never judged.
 */

const number = (field: string, value: unknown): void => {
  if (typeof value !== 'number' || !(value >= 0 && value < Infinity))
    throw new InputError(field, value, 'a number, at least 0');
};
const whole = (field: string, value: unknown): void => {
  number(field, value);
  if (!Number.isInteger(value)) throw new InputError(field, value, 'a whole number, at least 0');
};
const word = (field: string, value: string, known: ReadonlySet<string>): void => {
  if (!known.has(value)) throw new InputError(field, value, `one of ${[...known].join(', ')}`);
};
const text = (field: string, value: unknown): void => {
  if (typeof value !== 'string') throw new InputError(field, value, 'a text');
};
const yesNo = (field: string, value: unknown): void => {
  if (typeof value !== 'boolean') throw new InputError(field, value, 'yes or no');
};

const STANDS = new Set(['short', 'at', 'past']);
const FEELS = new Set(['stuck', 'justSlides', 'slidesEasily', 'hangs']);
const GRADES = new Set(['sound', 'marked', 'damaged']);
const LEVELS = new Set(['low', 'right', 'high']);
const LOOKS = new Set(['fine', 'damaged']);
const FITTERS = new Set(['shop', 'owner', 'unknown']);

const SANE: { readonly [K in ReadingKind]: (value: ValueOf<K>) => void } = {
  measure: ({ values }) => {
    if (!Array.isArray(values) || values.length === 0)
      throw new InputError('value.values', '[]', 'at least one reading');
    for (const v of values) number('value.values', v);
  },
  travel: ({ left, linksOut }) => {
    number('value.left', left);
    whole('value.linksOut', linksOut);
  },
  mark: ({ stands, by }) => {
    word('value.stands', stands, STANDS);
    number('value.by', by);
  },
  feel: ({ feel }) => word('value.feel', feel, FEELS),
  gonogo: ({ fits }) => yesNo('value.fits', fits),
  count: ({ missing, damaged, oneEdge, bothEdges }) => {
    whole('value.missing', missing);
    whole('value.damaged', damaged);
    whole('value.oneEdge', oneEdge);
    whole('value.bothEdges', bothEdges);
  },
  condition: ({ grade }) => word('value.grade', grade, GRADES),
  level: ({ level }) => word('value.level', level, LEVELS),
  setting: ({ option }) => text('value.option', option),
  service: ({ amount }) => {
    if (amount !== null) number('value.amount', amount);
  },
  look: ({ seen }) => word('value.seen', seen, LOOKS),
  skip: ({ why }) => text('value.why', why),
  strike: ({ why }) => text('value.why', why),
  renewal: ({ fittedBy }) => word('value.fittedBy', fittedBy, FITTERS),
};

/** @throws InputError naming the field when a value is no value of its kind */
export function refuseNonsense(value: ReadingValue): void {
  if (!(value.kind in SANE))
    throw new InputError('value.kind', (value as { kind: unknown }).kind, 'a kind of reading');
  saneOf(value)(value);
}

const saneOf = <K extends ReadingKind>(value: { kind: K }): ((v: ValueOf<K>) => void) =>
  SANE[value.kind];
