import { ownBranch } from '../../people/people';
import { branchToSee } from '../../people/sight';
import { dueListOf } from '../../due/due';
import { dueCalendar, dueCsv } from '../../due/files';
import { keepTicks } from '../../ticks/ticks';
import { workListOf } from '../../yard/workList';
import { acceptWork, noteWorked, substitutePart, withdrawWork } from '../../work/work';
import type { Handlers } from '../mount';
import { lookingAt, type Setting } from '../setting';

/** Work items, what is said of them, and what is due. */
export function workHandlers(setting: Setting) {
  const { db, clock } = setting;
  return {
    'GET /work': ({ query, person }) =>
      workListOf(lookingAt(setting, ownBranch(person).branch), query),
    'POST /work': async ({ body, person }) => ({
      items: await acceptWork(db, body.items, person, clock.today()),
    }),
    'DELETE /work/{id}': ({ params, person }) => withdrawWork(db, params.id, person, clock.now()),
    'POST /work/{id}/worked': ({ params, body, person }) => noteWorked(db, params.id, body, person),
    'POST /work/{id}/substitute': ({ params, body, person }) =>
      substitutePart(db, params.id, body.number, person),
    'POST /ticks': async ({ body, person }) => ({ ticks: await keepTicks(db, body.ticks, person) }),
    'GET /due': async ({ query, person }) =>
      dueListOf(lookingAt(setting, await branchToSee(person, query.branch)), query),
    'GET /due.csv': ({ person }) => ({
      stream: dueCsv(lookingAt(setting, ownBranch(person).branch)),
      filename: 'green-tally-due.csv',
    }),
    'GET /due.ics': ({ person }) => ({
      stream: dueCalendar(lookingAt(setting, ownBranch(person).branch), clock.now()),
      filename: 'green-tally-due.ics',
    }),
  } satisfies Partial<Handlers>;
}
