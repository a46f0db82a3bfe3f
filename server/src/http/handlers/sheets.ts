import { createHash } from 'node:crypto';
import type { Person } from '@green-tally/core/contracts';
import { diffSheets, printSheet, sheetJsonSchema } from '@green-tally/core/sheets';
import { currentSheets, sheetsOf } from '../../db';
import { NotFound } from '../../errors';
import { pageOf } from '../../paging';
import { draftOf, dropDraft, publishDraft, saveDraft } from '../../specs/drafts';
import { importSheet } from '../../specs/importSheet';
import { dropPage, keepPage, listPages, pageContent } from '../../specs/pages';
import { listStarters, newSheet } from '../../specs/starters';
import {
  listRevisions,
  listSpecs,
  specDetail,
  storeSheet,
  type Doing,
} from '../../specs/revisions';
import { UNCHANGED, type Handlers } from '../mount';
import type { Setting } from '../setting';

/** A tag of its own for what never changes: Express would hash the whole body anew. */
const tag = (...parts: readonly unknown[]): string =>
  `"${createHash('sha256').update(parts.join('|')).digest('base64url').slice(0, 22)}"`;

const fileName = (model: string, revision: number): string =>
  `${model.toLowerCase().replace(/[^a-z0-9-]+/g, '-')}-${revision}.json`;

/** Spec sheets: revisions, drafts, files in and out. */
export function sheetHandlers({ db, clock, readers }: Setting) {
  const doing = (person: Person): Doing => ({ by: person.name, at: clock.now() });
  return {
    'GET /specs': async () => ({ sheets: await currentSheets() }),
    'POST /specs': async ({ body, person }) => ({
      model: body.model,
      revision: body.revision,
      result: await storeSheet(db, body, doing(person)),
    }),
    'POST /specs/import': ({ body, query, person }) =>
      importSheet(db, body, {
        ...doing(person),
        preview: query.preview === 'yes',
        read: readers?.sheet,
      }),
    'GET /starters': () => ({ starters: listStarters() }),
    'POST /spec-models': async ({ body, person }) => {
      const { model, revision } = await newSheet(db, body, doing(person));
      return { model, revision, result: 'stored' as const };
    },
    'GET /specs/schema.json': () => ({ text: JSON.stringify(sheetJsonSchema(), null, 2) }),
    'GET /spec-models': ({ query }) => listSpecs(query),
    'GET /specs/{model}': async ({ params, query, unchanged }) => {
      const detail = await specDetail(params.model, query.revision);
      const { model, revision } = detail.sheet;
      return unchanged(tag(model, revision, detail.latest)) ? UNCHANGED : detail;
    },
    'GET /specs/{model}/revisions/{revision}': async ({ params, unchanged }) => {
      const [sheet] = await sheetsOf([params]);
      if (!sheet) throw new NotFound('revision of this sheet');
      // a revision never changes; the phone keeps it, and asks only whether it may
      return unchanged(tag(sheet.model, sheet.revision)) ? UNCHANGED : sheet;
    },
    'GET /specs/{model}/revisions': ({ params, query }) => listRevisions(params.model, query),
    'GET /specs/{model}/checks': async ({ params, query }) => {
      const { sheet } = await specDetail(params.model, query.revision);
      const list = `checks of ${sheet.model} revision ${sheet.revision}`;
      return pageOf(sheet.checks, query, (c) => c.id, list);
    },
    'GET /specs/{model}/diff': async ({ params, query }) => {
      const [before, after] = await Promise.all([
        specDetail(params.model, query.from),
        specDetail(params.model, query.to),
      ]);
      return diffSheets(before.sheet, after.sheet);
    },
    'GET /specs/{model}/file': async ({ params, query }) => {
      const { sheet } = await specDetail(params.model, query.revision);
      return { text: printSheet(sheet), filename: fileName(sheet.model, sheet.revision) };
    },
    'GET /specs/{model}/pages': async ({ params }) => ({ pages: await listPages(params.model) }),
    'POST /specs/{model}/pages': ({ params, body, person }) =>
      keepPage(params.model, body, doing(person)),
    'GET /pages/{id}': ({ params }) => pageContent(params.id),
    'DELETE /pages/{id}': ({ params }) => dropPage(params.id),
    'GET /specs/{model}/draft': async ({ params }) => ({ draft: await draftOf(params.model) }),
    'PUT /specs/{model}/draft': ({ params, body, person }) =>
      saveDraft(db, params.model, body, doing(person)),
    'DELETE /specs/{model}/draft': ({ params }) => dropDraft(params.model),
    'POST /specs/{model}/publish': async ({ params, body, person }) => {
      const sheet = await publishDraft(db, params.model, { ...body, ...doing(person) });
      return { model: sheet.model, revision: sheet.revision, result: 'stored' as const };
    },
  } satisfies Partial<Handlers>;
}
