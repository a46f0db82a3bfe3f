import { z } from 'zod';
import { SpecSheet } from '../contracts';

/**
 * A sheet as its file: JSON, two spaces, fields in the contract's order, a newline at the end. The
 * same sheet gives the same bytes, however it was stored in between.
 * @throws ZodError when it is no valid sheet
 */
export function printSheet(sheet: SpecSheet): string {
  return `${JSON.stringify(SpecSheet.parse(sheet), inOrder, 2)}\n`;
}

/**
 * Free keys (which equipment, which build) have no order of their own: by name. The contract's own
 * fields keep theirs.
 */
function inOrder(key: string, value: unknown): unknown {
  if (!FREE_KEYS.has(key) || value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
}

const FREE_KEYS: ReadonlySet<string> = new Set(['when', 'perPlace']);

/**
 * The published JSON Schema of a sheet file (2020-12), made from the contract. What only the whole
 * sheet can tell (ids twice, knock-ons to nowhere) is checked on import beside it.
 */
export function sheetJsonSchema(): Record<string, unknown> {
  return {
    ...z.toJSONSchema(SpecSheet, { io: 'input', unrepresentable: 'any' }),
    title: 'Green Tally spec sheet',
    $id: 'https://green-tally.invalid/schemas/spec-sheet.json',
  };
}
