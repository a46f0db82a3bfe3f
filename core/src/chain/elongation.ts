import { InputError, positive, zeroOrMore } from '../units';

/**
 * Elongation of a chain: growth of its pitch by joint wear.
 * @param length over `pitches` pitches, strand held taut, between the same sides of two pins, mm
 * @param pitches number of pitches measured over, whole, at least 1
 * @param pitch nominal, mm
 * @returns %, below 0 when the length is short of new
 * @throws InputError naming the field
 * @see the definition e = L/(n·p) − 1
 * @example elongation(1283, 20, 63.5) // 1.0236
 */
export function elongation(length: number, pitches: number, pitch: number): number {
  positive('length', length);
  return (length / nominalLength(pitches, pitch) - 1) * 100;
}

/** Length of `pitches` new pitches, mm. @throws InputError */
export function nominalLength(pitches: number, pitch: number): number {
  if (!Number.isInteger(pitches) || pitches < 1)
    throw new InputError('pitches', pitches, 'a whole number of at least 1');
  return pitches * positive('pitch', pitch);
}

/**
 * What an uncertainty of the length means in elongation.
 * @param uncertainty of the length, mm
 * @returns % points
 * @example elongationUncertainty(1, 20, 41.4) // 0.1208
 */
export function elongationUncertainty(uncertainty: number, pitches: number, pitch: number): number {
  return (100 * zeroOrMore('uncertainty', uncertainty)) / nominalLength(pitches, pitch);
}

/**
 * How many pitches to measure over so that the uncertainty is at most a tenth of the limit.
 * @param uncertainty of the length, mm
 * @param limit elongation limit, %
 * @example pitchesNeeded(1, 41.4, 2.1) // 12
 */
export function pitchesNeeded(uncertainty: number, pitch: number, limit: number): number {
  const share = positive('limit', limit) / 10;
  return Math.max(
    1,
    Math.ceil(
      (100 * zeroOrMore('uncertainty', uncertainty)) / (share * positive('pitch', pitch)) - 1e-9,
    ),
  );
}

/**
 * Elongation limit when the spec gives none. Shop rule: the lower of 3 % and 200/z %, z the larger
 * sprocket;
 * 1.5 % where nothing can take the chain up. The maker's manual overrides through the spec.
 * @param teeth of the larger sprocket, when known
 * @param takeUp whether the drive has an adjuster
 * @returns %
 * @example defaultElongationLimit(96, true) // 2.0833
 */
export function defaultElongationLimit(teeth: number | undefined, takeUp: boolean): number {
  const byTeeth = teeth === undefined ? 3 : Math.min(3, 200 / positive('teeth', teeth));
  return takeUp ? byTeeth : Math.min(1.5, byTeeth);
}
