import { differenceInMilliseconds } from 'date-fns/differenceInMilliseconds';
import { parseISO } from 'date-fns/parseISO';
import type { Check, Machine, Reading, Walk, WalkKind } from '../contracts';
import { live } from '../history';
import type { Ranged } from './shrink';
import { verdictAt } from './closed';

/** What one walk took, and what it found. */
export interface WalkYield {
  readonly id: string;
  readonly kind: WalkKind | null;
  readonly day: string;
  /** at the machine; of a longer break, {@link BREAK_MINUTES} */
  readonly minutes: number;
  /** checks read, and those of them that called for work */
  readonly read: number;
  readonly found: number;
}

/** Who reads nothing for longer than this is taken to do something else, minutes. Shop rule. */
export const BREAK_MINUTES = 20;

/** Decisions that are work found; what is to be measured again is not. */
const FOUND: readonly string[] = ['adjust', 'shorten', 'turn', 'replace'];

/** What a machine's walks are told from. */
export interface WalkedMachine {
  readonly machine: Machine;
  readonly checks: readonly Check[];
  readonly readings: readonly Reading[];
  readonly walks: readonly Walk[];
}

/**
 * What each finished walk of a machine took and found. It found what its checks came to as found, by
 * all that had been read until then; what was put right in the same walk was found as well. A walk in
 * which nothing was read is none.
 */
export function walkYields({ machine, checks, readings, walks }: WalkedMachine): WalkYield[] {
  const all = [...live(readings)].sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
  return walks.flatMap((walk): WalkYield[] => {
    const { finishedAt } = walk;
    const own = all.filter((r) => r.walkId === walk.id && r.value.kind !== 'skip');
    if (finishedAt === null || !own.length) return [];
    const day = finishedAt.slice(0, 10);
    const until = all.filter(
      (r) => r.takenAt <= finishedAt && (r.walkId !== walk.id || r.state === 'asFound'),
    );
    const looked = new Set(own.filter((r) => r.state === 'asFound').map((r) => r.checkId));
    const read = checks.filter((c) => looked.has(c.id));
    const found = read.filter((check) => {
      const before = until.filter((r) => r.checkId === check.id);
      return FOUND.includes(verdictAt(machine, check, before, day)?.decision ?? '');
    });
    return [
      {
        ...{ id: walk.id, kind: walk.kind, day, read: read.length, found: found.length },
        minutes: minutesAt(walk.startedAt, [...own.map((r) => r.takenAt), finishedAt]),
      },
    ];
  });
}

/** Minutes from one moment to the next, each at most as long as a break. */
function minutesAt(start: string, moments: readonly string[]): number {
  let [sum, last] = [0, start];
  for (const at of [...moments].sort()) {
    const minutes = differenceInMilliseconds(parseISO(at), parseISO(last)) / 60_000;
    sum += Math.min(BREAK_MINUTES, Math.max(0, minutes));
    last = at;
  }
  return sum;
}

/** What some walks found in an hour, with its range. */
export interface FoundPerHour extends Ranged {
  readonly walks: number;
  readonly hours: number;
  readonly read: number;
  readonly found: number;
}

/** Walks are drawn toward the rate of all as if so many finds had been made at it. Shop rule. */
const DRAWN_BY = 2;
const Z = 1.6448536;

/**
 * What walks of a kind found in an hour: finds come by chance, and in bunches, so that the range widens
 * by how much walks differ; few walks are drawn toward what all of them found.
 * @param own of the kind, at least one that took time
 * @param all of every kind
 */
export function foundPerHour(own: readonly WalkYield[], all: readonly WalkYield[]): FoundPerHour {
  const hoursOf = (walks: readonly WalkYield[]) => walks.reduce((h, w) => h + w.minutes / 60, 0);
  const foundOf = (walks: readonly WalkYield[]) => walks.reduce((n, w) => n + w.found, 0);
  const base = foundOf(all) / hoursOf(all);
  const bunched = bunching(all, base);
  const [hours, found] = [hoursOf(own), foundOf(own)];
  // a gamma: as many finds, as many hours, each worth less the more they come in bunches
  const shape = found / bunched + DRAWN_BY;
  const value = base > 0 ? shape / (hours / bunched + DRAWN_BY / base) : 0;
  const at = (z: number) =>
    value * Math.max(0, 1 - 1 / (9 * shape) + z / (3 * Math.sqrt(shape))) ** 3;
  return {
    ...{ walks: own.length, hours, found, value },
    read: own.reduce((n, w) => n + w.read, 0),
    ...{ low: at(-Z), high: at(Z) },
  };
}

/** How much more finds scatter than chance alone would have them; at least 1. */
function bunching(walks: readonly WalkYield[], base: number): number {
  if (walks.length < 2 || !(base > 0)) return 1;
  const off = walks.map(({ found, minutes }) => {
    const wanted = Math.max((base * minutes) / 60, 1e-9);
    return (found - wanted) ** 2 / wanted;
  });
  return Math.max(1, off.reduce((a, b) => a + b, 0) / (walks.length - 1));
}
