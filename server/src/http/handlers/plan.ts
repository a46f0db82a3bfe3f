import { ownBranch } from '../../people/people';
import { planCalendar } from '../../plan/calendar';
import { listVisits, workOfVisits } from '../../plan/listVisits';
import { dropVisit, planVisit } from '../../plan/visits';
import { dueCalendar, dueCsv, dueListOf } from '../../due/due';
import { keepTicks } from '../../ticks/ticks';
import { acceptWork, withdrawWork } from '../../work/work';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** Work items, visits and the plan as a calendar. */
export function planHandlers({ db, clock }: Setting) {
  return {
    'POST /work': async ({ body, person }) => ({
      items: await acceptWork(db, body.items, person, clock.today()),
    }),
    'DELETE /work/{id}': ({ params, person }) => withdrawWork(db, params.id, person, clock.now()),
    'POST /ticks': async ({ body, person }) => ({ ticks: await keepTicks(db, body.ticks, person) }),
    'GET /due': ({ query, person }) =>
      dueListOf(db, query.branch ?? ownBranch(person).branch, clock.today()),
    'GET /due.csv': async ({ person }) => ({
      text: dueCsv(await dueListOf(db, ownBranch(person).branch, clock.today())),
      filename: 'green-tally-due.csv',
    }),
    'GET /due.ics': async ({ person }) => ({
      text: dueCalendar(await dueListOf(db, ownBranch(person).branch, clock.today()), clock.now()),
      filename: 'green-tally-due.ics',
    }),
    'GET /visits': async ({ person }) => ({ visits: await listVisits(ownBranch(person)) }),
    'PUT /visits/{id}': ({ params, body, person }) =>
      planVisit(db, { ...body, id: params.id }, person, clock.today()),
    'DELETE /visits/{id}': ({ params, person }) => dropVisit(db, params.id, person),
    'GET /plan.ics': async ({ person }) => {
      const { branch = 'all branches' } = ownBranch(person);
      const visits = await listVisits(ownBranch(person));
      const shown = { visits, work: await workOfVisits(visits), of: branch };
      return { text: planCalendar(shown, clock.now()), filename: 'green-tally-plan.ics' };
    },
  } satisfies Partial<Handlers>;
}
