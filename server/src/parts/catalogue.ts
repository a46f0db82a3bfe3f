import type {
  CatalogPart,
  Catalogue,
  PartsChange,
  Person,
  Supplier,
  SupplierChange,
} from '@green-tally/core/contracts';
import { catalogueOf } from '@green-tally/core/parts';
import {
  CostsRow,
  currentSheets,
  holdLock,
  machinesChanged,
  planMoved,
  PriceRow,
  SettingRow,
  SupplierRow,
  type Database,
} from '../db';
import { Conflict, invalidField } from '../errors';

/** Every part the sheets name, with what is known of it. */
export async function partsKnown(): Promise<CatalogPart[]> {
  const [sheets, rows] = await Promise.all([currentSheets(), PriceRow.findAll()]);
  return catalogueOf(
    sheets,
    rows.map(({ number, price, supplier = null }) => ({ number, price, supplier })),
  );
}

/** Who delivers, by name. */
export const suppliersKnown = async (): Promise<Supplier[]> =>
  (await SupplierRow.findAll({ order: ['name'] })).map(({ name, leadDays, spreadDays }) => ({
    ...{ name, leadDays, spreadDays },
  }));

const VERSION = 'suppliersVersion';
const versionNow = async (): Promise<number> =>
  Number((await SettingRow.findByPk(VERSION))?.value ?? 0);

/** What amounts of a branch are in; null where it has not said. */
export const currencyOf = async (branch: string | undefined): Promise<string | null> =>
  branch ? ((await CostsRow.findByPk(branch))?.currency ?? null) : null;

/** All parts, and who delivers them. */
export async function catalogue(branch: string | undefined): Promise<Catalogue> {
  const [parts, suppliers, version, currency] = await Promise.all([
    partsKnown(),
    suppliersKnown(),
    versionNow(),
    currencyOf(branch),
  ]);
  return { parts, suppliers, version, currency };
}

/**
 * Changes parts, all or none; what is not named stays.
 * @throws Invalid for a part that no sheet names or a supplier nobody knows, by field
 */
export async function changeParts(
  db: Database,
  { parts }: PartsChange,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<{ changed: number }> {
  const known = new Set((await partsKnown()).map((p) => p.number));
  const suppliers = new Set((await suppliersKnown()).map((s) => s.name));
  parts.forEach(({ number, supplier }, i) => {
    if (!known.has(number))
      throw invalidField(
        `parts.${i}.number`,
        `No spec sheet names a part ${number}.`,
        'a part number of a sheet',
      );
    if (supplier && !suppliers.has(supplier))
      throw invalidField(
        `parts.${i}.supplier`,
        `There is no supplier ${supplier}.`,
        'a supplier of the list',
      );
  });
  await db.transaction(async (transaction) => {
    for (const { number, price, supplier } of parts) {
      const change = {
        ...(price === undefined ? {} : { price }),
        ...(supplier === undefined ? {} : { supplier }),
        ...{ by: person.name, at: now },
      };
      const [there, made] = await PriceRow.findOrCreate({
        where: { number },
        defaults: { number, price: null, ...change },
        transaction,
      });
      if (!made) await there.update(change, { transaction });
    }
    if (parts.some((p) => p.price !== undefined)) await machinesChanged(db, 'all', transaction);
    if (parts.some((p) => p.supplier !== undefined)) await planMoved(db, 'all', transaction);
  });
  return { changed: parts.length };
}

/**
 * Writes the list of suppliers anew. Parts of one that is gone have none any more.
 * @throws Conflict when somebody else has written it since
 */
export async function keepSuppliers(
  db: Database,
  { suppliers, version }: SupplierChange,
): Promise<SupplierChange> {
  return db.transaction(async (transaction) => {
    await holdLock(db.sequelize, 'suppliers', transaction);
    if ((await versionNow()) !== version)
      throw new Conflict(
        'Written meanwhile',
        'Somebody else has changed the suppliers since you opened them. Load them again and look.',
        [{ field: 'version', message: 'wanted the one that is there now' }],
      );
    await SupplierRow.destroy({ where: {}, transaction });
    await SupplierRow.bulkCreate(
      suppliers.map((s) => ({ ...s })),
      { transaction },
    );
    await db.sequelize.query(
      'UPDATE part_prices SET supplier = NULL WHERE supplier NOT IN (SELECT name FROM suppliers)',
      { transaction },
    );
    await SettingRow.upsert({ key: VERSION, value: String(version + 1) }, { transaction });
    await planMoved(db, 'all', transaction);
    return { suppliers, version: version + 1 };
  });
}
