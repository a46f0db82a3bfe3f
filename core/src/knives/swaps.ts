import type { BearingPlanes, KnifePlace } from './unbalance';

/** Two places whose knives change places. */
export type Swap = readonly [number, number];

/** Swaps tried in a row before it is given up: more would cost more time than a new knife. */
const MOST_SWAPS = 5;
/** States kept at each step beyond the second, best balanced first. */
const KEPT = 160;

interface Move {
  readonly swaps: readonly Swap[];
  readonly places: readonly number[];
  /** change of the unbalance: left x, y, right x, y; g·mm */
  readonly change: readonly [number, number, number, number];
}

interface State {
  readonly moves: readonly number[];
  readonly at: readonly [number, number, number, number];
  readonly worst: number;
}

/**
 * The fewest swaps of knives between places that bring both planes inside. Exact for one and two swaps, best-first beyond; no knife moves twice.
 * @param masses at each place, g
 * @param newMass of a new knife, g: the rotor is even with one at every place
 * @param perPlane permissible, g·mm
 * @param mates place opposite each, when mates must stay opposite: then pairs change places with pairs, counted as two swaps
 * @returns swaps in any order, none of them sharing a place; undefined when none is found
 */
export function fewestSwaps(masses: readonly number[], places: readonly KnifePlace[], planes: BearingPlanes, newMass: number, perPlane: number, mates?: readonly number[]): readonly Swap[] | undefined {
  const pulls = places.map((p): [number, number, number, number] => {
    const right = (p.axial - planes.a) / (planes.b - planes.a);
    const [x, y] = [p.radius * Math.cos(p.angle), p.radius * Math.sin(p.angle)];
    return [x * (1 - right), y * (1 - right), x * right, y * right];
  });
  const from = [0, 1, 2, 3].map((axis) => pulls.reduce((sum, pull, i) => sum + (pull[axis] ?? 0) * ((masses[i] ?? 0) - newMass), 0)) as [number, number, number, number];
  const moves = movesOf(masses, pulls, mates);
  const sizeOf = (v: readonly [number, number, number, number]) => Math.max(Math.hypot(v[0], v[1]), Math.hypot(v[2], v[3]));
  const swapsOf = (state: State): Swap[] => state.moves.flatMap((m) => moves[m]?.swaps ?? []);
  let states: State[] = [{ moves: [], at: from, worst: sizeOf(from) }];
  if ((states[0]?.worst ?? 0) <= perPlane + 1e-9) return [];
  for (let depth = 1; depth <= MOST_SWAPS; depth += 1) {
    const next: State[] = [];
    let bar = Infinity;
    for (const state of states) {
      const first = (state.moves.at(-1) ?? -1) + (depth <= 2 ? 1 : 0);
      for (let m = depth <= 2 ? first : 0; m < moves.length; m += 1) {
        const move = moves[m];
        if (!move || state.moves.some((done) => moves[done]?.places.some((p) => move.places.includes(p)))) continue;
        const at = [state.at[0] + move.change[0], state.at[1] + move.change[1], state.at[2] + move.change[2], state.at[3] + move.change[3]] as const;
        const worst = sizeOf(at);
        if (worst <= perPlane + 1e-9) return swapsOf({ moves: [...state.moves, m], at, worst });
        // all single swaps are kept, so that two are tried in every pairing
        if (depth > 1 && worst >= bar) continue;
        next.push({ moves: [...state.moves, m], at, worst });
        if (depth > 1 && next.length >= 4 * KEPT) {
          next.sort((a, b) => a.worst - b.worst);
          next.length = KEPT;
          bar = next.at(-1)?.worst ?? Infinity;
        }
      }
    }
    states = depth > 1 ? next.sort((a, b) => a.worst - b.worst).slice(0, KEPT) : next;
  }
  return undefined;
}

/** Every swap that changes anything: of two places, or of two pairs of mates. */
function movesOf(masses: readonly number[], pulls: readonly (readonly [number, number, number, number])[], mates: readonly number[] | undefined): Move[] {
  const moves: Move[] = [];
  const add = (swaps: readonly Swap[]) => {
    const change: [number, number, number, number] = [0, 0, 0, 0];
    for (const [i, j] of swaps) {
      const more = (masses[j] ?? 0) - (masses[i] ?? 0);
      for (let axis = 0; axis < 4; axis += 1) change[axis] = (change[axis] ?? 0) + more * ((pulls[i]?.[axis] ?? 0) - (pulls[j]?.[axis] ?? 0));
    }
    if (change.some((c) => Math.abs(c) > 1e-9)) moves.push({ swaps, places: swaps.flat(), change });
  };
  for (let i = 0; i < masses.length; i += 1) {
    for (let j = i + 1; j < masses.length; j += 1) {
      if (!mates) add([[i, j]]);
      else {
        const [a, b] = [mates[i] ?? i, mates[j] ?? j];
        // two mates may change places with each other, or a pair with a pair, either way round
        if (a === j) add([[i, j]]);
        else if (i < a && j !== a) add([[i, j], [a, b]]);
      }
    }
  }
  return moves;
}
