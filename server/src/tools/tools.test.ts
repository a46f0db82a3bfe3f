import { randomUUID } from 'node:crypto';
import { OwnTools } from '@green-tally/core/contracts';
import { openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
let ines: Awaited<ReturnType<typeof signedIn>>;
let tobin: typeof ines;
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
  tobin = await signedIn(place.app, 'tobin');
});
afterAll(() => place.close());

const caliper = {
  name: 'Caliper 7',
  quantity: 'length',
  resolution: 0.05,
  calibratedOn: '2025-11-03',
  everyMonths: 12,
};
const namesOf = async (who: typeof ines) =>
  OwnTools.parse((await who.get('/api/tools').expect(200)).body).tools.map((t) => t.name);

test('a tool is kept, changed and taken off by its owner alone; kept twice it is there once', async () => {
  const before = await namesOf(ines);
  const id = randomUUID();
  for (const name of ['Caliper 7', 'Caliper 7', 'Caliper 8'])
    await ines
      .put(`/api/tools/${id}`)
      .send({ ...caliper, name })
      .expect(200);
  expect(await namesOf(ines)).toEqual([...before, 'Caliper 8'].sort());
  expect(await namesOf(tobin)).not.toContain('Caliper 8');
  await tobin.put(`/api/tools/${id}`).send(caliper).expect(404);
  await tobin.delete(`/api/tools/${id}`).expect(404);
  await ines.delete(`/api/tools/${id}`).expect(204);
  await ines.delete(`/api/tools/${id}`).expect(404);
  expect(await namesOf(ines)).toEqual(before);
});

test.each([
  ['calibratedOn', '2027-01-01'],
  ['calibratedOn', 'last year'],
  ['everyMonths', 0],
  ['everyMonths', 61],
  ['resolution', 0],
  ['resolution', -1],
  ['uncertainty', 0],
  ['quantity', 'weight'],
  ['name', ' '],
])('%s %j is refused by its name, and nothing is kept', async (field, value) => {
  const before = await namesOf(ines);
  const { body } = await ines
    .put(`/api/tools/${randomUUID()}`)
    .send({ ...caliper, [field]: value })
    .expect((res) => expect([400, 422]).toContain(res.status));
  expect(body.errors).toEqual([expect.objectContaining({ field })]);
  expect(await namesOf(ines)).toEqual(before);
});
