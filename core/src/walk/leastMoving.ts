import TinyQueue from 'tinyqueue';
import { InputError, zeroOrMore } from '../units';

/** A check to be ordered: its station and the position it needs. */
export interface OrderedCheck {
  readonly id: string;
  readonly station: number;
  readonly position: string;
}

/**
 * What it takes to bring the machine from one position to another, minutes. Not in the table:
 * `usual`.
 */
export interface MoveCosts {
  readonly usual: number;
  readonly moves: readonly {
    readonly from: string;
    readonly to: string;
    readonly minutes: number;
  }[];
}

/** An order with what it costs, against plain station order. */
export interface WalkOrder {
  readonly order: readonly OrderedCheck[];
  readonly minutes: number;
  readonly moves: number;
  readonly stationOrderMinutes: number;
  readonly stationOrderMoves: number;
  readonly saved: number;
}

/**
 * Orders checks so that the machine is moved least, never straying from front-to-back by more than
 * allowed: a check may be
 * taken only while every check more than `stray` stations before it is done. Exact: shortest path
 * over (how far each
 * position's own checks are done, position now), in which checks of one position keep station
 * order.
 * @param start position the machine stands in at first; its first move is free when undefined
 * @param stray stations; 0 keeps plain station order up to reordering inside a station
 * @throws InputError naming the field
 * @see state-space search; each state is a station front and the positions served at it
 */
export function leastMovingOrder(
  checks: readonly OrderedCheck[],
  costs: MoveCosts,
  stray: number,
  start?: string,
): WalkOrder {
  zeroOrMore('usual', costs.usual);
  zeroOrMore('stray', stray);
  if (new Set(checks.map((c) => c.id)).size !== checks.length)
    throw new InputError('checks', checks.length, 'checks with ids of their own');
  const price = pricer(costs);
  const plain = [...checks].sort((a, b) => a.station - b.station);
  const best = search(plain, price, stray, start);
  const [stationOrderMinutes, stationOrderMoves] = costOf(plain, price, start);
  const [minutes, moves] = costOf(best, price, start);
  return {
    order: best,
    minutes,
    moves,
    stationOrderMinutes,
    stationOrderMoves,
    saved: stationOrderMinutes - minutes,
  };
}

type Price = (from: string | undefined, to: string) => number;

function pricer({ usual, moves }: MoveCosts): Price {
  const table = new Map(
    moves.map((m, i) => [`${m.from}|${m.to}`, zeroOrMore(`moves.${i}.minutes`, m.minutes)]),
  );
  return (from, to) =>
    from === undefined || from === to ? 0 : (table.get(`${from}|${to}`) ?? usual);
}

function costOf(
  order: readonly OrderedCheck[],
  price: Price,
  start: string | undefined,
): [number, number] {
  let at = start;
  let minutes = 0;
  let moves = 0;
  for (const { position } of order) {
    minutes += price(at, position);
    if (at !== undefined && at !== position) moves += 1;
    at = position;
  }
  return [minutes, moves];
}

interface Node {
  readonly cost: number;
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

/**
 * Least-cost search; a state is how many checks of each position are done and the position now.
 * Taking as many as allowed while standing is never worse.
 */
function search(
  plain: readonly OrderedCheck[],
  price: Price,
  stray: number,
  start: string | undefined,
): OrderedCheck[] {
  const positions = [...new Set(plain.map((c) => c.position))];
  const queues = positions.map((p) => plain.filter((c) => c.position === p));
  const prices = [start, ...positions].map((from) => positions.map((to) => price(from, to)));
  const stationAt = (done: readonly number[], i: number): number =>
    queues[i]?.[done[i] ?? 0]?.station ?? Infinity;
  /**
   * What can be taken at position i before any other: up to `stray` beyond the front, which its own
   * checks may move on.
   */
  const serve = (done: readonly number[], i: number): { done: number[]; taken: OrderedCheck[] } => {
    let others = Infinity;
    for (let j = 0; j < queues.length; j += 1)
      if (j !== i) others = Math.min(others, stationAt(done, j));
    const queue = queues[i] ?? [];
    const from = done[i] ?? 0;
    let to = from;
    for (
      let check = queue[to];
      check && check.station <= Math.min(others, check.station) + stray;
      check = queue[to]
    )
      to += 1;
    const next = [...done];
    next[i] = to;
    return { done: next, taken: queue.slice(from, to) };
  };
  const open = new TinyQueue<Node>(
    [{ cost: 0, waited: 0, done: positions.map(() => 0), at: -1, from: undefined, taken: [] }],
    (a, b) => a.cost - b.cost || a.waited - b.waited,
  );
  const seen = new Set<string>();
  for (;;) {
    const node = open.pop();
    if (!node) throw new InputError('checks', plain.length, 'checks that can be ordered');
    if (node.done.every((d, i) => d === queues[i]?.length)) return unwind(node);
    const key = `${node.done.join(',')}|${node.at}`;
    if (seen.has(key)) continue;
    seen.add(key);
    for (let i = 0; i < positions.length; i += 1) {
      if (i === node.at || stationAt(node.done, i) === Infinity) continue;
      const served = serve(node.done, i);
      if (!served.taken.length) continue;
      const cost = node.cost + (prices[node.at + 1]?.[i] ?? 0);
      open.push({
        cost,
        waited: node.waited + cost * served.taken.length,
        done: served.done,
        at: i,
        from: node,
        taken: served.taken,
      });
    }
  }
}

function unwind(node: Node | undefined): OrderedCheck[] {
  const parts: (readonly OrderedCheck[])[] = [];
  for (let n = node; n; n = n.from) parts.unshift(n.taken);
  return parts.flat();
}
