import { zeroOrMore } from '../units';

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

export type Price = (from: string | undefined, to: string) => number;

/** What every move costs by its cheapest way, and that way. */
export interface Roads {
  readonly price: Price;
  via(from: string, to: string): readonly string[];
}

/**
 * Closes a table of moves: a move that the table prices dearer than a way through other positions is
 * made that way. Without it a search that takes the table at its word is not exact.
 * @see Floyd and Warshall, all shortest paths
 */
export function roadsOf({ usual, moves }: MoveCosts, wanted: readonly string[]): Roads {
  const names = [...new Set([...wanted, ...moves.flatMap((m) => [m.from, m.to])])];
  const at = new Map(names.map((name, i) => [name, i]));
  const cost = names.map((_, i) => names.map((__, j) => (i === j ? 0 : usual)));
  const through = names.map(() => names.map(() => -1));
  moves.forEach((m, i) => {
    const row = cost[at.get(m.from) ?? -1];
    if (row && m.from !== m.to)
      row[at.get(m.to) ?? -1] = zeroOrMore(`moves.${i}.minutes`, m.minutes);
  });
  names.forEach((_, k) => {
    cost.forEach((row, i) => {
      row.forEach((direct, j) => {
        const round = (row[k] ?? Infinity) + (cost[k]?.[j] ?? Infinity);
        if (round < direct - 1e-9) {
          row[j] = round;
          const passed = through[i];
          if (passed) passed[j] = k;
        }
      });
    });
  });
  const passed = (i: number, j: number): readonly number[] => {
    const k = through[i]?.[j] ?? -1;
    return k < 0 ? [] : [...passed(i, k), k, ...passed(k, j)];
  };
  const index = (name: string) => at.get(name) ?? -1;
  return {
    price: (from, to) =>
      from === undefined || from === to ? 0 : (cost[index(from)]?.[index(to)] ?? usual),
    via: (from, to) => passed(index(from), index(to)).map((i) => names[i] ?? ''),
  };
}
