import { SpecSheet, type DraftSave, type SheetDraft } from '@green-tally/core/contracts';
import type { z } from 'zod';
import { DraftRow, machinesChanged, sheetOf, SheetRow, type Database } from '../db';
import { Conflict, Invalid } from '../errors';
import { refuseLostBuilds } from './builds';
import { specDetail, type Doing } from './revisions';

const toDraft = (row: DraftRow): SheetDraft => ({
  model: row.model,
  basedOn: row.basedOn,
  sheet: SpecSheet.parse(row.document),
  version: row.version,
  by: row.by,
  updatedAt: row.updatedAt.toISOString(),
});

/** The draft of a model, if one is open. */
export async function draftOf(model: string): Promise<SheetDraft | null> {
  const row = await DraftRow.findByPk(model);
  return row && toDraft(row);
}

/**
 * Keeps a draft. Somebody else's newer save is never overwritten.
 * @throws NotFound when there is no such model; Conflict that tells who was faster
 */
export async function saveDraft(
  db: Database,
  model: string,
  save: z.output<typeof DraftSave>,
  { by, at }: Doing,
): Promise<SheetDraft> {
  await specDetail(model);
  if (save.sheet.model !== model)
    throw new Invalid(
      'Another model',
      `This is the draft of ${model}, the sheet says ${save.sheet.model}.`,
      [{ field: 'sheet.model', message: `wanted ${model}` }],
    );
  return db.transaction(async (transaction) => {
    const there = await DraftRow.findByPk(model, { transaction, lock: transaction.LOCK.UPDATE });
    if ((there?.version ?? 0) !== save.version) throw overtaken(there);
    const { basedOn, sheet: document } = save;
    const row = { basedOn, document, version: save.version + 1, by, updatedAt: at };
    if (there) return toDraft(await there.update(row, { transaction }));
    const [made, created] = await DraftRow.findOrCreate({
      where: { model },
      defaults: { model, ...row },
      transaction,
    });
    if (!created) throw overtaken(made);
    return toDraft(made);
  });
}

/** Drops the draft of a model; none there is as good. */
export async function dropDraft(model: string): Promise<void> {
  await DraftRow.destroy({ where: { model } });
}

function overtaken(there: DraftRow | null): Conflict {
  return there
    ? new Conflict(
        'Somebody else changed this draft',
        `${there.by} saved it meanwhile. What you typed is still here; load their draft and put your changes on top.`,
        [{ field: 'version', message: `wanted ${there.version}` }],
      )
    : new Conflict(
        'The draft is gone',
        'It was published or dropped meanwhile. What you typed is still here; begin a new draft from the newest revision.',
        [{ field: 'version', message: 'wanted 0' }],
      );
}

/** A draft as its publisher saw it, and why it is published. */
export interface Publishing extends Doing {
  readonly version: number;
  readonly remark: string;
}

/** Publishes the draft as the next revision. @throws Conflict when somebody was faster */
export async function publishDraft(
  db: Database,
  model: string,
  { version, remark, by, at }: Publishing,
): Promise<SpecSheet> {
  return db.transaction(async (transaction) => {
    const draft = await DraftRow.findByPk(model, { transaction, lock: transaction.LOCK.UPDATE });
    if (draft?.version !== version) throw overtaken(draft);
    const where = { model };
    const newest = await SheetRow.max<number | null, SheetRow>('revision', { where, transaction });
    const latest = newest ?? 0;
    if (latest !== draft.basedOn)
      throw new Conflict(
        'A newer revision is there',
        `This draft began from revision ${draft.basedOn}; revision ${latest} was published meanwhile. Compare the two, then save the draft on the newer one.`,
        [{ field: 'basedOn', message: `wanted ${latest}` }],
      );
    const sheet = SpecSheet.parse({ ...draft.document, revision: latest + 1, remark });
    const inForce = await SheetRow.findOne({ where: { model, revision: latest }, transaction });
    if (inForce) await refuseLostBuilds(sheetOf(inForce), sheet, transaction);
    await SheetRow.create(
      { model, revision: sheet.revision, document: sheet, publishedBy: by, publishedAt: at },
      { transaction },
    );
    await draft.destroy({ transaction });
    await machinesChanged(db, { model }, transaction);
    return sheet;
  });
}
