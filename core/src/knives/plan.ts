import { InputError, positive } from '../units';
import { fewestSwaps, type Swap } from './swaps';
import {
  permissibleUnbalance,
  unbalance,
  type BearingPlanes,
  type KnifePlace,
  type Unbalance,
} from './unbalance';

/** One knife place and what hangs there. */
export interface HungKnife extends KnifePlace {
  /** mass there now, g; 0 when missing */
  readonly mass: number;
  /** must be renewed: missing, bent, cracked, or worn on both edges */
  readonly spent: boolean;
  /** one edge worn, the other good */
  readonly oneEdge: boolean;
  /** index of the place opposite, in the same plane */
  readonly opposite: number;
}

/** The rotor the knives hang on. */
export interface Rotor {
  readonly knives: readonly HungKnife[];
  readonly planes: BearingPlanes;
  readonly newMass: number;
  /** kg */
  readonly mass: number;
  readonly rpm: number;
  /** mm/s, G 16 unless given */
  readonly grade?: number;
}

/** How to put a rotor right. */
export interface KnifePlan {
  /** places that get a new knife */
  readonly renew: readonly number[];
  /** places whose knives change places, after the new ones hang; in order */
  readonly swap: readonly Swap[];
  /**
   * places whose knife is turned to its other edge, named by where it hung before; a turned knife
   * keeps its mass
   */
  readonly turn: readonly number[];
  readonly before: Unbalance;
  readonly after: Unbalance;
  readonly perPlane: number;
  readonly inside: boolean;
  /** new knives the plain "opposite set" rule would take */
  readonly oppositeRule: number;
  /** proven fewest new knives, not only few */
  readonly fewest: boolean;
}

/** What a plan may do. */
export interface KnifeChoices {
  /**
   * used knives may change places: outer ones to the worn middle; with the school `opposite` mates
   * move together
   */
  readonly swaps: boolean;
}

/**
 * Extra renewals searched beyond the spent ones before the search is cut; more are found by the
 * greedy step.
 */
const EXACT_EXTRAS = 3;
/** Renewal sets of one size, best balanced first, in which swaps are tried. */
const SETS_TRIED = 24;

/**
 * The fewest new knives, then the fewest swaps, that bring both planes inside the permissible
 * unbalance; spent ones always renewed.
 * School `opposite`: a new knife's mate is always renewed with it, and mates stay opposite. School
 * `weigh`: extra knives are renewed only where the
 * balance asks for it. Never more new knives than the plain opposite-set rule where that balances.
 * @throws InputError naming the field
 * @see ISO 21940-11 for the permissible unbalance
 */
export function planKnives(
  rotor: Rotor,
  school: 'opposite' | 'weigh',
  { swaps }: KnifeChoices = { swaps: true },
): KnifePlan {
  const { knives, planes } = rotor;
  checkRotor(rotor);
  const { perPlane } = permissibleUnbalance(rotor.grade ?? 16, rotor.mass, rotor.rpm);
  const spent = knives.flatMap((k, i) => (k.spent ? [i] : []));
  const withMates = [...new Set(spent.flatMap((i) => [i, knives[i]?.opposite ?? i]))].sort(
    (a, b) => a - b,
  );
  const massesWith = (renewed: ReadonlySet<number>) =>
    knives.map((k, i) => (renewed.has(i) ? rotor.newMass : k.mass));
  const judge = (masses: readonly number[]) =>
    unbalance(
      masses.map((m) => m - rotor.newMass),
      knives,
      planes,
    );
  const worst = (u: Unbalance) => Math.max(u.left.size, u.right.size);
  const vector = (set: readonly number[]): Vector => {
    const { left, right } = judge(massesWith(new Set(set)));
    return [left.x, left.y, right.x, right.y];
  };
  const weigh = (set: readonly number[]) => sizeOf(vector(set));
  const mates = school === 'opposite' ? knives.map((k) => k.opposite) : undefined;
  const swapsFor = (set: readonly number[]): readonly Swap[] | undefined =>
    fewestSwaps(
      { masses: massesWith(new Set(set)), places: knives, planes, newMass: rotor.newMass, mates },
      perPlane,
    );

  const trySwaps = swaps ? swapsFor : undefined;

  const start = school === 'opposite' ? withMates : spent;
  const units =
    school === 'opposite'
      ? pairsOutside(knives, new Set(start))
      : knives.flatMap((_, i) => (start.includes(i) ? [] : [[i]]));
  const found = search({ start, units, vector, perPlane, trySwaps });
  const balanced = found.swap.length > 0 || weigh(found.set) <= perPlane + 1e-9;
  const useRule =
    school === 'weigh' &&
    weigh(withMates) <= perPlane + 1e-9 &&
    (!balanced || found.set.length > withMates.length);
  const renew = useRule ? withMates : found.set;
  const swap = useRule ? [] : found.swap;
  const after = judge(swapped(massesWith(new Set(renew)), swap));
  return {
    renew,
    swap,
    turn: knives.flatMap((k, i) => (k.oneEdge && !k.spent && !renew.includes(i) ? [i] : [])),
    before: judge(massesWith(new Set())),
    after,
    perPlane,
    inside: worst(after) <= perPlane + 1e-9,
    oppositeRule: withMates.length,
    fewest: found.exact && !useRule,
  };
}

