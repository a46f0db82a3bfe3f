import {
  PositionFact,
  POSITION_FACTS,
  SpecSheet,
  type Position,
} from '@green-tally/core/contracts';

/** Positions as lines of text: "Header raised on its stops | header raised, run stopped". */
export const printPositions = (positions: readonly Position[]): string =>
  positions
    .map(
      ({ name, facts }) =>
        `${name} | ${Object.entries(facts)
          .map(([fact, value]) => `${fact} ${value}`)
          .join(', ')}`,
    )
    .join('\n');

/** What may be written of each fact. */
export const factHelp = (): readonly string[] =>
  PositionFact.options.map((fact) => `${fact}: ${POSITION_FACTS[fact].join(', ')}`);

/**
 * The sheet with its positions as written. Where one line alone has another name, and none was added
 * or taken out, its checks go by the new name.
 */
export function withPositions(
  sheet: SpecSheet,
  written: string,
): { readonly sheet: SpecSheet } | { readonly trouble: string } {
  const lines = written.split('\n').filter((line) => line.trim());
  const positions: { name: string; facts: Record<string, string> }[] = [];
  for (const [i, line] of lines.entries()) {
    const [name = '', said = ''] = line.split('|').map((cell) => cell.trim());
    if (!name) return { trouble: `In line ${i + 1}: a name, a |, and its facts.` };
    const facts: Record<string, string> = {};
    for (const piece of said
      .split(',')
      .map((s) => s.trim())
      .filter(Boolean)) {
      const [, fact, value] = /^(\w+)\s+(\w+)$/.exec(piece) ?? [];
      const known = PositionFact.safeParse(fact);
      if (!known.success || !value)
        return {
          trouble: `In line ${i + 1}: "${piece}" is no fact. Write one of ${PositionFact.options.join(', ')} and how it is.`,
        };
      const values: readonly string[] = POSITION_FACTS[known.data];
      if (!values.includes(value))
        return {
          trouble: `In line ${i + 1}: ${known.data} can be ${values.join(', ')}, not "${value}".`,
        };
      facts[known.data] = value;
    }
    positions.push({ name, facts });
  }
  const renamed = renamedIn(sheet.positions, positions);
  const next = SpecSheet.safeParse({
    ...sheet,
    positions,
    checks: sheet.checks.map((c) => {
      const name = renamed.get(c.position);
      return name === undefined ? c : { ...c, position: name };
    }),
  });
  if (next.success) return { sheet: next.data };
  return { trouble: troubleIn(next.error.issues, sheet, positions) };
}

function troubleIn(
  issues: readonly { readonly path: readonly PropertyKey[]; readonly message: string }[],
  sheet: SpecSheet,
  positions: readonly { readonly name: string }[],
): string {
  const orphan = issues.find((i) => i.path[0] === 'checks');
  const check = typeof orphan?.path[1] === 'number' ? sheet.checks[orphan.path[1]] : undefined;
  if (check)
    return `"${check.position}" is wanted by ${check.component} and is not among the positions.`;
  const [issue] = issues;
  const at = typeof issue?.path[1] === 'number' ? issue.path[1] : undefined;
  return `${at === undefined ? '' : `${positions[at]?.name ?? ''}: `}wanted ${issue?.message ?? 'positions'}.`;
}

function renamedIn(
  before: readonly Position[],
  after: readonly { readonly name: string }[],
): ReadonlyMap<string, string> {
  if (before.length !== after.length) return new Map();
  const names = new Set(after.map((p) => p.name));
  return new Map(
    before.flatMap((old, i): [string, string][] => {
      const name = after[i]?.name;
      return name && name !== old.name && !names.has(old.name) ? [[old.name, name]] : [];
    }),
  );
}
