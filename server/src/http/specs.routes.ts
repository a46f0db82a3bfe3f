import { createHash } from 'node:crypto';
import express, { Router, type Request } from 'express';
import { z } from 'zod';
import {
  DraftPublish,
  DraftSave,
  SpecSheet,
  type RejudgeAnswer,
  type SheetImport,
} from '@green-tally/core/contracts';
import { standingOf } from '@green-tally/core/plan';
import {
  diffSheets,
  nothingChanged,
  printSheet,
  rejudge,
  sheetJsonSchema,
} from '@green-tally/core/sheets';
import { checksFor } from '@green-tally/core/walk';
import {
  currentSheets,
  DraftRow,
  factsChanged,
  machineFiles,
  machineWithSheets,
  MachineRow,
} from '../db';
import { readSheet } from '../specs/readSheet';
import {
  draftOf,
  listRevisions,
  listSpecs,
  MOST_REVISIONS,
  publishDraft,
  saveDraft,
  specDetail,
  storeSheet,
} from '../specs/sheets';
import { machineToChange } from '../work/work';
import type { Setting } from './app';
import { notFound, ProblemError } from './problem';
import { allow, personOf } from './session';
import { idOf } from './yard.routes';

const Paging = z.object({
  cursor: z.string().max(120).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
const Revision = z.coerce.number('a revision number').int().min(1).optional();
const modelOf = (req: Request): string => String(req.params['model'] ?? '');
/** A tag of its own for what never changes: Express would hash the whole body anew. */
const tag = (...parts: readonly unknown[]): string =>
  `"${createHash('sha256').update(parts.join('|')).digest('base64url').slice(0, 22)}"`;

/** Spec sheets: revisions, drafts, files in and out, and judging readings anew. */
export function specRoutes({ db, clock }: Setting): Router {
  const routes = Router();
  const file = express.text({ type: () => true, limit: '20mb' });
  const json = express.json({ limit: '20mb' });

  routes.get(
    '/specs/schema.json',
    allow('look'),
    (_req, res) =>
      void res.type('application/schema+json').send(JSON.stringify(sheetJsonSchema(), null, 2)),
  );
  routes.get(
    '/specs',
    allow('look'),
    async (_req, res) => void res.json({ sheets: await currentSheets() }),
  );
  routes.get('/spec-models', allow('look'), async (req, res) => {
    const { cursor, limit } = Paging.parse(req.query);
    res.json(await listSpecs(cursor ?? '', limit));
  });
  routes.get('/specs/:model', allow('look'), async (req, res) => {
    const detail = await specDetail(modelOf(req), Revision.parse(req.query['revision']));
    res
      .set('etag', tag(detail.sheet.model, detail.sheet.revision, detail.latest))
      .set('cache-control', 'private, no-cache');
    if (req.fresh) return void res.status(304).end();
    res.json(detail);
  });
  routes.get('/specs/:model/revisions', allow('look'), async (req, res) => {
    const { cursor, limit } = Paging.parse(req.query);
    res.json(
      await listRevisions(
        modelOf(req),
        cursor === undefined ? MOST_REVISIONS : z.coerce.number('a cursor').parse(cursor),
        limit,
      ),
    );
  });
  routes.get('/specs/:model/checks', allow('look'), async (req, res) => {
    const { cursor, limit } = Paging.parse(req.query);
    const { sheet } = await specDetail(modelOf(req), Revision.parse(req.query['revision']));
    const from = cursor === undefined ? 0 : sheet.checks.findIndex((c) => c.id === cursor) + 1;
    if (cursor !== undefined && from === 0)
      throw new ProblemError(
        400,
        'No such place in the list',
        `"${cursor}" is no check of ${sheet.model} revision ${sheet.revision}.`,
        [{ field: 'cursor', message: 'wanted the cursor of the page before' }],
      );
    const items = sheet.checks.slice(from, from + limit);
    res.json({
      items,
      next: from + limit < sheet.checks.length ? (items.at(-1)?.id ?? null) : null,
    });
  });
  routes.get('/specs/:model/diff', allow('look'), async (req, res) => {
    const { from, to } = z
      .object({
        from: z.coerce.number('a revision').int().min(1),
        to: z.coerce.number('a revision').int().min(1),
      })
      .parse(req.query);
    const [before, after] = await Promise.all([
      specDetail(modelOf(req), from),
      specDetail(modelOf(req), to),
    ]);
    res.json(diffSheets(before.sheet, after.sheet));
  });
  routes.get('/specs/:model/file', allow('look'), async (req, res) => {
    const { sheet } = await specDetail(modelOf(req), Revision.parse(req.query['revision']));
    res
      .type('application/json')
      .set(
        'content-disposition',
        `attachment; filename="${sheet.model.toLowerCase().replace(/[^a-z0-9-]+/g, '-')}-${sheet.revision}.json"`,
      )
      .send(printSheet(sheet));
  });

  routes.post('/specs', allow('keepSheets'), json, async (req, res) => {
    const sheet = SpecSheet.parse(req.body);
    const result = await storeSheet(db, sheet, personOf(res).name, clock.now());
    res
      .status(result === 'stored' ? 201 : 200)
      .json({ model: sheet.model, revision: sheet.revision, result });
  });
  routes.post('/specs/import', allow('keepSheets'), file, async (req, res) => {
    const { preview } = z.object({ preview: z.enum(['yes', 'no']).default('no') }).parse(req.query);
    const read = readSheet(typeof req.body === 'string' ? req.body : '');
    if (!read.sheet)
      return void res.json({
        model: read.model,
        revision: 0,
        latest: 0,
        stored: false,
        same: false,
        checks: 0,
        changes: null,
        errors: read.troubles,
      } satisfies SheetImport);
    const { sheet } = read;
    const before = (await currentSheets()).find((s) => s.model === sheet.model);
    const changes = diffSheets(before, sheet);
    const same =
      before !== undefined &&
      before.revision === sheet.revision &&
      before.remark === sheet.remark &&
      nothingChanged(changes);
    const stored =
      preview === 'no' &&
      (await storeSheet(db, sheet, personOf(res).name, clock.now())) === 'stored';
    res.json({
      model: sheet.model,
      revision: sheet.revision,
      latest: before?.revision ?? 0,
      stored,
      same,
      checks: sheet.checks.length,
      changes: {
        ...changes,
        changed: changes.changed.map((c) => ({ ...c, fields: [...c.fields] })),
        added: [...changes.added],
        removed: [...changes.removed],
        sheet: [...changes.sheet],
      },
      errors: [],
    } satisfies SheetImport);
  });

  routes.get(
    '/specs/:model/draft',
    allow('keepSheets'),
    async (req, res) => void res.json({ draft: await draftOf(modelOf(req)) }),
  );
  routes.put('/specs/:model/draft', allow('keepSheets'), json, async (req, res) => {
    await specDetail(modelOf(req));
    res.json(
      await saveDraft(db, modelOf(req), DraftSave.parse(req.body), personOf(res).name, clock.now()),
    );
  });
  routes.delete('/specs/:model/draft', allow('keepSheets'), async (req, res) => {
    await DraftRow.destroy({ where: { model: modelOf(req) } });
    res.status(204).end();
  });
  routes.post('/specs/:model/publish', allow('keepSheets'), json, async (req, res) => {
    const { version, remark } = DraftPublish.parse(req.body);
    const sheet = await publishDraft(
      db,
      modelOf(req),
      version,
      remark,
      personOf(res).name,
      clock.now(),
    );
    res.status(201).json({ model: sheet.model, revision: sheet.revision, result: 'stored' });
  });

  routes.get('/machines/:id/checks', allow('look'), async (req, res) => {
    const { cursor, limit } = Paging.parse(req.query);
    const found = await machineWithSheets(idOf(req.params['id'], 'machine'));
    if (!found) throw notFound('machine');
    const checks = checksFor(found.machine, found.sheets);
    const from = cursor === undefined ? 0 : checks.findIndex((c) => c.id === cursor) + 1;
    const items = checks.slice(from, from + limit);
    res.json({ items, next: from + limit < checks.length ? (items.at(-1)?.id ?? null) : null });
  });

  /** What judging under another revision would change; POST makes it so. */
  const judged = async (id: string, query: unknown): Promise<RejudgeAnswer> => {
    const { model, revision } = z
      .object({ model: z.string().min(1), revision: z.coerce.number('a revision').int().min(1) })
      .parse(query);
    const [machineFile] = await machineFiles({ id });
    if (!machineFile) throw notFound('machine');
    if (!machineFile.sheets.some((s) => s.model === model))
      throw new ProblemError(
        400,
        'Another model',
        `${machineFile.machine.serial} has no sheet of ${model}.`,
        [
          {
            field: 'model',
            message: `wanted ${machineFile.sheets.map((s) => s.model).join(' or ')}`,
          },
        ],
      );
    const { sheet } = await specDetail(model, revision);
    const today = clock.today();
    const standing = standingOf(machineFile, today);
    const judgeable = machineFile.readings;
    return {
      model,
      revision,
      today,
      adopted: false,
      changes: rejudge(
        machineFile.machine,
        standing.verdicts,
        judgeable,
        machineFile.sheets,
        sheet,
        standing.facts,
      ),
    };
  };
  routes.get(
    '/machines/:id/rejudge',
    allow('look'),
    async (req, res) => void res.json(await judged(idOf(req.params['id'], 'machine'), req.query)),
  );
  routes.post('/machines/:id/rejudge', allow('keepSheets'), json, async (req, res) => {
    const row = await machineToChange(idOf(req.params['id'], 'machine'), personOf(res));
    const answer = await judged(row.id, req.body);
    await db.sequelize.transaction(async (transaction) => {
      await MachineRow.update(
        { rejudged: { ...(row.rejudged ?? {}), [answer.model]: answer.revision } },
        { where: { id: row.id }, transaction },
      );
      await factsChanged(db, transaction);
    });
    res.json({ ...answer, adopted: true });
  });
  return routes;
}