/** Masses at the places after knives have changed places. */
export function swapped(masses: readonly number[], swaps: readonly Swap[]): number[] {
  const hung = [...masses];
  for (const [a, b] of swaps) [hung[a], hung[b]] = [hung[b] ?? 0, hung[a] ?? 0];
  return hung;
}

function checkRotor({ knives, newMass }: Rotor): void {
  positive('newMass', newMass);
  knives.forEach((k, i) => {
    if (knives[k.opposite]?.opposite !== i)
      throw new InputError(
        `knives.${i}.opposite`,
        k.opposite,
        'the place whose own opposite is this one',
      );
    if (!(Number.isFinite(k.mass) && k.mass >= 0))
      throw new InputError(`knives.${i}.mass`, k.mass, 'a mass of 0 g or more');
  });
}

function pairsOutside(knives: readonly HungKnife[], taken: ReadonlySet<number>): number[][] {
  return knives.flatMap((k, i) => (i < k.opposite && !taken.has(i) ? [[i, k.opposite]] : []));
}

interface Found {
  readonly set: number[];
  readonly swap: readonly Swap[];
  readonly exact: boolean;
}

/**
 * Unbalance as left x, y, right x, y; g·mm. It adds up: renewing a unit changes it by the same
 * whatever else is renewed.
 */
type Vector = readonly [number, number, number, number];
type VectorOf = (set: readonly number[]) => Vector;

const sizeOf = ([lx, ly, rx, ry]: Vector): number =>
  Math.sqrt(Math.max(lx * lx + ly * ly, rx * rx + ry * ry));
const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2], a[3] + b[3]];
const less = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2], a[3] - b[3]];

/** What a search for the fewest new knives begins from. */
interface Search {
  /** places renewed in any case */
  readonly start: readonly number[];
  /** places, or pairs of them, that may be renewed beside */
  readonly units: readonly number[][];
  readonly vector: VectorOf;
  readonly perPlane: number;
  /** undefined when nothing may change places */
  readonly trySwaps: ((set: readonly number[]) => readonly Swap[] | undefined) | undefined;
}

/**
 * Tries no extra, then every one, two and three extra units, with swaps in the best balanced of
 * them; then greedily. The first that holds has the fewest new knives.
 */
function search({ start, units, vector, perPlane, trySwaps }: Search): Found {
  const from = vector(start);
  const changes = units.map((unit) => less(vector([...start, ...unit]), from));
  const inOrder = (set: readonly number[]) => [...set].sort((a, b) => a - b);
  for (let extras = 0; extras <= Math.min(EXACT_EXTRAS, units.length); extras += 1) {
    const sets = bestSets(from, changes, extras).map(({ picked, worst }) => ({
      set: [...start, ...picked.flatMap((i) => units[i] ?? [])],
      worst,
    }));
    const [best] = sets;
    if (best && best.worst <= perPlane + 1e-9)
      return { set: inOrder(best.set), swap: [], exact: extras === 0 || !trySwaps };
    for (const { set } of sets) {
      const swap = trySwaps?.(set);
      // fewer new knives is proven while every smaller set was tried with all its swaps, which only
      // none extra is
      if (swap) return { set: inOrder(set), swap, exact: extras === 0 };
    }
  }
  return greedy(start, units, (set) => sizeOf(vector(set)), perPlane);
}

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

/** Adds the unit that helps most until it is inside or nothing helps. */
function greedy(
  start: readonly number[],
  units: readonly number[][],
  weigh: (set: readonly number[]) => number,
  perPlane: number,
): Found {
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
  return { set: set.sort((a, b) => a - b), swap: [], exact: false };
}
