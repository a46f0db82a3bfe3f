import { mayDo } from '@green-tally/core/rights';
import type { BookKind, Person } from '@green-tally/core/contracts';
import { bringIn } from '../../books/bringIn';
import { customerPage, headerPage, writeBook } from '../../books/lists';
import { Forbidden } from '../../errors';
import { ownBranch } from '../../people/people';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** People are kept by an admin alone. @throws Forbidden */
function refuseOthersPeople(kind: BookKind, person: Person): void {
  if (kind === 'people' && !mayDo(person.role, 'keepPeople'))
    throw new Forbidden('Not yours to do', 'An admin keeps the list of people.');
}

/** Lists of customers, machines, headers and people, in and out. */
export function bookHandlers({ db, readers, clock }: Setting) {
  return {
    'GET /customers': ({ query, person }) =>
      customerPage({ ...query, branch: ownBranch(person).branch }),
    'GET /headers': ({ query, person }) =>
      headerPage({ ...query, branch: ownBranch(person).branch }),
    'POST /books/{kind}/import': ({ params, query, body, person }) => {
      refuseOthersPeople(params.kind, person);
      return bringIn(db, params.kind, body, {
        ...{ person, preview: query.preview === 'yes', today: clock.today() },
        table: readers?.table,
      });
    },
    'GET /books/{kind}/file': async ({ params, person }) => {
      refuseOthersPeople(params.kind, person);
      return {
        text: await writeBook(params.kind, person),
        filename: `green-tally-${params.kind}.csv`,
      };
    },
  } satisfies Partial<Handlers>;
}
