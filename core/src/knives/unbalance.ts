import { finite, InputError, positive } from '../units';

/** A knife place on a rotor: where it hangs. Radius and axial place mm, angle rad. */
export interface KnifePlace {
  readonly radius: number;
  readonly angle: number;
  readonly axial: number;
}

/** Axial places of the two bearings, mm. */
export interface BearingPlanes {
  readonly a: number;
  readonly b: number;
}

/** Unbalance resolved into the bearing planes: vectors and their sizes, g·mm. */
export interface Unbalance {
  readonly left: {
    readonly x: number;
    readonly y: number;
    readonly size: number;
    readonly angle: number;
  };
  readonly right: {
    readonly x: number;
    readonly y: number;
    readonly size: number;
    readonly angle: number;
  };
}

/**
 * Unbalance of a rotor from the mass differences at its knife places, resolved into two bearing
 * planes.
 * @param deviations Δm in g at each place: mass there less the mass of a new knife; a lost 180 g
 *   knife is −180
 * @see Σ Δm·r·e^{iθ}, shares (b − z)/(b − a) left and (z − a)/(b − a) right
 * @example one 180 g knife lost at r 260, θ 90°, z 300 between 0 and 1400: left 36771.4, right 10028.6 g·mm at −90°
 */
export function unbalance(
  deviations: readonly number[],
  places: readonly KnifePlace[],
  planes: BearingPlanes,
): Unbalance {
  finite('a', planes.a);
  if (!(finite('b', planes.b) >= planes.a + 1))
    throw new InputError('b', planes.b, `a place beyond a, ${planes.a} mm, by 1 mm at least`);
  if (deviations.length !== places.length)
    throw new InputError(
      'deviations',
      deviations.length,
      `one for each of the ${places.length} places`,
    );
  let [lx, ly, rx, ry] = [0, 0, 0, 0];
  places.forEach((place, i) => {
    const moment =
      finite(`deviations.${i}`, deviations[i] ?? NaN) *
      positive(`places.${i}.radius`, place.radius);
    const right = (finite(`places.${i}.axial`, place.axial) - planes.a) / (planes.b - planes.a);
    const [x, y] = [
      moment * Math.cos(finite(`places.${i}.angle`, place.angle)),
      moment * Math.sin(place.angle),
    ];
    lx += x * (1 - right);
    ly += y * (1 - right);
    rx += x * right;
    ry += y * right;
  });
  const plane = (x: number, y: number) => ({
    x,
    y,
    size: Math.hypot(x, y),
    angle: Math.atan2(y, x),
  });
  return { left: plane(lx, ly), right: plane(rx, ry) };
}

/**
 * Permissible residual unbalance of a rotor, g·mm, and its half for each plane.
 * @param grade mm/s; G 16 is the usual grade for farm rotors
 * @param mass of the rotor, kg
 * @param rpm service speed
 * @see ISO 21940-11, 9549·G·M/n
 * @example permissibleUnbalance(16, 118, 3100) // { total: 5815.65, perPlane: 2907.82 }
 */
export function permissibleUnbalance(
  grade: number,
  mass: number,
  rpm: number,
): { total: number; perPlane: number } {
  const total = (9549 * positive('grade', grade) * positive('mass', mass)) / positive('rpm', rpm);
  return { total, perPlane: total / 2 };
}

/**
 * Mass of a knife from the height left of it, g: worn away evenly from `newHeight`, the root
 * staying.
 */
export function massFromHeight(
  height: number,
  newHeight: number,
  newMass: number,
  rootShare = 0.4,
): number {
  if (!(height >= 0 && height <= positive('newHeight', newHeight)))
    throw new InputError('height', height, `from 0 to ${newHeight} mm`);
  if (!(rootShare >= 0 && rootShare <= 1))
    throw new InputError('rootShare', rootShare, 'a share from 0 to 1');
  return positive('newMass', newMass) * (rootShare + (1 - rootShare) * (height / newHeight));
}
