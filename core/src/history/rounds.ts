import type { Reading } from '../contracts';

/** Readings of one round belong together: one walk, or one day when imported without a walk. */
export function roundOf(reading: Pick<Reading, 'walkId' | 'takenAt'>): string {
  return reading.walkId ?? reading.takenAt.slice(0, 10);
}

/** The readings of the newest round, of live ones of one place, oldest first. */
export function newestRound(readings: readonly Reading[]): readonly Reading[] {
  const newest = readings.at(-1);
  if (readings.length < 2 || !newest) return readings;
  const key = roundOf(newest);
  return readings.filter((r) => roundOf(r) === key);
}

/**
 * The state that counts: what was read last, as left or as found. What was found before something
 * was put right and what was found after it are two states of the machine, never pooled.
 */
export function inForce(round: readonly Reading[]): readonly Reading[] {
  if (round.length === 1) return round;
  const last = round.at(-1)?.state;
  const before = round.findLastIndex((r) => r.state !== last);
  return before < 0 ? round : round.slice(before + 1);
}

/**
 * Repeats of a measured value: as-found readings of one place in one round repeat each other; of
 * as-left ones only the last
 * attempt counts.
 * @param readings of one place in one state, oldest first
 * @returns in the core's own unit; empty when nothing was measured
 */
export function repeatsOf(readings: readonly Reading[]): readonly number[] {
  const measured = readings.flatMap((r) => (r.value.kind === 'measure' ? [r.value.values] : []));
  if (measured.length < 2) return measured[0] ?? [];
  return readings.at(-1)?.state === 'asLeft' ? (measured.at(-1) ?? []) : measured.flat();
}
