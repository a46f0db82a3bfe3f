import TinyQueue from 'tinyqueue';
import type { Price } from './roads';

/** A check to be ordered: its station and the position it needs. */
export interface OrderedCheck {
  readonly id: string;
  readonly station: number;
  readonly position: string;
}

interface Node {
  readonly cost: number;
  /** cost with the least that the positions still to be served can cost */
  readonly atLeast: number;
  /**
   * minutes of moving spent before each check, summed: of equal orders the one that moves later is
   * taken
   */
  readonly waited: number;
  readonly done: readonly number[];
  readonly at: number;
  readonly from: Node | undefined;
  readonly taken: readonly OrderedCheck[];
}

/** Nodes looked at in an exact search, and in each quicker one after it. */
const MOST_NODES = 25_000;
/** How much more the quicker searches trust what is still to come. */
const WEIGHTS = [1, 3, 30];

/**
 * Least-cost search; a state is how many checks of each position are done and the position now.
 * Taking as many as allowed while standing is never worse. Guided by the least that the positions
 * still to be served can cost, which is never too much, so that the first order found is the best;
 * when that takes too long it is trusted more than it should be, and the order is not proven.
 */
export function searchOrder(
  plain: readonly OrderedCheck[],
  price: Price,
  stray: number,
  start: string | undefined,
): { readonly order: OrderedCheck[]; readonly proven: boolean } {
  const ground = groundOf(plain, price, stray, start);
  for (const weight of WEIGHTS) {
    const order = searchWith(ground, weight);
    if (order) return { order, proven: weight === 1 };
  }
  return { order: [...plain], proven: false };
}

/** What a search moves over. */
interface Ground {
  readonly queues: readonly (readonly OrderedCheck[])[];
  /** from a position (0: the start) to another */
  readonly prices: readonly (readonly number[])[];
  readonly least: readonly number[];
  readonly stray: number;
}

function groundOf(
  plain: readonly OrderedCheck[],
  price: Price,
  stray: number,
  start: string | undefined,
): Ground {
  const positions = [...new Set(plain.map((c) => c.position))];
  const prices = [start, ...positions].map((from) => positions.map((to) => price(from, to)));
  return {
    queues: positions.map((p) => plain.filter((c) => c.position === p)),
    prices,
    least: positions.map((_, i) =>
      // the first move is free where nothing is said of the start; none after it is
      Math.min(
        ...prices.map((row, from) =>
          from === i + 1 || (from === 0 && start === undefined) ? Infinity : (row[i] ?? 0),
        ),
      ),
    ),
    stray,
  };
}

const stationAt = ({ queues }: Ground, done: readonly number[], i: number): number =>
  queues[i]?.[done[i] ?? 0]?.station ?? Infinity;

/**
 * What can be taken at position i before any other: up to `stray` beyond the front, which its own
 * checks may move on.
 */
function serve(
  ground: Ground,
  done: readonly number[],
  i: number,
): { readonly done: number[]; readonly taken: readonly OrderedCheck[] } {
  let others = Infinity;
  for (let j = 0; j < ground.queues.length; j += 1)
    if (j !== i) others = Math.min(others, stationAt(ground, done, j));
  const queue = ground.queues[i] ?? [];
  const from = done[i] ?? 0;
  let to = from;
  for (
    let check = queue[to];
    check && check.station <= Math.min(others, check.station) + ground.stray;
    check = queue[to]
  )
    to += 1;
  const next = [...done];
  next[i] = to;
  return { done: next, taken: queue.slice(from, to) };
}

/**
 * The least that moving can still cost: every position is entered again at every station it has
 * checks at, but for the one the machine stands in, and for one at each change of station. Where
 * checks may stray from their station a position may be entered once for all of them.
 * @param never too much; else about right, which leads to an order sooner
 */
function leastToCome({ queues, least, stray }: Ground, never: boolean) {
  const stations = queues.map((queue) =>
    queue.map((_, from) => new Set(queue.slice(from).map((c) => c.station)).size),
  );
  const dearest = Math.max(0, ...least);
  return (done: readonly number[], at: number): number => {
    let once = 0;
    let each = 0;
    let most = 0;
    for (let i = 0; i < queues.length; i += 1) {
      const left = stations[i]?.[done[i] ?? 0] ?? 0;
      if (left === 0) continue;
      const enter = least[i] ?? 0;
      if (i !== at) once += enter;
      each += enter * left;
      most = Math.max(most, left);
    }
    if (!never) return each;
    return stray > 0 ? once : Math.max(once, each - dearest * most);
  };
}

/** @returns undefined when it would take too long */
function searchWith(ground: Ground, weight: number): OrderedCheck[] | undefined {
  const { queues, prices } = ground;
  const toCome = leastToCome(ground, weight === 1);
  const open = new TinyQueue<Node>(
    [
      {
        cost: 0,
        atLeast: 0,
        waited: 0,
        done: queues.map(() => 0),
        at: -1,
        from: undefined,
        taken: [],
      },
    ],
    (a, b) => a.atLeast - b.atLeast || a.waited - b.waited,
  );
  const seen = new Set<string>();
  while (seen.size < MOST_NODES) {
    const node = open.pop();
    if (!node) return undefined;
    if (node.done.every((d, i) => d === queues[i]?.length)) return unwind(node);
    const key = `${node.done.join(',')}|${node.at}`;
    if (seen.has(key)) continue;
    seen.add(key);
    for (let i = 0; i < queues.length; i += 1) {
      if (i === node.at || stationAt(ground, node.done, i) === Infinity) continue;
      const served = serve(ground, node.done, i);
      if (!served.taken.length) continue;
      const cost = node.cost + (prices[node.at + 1]?.[i] ?? 0);
      open.push({
        cost,
        atLeast: cost + weight * toCome(served.done, i),
        waited: node.waited + cost * served.taken.length,
        done: served.done,
        at: i,
        from: node,
        taken: served.taken,
      });
    }
  }
  return undefined;
}

function unwind(node: Node | undefined): OrderedCheck[] {
  const parts: (readonly OrderedCheck[])[] = [];
  for (let n = node; n; n = n.from) parts.unshift(n.taken);
  return parts.flat();
}
