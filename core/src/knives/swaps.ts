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
  /** square of the larger plane */
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
export function fewestSwaps(
  masses: readonly number[],
  places: readonly KnifePlace[],
  planes: BearingPlanes,
  newMass: number,
  perPlane: number,
  mates?: readonly number[],
): readonly Swap[] | undefined {
  const pulls = places.map((p): [number, number, number, number] => {
    const right = (p.axial - planes.a) / (planes.b - planes.a);
    const [x, y] = [p.radius * Math.cos(p.angle), p.radius * Math.sin(p.angle)];
    return [x * (1 - right), y * (1 - right), x * right, y * right];
  });
  const from = [0, 1, 2, 3].map((axis) =>
    pulls.reduce((sum, pull, i) => sum + (pull[axis] ?? 0) * ((masses[i] ?? 0) - newMass), 0),
  ) as [number, number, number, number];
  const moves = movesOf(masses, pulls, mates);
  const swapsOf = (picked: readonly number[]): Swap[] =>
    picked.flatMap((m) => moves[m]?.swaps ?? []);
  const inside = (perPlane + 1e-9) ** 2;
  let states: State[] = [
    { moves: [], at: from, worst: squareOf(from[0], from[1], from[2], from[3]) },
  ];
  if ((states[0]?.worst ?? 0) <= inside) return [];
  for (let depth = 1; depth <= MOST_SWAPS; depth += 1) {
    const next: State[] = [];
    let bar = Infinity;
    for (const state of states) {
      const [lx, ly, rx, ry] = state.at;
      // one and two swaps are tried in every pairing once; beyond, any move may follow
      for (let m = depth <= 2 ? (state.moves[0] ?? -1) + 1 : 0; m < moves.length; m += 1) {
        const move = moves[m];
        if (!move) continue;
        const [a, b, c, d] = move.change;
        const worst = squareOf(lx + a, ly + b, rx + c, ry + d);
        // all single swaps are kept, so that two are tried in every pairing
        if (
          (depth > 1 && worst >= bar) ||
          state.moves.some((done) => moves[done]?.places.some((p) => move.places.includes(p)))
        )
          continue;
        const picked = [...state.moves, m];
        if (worst <= inside) return swapsOf(picked);
        next.push({ moves: picked, at: [lx + a, ly + b, rx + c, ry + d], worst });
        if (depth > 1 && next.length >= 4 * KEPT) {
          next.sort((x, y) => x.worst - y.worst);
          next.length = KEPT;
          bar = next.at(-1)?.worst ?? Infinity;
        }
      }
    }
    states = depth > 1 ? next.sort((x, y) => x.worst - y.worst).slice(0, KEPT) : next;
  }
  return undefined;
}

/** Square of the larger plane: squares are compared, roots cost time. */
const squareOf = (lx: number, ly: number, rx: number, ry: number): number =>
  Math.max(lx * lx + ly * ly, rx * rx + ry * ry);

/** Every swap that changes anything: of two places, or of two pairs of mates. */
function movesOf(
  masses: readonly number[],
  pulls: readonly (readonly [number, number, number, number])[],
  mates: readonly number[] | undefined,
): Move[] {
  const moves: Move[] = [];
  const add = (swaps: readonly Swap[]) => {
    const change: [number, number, number, number] = [0, 0, 0, 0];
    for (const [i, j] of swaps) {
      const more = (masses[j] ?? 0) - (masses[i] ?? 0);
      for (let axis = 0; axis < 4; axis += 1)
        change[axis] =
          (change[axis] ?? 0) + more * ((pulls[i]?.[axis] ?? 0) - (pulls[j]?.[axis] ?? 0));
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
        else if (i < a && j !== a)
          add([
            [i, j],
            [a, b],
          ]);
      }
    }
  }
  return moves;
}
