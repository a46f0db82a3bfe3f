import type { Reading } from '../contracts';

type Striking = Pick<Reading, 'id' | 'strikes'> & {
  readonly value?: Pick<Reading['value'], 'kind'>;
};

/**
 * Ids of the readings that later ones strike through. Nothing is erased: a correction is a new
 * reading.
 */
export function struckIds(readings: readonly Pick<Reading, 'strikes'>[]): ReadonlySet<string> {
  return readings.some((r) => r.strikes)
    ? new Set(readings.flatMap((r) => r.strikes ?? []))
    : NONE_STRUCK;
}

const NONE_STRUCK: ReadonlySet<string> = new Set();

/**
 * The readings that count: those no other one of the list strikes through, and that say something
 * themselves; one that only strikes does not.
 * @param among where the strikes are looked for, when `readings` are only some of a machine's
 */
export function live<R extends Striking>(
  readings: readonly R[],
  among: readonly Striking[] = readings,
): readonly R[] {
  const struck = struckIds(among);
  return struck.size
    ? readings.filter((r) => !struck.has(r.id) && r.value?.kind !== 'strike')
    : readings;
}
