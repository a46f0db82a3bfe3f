import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { ROUTES, type RouteId } from '@green-tally/core/api';
import type { Role } from '@green-tally/core/contracts';
import { demoId } from '@green-tally/demo';
import {
  beltReading,
  firstWords,
  machineId,
  openPlace,
  signedIn,
  type Place,
} from '../testing/place';
import { splitId } from './mount';

/*
 * Who gets through which door, over the wire. The table is written out here once more, not taken from
 * the routes: one who opens a door has to say so twice.
 */
type Door = 'anybody' | 'signed in' | 'planner' | 'admin';
const DOORS: Readonly<Record<RouteId, Door>> = {
  'GET /openapi.json': 'anybody',
  'GET /strip.pdf': 'anybody',
  'GET /session': 'anybody',
  'POST /session': 'anybody',
  'DELETE /session': 'anybody',
  'POST /setup': 'anybody',
  'POST /session/password': 'signed in',
  'GET /sessions': 'signed in',
  'DELETE /sessions/{key}': 'signed in',
  'GET /staff': 'admin',
  'PATCH /people/{id}': 'admin',
  'DELETE /people/{id}': 'admin',
  'POST /people/{id}/password': 'admin',
  'DELETE /people/{id}/sessions': 'admin',
  'GET /audit': 'admin',
  'GET /access': 'signed in',
  'PUT /access': 'admin',
  'GET /people': 'signed in',
  'POST /people': 'admin',
  'GET /tools': 'signed in',
  'PUT /tools/{id}': 'signed in',
  'DELETE /tools/{id}': 'signed in',
  'GET /yard': 'signed in',
  'GET /machines/{id}': 'signed in',
  'GET /machines/{id}/changes': 'signed in',
  'GET /events': 'signed in',
  'POST /machines': 'planner',
  'PATCH /machines/{id}': 'planner',
  'GET /costs': 'signed in',
  'PUT /costs': 'planner',
  'PUT /prices': 'planner',
  'GET /catalogue': 'signed in',
  'PUT /parts': 'planner',
  'PUT /suppliers': 'planner',
  'GET /parts': 'signed in',
  'GET /parts.csv': 'signed in',
  'GET /catalogue.csv': 'signed in',
  'POST /catalogue/import': 'planner',
  'PUT /stock': 'signed in',
  'POST /stock/ask': 'signed in',
  'POST /orders': 'planner',
  'PUT /orders/{id}': 'signed in',
  'DELETE /orders/{id}': 'planner',
  'GET /visits/{id}/van': 'signed in',
  'GET /van': 'signed in',
  'GET /machines/{id}/checks': 'signed in',
  'GET /machines/{id}/rejudge': 'signed in',
  'POST /machines/{id}/rejudge': 'planner',
  'GET /customers': 'signed in',
  'GET /headers': 'signed in',
  'POST /books/{kind}/import': 'planner',
  'GET /books/{kind}/file': 'signed in',
  'GET /starters': 'signed in',
  'POST /spec-models': 'planner',
  'GET /specs': 'signed in',
  'POST /specs': 'planner',
  'POST /specs/import': 'planner',
  'GET /specs/schema.json': 'signed in',
  'GET /spec-models': 'signed in',
  'GET /specs/{model}': 'signed in',
  'GET /specs/{model}/revisions': 'signed in',
  'GET /specs/{model}/revisions/{revision}': 'signed in',
  'GET /specs/{model}/checks': 'signed in',
  'GET /specs/{model}/diff': 'signed in',
  'GET /specs/{model}/file': 'signed in',
  'GET /specs/{model}/pages': 'signed in',
  'POST /specs/{model}/pages': 'planner',
  'GET /pages/{id}': 'signed in',
  'DELETE /pages/{id}': 'planner',
  'GET /specs/{model}/draft': 'planner',
  'PUT /specs/{model}/draft': 'planner',
  'DELETE /specs/{model}/draft': 'planner',
  'POST /specs/{model}/publish': 'planner',
  'PUT /walks/{id}': 'signed in',
  'POST /readings:batch': 'signed in',
  'POST /readings/import': 'planner',
  'GET /imports/{id}': 'planner',
  'GET /readings.csv': 'signed in',
  'GET /work': 'signed in',
  'POST /work': 'signed in',
  'POST /ticks': 'signed in',
  'PUT /photos/{id}': 'signed in',
  'POST /photos/{id}/parts': 'signed in',
  'GET /photos/{id}': 'signed in',
  'DELETE /photos/{id}': 'signed in',
  'GET /machines/{id}/cards': 'signed in',
  'POST /machines/{id}/cards': 'signed in',
  'DELETE /cards/{id}': 'signed in',
  'GET /card/{key}': 'anybody',
  'POST /card/{key}': 'anybody',
  'GET /hours': 'signed in',
  'POST /hours/ask': 'planner',
  'POST /hours/import': 'planner',
  'POST /hours/{id}/answer': 'planner',
  'GET /season': 'signed in',
  'GET /season.pdf': 'signed in',
  'GET /tokens': 'admin',
  'POST /tokens': 'admin',
  'DELETE /tokens/{id}': 'admin',
  'GET /labels.pdf': 'signed in',
  'GET /machines/{id}/report': 'signed in',
  'GET /machines/{id}/report.pdf': 'signed in',
  'GET /machines/{id}/report-links': 'signed in',
  'POST /machines/{id}/report-links': 'signed in',
  'DELETE /report-links/{id}': 'signed in',
  'GET /report/{key}': 'anybody',
  'GET /report/{key}/report.pdf': 'anybody',
  'GET /report/{key}/photos/{id}': 'anybody',
  'POST /report/{key}/answers': 'anybody',
  'GET /said/{id}/photo': 'signed in',
  'GET /due': 'signed in',
  'GET /due.csv': 'signed in',
  'GET /due.ics': 'signed in',
  'DELETE /work/{id}': 'signed in',
  'POST /work/{id}/worked': 'signed in',
  'POST /work/{id}/substitute': 'planner',
  'GET /visits': 'signed in',
  'PUT /visits/{id}': 'planner',
  'DELETE /visits/{id}': 'planner',
  'GET /plan.ics': 'signed in',
  'GET /plan.csv': 'signed in',
  'POST /visits/{id}/note': 'signed in',
  'GET /crew': 'signed in',
  'PUT /crew/setting': 'planner',
  'PUT /crew/technicians/{id}': 'planner',
  'PUT /crew/farms': 'planner',
  'POST /harvests/move': 'planner',
  'GET /board': 'signed in',
  'POST /board/publish': 'planner',
  'GET /board/plans': 'signed in',
  'GET /board/plans/differences': 'signed in',
  'POST /board/searches': 'planner',
  'GET /board/searches/{id}': 'signed in',
  'POST /board/searches/{id}/stop': 'planner',
  'POST /breakdowns': 'signed in',
  'GET /machines/{id}/breakdowns': 'signed in',
  'GET /forecasts': 'signed in',
  'GET /archive.zip': 'admin',
  'POST /archive': 'admin',
  'GET /formats': 'signed in',
  'GET /insight': 'signed in',
  'GET /insight/classes/{key}': 'signed in',
  'GET /insight/walks': 'signed in',
  'GET /insight.csv': 'signed in',
  'GET /feeds': 'signed in',
  'POST /feeds': 'signed in',
  'DELETE /feeds/{id}': 'signed in',
  'GET /feeds/{key}/visits.ics': 'anybody',
};

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let agents: Readonly<Record<Role, Agent>>;
beforeAll(async () => {
  place = await openPlace();
  agents = {
    technician: await signedIn(place.app, 'ines'),
    planner: await signedIn(place.app, 'rhea'),
    admin: await signedIn(place.app, 'maud'),
  };
});
afterAll(() => place.close());

