import { InputError, positive, zeroOrMore } from '../units';

function teethOf(field: string, z: number): number {
  if (!Number.isInteger(z) || z < 5 || z > 1000)
    throw new InputError(field, z, 'a whole number of 5 to 1,000 teeth');
  return z;
}

/**
 * Pitch diameter of a sprocket, mm.
 * @param pitch mm
 * @param teeth whole, at least 5
 * @see D = p / sin(π/z), ASME B29.1
 * @example pitchDiameter(15.875, 40) // 202.335
 */
export function pitchDiameter(pitch: number, teeth: number): number {
  return positive('pitch', pitch) / Math.sin(Math.PI / teethOf('teeth', teeth));
}

/**
 * Tip diameter of a sprocket, mm.
 * @see p·(0.6 + cot(π/z)), ASME B29.1 form
 * @example tipDiameter(15.875, 40) // 211.236
 */
export function tipDiameter(pitch: number, teeth: number): number {
  return positive('pitch', pitch) * (0.6 + 1 / Math.tan(Math.PI / teethOf('teeth', teeth)));
}

/**
 * How much higher a grown chain rides on its sprocket, mm: e·D/2.
 * @param elongation %
 * @example chainClimb(2, 15.875, 40) // 2.023
 */
export function chainClimb(elongation: number, pitch: number, teeth: number): number {
  return ((zeroOrMore('elongation', elongation) / 100) * pitchDiameter(pitch, teeth)) / 2;
}

/**
 * Share of the tooth's height above the pitch circle still held by a grown chain: 1 new, 0 at the
 * tips, below 0 jumping.
 * This is why large sprockets allow less elongation.
 * @example engagementLeft(2, 15.875, 40) // 0.545
 */
export function engagementLeft(elongation: number, pitch: number, teeth: number): number {
  return (
    1 -
    chainClimb(elongation, pitch, teeth) /
      ((tipDiameter(pitch, teeth) - pitchDiameter(pitch, teeth)) / 2)
  );
}

/** A sprocket tooth measured against its spec: thickness left, or hook grown; mm. */
export interface ToothWear {
  readonly nominal: number;
  readonly limit: number;
  /**
   * wear fraction from which a new chain must not be paired with these teeth; shop rule 0.5 unless
   * a spec says
   */
  readonly pairFrom?: number;
}

/**
 * Judges a tooth: its wear fraction, whether it is out, and whether renewing the chain must renew
 * the sprocket too.
 * New on old: a new chain on hooked teeth wears out early.
 * @example judgeTooth(7.1, { nominal: 8, limit: 6.5 }) // { wear: 0.6, out: false, renewWithChain: true }
 */
export function judgeTooth(
  measured: number,
  tooth: ToothWear,
): { wear: number; out: boolean; renewWithChain: boolean } {
  zeroOrMore('measured', measured);
  zeroOrMore('nominal', tooth.nominal);
  zeroOrMore('limit', tooth.limit);
  zeroOrMore('pairFrom', tooth.pairFrom ?? 0.5);
  if (tooth.nominal === tooth.limit)
    throw new InputError('limit', tooth.limit, 'a limit that differs from the new size');
  const wear = (tooth.nominal - measured) / (tooth.nominal - tooth.limit);
  return { wear, out: wear >= 1 - 1e-12, renewWithChain: wear >= (tooth.pairFrom ?? 0.5) - 1e-12 };
}
