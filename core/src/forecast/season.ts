import { InputError, positive } from '../units';

/**
 * Hours the machine will thresh this season: area over field capacity.
 * @param areaHa ha
 * @param widthM working width, m
 * @param speedKmh km/h
 * @param efficiency share of the time spent cutting, above 0 to 1
 * @see field capacity = width·speed·efficiency/10, ha/h (textbook farm machinery management)
 * @example seasonHours(520, 10.7, 6.2, 0.72) // 108.87
 */
export function seasonHours(
  areaHa: number,
  widthM: number,
  speedKmh: number,
  efficiency: number,
): number {
  if (!(efficiency > 0 && efficiency <= 1))
    throw new InputError('efficiency', efficiency, 'a share above 0, at most 1');
  return (
    positive('areaHa', areaHa) /
    ((positive('widthM', widthM) * positive('speedKmh', speedKmh) * efficiency) / 10)
  );
}
