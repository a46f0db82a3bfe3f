import { z } from 'zod';
import { Feel } from './check';
import { Id, LongText, Moment, ShortText, Slug } from './common';
import { Tool } from './limits';

const millimetres = z.number().finite().nonnegative().max(50_000, 'a length below 50 m');

/** What one reading says. Lengths in mm, other quantities in the core's own unit; `typed` keeps what the person wrote. */
export const ReadingValue = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('measure'),
    values: z.array(z.number().finite().nonnegative().max(1_000_000)).min(1).max(10),
    typed: z.array(z.string().max(40)).max(10).default([]),
    unit: z.string().max(8).default('mm'),
  }),
  z.object({
    kind: z.literal('travel'),
    left: millimetres,
    linksOut: z.int().min(0).max(20).default(0),
    typed: z.string().max(40).default(''),
    unit: z.string().max(8).default('mm'),
  }),
  z.object({
    kind: z.literal('mark'),
    stands: z.enum(['short', 'at', 'past']),
    by: millimetres.default(0),
  }),
  z.object({ kind: z.literal('feel'), feel: Feel, play: z.boolean().optional() }),
  z.object({ kind: z.literal('gonogo'), fits: z.boolean() }),
  z.object({
    kind: z.literal('count'),
    missing: z.int().min(0).max(500),
    damaged: z.int().min(0).max(500),
    oneEdge: z.int().min(0).max(500),
    bothEdges: z.int().min(0).max(500),
  }),
  z.object({
    kind: z.literal('condition'),
    grade: z.enum(['sound', 'marked', 'damaged']),
    seen: z.array(ShortText).max(12).default([]),
    found: LongText.default(''),
  }),
  z.object({
    kind: z.literal('level'),
    level: z.enum(['low', 'right', 'high']),
    colour: z.string().trim().max(40).default(''),
  }),
  z.object({ kind: z.literal('setting'), option: ShortText }),
  z.object({
    kind: z.literal('service'),
    amount: z.number().finite().nonnegative().max(10_000).nullable().default(null),
    product: z.string().trim().max(120).default('').describe('empty: as the sheet says'),
  }),
  z.object({
    kind: z.literal('look'),
    seen: z.enum(['fine', 'damaged']),
    found: LongText.default(''),
  }),
  z.object({ kind: z.literal('skip'), why: ShortText }),
]);
export type ReadingValue = z.infer<typeof ReadingValue>;
export type ReadingKind = ReadingValue['kind'];

/** One reading of one place in one state. Facts are append-only: a correction is a new reading that `strikes` the old one. */
export const Reading = z.object({
  id: Id,
  machineId: Id,
  walkId: Id.nullable().default(null),
  checkId: Slug,
  sheet: z.object({ model: ShortText, revision: z.int().min(1) }),
  place: ShortText,
  state: z.enum(['asFound', 'asLeft']),
  value: ReadingValue,
  renewed: z.boolean().default(false).describe('as left with a new part: a new life starts here'),
  settled: z.boolean().default(false).describe('as left after running and looking again'),
  positionConfirmed: z.boolean(),
  tool: Tool.nullable().default(null),
  takenAt: Moment,
  hours: z.number().finite().nonnegative().max(100_000).describe('separator hours'),
  by: ShortText,
  note: LongText.default(''),
  strikes: Id.nullable().default(null),
});
export type Reading = z.infer<typeof Reading>;

export const ReadingBatch = z.object({ readings: z.array(Reading).min(1).max(1000) });

/** Answer for each reading of a batch, in the order sent. */
export const BatchAnswer = z.object({
  results: z.array(
    z.object({
      id: z.string(),
      result: z.enum(['accepted', 'duplicate', 'rejected']),
      errors: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
    }),
  ),
});
export type BatchAnswer = z.infer<typeof BatchAnswer>;

/** One inspection of a machine. */
export const Walk = z.object({
  id: Id,
  machineId: Id,
  startedAt: Moment,
  finishedAt: Moment.nullable().default(null),
  madeSafeAt: Moment.nullable().default(null),
  hours: z.number().finite().nonnegative().max(100_000),
  by: ShortText,
  noticed: LongText.default(''),
});
export type Walk = z.infer<typeof Walk>;

/** Row-by-row report of a CSV import. `row` is the line in the file, the header being 1. */
export const ImportReport = z.object({
  mode: z.enum(['all', 'valid']),
  stored: z.boolean(),
  rows: z.int(),
  accepted: z.int(),
  duplicate: z.int(),
  rejected: z.int(),
  columnsMissing: z.array(z.string()),
  lines: z.array(
    z.object({
      row: z.int(),
      result: z.enum(['accepted', 'duplicate', 'rejected']),
      machine: z.string(),
      check: z.string(),
      errors: z.array(z.object({ field: z.string(), message: z.string() })).default([]),
    }),
  ),
  linesLeftOut: z.int().default(0),
});
export type ImportReport = z.infer<typeof ImportReport>;
