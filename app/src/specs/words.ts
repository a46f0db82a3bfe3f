import type { Check, Interval } from '@green-tally/core/contracts';
import { printHours, printNumber } from '@green-tally/core/units';
import { FEEL_WORDS, limitWords } from '@green-tally/core/verdict';

/** Kinds of check, as a technician says them. */
export const KIND_WORDS: Readonly<Record<Check['kind'], string>> = {
  measure: 'Measure',
  series: 'Series',
  mark: 'Mark',
  feel: 'Feel',
  gonogo: 'Gauge',
  count: 'Count',
  condition: 'Look',
  level: 'Level',
  setting: 'Setting',
  service: 'Service',
};

/** How often, in a few words. */
export function intervalWords(interval: Interval): string {
  switch (interval.kind) {
    case 'daily':
      return 'daily';
    case 'perCrop':
      return 'when the crop changes';
    case 'season':
      return interval.early === undefined
        ? 'before each harvest'
        : `before each harvest, and ${printHours(interval.early)} after renewal`;
    case 'every':
      return (
        [
          interval.hours === undefined ? '' : `every ${printHours(interval.hours)}`,
          interval.days === undefined ? '' : `${interval.days} days`,
        ]
          .filter(Boolean)
          .join(' or ') +
        (interval.early === undefined ? '' : `, first ${printHours(interval.early)} after renewal`)
      );
  }
}

/** What a check wants, in a few words. */
export function wantWords(check: Check): string {
  switch (check.kind) {
    case 'measure':
    case 'series':
      return limitWords(check);
    case 'mark':
      return check.setsItself
        ? 'looked at, never adjusted'
        : `at its mark${check.gauge.past > 0 ? `, to ${printNumber(check.gauge.past, 1)} mm past` : ''}${check.takeUp ? `, slot ${printNumber(check.takeUp.total, 0)} mm` : ''}`;
    case 'feel':
      return `${check.good.map((f) => FEEL_WORDS[f]).join(' or ')}${check.asksPlay ? ', no play' : ''}`;
    case 'gonogo':
      return `${check.gauge} ${check.good === 'fits' ? 'fits' : 'does not fit'}`;
    case 'count':
      return `all ${check.total} ${check.counted}${check.allowed ? `, ${check.allowed} may wait` : ''}`;
    case 'condition':
      return `looked for: ${check.looksFor.join(', ')}`;
    case 'level':
      return `right at the ${check.eye}`;
    case 'setting':
      return check.options.join(' / ');
    case 'service':
      return `${check.amount === undefined ? '' : `${printNumber(check.amount, 1)} ${check.amount === 1 && check.asks === 'strokes' ? 'stroke' : check.asks} of `}${check.product}`;
  }
}

/** A value of a changed field, for reading: lists by commas, nothing as a dash. */
export function valueWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return '–';
  if (typeof value === 'number') return printNumber(value, 4);
  if (Array.isArray(value)) return value.map(valueWords).join(', ');
  if (typeof value === 'object') return Object.values(value).map(valueWords).join(' ');
  return String(value);
}
