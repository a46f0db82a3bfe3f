import type { Effort, Swap } from './swaps';

/**
 * Extra renewals searched beyond the spent ones before the search is cut.
 */
const EXACT_EXTRAS = 3;
/** Renewal sets of one size, best balanced first, in which swaps are tried. */
const SETS_TRIED = 24;

/** What a search came to. */
export interface Found {
  readonly set: number[];
  readonly swap: readonly Swap[];
  readonly exact: boolean;
}

/**
 * Unbalance as left x, y, right x, y; g·mm. It adds up: renewing a unit changes it by the same
 * whatever else is renewed.
 */
export type Vector = readonly [number, number, number, number];
type VectorOf = (set: readonly number[]) => Vector;

/** The larger plane, g·mm. */
export const sizeOf = ([lx, ly, rx, ry]: Vector): number =>
  Math.sqrt(Math.max(lx * lx + ly * ly, rx * rx + ry * ry));
const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2], a[3] + b[3]];
const less = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2], a[3] - b[3]];

/** What a search for the fewest new knives begins from. */
export interface Search {
  /** places renewed in any case */
  readonly start: readonly number[];
  /** places, or pairs of them, that may be renewed beside */
  readonly units: readonly number[][];
  readonly vector: VectorOf;
  readonly perPlane: number;
  /** undefined when nothing may change places */
  readonly trySwaps: ((set: readonly number[]) => readonly Swap[] | undefined) | undefined;
  readonly effort: Effort;
}

/**
 * Tries no extra, then every one, two and three extra units, with swaps in the best balanced of
 * them; then adds what helps most, and takes away from all new what is not needed: all new always
 * balances, so that there is an answer. The first that holds has the fewest new knives.
 */
export function searchRenewals(search: Search): Found {
  const { start, units, vector, perPlane, trySwaps, effort } = search;
  const from = vector(start);
  const changes = units.map((unit) => less(vector([...start, ...unit]), from));
  for (let extras = 0; extras <= Math.min(EXACT_EXTRAS, units.length); extras += 1) {
    const sets = bestSets(from, changes, extras).map(({ picked, worst }) => ({
      set: [...start, ...picked.flatMap((i) => units[i] ?? [])],
      worst,
    }));
    const [best] = sets;
    const proven = extras === 0 || !trySwaps;
    if (best && best.worst <= perPlane + 1e-9)
      return { set: inOrder(best.set), swap: [], exact: proven };
    for (const { set } of effort.left > 0 ? sets : []) {
      const swap = trySwaps?.(set);
      // fewer new knives is proven while every smaller set was tried with all its swaps, which only
      // none extra is
      if (swap) return { set: inOrder(set), swap, exact: extras === 0 };
    }
  }
  const weigh = (set: readonly number[]) => sizeOf(vector(set));
  const [few] = [adding(search, weigh), takingAway(search, weigh)]
    .filter((set) => weigh(set) <= perPlane + 1e-9)
    .sort((x, y) => x.length - y.length);
  return { set: inOrder(few ?? adding(search, weigh)), swap: [], exact: false };
}

const inOrder = (set: readonly number[]) => [...set].sort((a, b) => a - b);

/** Every choice of `extras` units weighed; the best balanced of them, best first. */
function bestSets(
  from: Vector,
  changes: readonly Vector[],
  extras: number,
): { picked: number[]; worst: number }[] {
  const kept: { picked: number[]; worst: number }[] = [];
  const add = (first: number, left: number, picked: readonly number[], at: Vector): void => {
    if (left === 0) {
      const worst = sizeOf(at);
      if (kept.length >= SETS_TRIED && worst >= (kept.at(-1)?.worst ?? Infinity)) return;
      kept.push({ picked: [...picked], worst });
      kept.sort((a, b) => a.worst - b.worst);
      if (kept.length > SETS_TRIED) kept.pop();
      return;
    }
    for (let i = first; i <= changes.length - left; i += 1)
      add(i + 1, left - 1, [...picked, i], plus(at, changes[i] ?? [0, 0, 0, 0]));
  };
  add(0, extras, [], from);
  return kept;
}

type Weigh = (set: readonly number[]) => number;

/** Adds the unit that helps most until it is inside or nothing helps. */
function adding({ start, units, perPlane }: Search, weigh: Weigh): readonly number[] {
  let set = [...start];
  let rest = [...units];
  while (weigh(set) > perPlane && rest.length) {
    const [best] = rest
      .map((unit) => ({ unit, left: weigh([...set, ...unit]) }))
      .sort((a, b) => a.left - b.left);
    if (!best || best.left >= weigh(set)) break;
    set = [...set, ...best.unit];
    rest = rest.filter((u) => u !== best.unit);
  }
  return set;
}

/** From all new, leaves hanging what does least harm while it stays inside. */
function takingAway({ start, units, perPlane }: Search, weigh: Weigh): readonly number[] {
  let kept = [...units];
  const setOf = (of: readonly (readonly number[])[]) => [...start, ...of.flat()];
  for (;;) {
    const [best] = kept
      .map((unit) => {
        const without = kept.filter((u) => u !== unit);
        return { without, left: weigh(setOf(without)) };
      })
      .filter(({ left }) => left <= perPlane)
      .sort((a, b) => a.left - b.left);
    if (!best) return setOf(kept);
    kept = best.without;
  }
}
