import { QueryTypes, type Transaction } from 'sequelize';
import { SpecSheet } from '@green-tally/core/contracts';
import { connection, within } from './within';

/**
 * Revisions never change, so each is read into its contract once. jsonb keeps neither the order of
 * fields nor defaults that came later; the contract gives both back.
 */
const readSheets = new Map<string, SpecSheet>();
const SHEETS_KEPT = 400;

/** A stored revision as the contract knows it. */
export function sheetOf(row: { model: string; revision: number; document: SpecSheet }): SpecSheet {
  const key = `${row.model}|${row.revision}`;
  const kept = readSheets.get(key);
  if (kept) return kept;
  const sheet = SpecSheet.parse(row.document);
  readSheets.set(key, sheet);
  const oldest = readSheets.keys().next().value;
  if (readSheets.size > SHEETS_KEPT && oldest !== undefined) readSheets.delete(oldest);
  return sheet;
}

/**
 * Latest revision of each model's sheet, and the older ones that some reading or re-judging still
 * refers to; in one query.
 */
export async function sheetsInUse(
  transaction?: Transaction,
): Promise<{ current: SpecSheet[]; earlier: SpecSheet[] }> {
  const rows = await connection().query<{
    model: string;
    revision: number;
    document: SpecSheet;
    newest: boolean;
  }>(
    `SELECT * FROM (
       SELECT model, revision, document,
         revision = max(revision) OVER (PARTITION BY model) AS newest
       FROM spec_sheets) s
     WHERE newest
       OR EXISTS (SELECT 1 FROM readings r
         WHERE r.sheet->>'model' = s.model AND (r.sheet->>'revision')::int = s.revision)
       OR EXISTS (SELECT 1 FROM machines m WHERE (m.rejudged->>s.model)::int = s.revision)
     ORDER BY model, revision`,
    { type: QueryTypes.SELECT, ...within(transaction) },
  );
  const of = (newest: boolean) => rows.filter((r) => r.newest === newest).map((r) => sheetOf(r));
  return { current: of(true), earlier: of(false) };
}

/** Latest revision of each model's sheet. */
export async function currentSheets(transaction?: Transaction): Promise<SpecSheet[]> {
  return (await sheetsInUse(transaction)).current;
}
