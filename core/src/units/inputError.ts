/**
 * Bad input to a computation: names the field, the value given and what was wanted, so a screen or
 * the API can say it.
 * @example new InputError('pitch', 0, 'a length above 0 mm').message // "pitch: got 0, wanted a length above 0 mm"
 */
export class InputError extends Error {
  override readonly name = 'InputError';
  constructor(
    readonly field: string,
    readonly value: unknown,
    readonly wanted: string,
  ) {
    super(`${field}: got ${String(value)}, wanted ${wanted}`);
  }
}

/**
 * Beyond this nothing on a machine is measured, and below its inverse nothing above 0: sums and
 * squares of what lies between stay numbers.
 */
const MOST = 1e12;
const LEAST = 1e-12;

/**
 * Returns `value` when it is a number above zero, from 1e-12 to 1e12; throws {@link InputError}
 * otherwise.
 */
export function positive(field: string, value: number, wanted = 'a number above 0'): number {
  if (!(value >= LEAST && value <= MOST)) throw new InputError(field, value, wanted);
  return value;
}

/**
 * Returns `value` when it is a number of zero or more, up to 1e12; throws {@link InputError}
 * otherwise.
 */
export function zeroOrMore(field: string, value: number, wanted = 'a number of 0 or more'): number {
  if (!(value >= 0 && value <= MOST)) throw new InputError(field, value, wanted);
  return value;
}

/**
 * Returns `value` when it is a number no larger than 1e12 either way; throws {@link InputError}
 * otherwise.
 */
export function finite(field: string, value: number, wanted = 'a finite number'): number {
  if (!(value >= -MOST && value <= MOST)) throw new InputError(field, value, wanted);
  return value;
}
