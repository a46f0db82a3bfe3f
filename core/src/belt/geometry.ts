import { finite, InputError, positive } from '../units';

/** An open belt on two pulleys; mm. */
export interface OpenBelt {
  /** distance between shafts */
  readonly centre: number;
  readonly large: number;
  readonly small: number;
}

function checked({ centre, large, small }: OpenBelt): OpenBelt {
  positive('centre', centre);
  positive('large', large);
  positive('small', small);
  if (centre <= Math.abs(large - small) / 2)
    throw new InputError(
      'centre',
      centre,
      'a distance at which one pulley does not lie inside the other',
    );
  return { centre, large, small };
}

/** Angle of a strand to the line of centres, rad. */
export function strandAngle(belt: OpenBelt): number {
  const { centre, large, small } = checked(belt);
  return Math.asin((large - small) / (2 * centre));
}

/**
 * Length of an open belt, mm.
 * @see 2C·cosγ + π(D+d)/2 + γ(D−d), γ = asin((D−d)/2C)
 * @example openBeltLength({ centre: 900, large: 400, small: 250 }) // 2827.271
 */
export function openBeltLength(belt: OpenBelt): number {
  const { centre, large, small } = checked(belt);
  const angle = strandAngle(belt);
  return 2 * centre * Math.cos(angle) + (Math.PI * (large + small)) / 2 + angle * (large - small);
}

/**
 * Free span of an open belt, mm.
 * @see √(C² − ((D−d)/2)²)
 * @example span({ centre: 900, large: 400, small: 250 }) // 896.870
 */
export function span(belt: OpenBelt): number {
  const { centre, large, small } = checked(belt);
  return Math.sqrt(centre ** 2 - ((large - small) / 2) ** 2);
}

/**
 * How far a worn belt drops in its groove, mm.
 * @param widthLoss mm narrower than new; below 0 it rides higher
 * @param grooveAngle of the sheave, degrees, between 0 and 180
 * @see Δw / (2·tan(θ/2))
 * @example rideDrop(2, 30) // 3.732
 */
export function rideDrop(widthLoss: number, grooveAngle: number): number {
  finite('widthLoss', widthLoss);
  if (!(grooveAngle > 0 && grooveAngle < 180))
    throw new InputError('grooveAngle', grooveAngle, 'an angle above 0° and below 180°');
  return widthLoss / (2 * Math.tan((grooveAngle * Math.PI) / 360));
}

/** ISO 3410 variable-speed sections: nominal top width, mm. */
export const VARIABLE_SPEED_SECTIONS: Readonly<
  Record<'HI' | 'HJ' | 'HK' | 'HL' | 'HM' | 'HN' | 'HO', number>
> = {
  HI: 25.4,
  HJ: 31.75,
  HK: 38.1,
  HL: 44.45,
  HM: 50.8,
  HN: 57.15,
  HO: 63.5,
};