const ids = Object.keys(DOORS) as RouteId[];
const GUARDED = ids.filter((id) => DOORS[id] !== 'anybody');

/** Calls a route with nothing in its body: what is refused at the door never reaches the handler. */
const knock = (agent: Agent | ReturnType<typeof request>, id: RouteId) => {
  const [method, path] = splitId(id);
  const url = `/api${path.replace('{id}', machineId('T118')).replace('{model}', 'Ouzel 7').replace('{key}', 'none')}`;
  const call = agent[method](url).send(method === 'get' ? undefined : {});
  // one who may listen is told things for as long as he does
  return id === 'GET /events' ? call.buffer(false).parse(firstWordsOrProblem) : call;
};

/** A refusal is read as any other answer is. */
function firstWordsOrProblem(...[response, done]: Parameters<typeof firstWords>): void {
  if ((response as unknown as { statusCode: number }).statusCode < 400)
    return firstWords(response, done);
  let text = '';
  response.on('data', (part: unknown) => (text += String(part)));
  response.on('end', () => done(null, JSON.parse(text)));
}

const mayPass = (role: Role, door: Door): boolean =>
  door === 'signed in' || door === 'anybody'
    ? true
    : role === 'admin' || (role === 'planner' && door === 'planner');

test('every route of the table has its door here', () =>
  expect([...ids].sort()).toEqual(Object.keys(ROUTES).sort()));

describe('without signing in', () => {
  test.each(GUARDED)('%s: 401, in words, and nothing of it', async (id) => {
    const { status, body } = await knock(request(place.app), id);
    expect([status, body.title]).toEqual([401, 'Not signed in']);
    expect(Object.keys(body).sort()).toEqual(['detail', 'status', 'title', 'type']);
  });
  test('a cookie that was never given opens nothing', async () => {
    const { status } = await request(place.app)
      .get('/api/yard')
      .set('cookie', 'green-tally=s%3Amade-up.made-up');
    expect(status).toBe(401);
  });
});

