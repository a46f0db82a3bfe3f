import { isDeepStrictEqual } from 'node:util';
import { SpecSheet } from '@green-tally/core/contracts';
import { factsChanged, SheetRow, type Database } from '../db';
import { ProblemError } from '../http/problem';

/** Stores a sheet as an immutable revision. The same again is no change; the same number with other content is refused. */
export async function storeSheet(db: Database, sheet: SpecSheet): Promise<'stored' | 'there'> {
  const there = await SheetRow.findOne({ where: { model: sheet.model, revision: sheet.revision } });
  if (there) {
    if (isDeepStrictEqual(SpecSheet.parse(there.document), sheet)) return 'there';
    throw new ProblemError(409, 'Revision taken', `${sheet.model} revision ${sheet.revision} is there with other content. Give the changed sheet the next number.`, [{ field: 'revision', message: 'wanted a revision not used yet' }]);
  }
  await db.sequelize.transaction(async (transaction) => {
    await SheetRow.create({ model: sheet.model, revision: sheet.revision, document: sheet }, { transaction });
    await factsChanged(db, transaction);
  });
  return 'stored';
}
