import request from 'supertest';
import { NewToken, TOKEN_READS } from '@green-tally/core/contracts/tokens';
import { ApiTokenRow } from '../db';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

let place: Place;
let maud: Awaited<ReturnType<typeof signedIn>>;
beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const made = async (change: object = {}): Promise<NewToken> =>
  NewToken.parse(
    (
      await maud
        .post('/api/tokens')
        .send({
          name: 'Spreadsheet',
          branch: 'Upper Larkmoor',
          scopes: ['machines', 'due'],
          ...change,
        })
        .expect(201)
    ).body,
  );
const by = (key: string) => ({
  get: (path: string) => request(place.app).get(path).set('authorization', `Bearer ${key}`),
});

test('it reads what it was made for, of its branch alone, and writes nothing', async () => {
  const { key } = await made();
  const { body } = await by(key).get('/api/yard').expect(200);
  expect(
    body.rows.every((r: { machine: { branch: string } }) => r.machine.branch === 'Upper Larkmoor'),
  ).toBe(true);
  await by(key).get('/api/due.csv').expect(200);
  await by(key)
    .get(`/api/machines/${machineId('T118')}`)
    .expect(200);
  await by(key)
    .get(`/api/machines/${machineId('B031')}`)
    .expect(403);
  await by(key).get('/api/yard?branch=Sedge%20Ford').expect(403);
  for (const path of [
    '/api/work',
    '/api/readings.csv',
    '/api/people',
    '/api/tokens',
    '/api/tools',
    '/api/costs',
  ])
    problem(await by(key).get(path), 403);
  problem(
    await request(place.app)
      .post('/api/ticks')
      .set('authorization', `Bearer ${key}`)
      .send({ ticks: [] }),
    403,
  );
});

test('branches that are opened to each other stay shut to a token', async () => {
  const { key } = await made();
  await maud.put('/api/access').send({ reads: 'all' }).expect(200);
  await by(key)
    .get(`/api/machines/${machineId('B031')}`)
    .expect(403);
  await by(key).get('/api/yard?branch=Sedge%20Ford').expect(403);
  await maud.put('/api/access').send({ reads: 'own' }).expect(200);
});

test('another secret, another’s, one that ended, one taken back: refused alike, and no session helps', async () => {
  const one = await made();
  const other = await made();
  const ended = await made({ days: 1 });
  await ApiTokenRow.update({ expiresAt: new Date('2026-06-01') }, { where: { id: ended.id } });
  const back = await made({ days: null });
  await maud.delete(`/api/tokens/${back.id}`).expect(200);
  const [, secret = ''] = other.key.split('~');
  for (const key of [
    `gt_${one.id}~${secret}`,
    `gt_${one.id}~aaaaaaaaaaaa`,
    'gt_none',
    ended.key,
    back.key,
  ]) {
    problem(await by(key).get('/api/yard'), 401);
    problem(await maud.get('/api/yard').set('authorization', `Bearer ${key}`), 401);
  }
});

test('its secret is told once and stored as a hash; that it was used is kept', async () => {
  const { id, key } = await made();
  const [, secret = ''] = key.split('~');
  await by(key).get('/api/yard').expect(200);
  expect(JSON.stringify(await ApiTokenRow.findByPk(id))).not.toContain(secret);
  const { tokens } = (await maud.get('/api/tokens').expect(200)).body;
  const mine = tokens.find((t: { id: string }) => t.id === id);
  expect(mine).toMatchObject({ name: 'Spreadsheet', revokedAt: null });
  expect(mine.usedAt).not.toBeNull();
  expect(mine.key).toBeUndefined();
});

test.each([
  ['no scope', { scopes: [] }, 'scopes'],
  ['a scope nobody knows', { scopes: ['all'] }, 'scopes.0'],
  ['a branch that is none', { branch: 'Nowhere' }, 'branch'],
  ['no name', { name: ' ' }, 'name'],
  ['days without end', { days: 99_999 }, 'days'],
])('%s is refused by its name', async (_, change, field) => {
  const body = { name: 'Spreadsheet', branch: 'Upper Larkmoor', scopes: ['due'], ...change };
  problem(await maud.post('/api/tokens').send(body), 400, field);
});

test('too many calls of one token are told to wait; another’s go on', async () => {
  const { key } = await made();
  const statuses = [];
  for (let i = 0; i < 125; i += 1) statuses.push((await by(key).get('/api/people')).status);
  expect(statuses).toContain(429);
  await by((await made()).key)
    .get('/api/yard')
    .expect(200);
});

test('the API’s document says which lists a token reads', async () => {
  const { body } = await request(place.app).get('/api/openapi.json').expect(200);
  expect(body.paths['/api/due'].get.security).toEqual([{ session: [] }, { token: [] }]);
  expect(body.paths['/api/people'].get.security).toEqual([{ session: [] }]);
  expect(body.paths['/api/card/{key}'].get.security).toEqual([]);
});

test('only routes that read are in any scope', () => {
  for (const route of Object.values(TOKEN_READS).flat()) expect(route).toMatch(/^GET /);
});
