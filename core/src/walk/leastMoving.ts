import { InputError, zeroOrMore } from '../units';
import { searchOrder, type OrderedCheck } from './orderSearch';
import { roadsOf, type MoveCosts, type Price, type Roads } from './roads';

export type { OrderedCheck } from './orderSearch';

/** An order with what it costs, against plain station order. */
export interface WalkOrder {
  readonly order: readonly OrderedCheck[];
  readonly minutes: number;
  readonly moves: number;
  readonly stationOrderMinutes: number;
  readonly stationOrderMoves: number;
  readonly saved: number;
  /** no order costs less; false when the search was cut short */
  readonly proven: boolean;
  /** the moves between positions, in order, with the positions passed through on the way */
  readonly steps: readonly MoveStep[];
}

/** One move of the machine, minutes. `via`: positions it is cheapest to pass through. */
export interface MoveStep {
  readonly from: string;
  readonly to: string;
  readonly via: readonly string[];
  readonly minutes: number;
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
  checks.forEach((c, i) => zeroOrMore(`checks.${i}.station`, c.station));
  const plain = [...checks].sort((a, b) => a.station - b.station);
  const roads = roadsOf(costs, [
    ...new Set([...(start === undefined ? [] : [start]), ...plain.map((c) => c.position)]),
  ]);
  const best = searchOrder(plain, roads.price, stray, start);
  const before = costOf(plain, roads.price, start);
  const after = costOf(best.order, roads.price, start);
  // a search cut short never costs more than walking front to back
  const better = after.minutes <= before.minutes;
  const order = better ? best.order : plain;
  const { minutes, moves } = better ? after : before;
  return {
    order,
    minutes,
    moves,
    stationOrderMinutes: before.minutes,
    stationOrderMoves: before.moves,
    saved: before.minutes - minutes,
    proven: best.proven,
    steps: stepsOf(order, roads, start),
  };
}

function stepsOf(
  order: readonly OrderedCheck[],
  { price, via }: Roads,
  start: string | undefined,
): MoveStep[] {
  let at = start;
  return order.flatMap(({ position: to }) => {
    const from = at;
    at = to;
    return from === undefined || from === to
      ? []
      : [{ from, to, via: via(from, to), minutes: price(from, to) }];
  });
}

function costOf(
  order: readonly OrderedCheck[],
  price: Price,
  start: string | undefined,
): { readonly minutes: number; readonly moves: number } {
  let at = start;
  let minutes = 0;
  let moves = 0;
  for (const { position } of order) {
    minutes += price(at, position);
    if (at !== undefined && at !== position) moves += 1;
    at = position;
  }
  return { minutes, moves };
}
