import request from 'supertest';
import { Session } from '@green-tally/core/contracts';
import { migrate, unmigrate } from '../db';
import { openPlace, type Place } from '../testing/place';

let place: Place;
beforeAll(async () => {
  place = await openPlace({ demo: false });
});
afterAll(() => place.close());

test('migrations run up from empty, are remembered, and come down again', async () => {
  expect(await migrate(place.db.sequelize)).toEqual([]);
  await unmigrate(place.db.sequelize);
  expect(await migrate(place.db.sequelize)).toEqual([
    '001-first-tables',
    '002-sheet-revisions',
    '003-put-right-and-ticks',
    '004-costs-and-as-found',
    '005-customers-and-headers',
    '006-pages-of-the-book',
    '007-versions-and-standings',
    '008-imports-and-tries',
    '009-standings-by-slack',
    '010-kinds-of-walk',
    '011-photos',
    '012-own-tools',
    '013-operators-card',
    '014-work',
    '015-parts',
    '016-board',
    '017-people-and-believable-numbers',
    '018-hours-as-entered',
    '019-reports',
    '020-fleet-hours',
    '021-api-tokens',
    '022-taught',
    '023-believable-harvest',
  ]);
});

test('two processes migrating at once agree', async () => {
  await unmigrate(place.db.sequelize);
  const runs = await Promise.all([migrate(place.db.sequelize), migrate(place.db.sequelize)]);
  expect(runs.flat()).toEqual([
    '001-first-tables',
    '002-sheet-revisions',
    '003-put-right-and-ticks',
    '004-costs-and-as-found',
    '005-customers-and-headers',
    '006-pages-of-the-book',
    '007-versions-and-standings',
    '008-imports-and-tries',
    '009-standings-by-slack',
    '010-kinds-of-walk',
    '011-photos',
    '012-own-tools',
    '013-operators-card',
    '014-work',
    '015-parts',
    '016-board',
    '017-people-and-believable-numbers',
    '018-hours-as-entered',
    '019-reports',
    '020-fleet-hours',
    '021-api-tokens',
    '022-taught',
    '023-believable-harvest',
  ]);
});

test('the first visit makes the first admin and branch, and only the first', async () => {
  const agent = request.agent(place.app);
  expect(Session.parse((await agent.get('/api/session')).body).needsSetup).toBe(true);
  const weak = await agent
    .post('/api/setup')
    .send({ branch: 'Here', name: 'Ada', signIn: 'ada', password: 'short' })
    .expect(400);
  expect(weak.body.errors).toEqual([
    { field: 'password', message: 'wanted a password of at least 10 characters' },
  ]);
  await agent
    .post('/api/setup')
    .send({ branch: 'Here', name: 'Ada', signIn: 'ada', password: 'long enough now' })
    .expect(201);
  await request(place.app)
    .post('/api/setup')
    .send({ branch: 'Here', name: 'Eve', signIn: 'eve', password: 'long enough now' })
    .expect(409);
  await agent
    .post('/api/people')
    .send({ name: 'Ben', signIn: 'ben', password: 'long enough now', role: 'technician' })
    .expect(201);
  const taken = await agent
    .post('/api/people')
    .send({ name: 'Ben', signIn: 'BEN', password: 'long enough now', role: 'technician' })
    .expect(409);
  expect(taken.body.errors[0].field).toBe('signIn');
});
