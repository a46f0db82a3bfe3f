import { finite, InputError } from './inputError';
import { findUnit, type Dimension } from './table';

/** How a check wants its lengths written. */
export type LengthStyle = 'mm' | 'inFraction' | 'inThou';

/**
 * Prints a value held in the core's own unit, in the unit named, without trailing zeros.
 * @param value in the core's own unit of the dimension
 * @param decimals most digits after the point, 3 unless said
 * @example printQuantity(34.925, 'length', 'in') // "1.375 in"
 */
export function printQuantity(
  value: number,
  dimension: Dimension,
  symbol: string,
  decimals = 3,
): string {
  finite('value', value);
  const unit = findUnit(dimension, symbol);
  if (!unit) throw new InputError('unit', symbol, `a unit of ${dimension}`);
  return `${printNumber(value / unit.factor, decimals)} ${unit.symbol}`;
}

/** How a check writes its readings: the quantity, the unit, and the style of its lengths. */
export interface Writing {
  readonly quantity: Dimension;
  readonly unit: string;
  readonly style: LengthStyle | 'plain';
}

/**
 * Prints a reading the way its check writes it.
 * @param value in the core's own unit of the quantity
 * @throws InputError when the value is not finite or the unit is none of the quantity
 * @example printAs(450, { quantity: 'pressure', unit: 'bar', style: 'plain' }) // "4.5 bar"
 */
export function printAs(
  value: number,
  { quantity, unit, style }: Writing,
  decimals?: number,
): string {
  return quantity === 'length' && style !== 'plain'
    ? printLength(value, style, decimals)
    : printQuantity(value, quantity, unit, decimals);
}

/**
 * How finely a tool reads, in words: half of it to either side is what a reading does not tell.
 * @param resolution in the core's own unit of the quantity
 * @throws InputError as {@link printAs}
 * @example readsTo(0.1, { quantity: 'length', unit: 'mm', style: 'mm' }) // "reads to 0.1 mm"
 */
export function readsTo(resolution: number, writing: Writing): string {
  // a fraction is as coarse as what it writes
  const style = writing.style === 'inFraction' ? 'inThou' : writing.style;
  return `reads to ${printAs(resolution, { ...writing, style })}`;
}

/** A number with at most `decimals` digits after the point and no trailing zeros; never "-0". */
export function printNumber(value: number, decimals = 3): string {
  const text = value.toFixed(decimals);
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return trimmed === '-0' ? '0' : trimmed;
}

/** So many of them, in words. @example counted(1, 'check') // "1 check" */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n} ${n === 1 ? one : many}`;

/**
 * Hours as read on a meter: whole, with a thin group every three digits. @example printHours(1284)
 * // "1,284 h"
 */
export function printHours(hours: number): string {
  return `${grouped(finite('hours', hours))} h`;
}

/** An amount of money, whole, in groups of three digits. @example printAmount(2897.5) // "2,898" */
export const printAmount = (amount: number): string => grouped(finite('amount', amount));

const grouped = (n: number): string =>
  Math.round(n)
    .toString()
    .replace(/\B(?=(\d{3})+$)/g, ',');

/**
 * Prints a length in mm by the check's style.
 * @param mm length, mm
 * @param style mm, nearest 1/64 inch reduced, or thousandths of an inch
 * @example printLength(34.925, 'inFraction') // "1 3/8 in"
 */
export function printLength(mm: number, style: LengthStyle, decimals?: number): string {
  finite('length', mm);
  if (style === 'inThou') return `${(mm / 25.4).toFixed(3)} in`;
  if (style === 'inFraction') return `${inchFraction(mm / 25.4)} in`;
  return printQuantity(mm, 'length', 'mm', decimals);
}

function inchFraction(inches: number): string {
  const sixtyFourths = Math.round(Math.abs(inches) * 64);
  const sign = inches < 0 && sixtyFourths > 0 ? '-' : '';
  const whole = Math.floor(sixtyFourths / 64);
  let top = sixtyFourths % 64;
  let bottom = 64;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return `${sign}${whole}`;
  return whole === 0 ? `${sign}${top}/${bottom}` : `${sign}${whole} ${top}/${bottom}`;
}
