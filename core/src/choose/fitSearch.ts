import { roadsOf, type MoveCosts } from '../walk';
import { MOST_FOR_ALL, waysThrough, type Ways } from './waysThrough';

/** A check that could be walked, minutes, and what it is worth to walk it, in any one unit. */
export interface Offer {
  readonly id: string;
  readonly position: string;
  readonly minutes: number;
  readonly value: number;
  /** walked whatever the time */
  readonly must?: boolean;
}

/** The time there is and what moving costs, minutes. */
export interface Time {
  readonly costs: MoveCosts;
  readonly minutes: number;
  readonly start: string | undefined;
}

/** A choice of checks with the moving it takes. */
export interface Load {
  readonly taken: readonly Offer[];
  readonly moving: number;
  readonly proven: boolean;
}

/** Positions beside those that must be of which every set is tried. */
const MOST_FREE = 12;
/** Time beyond which nothing is chosen any more, minutes beside what must be. */
const LONGEST = 720;

/** What is searched: offers by position, and the way through every set of positions. */
interface Ground {
  readonly must: readonly Offer[];
  /** what may be left out, by position */
  readonly groups: readonly (readonly Offer[])[];
  /** bits of the positions that must be taken up */
  readonly mustSet: number;
  readonly way: Ways;
  /** cells to a minute */
  readonly scale: number;
  /** minutes for what may be left out and for moving */
  readonly room: number;
  /** added to each worth, so that of two choices worth the same the one with more checks is taken */
  readonly crumb: number;
}

/** What must be walked, and of the rest what is worth most in the room there is. */
export function bestLoad(offers: readonly Offer[], time: Time): Load {
  const ground = groundOf(offers, time);
  const { groups, mustSet, must, way } = ground;
  const free = groups.filter((g, i) => g.length > 0 && !(mustSet & (1 << i))).length;
  const all = free <= MOST_FREE && groups.length <= MOST_FOR_ALL;
  const room = cellsLeft(ground, mustSet);
  // what must be walked takes all the time already
  const set = room < 0 ? mustSet : all ? bestOfAll(ground) : climbed(ground);
  const cells = cellsLeft(ground, set);
  const chosen = groups.flatMap((group, i) => (set & (1 << i) ? group : []));
  const taken = cells < 0 ? [] : unload(ground, chosen, cells);
  return { taken: [...must, ...taken], moving: way(set), proven: all || room < 0 };
}

function groundOf(offers: readonly Offer[], { costs, minutes, start }: Time): Ground {
  const must = offers.filter((o) => o.must);
  // those that must be taken up first: the search adds to them
  const positions = [...new Set([...must, ...offers].map((o) => o.position))];
  const { price } = roadsOf(costs, [...(start === undefined ? [] : [start]), ...positions]);
  const mustMinutes = must.reduce((sum, o) => sum + o.minutes, 0);
  return {
    must,
    groups: positions.map((p) => offers.filter((o) => o.position === p && !o.must)),
    mustSet: 2 ** new Set(must.map((o) => o.position)).size - 1,
    way: waysThrough(positions, price, start),
    scale: cellsToAMinute(offers),
    room: Math.min(minutes, LONGEST + mustMinutes) - mustMinutes,
    crumb: (offers.reduce((most, o) => Math.max(most, o.value), 0) || 1) * 1e-9,
  };
}

/** As few as hold every check's minutes whole; a tenth of a minute is the finest, rounded up. */
const cellsToAMinute = (offers: readonly Offer[]): number =>
  [1, 2, 4, 5].find((k) => offers.every((o) => Number.isInteger(o.minutes * k))) ?? 10;

const cellsLeft = ({ room, scale, way }: Ground, set: number): number =>
  Math.floor((room - way(set)) * scale + 1e-9);

const emptyLoads = ({ room, scale }: Ground): Float64Array =>
  new Float64Array(Math.max(0, Math.floor(room * scale + 1e-9)) + 1);

/** Tries every set of positions, each position's checks being laid in once for all sets before it. */
function bestOfAll(ground: Ground): number {
  const { groups, mustSet, way } = ground;
  let best = { set: mustSet, worth: -1 };
  const look = (i: number, set: number, loads: Float64Array): void => {
    if (i === groups.length) {
      const worth = loads[cellsLeft(ground, set)] ?? -1;
      if (worth > best.worth || (worth === best.worth && way(set) < way(best.set)))
        best = { set, worth };
      return;
    }
    const bit = 1 << i;
    const must = (mustSet & bit) !== 0;
    if (!must) look(i + 1, set, loads);
    if (must || (groups[i]?.length && cellsLeft(ground, set | bit) >= 0))
      look(i + 1, set | bit, laden(ground, i, loads));
  };
  look(0, mustSet, emptyLoads(ground));
  return best.set;
}

/** Adds and drops positions as long as that gains, and exchanges them where neither does. */
function climbed(ground: Ground): number {
  const { groups, mustSet } = ground;
  const bits = groups.flatMap((g, i) => (g.length && !(mustSet & (1 << i)) ? [1 << i] : []));
  let best = { set: mustSet, worth: worthOfSet(ground, mustSet) };
  const stepTo = (sets: readonly number[]): boolean => {
    const before = best.worth;
    for (const set of sets) {
      const worth = cellsLeft(ground, set) < 0 ? -1 : worthOfSet(ground, set);
      if (worth > best.worth + 1e-12) best = { set, worth };
    }
    return best.worth > before;
  };
  const exchanged = (set: number) =>
    bits.flatMap((a) => (set & a ? bits.flatMap((b) => (set & b ? [] : [(set ^ a) | b])) : []));
  while (stepTo(bits.map((b) => best.set ^ b)) || stepTo(exchanged(best.set)));
  return best.set;
}

function worthOfSet(ground: Ground, set: number): number {
  let loads = emptyLoads(ground);
  ground.groups.forEach((_, i) => {
    if (set & (1 << i)) loads = laden(ground, i, loads);
  });
  return loads[cellsLeft(ground, set)] ?? -1;
}

/** The most worth of each load when the checks of one more position may be taken. */
function laden(ground: Ground, i: number, before: Float64Array): Float64Array {
  const loads = before.slice();
  for (const offer of ground.groups[i] ?? []) lay(ground, loads, offer);
  return loads;
}

const weightOf = ({ scale }: Ground, { minutes }: Offer): number => Math.ceil(minutes * scale);

function lay(ground: Ground, loads: Float64Array, offer: Offer): void {
  const weight = weightOf(ground, offer);
  const worth = offer.value + ground.crumb;
  for (let w = loads.length - 1; w >= weight; w -= 1) {
    const more = (loads[w - weight] ?? 0) + worth;
    if (more > (loads[w] ?? 0)) loads[w] = more;
  }
}

/** Which of some checks make up the best load of so many cells. */
function unload(ground: Ground, chosen: readonly Offer[], cells: number): Offer[] {
  const steps = [new Float64Array(cells + 1)];
  for (const offer of chosen) {
    const loads = (steps.at(-1) ?? new Float64Array()).slice();
    lay(ground, loads, offer);
    steps.push(loads);
  }
  const taken: Offer[] = [];
  let at = cells;
  for (let i = chosen.length; i > 0; i -= 1) {
    const offer = chosen[i - 1];
    if (!offer || steps[i]?.[at] === steps[i - 1]?.[at]) continue;
    taken.push(offer);
    at -= weightOf(ground, offer);
  }
  return taken;
}
