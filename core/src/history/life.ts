import type { Reading } from '../contracts';

/**
 * The renewal that began the life of the part in place at a moment; undefined when none is on
 * record.
 */
export function lifeOf(readings: readonly Reading[], until = END_OF_TIME): Reading | undefined {
  return readings.findLast((r) => r.renewed && r.takenAt <= until);
}

/**
 * The readings of the part in place: those from the last time on that it was renewed, turned or
 * repaired. What was wrong before that is put right.
 * @param live readings of one place, oldest first
 */
export function sincePutRight(live: readonly Reading[]): readonly Reading[] {
  const at = live.findLastIndex((r) => r.renewed || r.repaired);
  return at < 0 ? live : live.slice(at);
}

/**
 * Links (pitches) taken out in a life before a moment. What is taken out while the new part is
 * fitted shortens the new one, it is not stretch.
 * @param renewal the reading that began the life; undefined: since the machine is watched
 */
export function linksOutBefore(
  readings: readonly Reading[],
  until: string,
  renewal: Pick<Reading, 'id'> | undefined,
): number {
  let sum = 0;
  const from = renewal ? readings.findIndex((r) => r.id === renewal.id) + 1 : 0;
  for (const r of readings.slice(from))
    if (r.value.kind === 'travel' && r.takenAt < until && !r.renewed) sum += r.value.linksOut;
  return sum;
}

/** Sorts after every moment there is. */
export const END_OF_TIME = '9999';
