/** Places of a series as rows, with the sides of each. */
export interface Grid {
  /** names of the sides; empty when the places have none */
  readonly sides: readonly string[];
  readonly rows: readonly { readonly name: string; readonly places: readonly string[] }[];
}

/** "row 3 left" and "row 3 right" into one row with two sides; other places a row each. */
export function groupBySides(places: readonly string[]): Grid {
  const split = places.map((p) => /^(?:row )?(.+) (left|right)$/.exec(p));
  if (split.some((s) => !s))
    return { sides: [], rows: places.map((p) => ({ name: p, places: [p] })) };
  const rows = new Map<string, string[]>();
  places.forEach((p, i) => {
    const name = split[i]?.[1] ?? p;
    rows.set(name, [...(rows.get(name) ?? []), p]);
  });
  return {
    sides: [...new Set(split.map((s) => s?.[2] ?? ''))],
    rows: [...rows].map(([name, own]) => ({ name, places: own })),
  };
}
