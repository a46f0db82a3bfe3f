import { QueryTypes, type Transaction } from 'sequelize';
import { SpecSheet } from '@green-tally/core/contracts';
import { connection, within } from './within';

/** Names one revision of a model's sheet. */
export interface SheetRef {
  readonly model: string;
  readonly revision: number;
}

/**
 * Revisions never change, so each is read into its contract once, and the longest unused one is
 * forgotten. jsonb keeps neither the order of fields nor defaults that came later; the contract
 * gives both back.
 */
const readSheets = new Map<string, SpecSheet>();
const SHEETS_KEPT = 48;
/** By connection too: the tests of one process use several databases. */
const ages = new WeakMap<object, number>();
let age = 0;

function keyOf({ model, revision }: SheetRef): string {
  const one = connection();
  const known = ages.get(one) ?? (age += 1);
  ages.set(one, known);
  return `${known}|${model}|${revision}`;
}

function kept(ref: SheetRef): SpecSheet | undefined {
  const key = keyOf(ref);
  const sheet = readSheets.get(key);
  if (sheet) {
    readSheets.delete(key);
    readSheets.set(key, sheet);
  }
  return sheet;
}

/** A stored revision as the contract knows it. */
export function sheetOf(row: SheetRef & { document: SpecSheet }): SpecSheet {
  const known = kept(row);
  if (known) return known;
  const sheet = SpecSheet.parse(row.document);
  readSheets.set(keyOf(row), sheet);
  const oldest = readSheets.keys().next().value;
  if (readSheets.size > SHEETS_KEPT && oldest !== undefined) readSheets.delete(oldest);
  return sheet;
}

/**
 * Some revisions, in the order asked for; what is not there is left out. Only documents not yet
 * read here are fetched.
 */
export async function sheetsOf(
  refs: readonly SheetRef[],
  transaction?: Transaction,
): Promise<SpecSheet[]> {
  const found = new Map<string, SpecSheet>();
  const missing: SheetRef[] = [];
  for (const ref of refs) {
    const sheet = kept(ref);
    if (sheet) found.set(keyOf(ref), sheet);
    else missing.push(ref);
  }
  if (missing.length) {
    const rows = await connection().query<SheetRef & { document: SpecSheet }>(
      `SELECT model, revision, document FROM spec_sheets
       WHERE (model, revision) IN (SELECT * FROM unnest($1::text[], $2::int[]))`,
      {
        type: QueryTypes.SELECT,
        bind: [missing.map((m) => m.model), missing.map((m) => m.revision)],
        ...within(transaction),
      },
    );
    for (const row of rows) found.set(keyOf(row), sheetOf(row));
  }
  return refs.flatMap((ref) => found.get(keyOf(ref)) ?? []);
}

/** Newest revision of each of some models, or of all; no documents. */
export async function newestOf(
  models: readonly string[] | 'all',
  transaction?: Transaction,
): Promise<SheetRef[]> {
  return connection().query<SheetRef>(
    `SELECT model, max(revision) AS revision FROM spec_sheets
     WHERE $1::text[] IS NULL OR model = ANY($1) GROUP BY model ORDER BY model`,
    {
      type: QueryTypes.SELECT,
      bind: [models === 'all' ? null : [...models]],
      ...within(transaction),
    },
  );
}

/** Latest revision of each model's sheet, of some models or of all. */
export async function currentSheets(
  transaction?: Transaction,
  models: readonly string[] | 'all' = 'all',
): Promise<SpecSheet[]> {
  return sheetsOf(await newestOf(models, transaction), transaction);
}
