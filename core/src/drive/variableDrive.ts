import { InputError, positive, zeroOrMore } from '../units';

/** A belt drive whose front sheave opens and closes; mm, rpm, degrees. */
export interface VariableDrive {
  readonly driverRpm: number;
  readonly centre: number;
  readonly beltLength: number;
  readonly beltWidth: number;
  /** groove angle of both sheaves, degrees */
  readonly grooveAngle: number;
  /** reference radius at which the sheave gap is defined, driver and driven */
  readonly driverR0: number;
  readonly drivenR0: number;
  /** share of speed lost to slip, 0 unless given */
  readonly slip?: number;
}

/** Where the drive stands at a gap. */
export interface DriveState {
  readonly gap: number;
  readonly driverRadius: number;
  readonly drivenRadius: number;
  readonly drivenGap: number;
  readonly drivenRpm: number;
}

/** The drive cannot stand at what was asked: says why. */
export class NoDriveSolution extends InputError {
  constructor(
    field: string,
    value: unknown,
    readonly why: string,
  ) {
    super(field, value, why);
  }
}

const halfTan = (drive: VariableDrive): number => {
  if (!(drive.grooveAngle >= 1 && drive.grooveAngle < 180))
    throw new InputError('grooveAngle', drive.grooveAngle, 'an angle from 1°, below 180°');
  return Math.tan((drive.grooveAngle * Math.PI) / 360);
};

/** Radius at which a belt of a width rides in a sheave of a gap: r0 + (w − x)/(2·tan(θ/2)). */
function rideRadius(r0: number, width: number, gap: number, tan: number): number {
  return r0 + (width - gap) / (2 * tan);
}

/** Length of an open belt by its radii, continued smoothly for either being the larger. */
function lengthAt(a: number, b: number, centre: number): number {
  const angle = Math.asin((a - b) / centre);
  return 2 * centre * Math.cos(angle) + Math.PI * (a + b) + 2 * angle * (a - b);
}

/**
 * The driven radius that belt length and centre distance leave for a driver radius, mm.
 * Length grows with the driven radius, so it is found by bisection.
 */
function drivenRadiusFor(drive: VariableDrive, driverRadius: number): number {
  const length = (r: number) => lengthAt(driverRadius, r, drive.centre);
  let low = Math.max(1, driverRadius - drive.centre * 0.999);
  let high = driverRadius + drive.centre * 0.999;
  if (length(low) > drive.beltLength)
    throw new NoDriveSolution(
      'beltLength',
      drive.beltLength,
      `a belt of at least ${length(low).toFixed(0)} mm to go round the front sheave at radius ${driverRadius.toFixed(1)} mm`,
    );
  if (length(high) < drive.beltLength)
    throw new NoDriveSolution(
      'beltLength',
      drive.beltLength,
      `a belt of at most ${length(high).toFixed(0)} mm for this centre distance`,
    );
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (length(middle) > drive.beltLength) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/**
 * Radii, driven gap and driven speed at a gap of the front sheave.
 * @param gap of the front sheave at its reference radius, mm
 * @throws NoDriveSolution, saying why the belt cannot ride so; InputError
 * @see open-belt length with both radii; speed as the inverse ratio of radii, less slip
 * @example driveAt({ driverRpm: 620, centre: 760, beltLength: 2350, beltWidth: 38, grooveAngle: 30, driverR0: 95, drivenR0: 60 }, 4).drivenRpm // 939.74
 */
export function driveAt(drive: VariableDrive, gap: number): DriveState {
  positive('driverRpm', drive.driverRpm);
  positive('centre', drive.centre);
  positive('beltLength', drive.beltLength);
  positive('beltWidth', drive.beltWidth);
  const slip = drive.slip ?? 0;
  if (!(slip >= 0 && slip < 1)) throw new InputError('slip', slip, 'a share from 0, below 1');
  zeroOrMore('gap', gap);
  const tan = halfTan(drive);
  const driverRadius = rideRadius(positive('driverR0', drive.driverR0), drive.beltWidth, gap, tan);
  if (driverRadius <= 0)
    throw new NoDriveSolution(
      'gap',
      gap,
      `a gap below ${(drive.beltWidth + 2 * tan * drive.driverR0).toFixed(1)} mm: at this one the belt lies on the shaft`,
    );
  const drivenRadius = drivenRadiusFor(drive, driverRadius);
  if (driverRadius + drivenRadius >= drive.centre)
    throw new NoDriveSolution(
      'centre',
      drive.centre,
      `more than ${(driverRadius + drivenRadius).toFixed(0)} mm: nearer, the sheaves lie in each other`,
    );
  const drivenGap =
    drive.beltWidth - 2 * tan * (drivenRadius - positive('drivenR0', drive.drivenR0));
  if (drivenGap < 0)
    throw new NoDriveSolution(
      'gap',
      gap,
      'a smaller gap: at this one the driven sheave would have to close further than shut',
    );
  return {
    gap,
    driverRadius,
    drivenRadius,
    drivenGap,
    drivenRpm: (drive.driverRpm * driverRadius * (1 - slip)) / drivenRadius,
  };
}

/** Slowest and fastest over the travel of the gap. */
export function rpmRange(
  drive: VariableDrive,
  gapFrom: number,
  gapTo: number,
): { slowest: DriveState; fastest: DriveState } {
  const [a, b] = [driveAt(drive, gapFrom), driveAt(drive, gapTo)];
  return a.drivenRpm <= b.drivenRpm ? { slowest: a, fastest: b } : { slowest: b, fastest: a };
}

/**
 * The gap that gives a wanted driven speed. Speed falls as the gap opens, so it is found by
 * bisection.
 * @param wanted rpm
 * @throws NoDriveSolution naming the speeds that can be had
 * @example gapFor(drive, 939.74, 2, 8).gap // 4.00
 */
export function gapFor(
  drive: VariableDrive,
  wanted: number,
  gapFrom: number,
  gapTo: number,
): DriveState {
  positive('wanted', wanted);
  const { slowest, fastest } = rpmRange(drive, gapFrom, gapTo);
  if (wanted < slowest.drivenRpm - 1e-9 || wanted > fastest.drivenRpm + 1e-9) {
    throw new NoDriveSolution(
      'wanted',
      wanted,
      `between ${slowest.drivenRpm.toFixed(0)} and ${fastest.drivenRpm.toFixed(0)} rpm, which is what gaps of ${gapFrom} to ${gapTo} mm can give`,
    );
  }
  let [low, high] = [Math.min(gapFrom, gapTo), Math.max(gapFrom, gapTo)];
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (driveAt(drive, middle).drivenRpm > wanted) low = middle;
    else high = middle;
  }
  return driveAt(drive, (low + high) / 2);
}

/** What a worn belt costs at a gap: driven rpm lost against a belt of the drive's own width. */
export function wornBeltLoss(
  drive: VariableDrive,
  gap: number,
  wornWidth: number,
): { state: DriveState; lost: number } {
  const state = driveAt({ ...drive, beltWidth: positive('wornWidth', wornWidth) }, gap);
  return { state, lost: driveAt(drive, gap).drivenRpm - state.drivenRpm };
}
