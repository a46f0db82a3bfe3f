/**
 * Bad input to a computation: names the field, the value given and what was wanted, so a screen or the API can say it.
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

/** Returns `value` when it is a finite number above zero; throws {@link InputError} otherwise. */
export function positive(field: string, value: number, wanted = 'a number above 0'): number {
  if (!(Number.isFinite(value) && value > 0)) throw new InputError(field, value, wanted);
  return value;
}

/** Returns `value` when it is a finite number of zero or more; throws {@link InputError} otherwise. */
export function zeroOrMore(field: string, value: number, wanted = 'a number of 0 or more'): number {
  if (!(Number.isFinite(value) && value >= 0)) throw new InputError(field, value, wanted);
  return value;
}

/** Returns `value` when it is finite; throws {@link InputError} otherwise. */
export function finite(field: string, value: number, wanted = 'a finite number'): number {
  if (!Number.isFinite(value)) throw new InputError(field, value, wanted);
  return value;
}
