import { random, type Random } from '../random';
import { groundOf, isShiftOf, type Ground } from './ground';
import { bestPlace, type Best } from './insert';
import { checkBoard, SLOTS_A_DAY, type BoardPlan, type BoardProblem } from './problem';
import { BoardState, type Spotted } from './state';

/** How long a board is planned, and who is told. */
export interface PlanWish {
  readonly seed: number;
  /** share of the time that is gone, 0 to 1; 1 stops it. Asked before every step */
  readonly gone: (steps: number) => number;
  /** told of every better plan */
  readonly onBetter?: (plan: BoardPlan, cost: number, steps: number) => void;
  /** a plan to begin from, where there is one */
  readonly start?: BoardPlan;
}

/** A board planned. Money. */
export interface Planned {
  readonly plan: BoardPlan;
  readonly cost: number;
  /** of the first plan, before anything was improved */
  readonly first: number;
  readonly steps: number;
}

const SAME = 1e-9;

/**
 * Plans a board: a good start by several orders of putting visits, then large neighbourhoods of it
 * taken out and put back in other ways, taking a worse one now and then early on.
 * The same seed and the same number of steps give the same plan.
 * @throws InputError naming the field
 * @see large neighbourhood search with record-to-record acceptance
 */
export function planBoard(problem: BoardProblem, wish: PlanWish): Planned {
  checkBoard(problem);
  const ground = groundOf(problem);
  const dice = random(wish.seed);
  let state = firstPlan(ground, wish.start);
  let cost = state.total();
  const first = cost;
  let best = { plan: state.plan(), cost };
  wish.onBetter?.(best.plan, cost, 0);
  let steps = 0;
  const free = problem.visits.flatMap((v, i) => (v.pinned ? [] : [i]));
  if (free.length === 0) return { ...best, first, steps };
  const least = ground.floor.reduce((sum, f) => sum + f, 0);
  // one step changes less of a large board
  const worse = Math.min(WORSE, A_FEW / free.length);
  let since = 0;
  for (let gone = wish.gone(0); gone < 1 && best.cost > least + SAME; gone = wish.gone(steps)) {
    steps += 1;
    since += 1;
    const out = takeOut(state, free, dice);
    const before = out.map((i) => [i, state.placed[i]] as const);
    let change = 0;
    for (const [i, there] of before) change -= removed(state, i, there);
    change += putBack(state, out, dice);
    const slack = worse * (1 - gone) ** 2 * Math.max(best.cost - least, SAME);
    if (cost + change <= best.cost + slack + SAME) {
      cost += change;
      if (cost < best.cost - SAME) {
        since = 0;
        // worked out anew: what was added up step by step drifts
        cost = state.total();
        best = { plan: state.plan(), cost };
        wish.onBetter?.(best.plan, cost, steps);
      }
    } else {
      for (const i of out) state.take(i);
      for (const [i, there] of before) if (there) state.put(i, there.shift, there.from, there.cost);
    }
    if (since > PATIENCE) {
      since = 0;
      state = stateOf(ground, best.plan);
      cost = best.cost;
    }
  }
  return { ...best, first, steps };
}

/** So much worse than the best, of what is above the least there can be, is taken at first. */
const WORSE = 0.3;
const A_FEW = 12;
/** After so many steps without a better plan it begins again from the best. */
const PATIENCE = 400;

/** A board with a plan on it; what does not fit any more is left out. */
export function stateOf(ground: Ground, plan: BoardPlan): BoardState {
  const state = new BoardState(ground);
  const pinnedFirst = plan
    .map((_, i) => i)
    .sort((a, b) => Number(isPinned(ground, b)) - Number(isPinned(ground, a)));
  for (const i of pinnedFirst) {
    const there = plan[i];
    const shift = (ground.shifts[i] ?? []).find((s) => there && isShiftOf(there, s));
    const from = there && shift ? (shift.at[there.start] ?? -1) : -1;
    if (shift && shift.slots[from] === there?.start && state.isFree(i, shift, from))
      state.put(i, shift, from, state.costAt(i, shift, from));
  }
  return state;
}

