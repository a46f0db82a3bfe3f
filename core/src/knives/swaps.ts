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
  readonly change: Vector;
}

interface State {
  readonly moves: readonly number[];
  readonly at: Vector;
  /** square of the larger plane */
  readonly worst: number;
}

/** A rotor whose knives may change places. */
export interface Swapping {
  /** at each place, g */
  readonly masses: readonly number[];
  readonly places: readonly KnifePlace[];
  readonly planes: BearingPlanes;
  /** of a new knife, g: the rotor is even with one at every place */
  readonly newMass: number;
  /**
   * place opposite each, when mates must stay opposite: then pairs change places with pairs,
   * counted as two swaps
   */
  readonly mates?: readonly number[] | undefined;
  /** trials left, taken from as they are made: what is cut short is not proven */
  readonly effort?: Effort | undefined;
}

/** How many trials may still be made. */
export interface Effort {
  left: number;
}

type Vector = readonly [number, number, number, number];

/**
 * The fewest swaps of knives between places that bring both planes inside. Exact for one and two
 * swaps, and for two exchanges of pairs; best-first beyond; no knife moves twice.
 * @param perPlane permissible, g·mm
 * @returns swaps in any order, none of them sharing a place; undefined when none is found, or when
 *   the effort ran out
 */
export function fewestSwaps(
  { masses, places, planes, newMass, mates, effort = { left: Infinity } }: Swapping,
  perPlane: number,
): readonly Swap[] | undefined {
  const pulls = places.map((p) => pullOf(p, planes));
  const start = stateAt([], unbalanceOf(masses, pulls, newMass));
  const inside = (perPlane + 1e-9) ** 2;
  if (start.worst <= inside) return [];
  const moves = movesOf(masses, pulls, mates);
  /** states by the number of swaps that led there */
  const levels: (readonly State[])[] = [[start]];
  for (let swaps = 1; swaps <= MOST_SWAPS; swaps += 1) {
    const reached: State[] = [];
    for (const each of [1, 2]) {
      const from = levels[swaps - each];
      if (!from) continue;
      const step = swapOnce(from, moves, { each, inside, cut: swaps > each, effort });
      if (step.found) return step.found.flatMap((m) => moves[m]?.swaps ?? []);
      reached.push(...step.next);
    }
    if (effort.left <= 0) return undefined;
    if (swaps > 2) keepBest(reached);
    levels.push(reached);
  }
  return undefined;
}

/** What 1 g at a place pulls on the two planes, mm. */
function pullOf({ axial, radius, angle }: KnifePlace, planes: BearingPlanes): Vector {
  const right = (axial - planes.a) / (planes.b - planes.a);
  const [x, y] = [radius * Math.cos(angle), radius * Math.sin(angle)];
  return [x * (1 - right), y * (1 - right), x * right, y * right];
}

function unbalanceOf(masses: readonly number[], pulls: readonly Vector[], newMass: number): Vector {
  const axis = (k: number) =>
    pulls.reduce((sum, pull, i) => sum + (pull[k] ?? 0) * ((masses[i] ?? 0) - newMass), 0);
  return [axis(0), axis(1), axis(2), axis(3)];
}

const stateAt = (moves: readonly number[], at: Vector): State => ({
  moves,
  at,
  worst: squareOf(at[0], at[1], at[2], at[3]),
});

interface Step {
  /** swaps that a move is made of */
  readonly each: number;
  /** square of what is permissible */
  readonly inside: number;
  /** only the best are kept */
  readonly cut: boolean;
  readonly effort: Effort;
}

/** Every state one move on, best balanced first; or the moves that end the search. */
function swapOnce(
  states: readonly State[],
  moves: readonly Move[],
  { each, inside, cut, effort }: Step,
): { found?: readonly number[]; next: readonly State[] } {
  const next: State[] = [];
  let bar = Infinity;
  for (const state of states) {
    if (effort.left <= 0) return { next };
    // in which order two moves are made does not matter; of more only the best are followed, by all
    const from = state.moves.length < 2 ? (state.moves[0] ?? -1) + 1 : 0;
    effort.left -= moves.length - from;
    for (let m = from; m < moves.length; m += 1) {
      const move = moves[m];
      if (move?.swaps.length !== each) continue;
      const worst = worstAfter(state.at, move.change);
      if ((cut && worst >= bar) || sharesPlace(state, move, moves)) continue;
      const picked = [...state.moves, m];
      if (worst <= inside) return { found: picked, next };
      next.push({ moves: picked, at: sum(state.at, move.change), worst });
      if (cut && next.length >= 4 * KEPT) bar = keepBest(next);
    }
  }
  if (cut) keepBest(next);
  return { next };
}

const sum = (p: Vector, q: Vector): Vector => [p[0] + q[0], p[1] + q[1], p[2] + q[2], p[3] + q[3]];
const worstAfter = (p: Vector, q: Vector): number =>
  squareOf(p[0] + q[0], p[1] + q[1], p[2] + q[2], p[3] + q[3]);

/** Keeps the best balanced. @returns the worst of them */
function keepBest(states: State[]): number {
  states.sort((x, y) => x.worst - y.worst);
  states.length = Math.min(states.length, KEPT);
  return states.at(-1)?.worst ?? Infinity;
}

const sharesPlace = (state: State, move: Move, moves: readonly Move[]): boolean =>
  state.moves.some((done) => moves[done]?.places.some((p) => move.places.includes(p)));

/** Square of the larger plane: squares are compared, roots cost time. */
const squareOf = (lx: number, ly: number, rx: number, ry: number): number =>
  Math.max(lx * lx + ly * ly, rx * rx + ry * ry);

/** Every swap that changes anything: of two places, or of two pairs of mates. */
function movesOf(
  masses: readonly number[],
  pulls: readonly Vector[],
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
