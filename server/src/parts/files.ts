import { stringify } from 'csv-stringify/sync';
import type { Person } from '@green-tally/core/contracts';
import { StockLine } from '@green-tally/core/contracts/parts';
import { z } from 'zod';
import { StockRow, type Database } from '../db';
import { Invalid } from '../errors';
import { readTable, type CsvRecord, type TableReader } from '../files/readTable';
import type { Looking } from '../standings/fresh';
import { changeParts, partsKnown, suppliersKnown } from './catalogue';
import { demandNow } from './demand';
import { keepCount } from './stock';

const table = (columns: readonly string[], rows: readonly object[]): string =>
  stringify([...rows], { header: true, columns: [...columns], escape_formulas: true });

const DEMAND = [
  ...['number', 'name', 'wanted', 'on_hand', 'on_order', 'short', 'to_order', 'order_by'],
  ...['earliest', 'supplier', 'lead_days', 'price', 'for'],
] as const;

/** What is wanted of each part, the one to be ordered first at the head. */
export async function demandCsv(looking: Looking & { readonly branch: string }): Promise<string> {
  const rows = await demandNow(looking);
  return table(
    DEMAND,
    rows.map((d) => ({
      ...{ number: d.number, name: d.name, wanted: d.wanted, on_hand: d.onHand },
      ...{ on_order: d.onOrder, short: d.short, to_order: d.toOrder, order_by: d.orderBy },
      ...{ earliest: d.earliest, supplier: d.supplier, lead_days: d.leadDays, price: d.price },
      for: d.needs.map((n) => `${n.serial} ${n.by} x${n.quantity}`).join('; '),
    })),
  );
}

const CATALOGUE = [
  ...['number', 'name', 'price', 'supplier', 'on_hand', 'sold_in', 'superseded_by', 'models'],
] as const;

/** All parts, with how many a branch has. */
export async function catalogueCsv(branch: string): Promise<string> {
  const [parts, stock] = await Promise.all([partsKnown(), StockRow.findAll({ where: { branch } })]);
  const onHand = new Map(stock.map((s) => [s.number, s.onHand]));
  return table(
    CATALOGUE,
    parts.map((p) => ({
      ...{ number: p.number, name: p.name, price: p.price, supplier: p.supplier },
      ...{ on_hand: onHand.get(p.number) ?? null, sold_in: p.soldIn },
      ...{ superseded_by: p.supersededBy, models: p.models.join('; ') },
    })),
  );
}

const price = z.coerce.number().nonnegative().max(10_000_000);
const onHand = z.coerce.number().pipe(StockLine.shape.onHand);
const MOST_ROWS = 20_000;

interface ReadRow {
  readonly number: string;
  readonly price?: number;
  readonly supplier?: string;
  readonly onHand?: number;
}

/** Who brings parts in, when, and how their table is read. */
interface PartsBringer {
  readonly person: Person;
  readonly now: Date;
  readonly table?: TableReader | undefined;
}

/**
 * Prices, suppliers and counts from a file as {@link catalogueCsv} writes it, all or none. An empty
 * cell leaves what is there.
 * @throws Invalid naming row and column of everything that is wrong
 */
export async function importParts(
  db: Database,
  text: string,
  { table = readTable, ...by }: PartsBringer,
): Promise<{ changed: number; counted: number }> {
  const { records, decimalComma } = await table(text, {
    name: 'a parts file',
    rows: 'parts',
    columns: CATALOGUE,
    required: ['number'],
    most: MOST_ROWS,
  });
  const known = new Set((await partsKnown()).map((p) => p.number));
  const suppliers = new Set((await suppliersKnown()).map((s) => s.name));
  const troubles: { field: string; message: string }[] = [];
  const seen = new Set<string>();
  const rows = records.map(({ record, row }): ReadRow => {
    const wrong = (column: string, message: string) =>
      troubles.push({ field: `row ${row}, ${column}`, message });
    const number = record['number']?.trim() ?? '';
    if (!known.has(number)) wrong('number', `no spec sheet names a part "${number}"`);
    if (seen.has(number)) wrong('number', `"${number}" is there twice`);
    seen.add(number);
    const supplier = record['supplier']?.trim();
    if (supplier && !suppliers.has(supplier))
      wrong('supplier', `no supplier "${supplier}" is known`);
    return {
      number,
      ...(supplier ? { supplier } : {}),
      ...amountIn(record, 'price', price, { decimalComma, wrong }),
      ...amountIn(record, 'on_hand', onHand, { decimalComma, wrong }),
    };
  });
  if (troubles.length)
    throw new Invalid(
      'Nothing was taken from the file',
      `${troubles.length} cells cannot be read. Mend them and choose the file again.`,
      troubles.slice(0, 100),
    );
  const changes = rows.filter((r) => r.price !== undefined || r.supplier !== undefined);
  const counts = rows.flatMap((r) =>
    r.onHand === undefined ? [] : [{ number: r.number, onHand: r.onHand }],
  );
  if (changes.length)
    await changeParts(db, { parts: changes.map(({ onHand: _, ...change }) => change) }, by);
  if (counts.length) await keepCount({ db, branch: by.person.branch, now: by.now }, { counts });
  return { changed: changes.length, counted: counts.length };
}

interface Reading {
  readonly decimalComma: boolean;
  readonly wrong: (column: string, message: string) => void;
}

/** A figure of a cell; nothing where it is empty, or cannot be read, which is told. */
function amountIn(
  record: CsvRecord,
  column: 'price' | 'on_hand',
  contract: z.ZodType<number>,
  { decimalComma, wrong }: Reading,
): Partial<ReadRow> {
  const cell = record[column]?.trim() ?? '';
  if (!cell) return {};
  const read = contract.safeParse(decimalComma ? cell.replace(',', '.') : cell);
  if (!read.success) {
    wrong(column, `wanted an amount in figures, 0 or more; got "${cell}"`);
    return {};
  }
  return column === 'price' ? { price: read.data } : { onHand: read.data };
}
