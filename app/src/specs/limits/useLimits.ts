import { useMemo, useState } from 'react';
import { z } from 'zod';
import {
  enterLimits,
  limitProgress,
  limitRows,
  LIMIT_COLUMNS,
  type LimitColumn,
  type LimitRow,
  type LimitTrouble,
} from '@green-tally/core/figures';
import { useDraft } from '../../store';
import type { Editing } from '../useEditing';

const Typed = z.record(z.string(), z.partialRecord(z.enum(LIMIT_COLUMNS), z.string()));
type Typed = z.infer<typeof Typed>;
const NOTHING: Typed = {};

/** The figures of a sheet while they are being entered. */
export interface Limits {
  readonly rows: readonly LimitRow[];
  readonly progress: ReturnType<typeof limitProgress>;
  /** rows in which something was typed that is not in the draft yet */
  readonly typedRows: number;
  readonly troubles: readonly LimitTrouble[];
  readonly busy: boolean;
  cell(row: LimitRow, column: LimitColumn): string;
  troubleOf(row: LimitRow, column: LimitColumn): string;
  type(row: LimitRow, column: LimitColumn, text: string): void;
  /** a block from a spreadsheet, from a cell on to the right and down */
  pasteAt(row: LimitRow, column: LimitColumn, block: readonly (readonly string[])[]): number;
  /** enters what was typed in the draft; what cannot be used stays typed, with its trouble */
  keep(): Promise<void>;
  forget(): void;
}

/** Typing survives a reload; it is in the sheet's draft once it is kept. */
export function useLimits(editing: Editing, shown: readonly LimitRow[]): Limits {
  const { sheet } = editing;
  const [typed, setTyped] = useDraft(`limits|${sheet.model}`, Typed, NOTHING);
  const [troubles, setTroubles] = useState<readonly LimitTrouble[]>([]);
  const rows = useMemo(() => limitRows(sheet), [sheet]);
  const cell = (row: LimitRow, column: LimitColumn) =>
    typed[row.key]?.[column] ?? row.cells[column];
  const typedRows = rows.filter((r) => typed[r.key]).length;

  const withCell = (all: Typed, row: LimitRow, column: LimitColumn, text: string): Typed => {
    const own = { ...all[row.key], [column]: text };
    if (text === row.cells[column]) delete own[column];
    const { [row.key]: _old, ...rest } = all;
    return Object.keys(own).length ? { ...rest, [row.key]: own } : rest;
  };

  return {
    rows,
    progress: limitProgress(rows),
    typedRows,
    troubles,
    busy: editing.busy,
    cell,
    troubleOf: (row, column) =>
      troubles.find((t) => t.key === row.key && t.column === column)?.message ?? '',
    type(row, column, text) {
      setTyped((now) => withCell(now, row, column, text));
      setTroubles(troubles.filter((t) => !(t.key === row.key && t.column === column)));
    },
    pasteAt(row, column, block) {
      const top = shown.findIndex((r) => r.key === row.key);
      const left = LIMIT_COLUMNS.indexOf(column);
      let next = typed;
      let filled = 0;
      block.forEach((cells, down) =>
        cells.forEach((text, right) => {
          const at = shown[top + down];
          const under = LIMIT_COLUMNS[left + right];
          if (!at || !under || !at.asks[under] || !text.trim()) return;
          next = withCell(next, at, under, text.trim());
          filled += 1;
        }),
      );
      setTyped(next);
      return filled;
    },
    async keep() {
      const edits = Object.entries(typed).map(([key, cells]) => ({ key, cells }));
      const entered = enterLimits(sheet, edits);
      setTroubles(entered.troubles);
      if (entered.changed.length && !(await editing.keep(entered.sheet))) return;
      const left = new Set(entered.troubles.map((t) => t.key.split('|')[0]));
      setTyped(
        Object.fromEntries(
          Object.entries(typed).filter(([key]) => left.has(key.split('|')[0] ?? '')),
        ),
      );
    },
    forget() {
      setTyped(NOTHING);
      setTroubles([]);
    },
  };
}
