import { InputError, positive, zeroOrMore } from '../units';

/**
 * Deflection to press at mid-span for the push method, in the unit of the span: span/64. @example
 * pressDepth(896.87) // 14.014
 */
export function pressDepth(span: number): number {
  return positive('span', span) / 64;
}

/**
 * Strand tension from a push at mid-span, N.
 * @param push force, N
 * @param span free length, mm
 * @param depth pressed in, mm
 * @param stiffness taken off where a spec gives one, N
 * @see F·s/(4 q)
 * @example tensionFromPush(60, 896.87, 14.014) // 960
 */
export function tensionFromPush(push: number, span: number, depth: number, stiffness = 0): number {
  const tension =
    (zeroOrMore('push', push) * positive('span', span)) / (4 * positive('depth', depth)) -
    zeroOrMore('stiffness', stiffness);
  if (tension < 0)
    throw new InputError('push', push, "a push that overcomes the belt's own stiffness");
  return tension;
}

/**
 * Strand tension from the note of a plucked span, N.
 * @param mass of the belt per length, kg/m
 * @param span m
 * @param frequency fundamental, Hz
 * @see 4·m·s²·f²
 * @example tensionFromNote(0.42, 0.89687, 42) // 2383.8
 */
export function tensionFromNote(mass: number, span: number, frequency: number): number {
  return (
    4 *
    positive('mass', mass) *
    positive('span', span) ** 2 *
    zeroOrMore('frequency', frequency) ** 2
  );
}

/** Note that a tension gives, Hz: the inverse of {@link tensionFromNote}. */
export function noteOfTension(mass: number, span: number, tension: number): number {
  return Math.sqrt(
    zeroOrMore('tension', tension) / (4 * positive('mass', mass) * positive('span', span) ** 2),
  );
}

/** Tension bands of a spec, N: a new belt is set tighter than one that has run in. */
export interface TensionBands {
  readonly new: { readonly low: number; readonly high: number };
  readonly runIn: { readonly low: number; readonly high: number };
  /** hours after which a belt counts as run in */
  readonly runInHours: number;
}

/**
 * The band that counts for a belt of an age, and where its tension stands.
 * @example standsInBand(900, 5, bands) // { band: bands.new, stand: 'low', by: 100 }
 */
export function standsInBand(
  tension: number,
  hours: number,
  bands: TensionBands,
): { band: TensionBands['new']; stand: 'low' | 'inside' | 'high'; by: number } {
  zeroOrMore('tension', tension);
  const name = zeroOrMore('hours', hours) < bands.runInHours ? 'new' : 'runIn';
  const band = bands[name];
  if (!(band.low < band.high))
    throw new InputError(`${name}.low`, band.low, `less than ${band.high} N`);
  const by =
    tension < band.low ? band.low - tension : tension > band.high ? tension - band.high : 0;
  return { band, stand: tension < band.low ? 'low' : tension > band.high ? 'high' : 'inside', by };
}
