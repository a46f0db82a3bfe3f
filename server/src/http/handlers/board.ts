import { plansDiffer, plansOf, publish, type Publisher } from '../../board/publish';
import { boardPage, type OfBranch } from '../../board/page';
import { searchOf, startSearch, stopSearch } from '../../board/search';
import { dropVisit, noteVisit, planVisit } from '../../board/visits';
import { crewPage, keepFarms, keepHours, keepSetting } from '../../crew/crew';
import { breakdownsOf, forecastPage, keepBreakdown } from '../../insight/insight';
import { moveHarvests } from '../../machines/harvests';
import { ownBranch } from '../../people/people';
import { machineToSee } from '../../people/sight';
import { planCsv, planFile } from '../../plan/calendar';
import { feedFile, listFeeds, makeFeed, revokeFeed } from '../../plan/feeds';
import { visitPage } from '../../plan/listVisits';
import type { Handlers } from '../mount';
import { lookingAt, type Setting } from '../setting';

/** Visits, the board, what a branch plans by, and calendars. */
export function boardHandlers(setting: Setting) {
  const { db, clock, sessionSecret: secret } = setting;
  const at = (person: Publisher['person']): OfBranch => ({
    ...lookingAt(setting, person.branch),
    branch: person.branch,
  });
  const by = (person: Publisher['person']): Publisher => ({ person, now: clock.now() });
  const whole = (person: Publisher['person']) => {
    const { branch } = ownBranch(person);
    return { branch, of: branch ?? 'all branches' };
  };
  return {
    'GET /visits': ({ query, person }) => visitPage({ ...query, ...ownBranch(person) }),
    'PUT /visits/{id}': ({ params, body, person }) =>
      planVisit(lookingAt(setting, undefined), { ...body, id: params.id }, by(person)),
    'DELETE /visits/{id}': ({ params, person }) =>
      dropVisit(lookingAt(setting, undefined), params.id, by(person)),
    'POST /visits/{id}/note': ({ params, body, person }) => noteVisit(db, params.id, body, person),
    'GET /plan.ics': ({ person }) => ({
      stream: planFile(whole(person), clock.now()),
      filename: 'green-tally-plan.ics',
    }),
    'GET /plan.csv': ({ person }) => ({
      stream: planCsv(whole(person)),
      filename: 'green-tally-plan.csv',
    }),
    'GET /crew': ({ person }) => crewPage(person.branch),
    'PUT /crew/setting': ({ body, person }) => keepSetting(db, body, by(person)),
    'PUT /crew/technicians/{id}': ({ params, body, person }) =>
      keepHours(db, { ...body, personId: params.id }, person),
    'PUT /crew/farms': async ({ body, person }) => ({
      changed: await keepFarms(db, body.farms, person),
    }),
    'POST /harvests/move': async ({ body, person }) => ({
      machines: await moveHarvests(db, body, { person, today: clock.today() }),
    }),
    'GET /board': ({ person }) => boardPage(at(person)),
    'POST /board/publish': ({ body, person }) => publish(at(person), body, by(person)),
    'GET /board/plans': async ({ query, person }) => ({
      plans: await plansOf(person.branch, query.before),
    }),
    'GET /board/plans/differences': async ({ query, person }) => ({
      visits: await plansDiffer(person.branch, query.from, query.to),
    }),
    'POST /board/searches': ({ body, person }) => startSearch(at(person), body, by(person)),
    'GET /board/searches/{id}': ({ params, person }) => searchOf(params.id, person),
    'POST /board/searches/{id}/stop': ({ params, person }) => stopSearch(db, params.id, person),
    'POST /breakdowns': ({ body, person }) => keepBreakdown(db, body, by(person)),
    'GET /machines/{id}/breakdowns': async ({ params, person }) => {
      await machineToSee(params.id, person);
      return { breakdowns: await breakdownsOf(params.id) };
    },
    'GET /forecasts': ({ person }) => forecastPage(db, ownBranch(person).branch),
    'GET /feeds': async ({ person }) => ({ feeds: await listFeeds({ person, secret }) }),
    'POST /feeds': ({ body, person }) => makeFeed({ person, secret }, body.personId, clock.now()),
    'DELETE /feeds/{id}': ({ params, person }) =>
      revokeFeed({ person, secret }, params.id, clock.now()),
    'GET /feeds/{key}/visits.ics': async ({ params, res }) => {
      res.set('referrer-policy', 'no-referrer');
      return {
        stream: await feedFile(params.key, secret, clock.now()),
        filename: 'green-tally-visits.ics',
      };
    },
  } satisfies Partial<Handlers>;
}
