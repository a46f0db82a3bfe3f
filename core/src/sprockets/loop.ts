import { InputError, positive } from '../units';

/**
 * Pitches in a chain loop on two sprockets at a centre distance; not rounded.
 * @param pitch mm
 * @param teeth1 @param teeth2 whole
 * @param centre distance between shafts, mm
 * @see the common approximation 2C/p + (z1+z2)/2 + ((z2−z1)/2π)²·p/C
 * @example loopPitches(25.4, 15, 38, 640) // 77.4255
 */
export function loopPitches(pitch: number, teeth1: number, teeth2: number, centre: number): number {
  positive('pitch', pitch);
  positive('centre', centre);
  positive('teeth1', teeth1);
  positive('teeth2', teeth2);
  return (
    (2 * centre) / pitch +
    (teeth1 + teeth2) / 2 +
    (((teeth2 - teeth1) / (2 * Math.PI)) ** 2 * pitch) / centre
  );
}

/**
 * Centre distance that a loop of so many pitches takes, mm: the inverse of {@link loopPitches}.
 * @throws InputError when the loop is too short to go round both sprockets
 * @example centreDistance(25.4, 15, 38, 78) // 647.373
 */
export function centreDistance(
  pitch: number,
  teeth1: number,
  teeth2: number,
  pitches: number,
): number {
  positive('pitch', pitch);
  positive('teeth1', teeth1);
  positive('teeth2', teeth2);
  const straight = positive('pitches', pitches) - (teeth1 + teeth2) / 2;
  const offset = ((teeth2 - teeth1) / (2 * Math.PI)) ** 2;
  const root = straight * straight - 8 * offset;
  if (straight <= 0 || root < 0)
    throw new InputError(
      'pitches',
      pitches,
      `more pitches than go round sprockets of ${teeth1} and ${teeth2} teeth`,
    );
  return (pitch * (straight + Math.sqrt(root))) / 4;
}