const isPinned = (ground: Ground, i: number): boolean =>
  ground.problem.visits[i]?.pinned !== undefined;

/** The better of several ways to put visits one after the other, after what is pinned and published. */
function firstPlan(ground: Ground, start: BoardPlan | undefined): BoardState {
  const { visits } = ground.problem;
  const all = visits.map((_, i) => i);
  const due = (i: number) => visits[i]?.due ?? 0;
  const size = (i: number) => visits[i]?.halfDays ?? 1;
  const weight = (i: number) => visits[i]?.perDayLate ?? 0;
  const orders: ((a: number, b: number) => number)[] = [
    (a, b) => due(a) - size(a) - (due(b) - size(b)) || weight(b) - weight(a),
    (a, b) => due(a) - due(b) || size(b) - size(a),
    (a, b) => weight(b) / size(b) - weight(a) / size(a) || due(a) - due(b),
  ];
  let best: { state: BoardState; cost: number } | undefined;
  for (const order of orders) {
    const state = stateOf(
      ground,
      visits.map((v, i) => v.pinned ?? start?.[i] ?? (start ? undefined : v.published)),
    );
    for (const i of [...all].sort(order)) {
      if (state.placed[i]) continue;
      const { best: place } = bestPlace(state, i, false);
      if (place) state.put(i, place.shift, place.from, place.cost);
    }
    const cost = state.total();
    if (!best || cost < best.cost) best = { state, cost };
  }
  return best?.state ?? new BoardState(ground);
}

/** Takes a visit off the board. @returns what it cost there, beside the rest */
function removed(state: BoardState, i: number, there: Spotted | undefined): number {
  if (!there)
    return state.ground.problem.costs.unplaced * (state.ground.problem.visits[i]?.halfDays ?? 1);
  state.take(i);
  return state.costAt(i, there.shift, there.from);
}

/** Puts visits back, the one first that would lose most by waiting, or in an order by chance. */
function putBack(state: BoardState, out: readonly number[], dice: Random): number {
  const { visits, costs } = state.ground.problem;
  const left = new Set(out);
  let added = 0;
  const byRegret = out.length <= REGRET_UP_TO && dice.next() < 0.5;
  const shuffled = byRegret
    ? []
    : dice.next() < 0.5
      ? shuffle([...out], dice)
      : [...out].sort((a, b) => (visits[a]?.due ?? 0) - (visits[b]?.due ?? 0));
  const regrets = new Map<number, Best>();
  const overlook = { dice, share: visits.length < SMALL ? 0.15 : 0.03 };
  while (left.size) {
    const i = byRegret ? mostRegretted(state, left, regrets) : (shuffled.shift() ?? -1);
    left.delete(i);
    const { best } = bestPlace(state, i, false, overlook);
    if (best) forget(regrets, best, visits[i]?.farm === undefined ? state : undefined);
    if (best) {
      state.put(i, best.shift, best.from, best.cost);
      added += best.cost;
    } else added += costs.unplaced * (visits[i]?.halfDays ?? 1);
  }
  return added;
}

const REGRET_UP_TO = 8;
/** On a board of less than so many there are few other ways: more is left to chance. */
const SMALL = 20;

/** What was found for others is looked for anew where the one that was put may be in its way. */
function forget(regrets: Map<number, Best>, put: Spotted, bays: BoardState | undefined): void {
  for (const [j, { best }] of regrets) {
    const inBay = bays && bays.ground.problem.visits[j]?.farm === undefined;
    if (!best || inBay || best.shift.crew.some((k) => put.shift.crew.includes(k)))
      regrets.delete(j);
  }
}

function mostRegretted(
  state: BoardState,
  left: ReadonlySet<number>,
  regrets: Map<number, Best>,
): number {
  let chosen = -1;
  let most = -Infinity;
  for (const i of left) {
    const found = regrets.get(i) ?? bestPlace(state, i, true);
    regrets.set(i, found);
    const { best, next } = found;
    const regret = best ? Math.min(next, 1e12) - best.cost : -1;
    if (regret > most) [chosen, most] = [i, regret];
  }
  return chosen;
}

