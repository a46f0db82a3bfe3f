import type { Check, SpecSheet } from '@green-tally/core/contracts';

/** The sheet with one check changed, by its id; one of another station goes to the end of that. */
export function withCheck(sheet: SpecSheet, changed: Check): SpecSheet {
  const before = sheet.checks.find((c) => c.id === changed.id);
  if (!before || before.station === changed.station)
    return { ...sheet, checks: sheet.checks.map((c) => (c.id === changed.id ? changed : c)) };
  const others = sheet.checks.filter((c) => c.id !== changed.id);
  return { ...sheet, checks: atEndOfStation(others, changed) };
}

/** The checks with one more, after the last of its station. */
export function atEndOfStation(checks: readonly Check[], check: Check): Check[] {
  const after = checks.findLastIndex((c) => c.station <= check.station) + 1;
  return [...checks.slice(0, after), check, ...checks.slice(after)];
}

/** Whether a check can move up or down among those of its station. */
export function canMove(sheet: SpecSheet, check: Check, step: -1 | 1): boolean {
  const index = sheet.checks.findIndex((c) => c.id === check.id);
  return sheet.checks[index + step]?.station === check.station;
}

/** The sheet with a check moved up or down in its station; unchanged when it cannot move. */
export function withMoved(sheet: SpecSheet, check: Check, step: -1 | 1): SpecSheet {
  if (!canMove(sheet, check, step)) return sheet;
  const index = sheet.checks.findIndex((c) => c.id === check.id);
  const checks = [...sheet.checks];
  checks.splice(index + step, 0, ...checks.splice(index, 1));
  return { ...sheet, checks };
}

/** The sheet without a check, and without the knock-ons and pairs that name it. */
export const without = (sheet: SpecSheet, check: Check): SpecSheet => ({
  ...sheet,
  checks: sheet.checks
    .filter((c) => c.id !== check.id)
    .map((c) => ({
      ...c,
      knockOns: c.knockOns.filter((k) => !('check' in k && k.check === check.id)),
      pairs: c.pairs.filter((p) => p.check !== check.id),
    })),
});

/** The sheet with a twin of a check behind it, and the twin's id. */
export function withCopy(
  sheet: SpecSheet,
  check: Check,
): { readonly sheet: SpecSheet; readonly id: string } {
  const stem = check.id.replace(/-copy(-\d+)?$/, '').slice(0, 50);
  const id = freeId(sheet, `${stem}-copy`);
  const twin = { ...check, id, component: `${check.component} (copy)`.slice(0, 120) };
  const at = sheet.checks.findIndex((c) => c.id === check.id) + 1;
  return {
    id,
    sheet: {
      ...sheet,
      checks: [...sheet.checks.slice(0, at), twin, ...sheet.checks.slice(at)],
    },
  };
}

/** An id not used in a sheet yet: the one wished for, or it with a number. */
export function freeId({ checks }: SpecSheet, wish: string): string {
  const taken = new Set(checks.map((c) => c.id));
  const numbered = Array.from({ length: checks.length + 1 }, (_, i) => `${wish}-${i + 2}`);
  return [wish, ...numbered].find((id) => !taken.has(id)) ?? wish;
}
