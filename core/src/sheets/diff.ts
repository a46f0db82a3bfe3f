import type { Check, SheetChanges, SpecSheet } from '../contracts';

/**
 * One field that differs, by its path: "limit.low", "parts.0.number"; undefined where there is
 * none.
 */
export type FieldChange = SheetChanges['sheet'][number];

/** Compares two sheets check by check, by their ids. @param before undefined: everything is new */
export function diffSheets(before: SpecSheet | undefined, after: SpecSheet): SheetChanges {
  const old = new Map((before?.checks ?? []).map((c) => [c.id, c]));
  const now = new Map(after.checks.map((c) => [c.id, c]));
  const name = (c: Check) => ({ id: c.id, component: c.component });
  const kept = after.checks.filter((c) => old.has(c.id)).map((c) => c.id);
  const keptBefore = (before?.checks ?? []).filter((c) => now.has(c.id)).map((c) => c.id);
  return {
    added: after.checks.filter((c) => !old.has(c.id)).map(name),
    removed: (before?.checks ?? []).filter((c) => !now.has(c.id)).map(name),
    changed: after.checks.flatMap((c) => {
      const fields = old.has(c.id) ? fieldChanges(old.get(c.id), c) : [];
      return fields.length ? [{ ...name(c), fields }] : [];
    }),
    sheet: before
      ? fieldChanges(
          {
            maker: before.maker,
            machine: before.machine,
            equipment: before.equipment,
            schools: before.schools,
            moves: before.moves,
            positions: before.positions,
          },
          {
            maker: after.maker,
            machine: after.machine,
            equipment: after.equipment,
            schools: after.schools,
            moves: after.moves,
            positions: after.positions,
          },
        )
      : [],
    reordered: kept.join() !== keptBefore.join(),
  };
}

/** Whether nothing differs but number and remark. */
export function nothingChanged(diff: SheetChanges): boolean {
  return (
    !diff.added.length &&
    !diff.removed.length &&
    !diff.changed.length &&
    !diff.sheet.length &&
    !diff.reordered
  );
}

/** Every leaf that differs between two values, by path; lists of plain words are compared whole. */
export function fieldChanges(before: unknown, after: unknown, path = ''): FieldChange[] {
  if (same(before, after)) return [];
  const branches = (v: unknown): v is Record<string, unknown> =>
    v !== null &&
    typeof v === 'object' &&
    !(Array.isArray(v) && v.every((x) => typeof x !== 'object'));
  if (!branches(before) || !branches(after) || Array.isArray(before) !== Array.isArray(after))
    return [{ field: path, before, after }];
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  return keys.flatMap((key) =>
    fieldChanges(before[key], after[key], path ? `${path}.${key}` : key),
  );
}

function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (
    a === null ||
    b === null ||
    typeof a !== 'object' ||
    typeof b !== 'object' ||
    Array.isArray(a) !== Array.isArray(b)
  )
    return false;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(x).filter((k) => x[k] !== undefined);
  return (
    keys.length === Object.keys(y).filter((k) => y[k] !== undefined).length &&
    keys.every((k) => same(x[k], y[k]))
  );
}
