import { parseISO } from 'date-fns/parseISO';
import { z } from 'zod';
import { MeasureValue } from '../kinds/measure/contract';
import { TravelValue } from '../kinds/travel/contract';
import { MarkValue } from '../kinds/mark/contract';
import { FeelValue } from '../kinds/feel/contract';
import { GoNoGoValue } from '../kinds/gonogo/contract';
import { CountValue } from '../kinds/count/contract';
import { ConditionValue } from '../kinds/condition/contract';
import { LevelValue } from '../kinds/level/contract';
import { SettingValue } from '../kinds/setting/contract';
import { ServiceValue } from '../kinds/service/contract';
import { LookValue } from '../kinds/look/contract';
import { RenewalValue } from '../kinds/renewal/contract';
import { SkipValue } from '../kinds/skip/contract';
import { StrikeValue } from '../kinds/strike/contract';
import { Id, LongText, Moment, Problem, Revision, ShortText, Slug } from './common';
import { AsFound } from './positions';
import { ReadingTool } from './tool';

/** What one reading says. Lengths in mm, other quantities in the core's own unit. */
export const ReadingValue = z.discriminatedUnion('kind', [
  MeasureValue,
  TravelValue,
  MarkValue,
  FeelValue,
  GoNoGoValue,
  CountValue,
  ConditionValue,
  LevelValue,
  SettingValue,
  ServiceValue,
  LookValue,
  SkipValue,
  RenewalValue,
  StrikeValue,
]);
export type ReadingValue = z.infer<typeof ReadingValue>;
export type ReadingKind = ReadingValue['kind'];
export type ValueOf<K extends ReadingKind> = Extract<ReadingValue, { kind: K }>;

/**
 * One reading of one place in one state. Facts are append-only: a correction is a new reading that
 * `strikes` the old one.
 */
export const Reading = z.object({
  id: Id,
  machineId: Id,
  walkId: Id.nullable().default(null),
  checkId: Slug,
  sheet: z.object({ model: ShortText, revision: Revision }),
  place: ShortText,
  state: z.enum(['asFound', 'asLeft']),
  value: ReadingValue,
  renewed: z.boolean().default(false).describe('as left with a new part: a new life starts here'),
  repaired: z
    .boolean()
    .default(false)
    .describe('as left after turning or repairing: damage found before is put right'),
  settled: z.boolean().default(false).describe('as left after running and looking again'),
  positionConfirmed: z.boolean(),
  tool: ReadingTool.nullable().default(null),
  takenAt: Moment,
  hours: z.number().finite().nonnegative().max(100_000).describe('separator hours'),
  fit: z
    .object({ crop: ShortText, header: ShortText.nullable() })
    .nullable()
    .default(null)
    .describe('crop coming up and serial of the header on it when it was taken, where known'),
  by: ShortText,
  note: LongText.default(''),
  strikes: Id.nullable().default(null),
});
export type Reading = z.infer<typeof Reading>;

export const ReadingBatch = z.object({ readings: z.array(Reading).min(1).max(1000) });

/** A batch taken reading by reading: one that is none is refused alone, the rest are stored. */
export const LooseBatch = z.object({ readings: z.array(z.unknown()).min(1).max(1000) });

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

/** What a walk is for; it decides which checks belong to it. */
export const WalkKind = z.enum([
  'beforeHarvest',
  'afterHarvest',
  'winter',
  'storageIn',
  'storageOut',
  'daily',
  'changeover',
  'recheck',
  'symptom',
]);
export type WalkKind = z.infer<typeof WalkKind>;

/** No walk is planned for longer than a long day, minutes. */
export const LONGEST_WALK = 720;

/** What a walk is, before its times are held against each other. */
const WalkFields = z.object({
  id: Id,
  machineId: Id,
  startedAt: Moment,
  finishedAt: Moment.nullable().default(null),
  madeSafeAt: Moment.nullable().default(null),
  hours: z.number().finite().nonnegative().max(100_000),
  by: ShortText,
  noticed: LongText.default(''),
  asFound: AsFound.default({}).describe('settings as they were before the machine was moved'),
  checks: z
    .array(Slug)
    .min(1)
    .max(500)
    .nullable()
    .default(null)
    .describe('a short walk: these checks only; null: all of the machine'),
  kind: WalkKind.nullable().default(null).describe('what it is for; null: not said'),
  minutes: z
    .int()
    .min(1)
    .max(LONGEST_WALK)
    .nullable()
    .default(null)
    .describe('the time there was for it; null: as long as it takes'),
});
const inOrder = (w: { startedAt: string; finishedAt: string | null }): boolean =>
  w.finishedAt === null || parseISO(w.finishedAt) >= parseISO(w.startedAt);
const END = { path: ['finishedAt'], message: 'a time after it was begun' };

/** One inspection of a machine. */
export const Walk = WalkFields.refine(inOrder, END);
/** A walk as it is sent: its id stands in the path. */
export const WalkSent = WalkFields.omit({ id: true }).refine(inOrder, END);
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

/** An import under way or ended: a job of the server's, which goes on whoever looks at it. */
export const Import = z.object({
  id: Id,
  state: z.enum(['waiting', 'running', 'done', 'refused']),
  /** what it is at: reading the file, checking its rows, storing them */
  step: z.enum(['reading', 'checking', 'storing']),
  done: z.int().describe('rows done in this step'),
  rows: z.int().nullable().describe('rows of the file, once it is read'),
  report: ImportReport.nullable().describe('once it is done'),
  trouble: Problem.nullable().describe('why it was refused as a whole'),
});
export type Import = z.infer<typeof Import>;
