import { InputError, zeroOrMore } from '../units';

/** A check to be ordered: its station and the position it needs. */
export interface OrderedCheck {
  readonly id: string;
  readonly station: number;
  readonly position: string;
}

/** What it takes to bring the machine from one position to another, minutes. Not in the table: `usual`. */
export interface MoveCosts {
  readonly usual: number;
  readonly moves: readonly { readonly from: string; readonly to: string; readonly minutes: number }[];
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
 * Orders checks so that the machine is moved least, never straying from front-to-back by more than allowed: a check may be
 * taken only while every check more than `stray` stations before it is done. Exact: shortest path over (how far each
 * position's own checks are done, position now), in which checks of one position keep station order.
 * @param start position the machine stands in at first; its first move is free when undefined
 * @param stray stations; 0 keeps plain station order up to reordering inside a station
 * @throws InputError naming the field
 * @see state-space search; each state is a station front and the positions served at it
 */
export function leastMovingOrder(checks: readonly OrderedCheck[], costs: MoveCosts, stray: number, start?: string): WalkOrder {
  zeroOrMore('usual', costs.usual);
  zeroOrMore('stray', stray);
  if (new Set(checks.map((c) => c.id)).size !== checks.length) throw new InputError('checks', checks.length, 'checks with ids of their own');
  const price = pricer(costs);
  const plain = [...checks].sort((a, b) => a.station - b.station);
  const best = search(plain, price, stray, start);
  const [stationOrderMinutes, stationOrderMoves] = costOf(plain, price, start);
  const [minutes, moves] = costOf(best, price, start);
  return { order: best, minutes, moves, stationOrderMinutes, stationOrderMoves, saved: stationOrderMinutes - minutes };
}

type Price = (from: string | undefined, to: string) => number;

function pricer({ usual, moves }: MoveCosts): Price {
  const table = new Map(moves.map((m, i) => [`${m.from}|${m.to}`, zeroOrMore(`moves.${i}.minutes`, m.minutes)]));
  return (from, to) => (from === undefined || from === to ? 0 : (table.get(`${from}|${to}`) ?? usual));
}

function costOf(order: readonly OrderedCheck[], price: Price, start: string | undefined): [number, number] {
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
  /** minutes of moving spent before each check, summed: of equal orders the one that moves later is taken */
  readonly waited: number;
  readonly done: readonly number[];
  readonly at: number;
  readonly from: Node | undefined;
  readonly taken: readonly OrderedCheck[];
}

/** Least-cost search; a state is how many checks of each position are done and the position now. Taking as many as allowed while standing is never worse. */
function search(plain: readonly OrderedCheck[], price: Price, stray: number, start: string | undefined): OrderedCheck[] {
  const positions = [...new Set(plain.map((c) => c.position))];
  const queues = positions.map((p) => plain.filter((c) => c.position === p));
  const front = (done: readonly number[]) => Math.min(...queues.map((q, i) => q[done[i] ?? 0]?.station ?? Infinity));
  const serve = (done: readonly number[], i: number): { done: number[]; taken: OrderedCheck[] } => {
    const next = [...done];
    const taken: OrderedCheck[] = [];
    const queue = queues[i] ?? [];
    for (let check = queue[next[i] ?? 0]; check && check.station <= front(next) + stray; check = queue[next[i] ?? 0]) {
      taken.push(check);
      next[i] = (next[i] ?? 0) + 1;
    }
    return { done: next, taken };
  };
  const open: Node[] = [{ cost: 0, waited: 0, done: positions.map(() => 0), at: start === undefined ? -1 : positions.indexOf(start), from: undefined, taken: [] }];
  const seen = new Set<string>();
  for (;;) {
    const node = takeCheapest(open);
    if (!node) throw new InputError('checks', plain.length, 'checks that can be ordered');
    if (node.done.every((d, i) => d === queues[i]?.length)) return unwind(node);
    const key = `${node.done.join(',')}|${node.at}`;
    if (seen.has(key)) continue;
    seen.add(key);
    for (const [i, position] of positions.entries()) {
      const served = serve(node.done, i);
      if (!served.taken.length) continue;
      const cost = node.cost + price(node.at < 0 ? start : positions[node.at], position);
      open.push({ cost, waited: node.waited + cost * served.taken.length, done: served.done, at: i, from: node, taken: served.taken });
    }
  }
}

function takeCheapest(open: Node[]): Node | undefined {
  let best = 0;
  for (let i = 1; i < open.length; i += 1) if (sooner(open[i], open[best])) best = i;
  const node = open[best];
  const last = open.pop();
  if (node !== last && last) open[best] = last;
  return node;
}

const sooner = (a: Node | undefined, b: Node | undefined): boolean => a !== undefined && b !== undefined && (a.cost < b.cost || (a.cost === b.cost && a.waited < b.waited));

function unwind(node: Node | undefined): OrderedCheck[] {
  const parts: (readonly OrderedCheck[])[] = [];
  for (let n = node; n; n = n.from) parts.unshift(n.taken);
  return parts.flat();
}