function shuffle(list: number[], dice: Random): number[] {
  for (let i = list.length - 1; i > 0; i -= 1) {
    const j = Math.floor(dice.next() * (i + 1));
    [list[i], list[j]] = [list[j] ?? 0, list[i] ?? 0];
  }
  return list;
}

/** Chooses what is taken out: around one that costs more than it must, mostly. */
function takeOut(state: BoardState, free: readonly number[], dice: Random): number[] {
  const most = Math.max(
    1,
    Math.min(free.length, 2 + Math.floor(dice.next() * Math.min(LARGEST, free.length - 1))),
  );
  const pick = (list: readonly number[]) => list[Math.floor(dice.next() * list.length)] ?? 0;
  const dear = free.filter((i) => costsMore(state, i));
  const seed = dear.length && dice.next() < 0.7 ? pick(dear) : pick(free);
  const way = dice.next();
  const near = (i: number) =>
    i === seed ? Infinity : nearness(state, seed, i, way) * (0.5 + dice.next());
  return withMates(state, [seed, ...leastOfAll(free, near, most)], most);
}

/** The few of a list that score least, the least first; of those that score alike the first. */
function leastOfAll(
  list: readonly number[],
  scoreOf: (i: number) => number,
  few: number,
): number[] {
  const found: number[] = [];
  const scores: number[] = [];
  for (const i of list) {
    const score = scoreOf(i);
    if (score === Infinity || (found.length === few && score >= (scores[few - 1] ?? 0))) continue;
    let at = found.length < few ? found.length : few - 1;
    for (; at > 0 && (scores[at - 1] ?? 0) > score; at -= 1) {
      scores[at] = scores[at - 1] ?? 0;
      found[at] = found[at - 1] ?? 0;
    }
    [scores[at], found[at]] = [score, i];
  }
  return found;
}

/** So many of a list from its head on, each with whom it shares a day: they part and meet anew. */
function withMates(state: BoardState, list: readonly number[], most: number): number[] {
  const chosen = new Set<number>();
  for (const i of list) {
    for (const j of [i, ...state.matesOf(i)])
      if (chosen.size < most && !isPinned(state.ground, j)) chosen.add(j);
    if (chosen.size >= most) break;
  }
  return [...chosen];
}

const LARGEST = 12;

function costsMore(state: BoardState, i: number): boolean {
  const there = state.placed[i];
  if (!there) return true;
  const { visits, costs } = state.ground.problem;
  const visit = visits[i];
  if (!visit) return false;
  const [first, last] = state.spanOf(i, there);
  if ((state.ground.lateness[i]?.[last] ?? 0) > 0) return true;
  const { published } = visit;
  if (published && costs.change > 0 && published.start !== first) return true;
  return visit.farm !== undefined && there.cost > (state.ground.floor[i] ?? 0) + SAME;
}

const FAR = 1e6;

/** How much two visits are in each other's way: by time and crew, by the way to them, or by chance. */
function nearness(state: BoardState, a: number, b: number, way: number): number {
  const { visits } = state.ground.problem;
  const [x, y] = [visits[a], visits[b]];
  if (!x || !y || way > 0.9) return 1;
  // calls go with calls, by the way between them
  if (way > 0.4 && x.farm) return y.farm ? 1 + (state.ground.between[a]?.[b] ?? 0) : FAR;
  const middle = (i: number, due: number) => {
    const there = state.placed[i];
    if (!there) return due;
    const [first, last] = state.spanOf(i, there);
    return (first + last) / 2;
  };
  const apart = Math.abs(middle(a, x.due) - middle(b, y.due)) / SLOTS_A_DAY;
  const [p, q] = [state.placed[a], state.placed[b]];
  const shares = p && q && p.shift.crew.some((k) => q.shift.crew.includes(k)) ? 0 : 2;
  return 1 + apart + shares;
}