const ROLES: readonly Role[] = ['technician', 'planner', 'admin'];
const tries = ROLES.flatMap((role) => GUARDED.map((id) => ({ role, id })));

describe('signed in', () => {
  const shut = tries.filter(({ role, id }) => !mayPass(role, DOORS[id]));
  const open = tries.filter(({ role, id }) => mayPass(role, DOORS[id]));
  test('forty-eight doors are shut to a technician, thirteen to a planner, none to an admin', () =>
    expect(ROLES.map((role) => shut.filter((t) => t.role === role).length)).toEqual([48, 13, 0]));
  test.each(shut)('shut to a $role: $id', async ({ role, id }) => {
    const { status, body } = await knock(agents[role], id);
    expect([status, body.status]).toEqual([403, 403]);
  });
  test.each(open)('open to a $role: $id', async ({ role, id }) => {
    // through the door; what is wrong with an empty call is another matter
    expect([401, 403]).not.toContain((await knock(agents[role], id)).status);
  });
});

describe('a machine of another branch', () => {
  const B031 = machineId('B031');
  const walk = (machine: string) => ({
    machineId: machine,
    startedAt: '2026-06-09T07:00:00.000Z',
    hours: 1405,
    by: 'Ines Marrow',
  });

  const looksAt = [
    `/api/machines/${B031}`,
    `/api/machines/${B031}/changes`,
    `/api/machines/${B031}/checks`,
    `/api/machines/${B031}/breakdowns`,
    `/api/machines/${B031}/cards`,
    `/api/machines/${B031}/report`,
    `/api/machines/${B031}/report.pdf`,
    `/api/machines/${B031}/report-links`,
    `/api/readings.csv?machine=${B031}`,
    '/api/yard?branch=Sedge%20Ford',
    '/api/due?branch=Sedge%20Ford',
    '/api/costs?branch=Sedge%20Ford',
    `/api/van?technician=${demoId('person sana')}&on=2026-06-09`,
  ];
  test.each(looksAt)('is looked at by its own people and an admin: %s', async (path) => {
    const own = await signedIn(place.app, 'corin');
    expect((await own.get(path)).status).toBe(200);
    expect((await agents.admin.get(path)).status).toBe(200);
    expect((await agents.technician.get(path)).status).toBe(403);
    expect((await agents.planner.get(path)).status).toBe(403);
  });
  test('where an admin has opened the branches to each other, it is looked at, and still not written to', async () => {
    const open = (reads: string) => agents.admin.put('/api/access').send({ reads });
    expect((await agents.planner.put('/api/access').send({ reads: 'all' })).status).toBe(403);
    await open('all').expect(200);
    expect((await agents.technician.get(`/api/machines/${B031}`)).status).toBe(200);
    const change = await agents.planner.patch(`/api/machines/${B031}`).send({ hours: 9000 });
    expect(change.status).toBe(403);
    await open('own').expect(200);
    expect((await agents.technician.get(`/api/machines/${B031}`)).status).toBe(403);
  });
  test('is walked only by its own people and by an admin', async () => {
    const start = (agent: Agent) => agent.put(`/api/walks/${randomUUID()}`).send(walk(B031));
    expect((await start(agents.technician)).status).toBe(403);
    expect((await start(agents.planner)).status).toBe(403);
    expect((await start(await signedIn(place.app, 'sana'))).status).toBe(200);
    expect((await start(agents.admin)).status).toBe(200);
  });
  test('its readings are refused one by one, and none is stored', async () => {
    const reading = beltReading({ machineId: B031, sheet: { model: 'Corrie 4', revision: 1 } });
    const refused = await agents.technician.post('/api/readings:batch').send({
      readings: [reading],
    });
    expect(refused.body.results).toMatchObject([{ id: reading['id'], result: 'rejected' }]);
    const file = (await agents.admin.get(`/api/machines/${B031}`)).body;
    expect(file.readings.some((r: { id: string }) => r.id === reading['id'])).toBe(false);
  });
  test('its hours are changed only by its own planner', async () => {
    const change = (agent: Agent) => agent.patch(`/api/machines/${B031}`).send({ hours: 1406 });
    expect((await change(agents.planner)).status).toBe(403);
    expect((await change(await signedIn(place.app, 'corin'))).status).toBe(200);
  });
  test('its visit is set only by its own planner', async () => {
    const visit = {
      machineId: B031,
      technicianId: demoId('person sana'),
      startsOn: '2026-06-16',
    };
    const set = (agent: Agent) => agent.put(`/api/visits/${randomUUID()}`).send(visit);
    expect((await set(agents.planner)).status).toBe(403);
  });
});
