import { randomUUID } from 'node:crypto';
import request from 'supertest';
import {
  MOST_CARD_ITEMS,
  MachineChanges,
  OperatorCard,
  type OperatorSaid,
} from '@green-tally/core/contracts';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { aPhoto } from '../testing/photo';

let place: Place;
let ines: Awaited<ReturnType<typeof signedIn>>;
const T118 = machineId('T118');
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const made = async (id = T118): Promise<{ id: string; key: string }> =>
  (await ines.post(`/api/machines/${id}/cards`).expect(201)).body;
const note = (change: object = {}) => ({
  id: randomUUID(),
  at: '2026-06-09T07:00:00.000Z',
  name: 'Nell',
  hours: 1290,
  noticed: 'squeals when the header starts',
  answers: [],
  photo: null,
  ...change,
});
const anybody = () => request(place.app);
const said = async (since = 0): Promise<readonly OperatorSaid[]> =>
  MachineChanges.parse(
    (await ines.get(`/api/machines/${T118}/changes?since=${since}`).expect(200)).body,
  ).said;

test('the link opens one machine’s few checks and nothing else of it', async () => {
  const { key } = await made();
  const { body } = await anybody().get(`/api/card/${key}`).expect(200);
  const card = OperatorCard.parse(body);
  expect(card.machine).toEqual({
    id: T118,
    serial: 'T118',
    model: 'Ouzel 7',
    hours: expect.any(Number),
    crop: expect.any(String),
  });
  expect(card.items.length).toBeGreaterThan(2);
  expect(card.items.length).toBeLessThanOrEqual(MOST_CARD_ITEMS);
  expect(JSON.stringify(body)).not.toMatch(/customer|decision|reading/i);
});

test('another signature, another card’s, none, or one taken back: not found, all alike', async () => {
  const one = await made();
  const other = await made();
  const [, signature = ''] = one.key.split('~');
  const wrong = [
    `${other.id}~${signature}`,
    `${one.id}~`,
    one.id,
    `${randomUUID()}~${signature}`,
    `${one.id}~${'é'.repeat(22)}`,
    'none',
  ];
  const told = [];
  for (const key of wrong)
    told.push((await anybody().get(`/api/card/${encodeURIComponent(key)}`)).body);
  await ines.delete(`/api/cards/${one.id}`).expect(200);
  await ines.delete(`/api/cards/${one.id}`).expect(200);
  told.push((await anybody().get(`/api/card/${one.key}`)).body);
  told.push((await anybody().post(`/api/card/${one.key}`).send(note())).body);
  expect(
    new Set(told.map((t: { status: number; title: string }) => `${t.status} ${t.title}`)),
  ).toEqual(new Set([`404 ${told[0].title}`]));
  await anybody().get(`/api/card/${other.key}`).expect(200);
});

test('what is said lies among the machine’s facts, once, and changes no verdict and no hours', async () => {
  const { key } = await made();
  const before = (await ines.get(`/api/machines/${T118}/changes`)).body;
  const one = note({ answers: [{ checkId: 'fan-drive-belt', is: 'notFine', said: 'frayed' }] });
  await anybody().post(`/api/card/${key}`).send(one).expect(201);
  await anybody().post(`/api/card/${key}`).send(one).expect(201);
  problem(
    await anybody()
      .post(`/api/card/${key}`)
      .send({ ...one, noticed: 'else' }),
    409,
    'id',
  );
  const mine = (await said(before.version)).filter((s) => s.id === one.id);
  expect(mine).toEqual([
    expect.objectContaining({ name: 'Nell', noticed: one.noticed, hours: 1290 }),
  ]);
  const after = (await ines.get(`/api/machines/${T118}/changes`)).body;
  expect(after.machine.hours).toBe(before.machine.hours);
  expect(after.readings).toEqual(before.readings);
});

test('a clock far ahead is taken as now', async () => {
  const { key } = await made();
  const one = note({ at: '2031-01-01T00:00:00.000Z' });
  const { body } = await anybody().post(`/api/card/${key}`).send(one).expect(201);
  expect(body.at.slice(0, 10)).toBe('2026-06-09');
  await anybody().post(`/api/card/${key}`).send(one).expect(201);
});

test('its photo is seen by people of the branch, not by others nor by the link', async () => {
  const { key } = await made();
  const one = note({ photo: (await aPhoto()).toString('base64') });
  await anybody().post(`/api/card/${key}`).send(one).expect(201);
  const { body, headers } = await ines.get(`/api/said/${one.id}/photo`).expect(200);
  expect(headers['content-type']).toBe('image/jpeg');
  expect(Buffer.from(body).length).toBeGreaterThan(1000);
  await anybody().get(`/api/said/${one.id}/photo`).expect(401);
  const elsewhere = await signedIn(place.app, 'corin');
  await elsewhere.get(`/api/said/${one.id}/photo`).expect(404);
});

test.each([
  ['nothing is said', { noticed: ' ', hours: null }, 'noticed'],
  ['hours in words', { hours: 'many' }, 'hours'],
  ['hours below none', { hours: -1 }, 'hours'],
  ['no name', { name: '' }, 'name'],
  ['an answer nobody knows', { answers: [{ checkId: 'x', is: 'maybe' }] }, 'answers.0.is'],
  ['a photo that is none', { photo: Buffer.from('no photo').toString('base64') }, 'photo'],
  ['text that is no base64', { photo: '<svg>' }, 'photo'],
])('%s is refused by its name, and nothing is kept', async (_, change, field) => {
  const { key } = await made();
  const one = note(change);
  const answer = await anybody().post(`/api/card/${key}`).send(one);
  expect([400, 422]).toContain(answer.status);
  expect(answer.body.errors.map((e: { field: string }) => e.field)).toContain(field);
  expect((await said()).some((s) => s.id === one.id)).toBe(false);
});

test('links are made and seen by people of the machine’s branch only', async () => {
  const elsewhere = await signedIn(place.app, 'corin');
  await elsewhere.post(`/api/machines/${T118}/cards`).expect(403);
  await elsewhere.get(`/api/machines/${T118}/cards`).expect(403);
  const { id } = await made();
  await elsewhere.delete(`/api/cards/${id}`).expect(403);
});

test('too many at once from one place are told to wait', async () => {
  const { key } = await made();
  const statuses = [];
  for (let i = 0; i < 40; i += 1)
    statuses.push((await anybody().post(`/api/card/${key}`).send({})).status);
  expect(statuses).toContain(429);
});
