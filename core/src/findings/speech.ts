import type { Check } from '../contracts';
import { printAs, printHours, printNumber, type Writing } from '../units';
import type { FindingNumbers } from './finding';
import type { FindingId } from './precedence';

/** How a finding is put into words: numbers written the way its check writes them. */
export interface Speech {
  readonly check: Check;
  /** a value in the core's own unit, in the unit and style of the check */
  value(value: number, decimals?: number): string;
}

/** One sentence a finding; the compiler lists the findings that lack theirs. */
export type Sentences<I extends FindingId> = {
  readonly [K in I]: (numbers: FindingNumbers[K], say: Speech) => string;
};

/** Speech for a check: a measured one in its own unit and style, all else in mm. */
export function speechOf(check: Check): Speech {
  const writing: Writing =
    check.kind === 'measure' || check.kind === 'series' ? check : MILLIMETRES;
  return { check, value: (value, decimals = 1) => printAs(value, writing, decimals) };
}

const MILLIMETRES: Writing = { quantity: 'length', unit: 'mm', style: 'mm' };

/** A share in whole percent. */
export const percent = (share: number): string => `${printNumber(share * 100, 0)} %`;

/** A chance in whole percent; nothing that is still to come is said to be certain. */
export function chanceWords(chance: number): string {
  if (chance > 0.99) return 'more than 99 %';
  return chance > 0 && chance < 0.01 ? 'less than 1 %' : percent(chance);
}

/** Hours on the meter, also when they never come. */
export const meterHours = (hours: number): string =>
  Number.isFinite(hours) ? printHours(hours) : 'more than 20,000 h';
