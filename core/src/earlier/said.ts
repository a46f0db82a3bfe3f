import { median } from 'simple-statistics';
import type { Check, Reading, ReadingKind, ValueOf } from '../contracts';
import { speechOf, type Speech } from '../findings';
import { FEEL_WORDS } from '../kinds';
import { serviceAmount } from '../kinds/service/words';
import { printNumber } from '../units';

/** What a reading of each kind said, in a few words. */
const SAID: { readonly [K in ReadingKind]: (value: ValueOf<K>, say: Speech) => string } = {
  measure: ({ values }, say) => say.value(median([...values]), 2),
  travel: ({ left, linksOut }, say) =>
    `${say.value(left, 0)} of travel left${linksOut ? `, ${linksOut} half links out` : ''}`,
  mark: ({ stands, by }, { check }) =>
    `${check.kind === 'mark' ? check.words[stands] : stands}${by ? `, ${printNumber(by, 1)} mm` : ''}`,
  feel: ({ feel, play }) => `${FEEL_WORDS[feel]}${play ? ', with play' : ''}`,
  gonogo: ({ fits }, { check }) =>
    `${check.kind === 'gonogo' ? check.gauge : 'gauge'} ${fits ? 'fits' : 'does not fit'}`,
  count: (value) => countWords(value),
  condition: ({ grade, seen, found }) =>
    [grade, [...seen, ...(found ? [found] : [])].join(', ')].filter(Boolean).join(': '),
  level: ({ level, colour, toppedUp }) =>
    [level, colour, toppedUp ? `${printNumber(toppedUp, 1)} l added` : '']
      .filter(Boolean)
      .join(', '),
  setting: ({ option }) => `set to ${option}`,
  service: ({ amount }, { check }) =>
    amount === null || check.kind !== 'service'
      ? 'done'
      : `done, ${serviceAmount(check.asks, amount)}`,
  look: ({ seen, found }) =>
    seen === 'fine' ? 'only looked at, fine' : `looked damaged: ${found}`,
  skip: ({ why }) => `not measured: ${why}`,
  strike: ({ why }) => `struck: ${why}`,
  renewal: ({ part }) => `new part fitted${part ? `: ${part}` : ''}`,
};

function countWords(value: ValueOf<'count'>): string {
  const bad = [
    [value.missing, 'missing'],
    [value.damaged, 'damaged'],
    [value.oneEdge, 'worn on one edge'],
    [value.bothEdges, 'worn on both'],
  ] as const;
  const said = bad.flatMap(([n, what]) => (n ? [`${n} ${what}`] : []));
  return said.length ? said.join(', ') : 'all there and good';
}

/** What one reading said, the way its check writes it: "36.5 mm", "just slides", "2 missing". */
export function saidOf(
  check: Check,
  { value, renewed }: Pick<Reading, 'value' | 'renewed'>,
): string {
  const say = SAID[value.kind] as (value: Reading['value'], say: Speech) => string;
  const words = say(value, speechOf(check));
  return renewed && value.kind !== 'renewal' ? `${words}, with a new part` : words;
}
