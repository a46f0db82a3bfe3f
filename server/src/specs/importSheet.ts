import type { SheetImport } from '@green-tally/core/contracts';
import { diffSheets, nothingChanged } from '@green-tally/core/sheets';
import { currentSheets, type Database } from '../db';
import { refuseLostBuilds } from './builds';
import { readSheet, type SheetRead } from './readSheet';
import { storeSheet, type Doing } from './revisions';

/**
 * Reads a sheet's file and says what is new, changed and removed; stores it unless it is only to be
 * shown.
 * Nothing is stored while there is one trouble.
 */
export async function importSheet(
  db: Database,
  text: string,
  { preview, read = readSheet, ...doing }: SheetImporting,
): Promise<SheetImport> {
  const { sheet, model, troubles } = await read(text);
  if (!sheet) return refused(model, troubles);
  const before = (await currentSheets()).find((s) => s.model === sheet.model);
  const changes = diffSheets(before, sheet);
  const same =
    before?.revision === sheet.revision &&
    before.remark === sheet.remark &&
    nothingChanged(changes);
  if (before) await refuseLostBuilds(before, sheet);
  const stored = !preview && (await storeSheet(db, sheet, doing)) === 'stored';
  return {
    model: sheet.model,
    revision: sheet.revision,
    latest: before?.revision ?? 0,
    stored,
    same,
    checks: sheet.checks.length,
    changes,
    errors: [],
  };
}

/** How a sheet is imported: only looked through with preview; read elsewhere where that is given. */
export interface SheetImporting extends Doing {
  readonly preview: boolean;
  readonly read?: ((text: string) => SheetRead | Promise<SheetRead>) | undefined;
}

const refused = (model: string, errors: SheetImport['errors']): SheetImport => ({
  model,
  revision: 0,
  latest: 0,
  stored: false,
  same: false,
  checks: 0,
  changes: null,
  errors,
});
