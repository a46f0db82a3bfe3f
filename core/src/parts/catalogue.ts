import type { CatalogPart, Part, PartEntry, SpecSheet } from '../contracts';

/**
 * Every part that some sheets name, by number: those of the checks, those that they are superseded by,
 * their heavy ones, and what is needed with them.
 * @param entries what is known of parts beside the sheets
 */
export function catalogueOf(
  sheets: readonly SpecSheet[],
  entries: readonly PartEntry[] = [],
): CatalogPart[] {
  const known = new Map(entries.map((e) => [e.number, e]));
  const parts = new Map<string, CatalogPart>();
  const named = (number: string, name: string, model: string): CatalogPart => {
    const there = parts.get(number) ?? {
      ...{ number, name, soldIn: null, supersededBy: null, needs: [], heavy: null, models: [] },
      price: known.get(number)?.price ?? null,
      supplier: known.get(number)?.supplier ?? null,
    };
    const models = there.models.includes(model) ? there.models : [...there.models, model];
    const next = { ...there, models };
    parts.set(number, next);
    return next;
  };
  for (const { model, checks } of sheets)
    for (const part of checks.flatMap((c) => allParts(c))) {
      const there = named(part.number, part.name, model);
      parts.set(part.number, {
        ...there,
        soldIn: part.soldIn ?? there.soldIn,
        supersededBy: part.supersededBy?.number ?? there.supersededBy,
        needs: part.needs ?? there.needs,
        heavy: part.heavy?.number ?? there.heavy,
      });
      for (const other of [part.supersededBy, part.heavy, ...(part.needs ?? [])])
        if (other) named(other.number, other.name, model);
    }
  return [...parts.values()].sort((a, b) => (a.number < b.number ? -1 : 1));
}

/** Parts of a check, wherever it is and on whichever version of the machine. */
const allParts = (check: SpecSheet['checks'][number]): readonly Part[] => [
  ...check.parts,
  ...Object.values(check.perPlace ?? {}).flatMap((p) => p.parts ?? []),
  ...(check.versions ?? []).flatMap((v) => v.parts ?? []),
];
