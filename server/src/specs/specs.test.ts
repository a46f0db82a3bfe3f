import type { SpecDetail } from '@green-tally/core/contracts';
import { machineId, openPlace, sheetsFor, signedIn, type Place } from '../testing/place';

let place: Place;
type Agent = Awaited<ReturnType<typeof signedIn>>;
let technician: Agent;
beforeAll(async () => {
  place = await openPlace();
  technician = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const sheetOf = sheetsFor(() => technician);

describe('spec sheets, read', () => {
  test('models come by pages, with a cursor', async () => {
    const first = await technician.get('/api/spec-models?limit=7').expect(200);
    expect(first.body.items.map((i: { model: string }) => i.model)).toEqual([
      'Corrie 4',
      'Corrie 6',
      'Merle 10',
      'Merle 12',
      'Ouzel 5',
      'Ouzel 7',
      'Ouzel 9',
    ]);
    const second = await technician
      .get(`/api/spec-models?limit=7&cursor=${first.body.next}`)
      .expect(200);
    expect(second.body).toMatchObject({
      items: [
        { model: 'Tarn 5', machine: 'header', revision: 1 },
        { model: 'Tarn 7', checks: 58, draft: null },
      ],
      next: null,
    });
  });
  test('a sheet is answered once, then 304, and gzipped', async () => {
    const first = await technician
      .get('/api/specs/Ouzel%207')
      .set('accept-encoding', 'gzip')
      .expect(200)
      .expect('content-encoding', 'gzip');
    await technician
      .get('/api/specs/Ouzel%207')
      .set('if-none-match', first.headers['etag'] as string)
      .expect(304);
    expect((first.body as SpecDetail).sheet.checks.length).toBeGreaterThanOrEqual(100);
  });
  test('its checks come by pages, none twice and none left out', async () => {
    const seen: string[] = [];
    let cursor: string | null = '';
    while (cursor !== null) {
      const page = (
        await technician
          .get(`/api/specs/Ouzel%207/checks?limit=40${cursor ? `&cursor=${cursor}` : ''}`)
          .expect(200)
      ).body as { items: { id: string }[]; next: string | null };
      seen.push(...page.items.map((c) => c.id));
      cursor = page.next;
    }
    expect(seen).toEqual((await sheetOf('Ouzel 7')).sheet.checks.map((c) => c.id));
    await technician.get('/api/specs/Ouzel%207/checks?cursor=nowhere').expect(400);
  });
  test('a machine resolves to its checks as it is built', async () => {
    const ids = async () =>
      (
        (await technician.get(`/api/machines/${machineId('T118')}/checks?limit=500`).expect(200))
          .body as { items: { id: string }[] }
      ).items.map((c) => c.id);
    const before = await ids();
    expect(before).toEqual(expect.arrayContaining(['variable-belt-width', 'gathering-chain']));
    expect(before).not.toContain('multi-rib-belt');
    await place.db.sequelize.query(
      `UPDATE machines SET equipment = '{"feeder-drive": "fixed"}' WHERE serial = 'T118'`,
    );
    const after = await ids();
    expect(after).toContain('multi-rib-belt');
    expect(after).not.toContain('variable-belt-width');
    await place.db.sequelize.query(`UPDATE machines SET equipment = NULL WHERE serial = 'T118'`);
  });
  test.each([
    '/api/specs/ZZ9',
    '/api/specs/Ouzel%207?revision=99',
    '/api/specs/ZZ9/revisions',
    '/api/specs/ZZ9/file',
  ])('%s is not found', async (url) => void (await technician.get(url).expect(404)));
  test('the schema of the file is published', async () => {
    const { body } = await technician.get('/api/specs/schema.json').expect(200);
    expect(body).toMatchObject({ title: 'Green Tally spec sheet', type: 'object' });
    expect(Object.keys(body.properties)).toEqual(
      expect.arrayContaining(['model', 'checks', 'equipment']),
    );
  });
});

describe('roles', () => {
  const tries: readonly (readonly ['put' | 'post' | 'get' | 'delete', string])[] = [
    ['put', '/api/specs/Ouzel%207/draft'],
    ['get', '/api/specs/Ouzel%207/draft'],
    ['delete', '/api/specs/Ouzel%207/draft'],
    ['post', '/api/specs/Ouzel%207/publish'],
    ['post', '/api/specs/import'],
    ['post', '/api/specs'],
    ['post', `/api/machines/${machineId('T118')}/rejudge`],
  ];
  test.each(tries)(
    'a technician may not %s %s',
    async (method, url) => void (await technician[method](url).send({}).expect(403)),
  );
});
