import request from 'supertest';
import { Session } from '@green-tally/core/contracts';
import { DEMO_DAY, DEMO_PEOPLE } from '@green-tally/demo';
import { MachineRow, migrate, openDatabase, PersonRow, SettingRow, unmigrate } from '../db';
import { loadDemo } from '../demo/load';
import { openPlace, type Place } from '../testing/place';
import { demoAsLoaded } from '../testing/template';

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

test('three that start at once on an empty place: one works the demo out and loads it, all are there', async () => {
  const empty = await openPlace({ demo: false });
  const others = await Promise.all([openDatabase(empty.url), openDatabase(empty.url)]);
  const { machines, ...demo } = demoAsLoaded();
  const one = machines.slice(0, 1);
  const ofOne = <T extends { machineId: string }>(rows: readonly T[]) =>
    rows.filter((r) => r.machineId === one[0]?.id);
  // few machines load as all do, and sooner
  const made = jest.fn(() => ({
    ...{ ...demo, machines: one, breakdowns: ofOne(demo.breakdowns), walks: ofOne(demo.walks) },
    ...{ readings: ofOne(demo.readings), ticks: ofOne(demo.ticks), work: ofOne(demo.work) },
    visits: ofOne(demo.visits),
  }));
  try {
    const days = await Promise.all([empty.db, ...others].map((db) => loadDemo(db, made)));
    expect(days).toEqual([DEMO_DAY, DEMO_DAY, DEMO_DAY]);
    expect(made).toHaveBeenCalledTimes(1);
    expect(await PersonRow.count()).toBe(DEMO_PEOPLE.length);
    expect(await MachineRow.count()).toBe(1);
    expect((await SettingRow.findByPk('statedDay'))?.value).toBe(DEMO_DAY);
    expect(await loadDemo(empty.db, made)).toBe(DEMO_DAY);
    expect(made).toHaveBeenCalledTimes(1);
  } finally {
    for (const db of others) await db.close();
    await empty.close();
  }
});
