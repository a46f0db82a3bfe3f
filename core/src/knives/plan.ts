import { InputError, positive } from '../units';
import { searchRenewals, sizeOf, type Vector } from './renewals';
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

/** Trials of swaps before a plan is taken as it is: about a second. */
const MOST_TRIALS = 15_000_000;

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
  const effort = { left: MOST_TRIALS };
  const swapsFor = (set: readonly number[]): readonly Swap[] | undefined =>
    fewestSwaps(
      {
        masses: massesWith(new Set(set)),
        places: knives,
        planes,
        newMass: rotor.newMass,
        mates,
        effort,
      },
      perPlane,
    );

  const trySwaps = swaps ? swapsFor : undefined;

  const start = school === 'opposite' ? withMates : spent;
  const units =
    school === 'opposite'
      ? pairsOutside(knives, new Set(start))
      : knives.flatMap((_, i) => (start.includes(i) ? [] : [[i]]));
  const found = searchRenewals({ start, units, vector, perPlane, trySwaps, effort });
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
