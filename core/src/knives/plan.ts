import { InputError, positive } from '../units';
import { permissibleUnbalance, unbalance, type BearingPlanes, type KnifePlace, type Unbalance } from './unbalance';

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
  /** places whose knife is turned to its other edge; a turned knife keeps its mass */
  readonly turn: readonly number[];
  readonly before: Unbalance;
  readonly after: Unbalance;
  readonly perPlane: number;
  readonly inside: boolean;
  /** new knives the plain "opposite set" rule would take */
  readonly oppositeRule: number;
  /** proven fewest, not only few */
  readonly fewest: boolean;
}

/** Extra renewals searched beyond the spent ones before the search is cut; more are found by the greedy step. */
const EXACT_EXTRAS = 3;

/**
 * The fewest new knives that bring both planes inside the permissible unbalance, spent ones always renewed.
 * School `opposite`: a new knife's mate is always renewed with it. School `weigh`: extra knives are renewed only where the balance asks for it.
 * Never more new knives than the plain opposite-set rule, which is what is returned when nothing smaller balances.
 * @throws InputError naming the field
 */
export function planKnives(rotor: Rotor, school: 'opposite' | 'weigh'): KnifePlan {
  const { knives, planes } = rotor;
  positive('newMass', rotor.newMass);
  knives.forEach((k, i) => {
    if (knives[k.opposite]?.opposite !== i) throw new InputError(`knives.${i}.opposite`, k.opposite, 'the place whose own opposite is this one');
    if (!(Number.isFinite(k.mass) && k.mass >= 0)) throw new InputError(`knives.${i}.mass`, k.mass, 'a mass of 0 g or more');
  });
  const { perPlane } = permissibleUnbalance(rotor.grade ?? 16, rotor.mass, rotor.rpm);
  const spent = knives.flatMap((k, i) => (k.spent ? [i] : []));
  const withMates = [...new Set(spent.flatMap((i) => [i, knives[i]?.opposite ?? i]))].sort((a, b) => a - b);
  const judge = (renewed: ReadonlySet<number>) => unbalance(knives.map((k, i) => (renewed.has(i) ? 0 : k.mass - rotor.newMass)), knives, planes);
  const worst = (u: Unbalance) => Math.max(u.left.size, u.right.size);
  const holds = (set: readonly number[]) => worst(judge(new Set(set))) <= perPlane + 1e-9;

  const start = school === 'opposite' ? withMates : spent;
  const units = school === 'opposite' ? pairsOutside(knives, new Set(start)) : knives.flatMap((_, i) => (start.includes(i) ? [] : [[i]]));
  const found = exact(start, units, holds) ?? greedy(start, units, (set) => worst(judge(new Set(set))), perPlane);
  const balanced = holds(found.set);
  const useRule = school === 'weigh' && holds(withMates) && (!balanced || found.set.length > withMates.length);
  const renew = useRule ? withMates : found.set;
  const after = judge(new Set(renew));
  return {
    renew, turn: knives.flatMap((k, i) => (k.oneEdge && !k.spent && !renew.includes(i) ? [i] : [])),
    before: judge(new Set()), after, perPlane, inside: worst(after) <= perPlane + 1e-9, oppositeRule: withMates.length, fewest: found.exact && !useRule,
  };
}

function pairsOutside(knives: readonly HungKnife[], taken: ReadonlySet<number>): number[][] {
  return knives.flatMap((k, i) => (i < k.opposite && !taken.has(i) ? [[i, k.opposite]] : []));
}

interface Found {
  readonly set: number[];
  readonly exact: boolean;
}

/** Tries no extra, then every one, two and three extra units: the first that holds has the fewest. */
function exact(start: readonly number[], units: readonly number[][], holds: (set: readonly number[]) => boolean): Found | undefined {
  const tryWith = (from: number, left: number, set: readonly number[]): number[] | undefined => {
    if (left === 0) return holds(set) ? [...set].sort((a, b) => a - b) : undefined;
    for (let i = from; i <= units.length - left; i += 1) {
      const found = tryWith(i + 1, left - 1, [...set, ...(units[i] ?? [])]);
      if (found) return found;
    }
    return undefined;
  };
  for (let extras = 0; extras <= Math.min(EXACT_EXTRAS, units.length); extras += 1) {
    const set = tryWith(0, extras, start);
    if (set) return { set, exact: true };
  }
  return undefined;
}

/** Adds the unit that helps most until it is inside or nothing helps. */
function greedy(start: readonly number[], units: readonly number[][], worst: (set: readonly number[]) => number, perPlane: number): Found {
  let set = [...start];
  let rest = [...units];
  while (worst(set) > perPlane && rest.length) {
    const [best] = rest.map((unit) => ({ unit, left: worst([...set, ...unit]) })).sort((a, b) => a.left - b.left);
    if (!best || best.left >= worst(set)) break;
    set = [...set, ...best.unit];
    rest = rest.filter((u) => u !== best.unit);
  }
  return { set: set.sort((a, b) => a - b), exact: false };
}
