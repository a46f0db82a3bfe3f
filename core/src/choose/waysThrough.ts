import type { Price } from '../walk';

/** Positions through which the shortest way is found for every set of them. */
export const MOST_FOR_ALL = 16;

/** Least minutes of moving through a set of positions (bits), each once, in whatever order. */
export type Ways = (set: number) => number;

/**
 * Ways through sets of positions: the shortest for up to {@link MOST_FOR_ALL}, else one found by
 * putting each position in where it costs least, then taking stretches of it elsewhere while that
 * shortens it.
 * @param start where the machine stands; undefined: it stands in the first one already
 */
export function waysThrough(
  positions: readonly string[],
  price: Price,
  start: string | undefined,
): Ways {
  const prices = positions.map((from) => positions.map((to) => price(from, to)));
  const first = positions.map((to) => price(start, to));
  return positions.length > MOST_FOR_ALL
    ? insertedWays(prices, first)
    : shortestWays(prices, first);
}

type Prices = readonly (readonly number[])[];

/** @see Held and Karp: the least for each set and last position, from those of smaller sets */
function shortestWays(prices: Prices, first: readonly number[]): Ways {
  const n = first.length;
  const ending = new Float64Array(n << n).fill(Infinity);
  const ways = new Float64Array(1 << n).fill(Infinity);
  ways[0] = 0;
  first.forEach((cost, i) => (ending[i + n * (1 << i)] = cost));
  for (let set = 1; set < ways.length; set += 1)
    for (let at = 0; at < n; at += 1) {
      const cost = ending[at + n * set] ?? Infinity;
      if (cost === Infinity) continue;
      if (cost < (ways[set] ?? 0)) ways[set] = cost;
      for (let to = 0; to < n; to += 1) {
        if (set & (1 << to)) continue;
        const cell = to + n * (set | (1 << to));
        const longer = cost + (prices[at]?.[to] ?? 0);
        if (longer < (ending[cell] ?? 0)) ending[cell] = longer;
      }
    }
  return (set) => ways[set] ?? Infinity;
}

function insertedWays(prices: Prices, first: readonly number[]): Ways {
  const known = new Map<number, number>();
  const step: Step = (from, to) =>
    to === undefined ? 0 : ((from === undefined ? first[to] : prices[from]?.[to]) ?? 0);
  return (set) => {
    const before = known.get(set);
    if (before !== undefined) return before;
    let way: number[] = [];
    for (let to = 0; to < first.length; to += 1) {
      if (!(set & (1 << to))) continue;
      const places = Array.from({ length: way.length + 1 }, (_, i) => ({
        i,
        more: step(way[i - 1], to) + step(to, way[i]) - step(way[i - 1], way[i]),
      }));
      const best = places.reduce((a, b) => (b.more < a.more ? b : a));
      way = [...way.slice(0, best.i), to, ...way.slice(best.i)];
    }
    const minutes = lengthOf(relocated(way, step), step);
    known.set(set, minutes);
    return minutes;
  };
}

type Step = (from: number | undefined, to: number | undefined) => number;

const lengthOf = (way: readonly number[], step: Step): number =>
  way.reduce((sum, to, i) => sum + step(way[i - 1], to), 0);

/** The way with stretches of up to three of its positions taken elsewhere, as long as that shortens it. */
function relocated(way: readonly number[], step: Step): readonly number[] {
  let best = way;
  let least = lengthOf(way, step);
  for (let better = true; better;) {
    better = false;
    for (const tried of relocations(best)) {
      const minutes = lengthOf(tried, step);
      if (minutes >= least - 1e-9) continue;
      best = tried;
      least = minutes;
      better = true;
      break;
    }
  }
  return best;
}

function* relocations(way: readonly number[]): Generator<readonly number[]> {
  for (let length = 1; length <= 3; length += 1)
    for (let from = 0; from + length <= way.length; from += 1) {
      const piece = way.slice(from, from + length);
      const rest = [...way.slice(0, from), ...way.slice(from + length)];
      for (let to = 0; to <= rest.length; to += 1)
        if (to !== from) yield [...rest.slice(0, to), ...piece, ...rest.slice(to)];
    }
}
