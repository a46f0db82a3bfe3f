import { useState } from 'react';
import { z } from 'zod';
import type { Check } from '@green-tally/core/contracts';
import { useDraft } from '../../store';
import { enterForms, nameOf, printAt, toForm, type FormField, type FormTrouble } from '../form';
import { withCheck } from '../sheetChanges';
import type { Editing } from '../useEditing';
import { cellText, cellValue, fieldUnder, ofManyLines, type Column } from './columns';

const Typed = z.record(z.string(), z.record(z.string(), z.string()));
type Typed = z.infer<typeof Typed>;
const NOTHING: Typed = {};
const NO_TEXT = {};

/** The checks of a sheet while they are being written as a table. */
export interface SheetTable {
  /** checks in which something was typed that is not in the draft yet */
  readonly typedRows: number;
  readonly troubles: readonly FormTrouble[];
  field(check: Check, column: Column): FormField | undefined;
  text(check: Check, field: FormField): string;
  troubleOf(check: Check, field: FormField): string;
  type(check: Check, field: FormField, text: string): void;
  /** a block from a spreadsheet, from a cell on to the right and down; how many cells it filled */
  paste(at: PasteAt, block: readonly (readonly string[])[]): number;
  /** enters what was typed in the draft; what cannot be used stays typed, with its trouble */
  keep(): Promise<void>;
  forget(): void;
}

interface PasteAt {
  /** as they are shown, from the pasted one down */
  readonly checks: readonly Check[];
  readonly columns: readonly Column[];
}

/** Typing survives a reload; it is in the sheet's draft once it is kept. */
export function useSheetTable({ sheet, keep }: Editing): SheetTable {
  const [typed, setTyped] = useDraft(`sheet-table|${sheet.model}`, Typed, NOTHING);
  const [troubles, setTroubles] = useState<readonly FormTrouble[]>([]);
  const own = (check: Check, from: Typed = typed) => from[check.id] ?? NO_TEXT;

  const withCell = (all: Typed, check: Check, field: FormField, text: string): Typed => {
    const { [check.id]: before = {}, ...others } = all;
    const { [nameOf(field.path)]: _old, ...rest } = before;
    const value = cellValue(field, text);
    const row = value === printAt(field, check) ? rest : { ...rest, [nameOf(field.path)]: value };
    return Object.keys(row).length ? { ...others, [check.id]: row } : others;
  };

  return {
    typedRows: sheet.checks.filter((c) => typed[c.id]).length,
    troubles,
    field: (check, column) => fieldUnder(check, sheet, column, own(check)),
    text: (check, field) => cellText(field, check, own(check)),
    troubleOf: (check, field) =>
      troubles.find((t) => t.check === check.id && t.name === nameOf(field.path))?.message ?? '',
    type(check, field, text) {
      setTyped((now) => withCell(now, check, field, text));
      setTroubles(troubles.filter((t) => t.check !== check.id || t.name !== nameOf(field.path)));
    },
    paste({ checks, columns }, block) {
      let next = typed;
      let filled = 0;
      block.forEach((cells, down) => {
        const check = checks[down];
        if (!check) return;
        cells.forEach((cell, right) => {
          const column = columns[right];
          const field = column && fieldUnder(check, sheet, column, own(check, next));
          const text = cell.trim();
          if (!field || !text || ofManyLines(cellText(field, check, own(check, next)))) return;
          next = withCell(next, check, field, text);
          filled += 1;
        });
      });
      setTyped(next);
      return filled;
    },
    async keep() {
      const forms = sheet.checks.flatMap((check) => {
        const change = typed[check.id];
        return change ? [{ check, values: { ...toForm(check, sheet), ...change } }] : [];
      });
      const entered = enterForms(sheet, forms);
      setTroubles(entered.troubles);
      const left = new Set(entered.troubles.map((t) => t.check));
      const changed = entered.sheet.checks.filter((c) => typed[c.id] && !left.has(c.id));
      if (changed.length && !(await keep(changed.reduce(withCheck, sheet)))) return;
      setTyped(Object.fromEntries(Object.entries(typed).filter(([id]) => left.has(id))));
    },
    forget() {
      setTyped(NOTHING);
      setTroubles([]);
    },
  };
}
