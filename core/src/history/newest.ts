import type { Reading, ReadingKind, ReadingValue } from '../contracts';

/** A reading whose value is of the kind asked for. */
export type ReadingOf<K extends ReadingKind> = Reading & {
  readonly value: Extract<ReadingValue, { kind: K }>;
};

/** The newest reading that carries a value of one kind; undefined when none does. */
export function newestOf<K extends ReadingKind>(
  readings: readonly Reading[],
  kind: K,
): ReadingOf<K> | undefined {
  return readings.findLast((r): r is ReadingOf<K> => r.value.kind === kind);
}

const BESIDE: ReadonlySet<ReadingKind> = new Set(['travel', 'look', 'skip', 'renewal', 'strike']);

/**
 * Whether a reading is what its check is there for, and not the travel beside it, a mere look, a
 * skip, or a renewal on record.
 */
export function isMain({ value }: Pick<Reading, 'value'>): boolean {
  return !BESIDE.has(value.kind);
}

/** Whether a reading tells of work: something was left otherwise than it was found, or serviced. */
export const isWork = ({ state, value }: Pick<Reading, 'state' | 'value'>): boolean =>
  value.kind === 'service' ||
  (state === 'asLeft' && value.kind !== 'skip' && value.kind !== 'strike');
