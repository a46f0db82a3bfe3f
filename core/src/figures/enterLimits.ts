import { Check, type SpecSheet } from '../contracts';
import { limitRows, type LimitCells, type LimitColumn, type LimitRow } from './limitRows';
import { tell, type LimitTrouble, type Written } from './tellFigures';

export type { LimitTrouble };

/** What was typed in one row; columns that are not named stay as they are. */
export interface LimitEdit {
  readonly key: string;
  readonly cells: Partial<LimitCells>;
}

export interface Entered {
  readonly sheet: SpecSheet;
  readonly troubles: readonly LimitTrouble[];
  /** rows whose figures are others now */
  readonly changed: readonly string[];
}

/**
 * Enters figures in a sheet. A check with a trouble in any of its rows stays as it was; the others
 * are entered.
 * @param edits keys of rows that the sheet does not have are passed over
 */
export function enterLimits(sheet: SpecSheet, edits: readonly LimitEdit[]): Entered {
  const rows = new Map(limitRows(sheet).map((r) => [r.key, r]));
  const byCheck = new Map<string, Written[]>();
  for (const { key, cells } of edits) {
    const row = rows.get(key);
    if (!row) continue;
    const written = { row, cells: { ...row.cells, ...trimmed(cells) } };
    if (!differs(written)) continue;
    byCheck.set(row.checkId, [...(byCheck.get(row.checkId) ?? []), written]);
  }
  const troubles: LimitTrouble[] = [];
  const changed: string[] = [];
  const checks = sheet.checks.map((check) => {
    const written = byCheck.get(check.id);
    if (!written) return check;
    const { check: made, troubles: found } = entered(check, written, rows);
    troubles.push(...found);
    if (found.length) return check;
    changed.push(...written.map((w) => w.row.key));
    return made;
  });
  return { sheet: changed.length ? { ...sheet, checks } : sheet, troubles, changed };
}

const differs = ({ row, cells }: Written): boolean =>
  (Object.keys(cells) as LimitColumn[]).some((c) => cells[c] !== row.cells[c]);

const trimmed = (cells: Partial<LimitCells>): Partial<LimitCells> =>
  Object.fromEntries(Object.entries(cells).map(([c, text]) => [c, text.trim()]));

interface Made {
  readonly check: Check;
  readonly troubles: readonly LimitTrouble[];
}

function entered(
  check: Check,
  written: readonly Written[],
  rows: ReadonlyMap<string, LimitRow>,
): Made {
  const troubles: LimitTrouble[] = [];
  let made: Record<string, unknown> = { ...check };
  for (const one of withSlots(written, rows)) {
    const told = tell(check, one, troubles);
    const { place } = one.row;
    made = place
      ? { ...made, perPlace: placed(made['perPlace'], place, told) }
      : { ...made, ...told };
    if (one.cells.page && one.cells.page !== one.row.cells.page)
      made = { ...made, source: sourceOf(one.cells.page) };
  }
  if (troubles.length) return { check, troubles };
  const parsed = Check.safeParse(withoutUndefined(made));
  if (parsed.success) return { check: parsed.data, troubles };
  const at = written[0]?.row;
  return {
    check,
    troubles: parsed.error.issues.map((issue) => ({
      key: at?.key ?? '',
      column: columnOf(issue.path.map(String)),
      message: issue.message,
    })),
  };
}

/** A page alone is one of the maker's manual. */
const sourceOf = (page: string): string =>
  /^\d+$/.test(page) ? `Maker’s manual, page ${page}` : page;

const placed = (perPlace: unknown, place: string, told: object): object => {
  const known = (perPlace ?? {}) as Readonly<Record<string, object>>;
  return { ...known, [place]: { ...known[place], ...told } };
};

const withoutUndefined = (made: Record<string, unknown>): unknown =>
  Object.fromEntries(Object.entries(made).filter(([, v]) => v !== undefined));

/** An adjuster stands in two rows: with either, the other is read as it stands. */
function withSlots(
  written: readonly Written[],
  rows: ReadonlyMap<string, LimitRow>,
): readonly Written[] {
  return written
    .flatMap((one) => {
      const { part, key } = one.row;
      if (part !== 'chain') return [one];
      const slot = rows.get(key.replace(/\|chain$/, '|slot'));
      const known = written.some((w) => w.row === slot);
      return known || !slot ? [] : [{ row: slot, cells: slot.cells }];
    })
    .map((one) => ({ ...one, beside: chainBeside(one, written, rows) }));
}

const chainBeside = (
  { row }: Written,
  written: readonly Written[],
  rows: ReadonlyMap<string, LimitRow>,
): Written | undefined => {
  if (row.part !== 'slot') return undefined;
  const key = row.key.replace(/\|slot$/, '|chain');
  const chain = rows.get(key);
  return (
    written.find((w) => w.row.key === key) ??
    (chain ? { row: chain, cells: chain.cells } : undefined)
  );
};

/** The column that a path of the contract is written in. */
function columnOf(path: readonly string[]): LimitColumn {
  const last = path.at(-1) ?? '';
  return COLUMN_OF[last] ?? 'new';
}

const COLUMN_OF: Readonly<Record<string, LimitColumn>> = {
  low: 'low',
  high: 'high',
  limit: 'limit',
  wornSide: 'limit',
  limitPercent: 'limit',
  reserve: 'low',
  loopPitches: 'high',
  amount: 'low',
  most: 'high',
  unit: 'unit',
  source: 'page',
};
