import { randomUUID } from 'node:crypto';
import { openPlace, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
});
afterAll(() => place.close());

const PDF = Buffer.from('%PDF-1.4 a page');
const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47, 1, 2, 3]);
const add = (change: object = {}, model = 'Ouzel 7') =>
  rhea.post(`/api/specs/${encodeURIComponent(model)}/pages`).send({
    id: randomUUID(),
    name: 'page 112',
    checks: ['fan-drive-belt'],
    data: PDF.toString('base64'),
    ...change,
  });

test('a page is kept byte for byte, listed with its check, and can be taken out', async () => {
  const { status, body } = await add();
  expect([status, body.mime, body.bytes, body.by]).toEqual([
    201,
    'application/pdf',
    PDF.length,
    'Rhea Aldane',
  ]);
  const { pages } = (await rhea.get('/api/specs/Ouzel%207/pages')).body;
  expect(pages).toEqual([body]);
  const content = (await rhea.get(`/api/pages/${body.id}`)).body;
  expect(Buffer.from(content.data, 'base64').equals(PDF)).toBe(true);
  expect((await rhea.delete(`/api/pages/${body.id}`)).status).toBe(204);
  expect((await rhea.get(`/api/pages/${body.id}`)).status).toBe(404);
  expect((await rhea.delete(`/api/pages/${body.id}`)).status).toBe(404);
});
test('what it is is told by what it holds, and sent twice it is there once', async () => {
  const page = { id: randomUUID(), data: PNG.toString('base64') };
  expect((await add(page)).body.mime).toBe('image/png');
  expect((await add(page)).status).toBe(201);
  const { pages } = (await rhea.get('/api/specs/Ouzel%207/pages')).body;
  expect(pages.filter((p: { id: string }) => p.id === page.id)).toHaveLength(1);
});
test.each([
  ['data', { data: Buffer.from('<html>').toString('base64') }],
  ['data', { data: 'not base64!' }],
  ['name', { name: ' ' }],
  ['checks', { checks: ['no-such-check'] }],
])('%s that cannot be used is refused by name: %j', async (field, change) => {
  const { status, body } = await add(change);
  expect([status, body.errors?.[0].field]).toEqual([400, field]);
});
test('of a model without a sheet there are none', async () => {
  expect((await add({}, 'Nobody')).status).toBe(404);
  expect((await rhea.get('/api/specs/Nobody/pages')).status).toBe(404);
});
