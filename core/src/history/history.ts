import type { Reading } from '../contracts';
import { inForce, newestRound, roundOf } from './rounds';
import { struckIds } from './struck';

/** What was read at one place of one check, oldest first. */
export interface PlaceHistory {
  readonly place: string;
  /** all that was read, struck readings among it */
  readonly all: readonly Reading[];
  readonly live: readonly Reading[];
  readonly struck: ReadonlySet<string>;
  /** live readings of the newest round, at least one */
  readonly round: readonly Reading[];
  readonly roundKey: string;
  /** those of the round that count: as left where that is newer, else as found */
  readonly inForce: readonly Reading[];
}

/**
 * Oldest first; ids settle readings of one moment. ISO moments in UTC sort as text; localeCompare
 * is many times slower.
 */
export function inTime(readings: readonly Reading[]): readonly Reading[] {
  return readings.length > 1 ? [...readings].sort(byTime) : readings;
}

const byTime = (a: Reading, b: Reading): number => order(a.takenAt, b.takenAt) || order(a.id, b.id);
const order = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** A machine's readings by the check they belong to. */
export function byCheck(readings: readonly Reading[]): ReadonlyMap<string, readonly Reading[]> {
  return grouped(readings, (r) => r.checkId);
}

/** Readings by the place they were taken at. */
export function byPlace(readings: readonly Reading[]): ReadonlyMap<string, readonly Reading[]> {
  return grouped(readings, (r) => r.place);
}

function grouped(
  readings: readonly Reading[],
  keyOf: (r: Reading) => string,
): Map<string, Reading[]> {
  const groups = new Map<string, Reading[]>();
  for (const r of readings) {
    const key = keyOf(r);
    const own = groups.get(key);
    if (own) own.push(r);
    else groups.set(key, [r]);
  }
  return groups;
}

/**
 * The history of each place of a check, in the order of its places.
 * @param readings of this check
 * @returns places that were read, and those without a live reading
 */
export function placesOf(
  places: readonly string[],
  readings: readonly Reading[],
): { readonly read: readonly PlaceHistory[]; readonly unread: readonly string[] } {
  const struck = struckIds(readings);
  const groups = byPlace(inTime(readings));
  const read: PlaceHistory[] = [];
  const unread: string[] = [];
  for (const place of places) {
    const listed = groups.get(place) ?? NONE;
    const all = struck.size ? listed.filter((r) => r.value.kind !== 'strike') : listed;
    const own = struck.size ? all.filter((r) => !struck.has(r.id)) : all;
    const newest = own.at(-1);
    if (!newest) {
      unread.push(place);
      continue;
    }
    const round = newestRound(own);
    const roundKey = roundOf(newest);
    read.push({ place, all, live: own, struck, round, roundKey, inForce: inForce(round) });
  }
  return { read, unread };
}

const NONE: readonly Reading[] = [];
