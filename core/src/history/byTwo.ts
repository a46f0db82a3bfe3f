import type { Reading, ReadingValue } from '../contracts';
import { isMain } from './newest';

/** What several people read at one place in one state: the newest of each, in the order they came. */
export interface TakenByTwo {
  readonly takes: readonly Reading[];
  /** they do not say the same */
  readonly differ: boolean;
}

/**
 * Whether more than one person read a place in one walk.
 * @param readings live ones of one place in one state, oldest first
 * @returns undefined where one person did, or where they were read outside a walk
 */
export function takenByTwo(readings: readonly Reading[]): TakenByTwo | undefined {
  const first = readings[0];
  if (!first?.walkId || readings.every((r) => r.by === first.by)) return undefined;
  const newest = new Map<string, Reading>();
  for (const r of readings) if (isMain(r)) newest.set(r.by, r);
  const takes = [...newest.values()];
  const [one, ...others] = takes.map((r) => said(r.value));
  return others.length ? { takes, differ: others.some((o) => o !== one) } : undefined;
}

/** What a value says, whatever unit it was typed in and in whatever words it was described. */
const said = (value: ReadingValue): string =>
  JSON.stringify(value, (key, part: unknown) => (UNSAID.has(key) ? undefined : part));

const UNSAID: ReadonlySet<string> = new Set(['typed', 'unit', 'found', 'seen']);
