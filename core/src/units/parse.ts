import { InputError } from './inputError';
import { findUnit, unitSymbols, type Dimension, type Unit } from './table';

/** What a person wrote cannot be read. `position` is the 0-based character it failed at. */
export class UnitParseError extends InputError {
  constructor(
    text: string,
    readonly position: number,
    readonly trouble: string,
    wanted: string,
  ) {
    super('reading', text, wanted);
    this.message = `${trouble} Write ${wanted}.`;
  }
}

/**
 * A quantity as read: `value` in the core's own unit of the dimension, and the unit the person
 * used.
 */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
}

/** Nobody writes a quantity longer than this; what is, is read by nobody. */
const LONGEST = 80;

/**
 * Reads a quantity as people write it: `9.5`, `9,5 mm`, `3/8`, `1 3/8"`, `1-3/8 in`, `.020`, `20
 * thou`, `1 ft 2 in`.
 * A bare number takes `bareUnit`. Nothing ambiguous is guessed at.
 * @param text what was typed
 * @param dimension what is measured
 * @param bareUnit symbol used when no unit is written
 * @returns the value in mm, N, kPa, N·m, Hz, rpm, V, °, h, ha or km/h
 * @throws UnitParseError with the character it failed at
 * @example parseQuantity('1 3/8 in', 'length', 'mm') // { value: 34.925, unit: 'in' }
 */
export function parseQuantity(text: string, dimension: Dimension, bareUnit: string): Quantity {
  const fallback = findUnit(dimension, bareUnit);
  if (!fallback) throw new InputError('bareUnit', bareUnit, `one of ${unitSymbols(dimension)}`);
  if (text.length > LONGEST)
    throw new InputError('value', `${text.slice(0, 20)}…`, 'a quantity; this is too long for one');
  const reader = new Reader(text, dimension, fallback.symbol);
  const first = reader.number();
  const firstUnit = reader.unit();
  if (reader.atEnd())
    return { value: first * (firstUnit ?? fallback).factor, unit: (firstUnit ?? fallback).symbol };
  if (firstUnit?.symbol !== 'ft') throw reader.fail('there is more after the number and unit.');
  const inches = reader.number();
  const secondUnit = reader.unit();
  if (secondUnit?.symbol !== 'in')
    throw reader.fail('feet are followed by inches, for example 1 ft 2 in.');
  if (inches >= 12) throw reader.fail('inches after feet stay below 12.');
  if (!reader.atEnd()) throw reader.fail('there is more after the inches.');
  return { value: first * firstUnit.factor + inches * secondUnit.factor, unit: 'in' };
}

/**
 * Reads a length; see {@link parseQuantity}. Lengths on a machine are never negative.
 * @returns value in mm
 * @example parseLength('.020', 'in').value // 0.508
 */
export function parseLength(text: string, bareUnit: string): Quantity {
  return parseQuantity(text, 'length', bareUnit);
}

/** Reads left to right; every failure knows where it stands. */
class Reader {
  private at = 0;
  constructor(
    private readonly text: string,
    private readonly dimension: Dimension,
    private readonly bareUnit: string,
  ) {}

  fail(trouble: string, position = this.at): UnitParseError {
    const where = `At character ${position + 1}${position < this.text.length ? ` ("${this.text.charAt(position)}")` : ''}`;
    const examples =
      this.dimension === 'length'
        ? '9.5, 9,5 mm, 3/8, 1 3/8 in or .020 in'
        : `a number, then ${unitSymbols(this.dimension)}`;
    return new UnitParseError(
      this.text,
      position,
      `${where}: ${trouble}`,
      `${examples} (without a unit: ${this.bareUnit})`,
    );
  }

  atEnd(): boolean {
    this.skipSpace();
    return this.at >= this.text.length;
  }

  /** A decimal, a fraction, or a whole number with a fraction. */
  number(): number {
    this.skipSpace();
    if (this.text.charAt(this.at) === '-') throw this.fail('a reading cannot be negative.');
    const start = this.at;
    const match = /^(?:\d+(?:[.,]\d*)?|[.,]\d+)/.exec(this.text.slice(this.at));
    if (!match)
      throw this.fail(
        this.at >= this.text.length ? 'a number is missing.' : 'this is not a number.',
      );
    const written = match[0];
    this.at += written.length;
    if (/^[.,]?$/.test(this.text.charAt(this.at)) && this.at < this.text.length)
      throw this.fail('there are two decimal signs; which one counts?');
    if (/^[1-9]\d{0,2},\d{3}$/.test(written)) {
      throw this.fail(
        'a comma before three digits may mean thousands or decimals; use a point, or leave the comma out.',
        start + written.indexOf(','),
      );
    }
    if (/[.,]$/.test(written)) throw this.fail('digits are missing after the decimal sign.');
    const value = Number(written.replace(',', '.'));
    if (!Number.isFinite(value)) throw this.fail('this number is too long.', start);
    if (/[.,]/.test(written)) return value;
    if (this.text.charAt(this.at) === '/') return value / this.denominator(value);
    return value + this.fractionAfterWhole();
  }

  private denominator(numerator: number): number {
    this.at += 1;
    const match = /^\d+/.exec(this.text.slice(this.at));
    if (!match) throw this.fail('the bottom of the fraction is missing.');
    const bottom = Number(match[0]);
    if (bottom === 0) throw this.fail('a fraction cannot have 0 at the bottom.');
    this.at += match[0].length;
    if (this.text.charAt(this.at) === '/') throw this.fail('a fraction has one stroke only.');
    if (!Number.isFinite(numerator / bottom)) throw this.fail('this number is too long.');
    return bottom;
  }

  private fractionAfterWhole(): number {
    // "900 1/min" is a unit, no fraction
    const match = /^(?:\s+|\s*-\s*)(\d+)\/(?![a-z])/i.exec(this.text.slice(this.at));
    if (!match) return 0;
    const start = this.at;
    const top = Number(match[1]);
    this.at += match[0].length - 1;
    const bottom = this.denominator(top);
    if (top >= bottom) throw this.fail('a fraction after a whole number stays below 1.', start);
    return top / bottom;
  }

  unit(): Unit | undefined {
    this.skipSpace();
    const match = /^(?:1\/[a-z]+|[^\d\s.,-][^\d.,]*)/i.exec(this.text.slice(this.at));
    if (!match) return undefined;
    const word = match[0].trimEnd();
    if (this.dimension === 'length' && /^mils?$/i.test(word))
      throw this.fail(
        `"${word}" may mean thousandths of an inch or millimetres: write thou or mm.`,
      );
    const found = findUnit(this.dimension, word);
    if (!found) throw this.fail(`"${word}" is not a unit of ${this.dimension}.`);
    this.at += match[0].length;
    return found;
  }

  private skipSpace(): void {
    while (/\s/.test(this.text.charAt(this.at))) this.at += 1;
  }
}
