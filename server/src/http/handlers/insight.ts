import type { InsightOf } from '@green-tally/core/contracts/insight';
import { classFor, insightFor, tableFor, walksFor, type InsightAsked } from '../../insight/learnt';
import { ownBranch } from '../../people/people';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** What wears out where, and what it takes. */
export const insightHandlers = ({ db, readers }: Setting) => {
  const asked = (
    { model, crop, customer, branch }: InsightOf,
    person: Parameters<typeof ownBranch>[0],
  ): InsightAsked => ({
    ...{ db, make: readers?.insight, ...ownBranch(person) },
    of: { model, crop, customer, branch },
  });
  return {
    'GET /insight': ({ query, person }) => insightFor(asked(query, person)),
    'GET /insight/classes/{key}': ({ params, query, person }) =>
      classFor(asked(query, person), params.key),
    'GET /insight/walks': ({ query, person }) => walksFor(asked(query, person), query.kind ?? null),
    'GET /insight.csv': async ({ query, person }) => {
      const { what, key, kind = null } = query;
      return {
        text: await tableFor(asked(query, person), { what, key, kind }),
        filename: `green-tally-${what}.csv`,
      };
    },
  } satisfies Partial<Handlers>;
};
