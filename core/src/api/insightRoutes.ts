import { z } from 'zod';
import { ShortText, WalkKind } from '../contracts';
import { ClassPage, InsightOf, InsightPage, InsightTable, WalksPage } from '../contracts/insight';
import type { Route } from './route';

/** A kind of walk as it stands in a link; nothing where it was not said. */
const Kind = z.object({ kind: WalkKind.optional() });

/** Routes about what wears out where, and what it takes. */
export const INSIGHT_ROUTES = {
  'GET /insight': {
    summary:
      'What wears out where over the machines of the branch, how long it lives, what it takes',
    door: 'look',
    query: InsightOf,
    answer: InsightPage,
  },
  'GET /insight/classes/{key}': {
    summary: 'One component class: by groups, how long it lives, and every machine it is told from',
    door: 'look',
    of: 'component class',
    params: z.object({ key: ShortText }),
    query: InsightOf,
    answer: ClassPage,
  },
  'GET /insight/walks': {
    summary: 'Walks of a kind, those that found most in an hour first',
    door: 'look',
    query: InsightOf.extend(Kind.shape),
    answer: WalksPage,
  },
  'GET /insight.csv': {
    summary: 'The same as tables: classes, their groups, machines of a class, walks, forecasts',
    door: 'look',
    query: InsightOf.extend(Kind.shape).extend({
      what: InsightTable.default('classes'),
      key: ShortText.optional().describe('component class; all where nothing is said'),
    }),
    answer: 'text/csv',
  },
} as const satisfies Readonly<Record<string, Route>>;
