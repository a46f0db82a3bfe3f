import { z } from 'zod';
import { Decision } from './check';
import { Count, Day, Id, LongText, Moment, ShortText, Slug } from './common';
import { SpecSheet } from './sheet';

/** One model's sheet in a list. `draft`: who is changing it, when one is open. */
export const SpecSummary = z.object({
  model: z.string(),
  maker: z.string(),
  machine: z.enum(['combine', 'header']),
  revision: z.int(),
  checks: z.int(),
  remark: z.string(),
  figures: z
    .object({ entered: z.int(), all: z.int() })
    .describe('rows of figures that are entered, of how many'),
  publishedBy: z.string(),
  publishedAt: Moment,
  draft: z.object({ by: z.string(), updatedAt: Moment }).nullable(),
});
export type SpecSummary = z.infer<typeof SpecSummary>;
/** A page of a list; `next` is the cursor of the page after, null at the end. */
export const SpecPage = z.object({ items: z.array(SpecSummary), next: z.string().nullable() });
/** One revision of a model. */
export const SpecRevision = z.object({
  model: z.string(),
  revision: z.int(),
  remark: z.string(),
  publishedBy: z.string(),
  publishedAt: Moment,
  checks: z.int(),
});
export type SpecRevision = z.infer<typeof SpecRevision>;
export const RevisionPage = z.object({ items: z.array(SpecRevision), next: z.string().nullable() });
/** A sheet with who published it, and the newest revision there is. */
export const SpecDetail = z.object({
  sheet: SpecSheet,
  publishedBy: z.string(),
  publishedAt: Moment,
  latest: z.int(),
  previous: SpecSheet.nullable(),
});
export type SpecDetail = z.infer<typeof SpecDetail>;
/**
 * A sheet being changed: one for each model, kept until it is published or dropped. `version` is
 * the one seen when saving.
 */
export const SheetDraft = z.object({
  model: z.string(),
  basedOn: Count,
  sheet: SpecSheet,
  version: Count.min(1),
  by: z.string(),
  updatedAt: Moment,
});
export type SheetDraft = z.infer<typeof SheetDraft>;
export const DraftSave = z.object({
  basedOn: Count.min(1),
  sheet: SpecSheet,
  version: Count.min(0).describe('0 when none was there'),
});
export const DraftPublish = z.object({
  version: Count.min(1),
  remark: LongText.min(3, 'a remark: what was changed, and why'),
});

const Named = z.object({ id: z.string(), component: z.string() });
const Change = z.object({ field: z.string(), before: z.unknown(), after: z.unknown() });
/**
 * What is new, changed and removed from one sheet to another; `sheet`: fields of the sheet itself,
 * its number and remark left out.
 */
export const SheetChanges = z.object({
  added: z.array(Named),
  removed: z.array(Named),
  changed: z.array(Named.extend({ fields: z.array(Change) })),
  sheet: z.array(Change),
  reordered: z.boolean(),
});
export type SheetChanges = z.infer<typeof SheetChanges>;
/** What an import would do. Nothing is stored while there is one error. */
export const SheetImport = z.object({
  model: z.string(),
  revision: z.int(),
  latest: z.int(),
  stored: z.boolean(),
  same: z.boolean(),
  checks: z.int(),
  changes: SheetChanges.nullable(),
  errors: z.array(z.object({ line: z.int(), field: z.string(), message: z.string() })),
});
export type SheetImport = z.infer<typeof SheetImport>;

/** What judging a machine's readings under another revision would change. */
export const RejudgeAnswer = z.object({
  model: ShortText,
  revision: z.int(),
  today: Day,
  adopted: z.boolean(),
  changes: z.array(
    z.object({
      checkId: z.string(),
      component: z.string(),
      before: Decision.nullable(),
      after: Decision.nullable(),
      reasonBefore: z.string(),
      reasonAfter: z.string(),
    }),
  ),
});
export type RejudgeAnswer = z.infer<typeof RejudgeAnswer>;

/** Most that a page of the book may weigh, bytes. */
export const MOST_PAGE_BYTES = 10 * 1024 * 1024;

/**
 * A page of the maker's book, as the dealership has it: a picture or a PDF of its own, kept with the
 * sheet of a model.
 */
export const SheetPage = z.object({
  id: Id,
  model: ShortText,
  name: ShortText.describe('as the book names it: "page 112"'),
  checks: z.array(Slug).describe('checks it is about; empty: the whole sheet'),
  mime: z.enum(['application/pdf', 'image/png', 'image/jpeg']),
  bytes: z.int(),
  by: ShortText,
  at: Moment,
});
export type SheetPage = z.infer<typeof SheetPage>;
export const NewPage = SheetPage.pick({ name: true, checks: true }).extend({
  id: Id,
  data: z.base64('a file').max(Math.ceil(MOST_PAGE_BYTES / 3) * 4, 'a file of at most 10 MB'),
});
export const PageContent = SheetPage.extend({ data: z.base64() });
