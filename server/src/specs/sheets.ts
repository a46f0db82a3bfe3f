import { isDeepStrictEqual } from 'node:util';
import { Op } from 'sequelize';
import {
  SpecSheet,
  type SheetDraft,
  type SpecDetail,
  type SpecRevision,
  type SpecSummary,
} from '@green-tally/core/contracts';
import { DraftRow, factsChanged, sheetOf, SheetRow, type Database } from '../db';
import { notFound, ProblemError } from '../http/problem';

/** Stores a sheet as an immutable revision. The same again is no change; the same number with other content, or a number that is not the next, is refused. */
export async function storeSheet(
  db: Database,
  sheet: SpecSheet,
  by: string,
  at: Date,
): Promise<'stored' | 'there'> {
  const there = await SheetRow.findOne({ where: { model: sheet.model, revision: sheet.revision } });
  if (there) {
    if (isDeepStrictEqual(sheetOf(there), sheet)) return 'there';
    throw new ProblemError(
      409,
      'Revision taken',
      `${sheet.model} revision ${sheet.revision} is there with other content. Give the changed sheet the next number.`,
      [{ field: 'revision', message: 'wanted a revision not used yet' }],
    );
  }
  const latest = await SheetRow.max<number | null, SheetRow>('revision', {
    where: { model: sheet.model },
  });
  if (latest !== null && sheet.revision < latest)
    throw new ProblemError(
      409,
      'Revision too old',
      `${sheet.model} is at revision ${latest}. Give the sheet a higher number.`,
      [{ field: 'revision', message: `wanted ${latest + 1}` }],
    );
  await db.sequelize.transaction(async (transaction) => {
    await SheetRow.create(
      {
        model: sheet.model,
        revision: sheet.revision,
        document: sheet,
        publishedBy: by,
        publishedAt: at,
      },
      { transaction },
    );
    await factsChanged(db, transaction);
  });
  return 'stored';
}

/** A page of something: what is on it, and the cursor of the next. */
export interface Page<T> {
  readonly items: readonly T[];
  readonly next: string | null;
}

/** Models with their newest sheet, by name, after the cursor. */
export async function listSpecs(after: string, limit: number): Promise<Page<SpecSummary>> {
  const { sequelize } = SheetRow;
  if (!sequelize) throw new Error('the database is not open');
  const [rows] = await sequelize.query(
    `SELECT DISTINCT ON (s.model) s.model, s.revision, s.document->>'maker' AS maker, s.document->>'machine' AS machine, s.document->>'remark' AS remark, jsonb_array_length(s.document->'checks') AS checks,
       s.published_by AS "publishedBy", s.published_at AS "publishedAt", d.by AS "draftBy", d.updated_at AS "draftAt"
     FROM spec_sheets s LEFT JOIN sheet_drafts d USING (model) WHERE s.model > :after ORDER BY s.model, s.revision DESC LIMIT :limit`,
    { replacements: { after, limit: limit + 1 } },
  );
  const found = rows as (Omit<SpecSummary, 'draft' | 'publishedAt'> & {
    publishedAt: Date;
    draftBy: string | null;
    draftAt: Date | null;
  })[];
  const items = found
    .slice(0, limit)
    .map(({ draftBy, draftAt, publishedAt, ...row }) => ({
      ...row,
      publishedAt: publishedAt.toISOString(),
      draft: draftBy && draftAt ? { by: draftBy, updatedAt: draftAt.toISOString() } : null,
    }));
  return { items, next: found.length > limit ? (items.at(-1)?.model ?? null) : null };
}

/** Above any revision: the cursor of the first page. */
export const MOST_REVISIONS = 2_147_483_647;

