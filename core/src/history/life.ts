import type { Reading } from '../contracts';

/**
 * The renewal that began the life of the part in place at a moment; undefined when none is on
 * record.
 */
export function lifeOf(readings: readonly Reading[], until = END_OF_TIME): Reading | undefined {
  return readings.findLast((r) => r.renewed && r.takenAt <= until);
}

/**
 * Links (pitches) taken out in a life before a moment. @param since machine hours at which the life
 * began
 */
export function linksOutBefore(readings: readonly Reading[], until: string, since: number): number {
  let sum = 0;
  for (const r of readings)
    if (r.value.kind === 'travel' && r.hours >= since && r.takenAt < until) sum += r.value.linksOut;
  return sum;
}

/** Sorts after every moment there is. */
export const END_OF_TIME = '9999';
