import { isDeepStrictEqual } from 'node:util';
import { Op, QueryTypes } from 'sequelize';
import type { SpecDetail, SpecRevision, SpecSheet, SpecSummary } from '@green-tally/core/contracts';
import { limitProgress, limitRows } from '@green-tally/core/figures';
import { connection, holdLock, machinesChanged, sheetOf, SheetRow, type Database } from '../db';
import { Conflict, NotFound } from '../errors';
import { refuseLostBuilds } from './builds';
import { pageOfRows, unknownCursor, type Page, type PageAsked } from '../paging';

/** Who does something, and when. */
export interface Doing {
  readonly by: string;
  readonly at: Date;
}

/**
 * Stores a sheet as an immutable revision. The same again is no change.
 * @throws Conflict when the number is there with other content, or lies below the newest
 */
export async function storeSheet(
  db: Database,
  sheet: SpecSheet,
  { by, at }: Doing,
): Promise<'stored' | 'there'> {
  const { model, revision } = sheet;
  return db.transaction(async (transaction) => {
    // of two who store one model at once the second finds what the first has stored
    await holdLock(db.sequelize, 'revisions', transaction, model);
    const there = await SheetRow.findOne({ where: { model, revision }, transaction });
    if (there) {
      if (isDeepStrictEqual(sheetOf(there), sheet)) return 'there';
      throw new Conflict(
        'Revision taken',
        `${model} revision ${revision} is there with other content. Give the changed sheet the next number.`,
        [{ field: 'revision', message: 'wanted a revision not used yet' }],
      );
    }
    const latest = await SheetRow.max<number | null, SheetRow>('revision', {
      where: { model },
      transaction,
    });
    if (latest !== null && revision < latest)
      throw new Conflict(
        'Revision too old',
        `${model} is at revision ${latest}. Give the sheet a higher number.`,
        [{ field: 'revision', message: `wanted ${latest + 1}` }],
      );
    const inForce =
      latest === null
        ? null
        : await SheetRow.findOne({ where: { model, revision: latest }, transaction });
    if (inForce) await refuseLostBuilds(sheetOf(inForce), sheet, transaction);
    const row = { model, revision, document: sheet, publishedBy: by, publishedAt: at };
    await SheetRow.create(row, { transaction });
    await machinesChanged(db, { model }, transaction);
    return 'stored';
  });
}

type SummaryRow = Omit<SpecSummary, 'draft' | 'publishedAt' | 'figures'> & {
  publishedAt: Date;
  draftBy: string | null;
  draftAt: Date | null;
};

/** A revision never changes: its figures are counted once. */
const figuresCounted = new Map<string, SpecSummary['figures']>();

async function figuresOf({
  model,
  revision,
}: Pick<SpecSummary, 'model' | 'revision'>): Promise<SpecSummary['figures']> {
  const key = `${model}|${revision}`;
  const known = figuresCounted.get(key);
  if (known) return known;
  const row = await SheetRow.findOne({ where: { model, revision } });
  const counted = limitProgress(row ? limitRows(sheetOf(row)) : []);
  figuresCounted.set(key, counted);
  return counted;
}

/** Models with their newest sheet, by name. @throws Invalid when the cursor is no model */
export async function listSpecs({ cursor, limit }: PageAsked): Promise<Page<SpecSummary>> {
  if (cursor !== undefined && !(await SheetRow.count({ where: { model: cursor } })))
    throw unknownCursor(cursor, 'models');
  const rows = await connection().query<SummaryRow>(
    `SELECT DISTINCT ON (s.model) s.model, s.revision,
       s.document->>'maker' AS maker, s.document->>'machine' AS machine,
       s.document->>'remark' AS remark, jsonb_array_length(s.document->'checks') AS checks,
       s.published_by AS "publishedBy", s.published_at AS "publishedAt",
       d.by AS "draftBy", d.updated_at AS "draftAt"
     FROM spec_sheets s LEFT JOIN sheet_drafts d USING (model)
     WHERE s.model > :after ORDER BY s.model, s.revision DESC LIMIT :limit`,
    { replacements: { after: cursor ?? '', limit: limit + 1 }, type: QueryTypes.SELECT },
  );
  const figures = await Promise.all(rows.map(figuresOf));
  const summaries = rows.map(({ draftBy, draftAt, publishedAt, ...row }, i) => ({
    ...row,
    figures: figures[i] ?? { entered: 0, all: 0 },
    publishedAt: publishedAt.toISOString(),
    draft: draftBy && draftAt ? { by: draftBy, updatedAt: draftAt.toISOString() } : null,
  }));
  return pageOfRows(summaries, limit, (s) => s.model);
}

/**
 * Revisions of a model, newest first.
 * @throws NotFound when there is no such model; Invalid when the cursor is no revision of it
 */
export async function listRevisions(
  model: string,
  { cursor, limit }: PageAsked,
): Promise<Page<SpecRevision>> {
  const below = cursor === undefined ? undefined : await revisionAt(model, cursor);
  const rows = await SheetRow.findAll({
    where: { model, ...(below === undefined ? {} : { revision: { [Op.lt]: below } }) },
    order: [['revision', 'DESC']],
    limit: limit + 1,
  });
  if (!rows.length && below === undefined) throw new NotFound('spec sheet');
  const revisions = rows.map((r) => ({
    model: r.model,
    revision: r.revision,
    remark: r.document.remark,
    publishedBy: r.publishedBy,
    publishedAt: r.publishedAt.toISOString(),
    checks: r.document.checks.length,
  }));
  return pageOfRows(revisions, limit, (r) => String(r.revision));
}

async function revisionAt(model: string, cursor: string): Promise<number> {
  const revision = /^[1-9]\d{0,8}$/.test(cursor) ? Number(cursor) : 0;
  if (!(await SheetRow.count({ where: { model, revision } })))
    throw unknownCursor(cursor, `revisions of ${model}`);
  return revision;
}

/** One revision, the newest unless said, with the one before it to compare. @throws NotFound */
export async function specDetail(model: string, revision?: number): Promise<SpecDetail> {
  const rows = await SheetRow.findAll({
    where: { model, ...(revision === undefined ? {} : { revision: { [Op.lte]: revision } }) },
    order: [['revision', 'DESC']],
    limit: 2,
  });
  const [row, previous] = rows;
  if (!row || (revision !== undefined && row.revision !== revision))
    throw new NotFound(revision === undefined ? 'spec sheet' : 'revision of this sheet');
  const latest = await SheetRow.max<number, SheetRow>('revision', { where: { model } });
  return {
    sheet: sheetOf(row),
    publishedBy: row.publishedBy,
    publishedAt: row.publishedAt.toISOString(),
    latest,
    previous: previous ? sheetOf(previous) : null,
  };
}