/** Revisions of a model, newest first, below the cursor. */
export async function listRevisions(
  model: string,
  below: number,
  limit: number,
): Promise<Page<SpecRevision>> {
  const rows = await SheetRow.findAll({
    where: { model, revision: { [Op.lt]: below } },
    order: [['revision', 'DESC']],
    limit: limit + 1,
  });
  if (!rows.length && below === MOST_REVISIONS) throw notFound('spec sheet');
  const items = rows
    .slice(0, limit)
    .map((r) => ({
      model: r.model,
      revision: r.revision,
      remark: r.document.remark,
      publishedBy: r.publishedBy,
      publishedAt: r.publishedAt.toISOString(),
      checks: r.document.checks.length,
    }));
  return { items, next: rows.length > limit ? String(items.at(-1)?.revision) : null };
}

/** One revision, the newest unless said, with the one before it to compare. */
export async function specDetail(model: string, revision?: number): Promise<SpecDetail> {
  const rows = await SheetRow.findAll({
    where: { model, ...(revision === undefined ? {} : { revision: { [Op.lte]: revision } }) },
    order: [['revision', 'DESC']],
    limit: 2,
  });
  const [row, previous] = rows;
  if (!row || (revision !== undefined && row.revision !== revision))
    throw notFound(revision === undefined ? 'spec sheet' : 'revision of this sheet');
  const latest = await SheetRow.max<number, SheetRow>('revision', { where: { model } });
  return {
    sheet: sheetOf(row),
    publishedBy: row.publishedBy,
    publishedAt: row.publishedAt.toISOString(),
    latest,
    previous: previous ? sheetOf(previous) : null,
  };
}

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

/** Keeps a draft. Somebody else's newer save is never overwritten: the second is told who and when. */
export async function saveDraft(
  db: Database,
  model: string,
  save: { basedOn: number; sheet: SpecSheet; version: number },
  by: string,
  at: Date,
): Promise<SheetDraft> {
  if (save.sheet.model !== model)
    throw new ProblemError(
      400,
      'Another model',
      `This is the draft of ${model}, the sheet says ${save.sheet.model}.`,
      [{ field: 'sheet.model', message: `wanted ${model}` }],
    );
  return db.sequelize.transaction(async (transaction) => {
    const there = await DraftRow.findByPk(model, { transaction, lock: transaction.LOCK.UPDATE });
    if ((there?.version ?? 0) !== save.version) throw overtaken(there);
    const row = {
      basedOn: save.basedOn,
      document: save.sheet,
      version: save.version + 1,
      by,
      updatedAt: at,
    };
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

function overtaken(there: DraftRow | null): ProblemError {
  return there
    ? new ProblemError(
        409,
        'Somebody else changed this draft',
        `${there.by} saved it meanwhile. What you typed is still here; load their draft and put your changes on top.`,
        [{ field: 'version', message: `wanted ${there.version}` }],
      )
    : new ProblemError(
        409,
        'The draft is gone',
        'It was published or dropped meanwhile. What you typed is still here; begin a new draft from the newest revision.',
        [{ field: 'version', message: 'wanted 0' }],
      );
}

/** Publishes the draft as the next revision, with a remark. */
export async function publishDraft(
  db: Database,
  model: string,
  version: number,
  remark: string,
  by: string,
  at: Date,
): Promise<SpecSheet> {
  return db.sequelize.transaction(async (transaction) => {
    const draft = await DraftRow.findByPk(model, { transaction, lock: transaction.LOCK.UPDATE });
    if (draft?.version !== version) throw overtaken(draft);
    const latest =
      (await SheetRow.max<number | null, SheetRow>('revision', {
        where: { model },
        transaction,
      })) ?? 0;
    if (latest !== draft.basedOn)
      throw new ProblemError(
        409,
        'A newer revision is there',
        `This draft began from revision ${draft.basedOn}; revision ${latest} was published meanwhile. Compare the two, then save the draft on the newer one.`,
        [{ field: 'basedOn', message: `wanted ${latest}` }],
      );
    const sheet = SpecSheet.parse({ ...draft.document, revision: latest + 1, remark });
    await SheetRow.create(
      { model, revision: sheet.revision, document: sheet, publishedBy: by, publishedAt: at },
      { transaction },
    );
    await draft.destroy({ transaction });
    await factsChanged(db, transaction);
    return sheet;
  });
}
