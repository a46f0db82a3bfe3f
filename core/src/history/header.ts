import type { Check, Reading } from '../contracts';

/** The header that is on a machine, and when it took the place of another. */
export interface HeaderOn {
  readonly serial: string | undefined;
  readonly since: string | undefined;
}

/**
 * The readings of a check that are of the machine as it stands: what was read of a header that has
 * since been taken off is not of the one that is on. A reading that does not say of which header it
 * is, is of the one that is on only if it was taken since that came on.
 */
export function ofThisHeader(
  { on }: Pick<Check, 'on'>,
  readings: readonly Reading[],
  { serial, since }: HeaderOn,
): readonly Reading[] {
  const foreign = (r: Reading) =>
    r.fit ? r.fit.header !== serial : since !== undefined && r.takenAt < since;
  return on === 'combine' || serial === undefined || !readings.some(foreign)
    ? readings
    : readings.filter((r) => !foreign(r));
}
