import type { Check, Reading } from '../contracts';

/**
 * The readings of a check that are of the machine as it stands: what was read of a header that has
 * since been taken off is not of the one that is on. Where a reading does not say, it is taken to be.
 * @param serial of the header that is on; undefined when it is not known
 */
export function ofThisHeader(
  { on }: Pick<Check, 'on'>,
  readings: readonly Reading[],
  serial: string | undefined,
): readonly Reading[] {
  const foreign = (r: Reading) => r.fit !== null && r.fit !== undefined && r.fit.header !== serial;
  return on === 'combine' || serial === undefined || !readings.some(foreign)
    ? readings
    : readings.filter((r) => !foreign(r));
}
