import { costsPage, keepCosts, keepPrices } from '../../costs/costs';
import { branchToSee } from '../../people/sight';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** What stopping and working cost, and part prices. */
export function costsHandlers({ db, clock }: Setting) {
  return {
    'GET /costs': async ({ query, person }) =>
      costsPage((await branchToSee(person, query.branch ?? person.branch)) ?? person.branch),
    'PUT /costs': ({ body, person }) => keepCosts(db, body, { person, now: clock.now() }),
    'PUT /prices': ({ body, person }) => keepPrices(db, body, { person, now: clock.now() }),
  } satisfies Partial<Handlers>;
}
