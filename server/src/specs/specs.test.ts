import { stringify } from 'yaml';
import { SpecSheet, type SpecDetail } from '@green-tally/core/contracts';
import { printSheet } from '@green-tally/core/sheets';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
type Agent = Awaited<ReturnType<typeof signedIn>>;
let planner: Agent;
let technician: Agent;
let admin: Agent;
beforeAll(async () => {
  place = await openPlace();
  [planner, technician, admin] = [
    await signedIn(place.app, 'rhea'),
    await signedIn(place.app, 'ines'),
    await signedIn(place.app, 'maud'),
  ];
});
afterAll(() => place.close());

const sheetOf = async (model: string, revision?: number): Promise<SpecDetail> =>
  (
    await technician
      .get(`/api/specs/${model}${revision ? `?revision=${revision}` : ''}`)
      .expect(200)
  ).body as SpecDetail;
const withBelt = (sheet: SpecSheet, limit: number, more: Partial<SpecSheet> = {}): SpecSheet =>
  SpecSheet.parse({
    ...sheet,
    ...more,
    checks: sheet.checks.map((c) =>
      c.id === 'fan-drive-belt' ? { ...c, limit: { ...('limit' in c ? c.limit : {}), limit } } : c,
    ),
  });

describe('spec sheets, read', () => {
  test('models come by pages, with a cursor', async () => {
    const first = await technician.get('/api/spec-models?limit=4').expect(200);
    expect(first.body.items.map((i: { model: string }) => i.model)).toEqual([
      'AX5',
      'AX7',
      'DF10',
      'GF7',
    ]);
    const second = await technician
      .get(`/api/spec-models?limit=4&cursor=${first.body.next}`)
      .expect(200);
    expect(second.body).toMatchObject({
      items: [
        { model: 'RC12', checks: 36, draft: null },
        { model: 'W4', machine: 'combine', revision: 1 },
      ],
      next: null,
    });
  });
  test('a sheet is answered once, then 304, and gzipped', async () => {
    const first = await technician
      .get('/api/specs/AX7')
      .set('accept-encoding', 'gzip')
      .expect(200)
      .expect('content-encoding', 'gzip');
    await technician
      .get('/api/specs/AX7')
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
          .get(`/api/specs/AX7/checks?limit=40${cursor ? `&cursor=${cursor}` : ''}`)
          .expect(200)
      ).body as { items: { id: string }[]; next: string | null };
      seen.push(...page.items.map((c) => c.id));
      cursor = page.next;
    }
    expect(seen).toEqual((await sheetOf('AX7')).sheet.checks.map((c) => c.id));
    await technician.get('/api/specs/AX7/checks?cursor=nowhere').expect(400);
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
    '/api/specs/AX7?revision=99',
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
    ['put', '/api/specs/AX7/draft'],
    ['get', '/api/specs/AX7/draft'],
    ['delete', '/api/specs/AX7/draft'],
    ['post', '/api/specs/AX7/publish'],
    ['post', '/api/specs/import'],
    ['post', '/api/specs'],
    ['post', `/api/machines/${machineId('T118')}/rejudge`],
  ];
  test.each(tries)(
    'a technician may not %s %s',
    async (method, url) => void (await technician[method](url).send({}).expect(403)),
  );
});

describe('files in and out', () => {
  test('what is exported is imported as the same, byte for byte', async () => {
    const file = (await technician.get('/api/specs/W4/file').expect(200)).text;
    expect(file).toBe(printSheet((await sheetOf('W4')).sheet));
    const answer = await planner
      .post('/api/specs/import?preview=yes')
      .type('text/plain')
      .send(file)
      .expect(200);
    expect(answer.body).toMatchObject({ model: 'W4', same: true, stored: false, errors: [] });
    await planner.post('/api/specs/import').type('text/plain').send(file).expect(200);
    expect((await sheetOf('W4')).latest).toBe(1);
  });
  test('YAML is accepted, and previewed: what is new, changed, removed; nothing is stored', async () => {
    const { sheet } = await sheetOf('GF7');
    const [first, ...rest] = sheet.checks;
    const next = {
      ...sheet,
      revision: 2,
      remark: 'Trial',
      checks: [
        ...rest.map((c) => (c.id === 'reel-tines' ? { ...c, allowed: 6 } : c)),
        { ...first, id: 'new-one', component: 'New one' },
      ],
    };
    const answer = await planner
      .post('/api/specs/import?preview=yes')
      .type('text/plain')
      .send(stringify(next))
      .expect(200);
    expect(answer.body).toMatchObject({
      revision: 2,
      latest: 1,
      stored: false,
      errors: [],
      changes: {
        added: [{ id: 'new-one' }],
        removed: [{ id: first!.id }],
        changed: [{ id: 'reel-tines', fields: [{ field: 'allowed', before: 4, after: 6 }] }],
      },
    });
    expect((await sheetOf('GF7')).latest).toBe(1);
  });
  test('errors name line and field, and nothing is stored', async () => {
    const file = printSheet((await sheetOf('DF10')).sheet)
      .replace('"revision": 1', '"revision": 2')
      .replace('"total": 124', '"total": -3')
      .replace('"tool": {', '"tool": 7, "was": {');
    const answer = await planner
      .post('/api/specs/import')
      .type('text/plain')
      .send(file)
      .expect(200);
    const lines = file.split('\n');
    const line = (text: string) => lines.findIndex((l) => l.includes(text)) + 1;
    expect(answer.body.stored).toBe(false);
    expect(answer.body.errors).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          line: line('"total": -3'),
          field: expect.stringMatching(/^checks\.\d+\.total$/) as string,
        }),
        expect.objectContaining({ line: line('"tool": 7'), field: 'checks.0.tool' }),
      ]),
    );
    expect((await sheetOf('DF10')).latest).toBe(1);
  });
  test.each([
    ['{"model": ', /line|flow|end/i],
    ['- just\n- a list', /wanted|expected|Invalid/i],
    ['a: &x [*x]', /./],
  ])('%s is refused in words', async (text, words) => {
    const answer = await planner.post('/api/specs/import').type('text/plain').send(text);
    expect(JSON.stringify(answer.body)).toMatch(words);
    expect(answer.status === 400 || answer.body.errors.length > 0).toBe(true);
  });
  test('an empty file is refused', async () =>
    void (await planner.post('/api/specs/import').type('text/plain').send(' ').expect(400)));
  test('a sheet of 2,000 checks goes in', async () => {
    const { sheet } = await sheetOf('AX7');
    const many = SpecSheet.parse({
      ...sheet,
      model: 'BIG',
      equipment: [],
      checks: Array.from({ length: 2000 }, (_, i) => ({
        ...sheet.checks[i % 100],
        id: `check-${i}`,
        component: `Part ${i}`,
        knockOns: [],
        pairs: [],
        when: {},
      })),
    });
    const answer = await planner
      .post('/api/specs/import')
      .type('text/plain')
      .send(printSheet(many))
      .expect(200);
    expect(answer.body).toMatchObject({ stored: true, checks: 2000 });
  });
});

describe('from draft to revision', () => {
  test('a draft is kept, published with a remark, and a walk’s older readings stay judged as they were', async () => {
    const { sheet } = await sheetOf('AX7');
    const changed = withBelt(sheet, 36);
    const kept = await planner
      .put('/api/specs/AX7/draft')
      .send({ basedOn: 1, sheet: changed, version: 0 })
      .expect(200);
    expect(kept.body).toMatchObject({ version: 1, by: 'Rhea Aldane', basedOn: 1 });
    expect((await sheetOf('AX7')).sheet.revision).toBe(1);
    await planner.post('/api/specs/AX7/publish').send({ version: 1, remark: '' }).expect(400);
    await planner
      .post('/api/specs/AX7/publish')
      .send({ version: 1, remark: 'Belt limit up: two slipped at 35.5 last year.' })
      .expect(201);
    const detail = await sheetOf('AX7');
    expect(detail).toMatchObject({
      latest: 2,
      publishedBy: 'Rhea Aldane',
      sheet: { revision: 2, remark: 'Belt limit up: two slipped at 35.5 last year.' },
      previous: { revision: 1 },
    });
    expect((await planner.get('/api/specs/AX7/draft').expect(200)).body).toEqual({ draft: null });
    expect(
      (await technician.get('/api/specs/AX7/diff?from=1&to=2').expect(200)).body.changed,
    ).toEqual([
      {
        id: 'fan-drive-belt',
        component: 'Fan drive belt',
        fields: [{ field: 'limit.limit', before: 35, after: 36 }],
      },
    ]);
    expect(
      (await technician.get('/api/specs/AX7/revisions').expect(200)).body.items.map(
        (r: { revision: number }) => r.revision,
      ),
    ).toEqual([2, 1]);

    const file = (await technician.get(`/api/machines/${machineId('T118')}`).expect(200)).body;
    expect(file.sheets.find((s: SpecSheet) => s.model === 'AX7').revision).toBe(2);
    expect(file.earlier.map((s: SpecSheet) => [s.model, s.revision])).toEqual([['AX7', 1]]);
  });
  test('judging anew shows what would change, stores nothing until asked, then holds', async () => {
    const url = `/api/machines/${machineId('T120')}/rejudge`;
    const shown = await technician.get(`${url}?model=AX7&revision=2`).expect(200);
    expect(shown.body.adopted).toBe(false);
    expect(shown.body.changes.map((c: { checkId: string }) => c.checkId)).toEqual([
      'fan-drive-belt',
    ]);
    expect(shown.body.changes[0]).toMatchObject({
      reasonBefore: expect.stringMatching(/limit|chance/) as string,
    });
    await technician.get(`${url}?model=W4&revision=1`).expect(400);
    await planner.post(url).send({ model: 'AX7', revision: 2 }).expect(200);
    expect(
      (await technician.get(`/api/machines/${machineId('T120')}`).expect(200)).body.machine
        .rejudged,
    ).toEqual({ AX7: 2 });
    expect((await technician.get(`${url}?model=AX7&revision=2`).expect(200)).body.changes).toEqual(
      [],
    );
  });
  test('two people editing: the second is told, nothing is overwritten', async () => {
    const { sheet } = await sheetOf('RC12');
    await planner
      .put('/api/specs/RC12/draft')
      .send({ basedOn: 1, sheet: { ...sheet, maker: 'Tolvane' }, version: 0 })
      .expect(200);
    const second = await admin
      .put('/api/specs/RC12/draft')
      .send({ basedOn: 1, sheet: { ...sheet, maker: 'Other' }, version: 0 })
      .expect(409);
    expect(second.body.detail).toMatch(/Rhea Aldane saved it meanwhile/);
    expect((await admin.get('/api/specs/RC12/draft').expect(200)).body.draft).toMatchObject({
      version: 1,
      by: 'Rhea Aldane',
      sheet: { maker: 'Tolvane' },
    });
    await admin
      .put('/api/specs/RC12/draft')
      .send({ basedOn: 1, sheet: { ...sheet, maker: 'Other' }, version: 1 })
      .expect(200);
    await planner.post('/api/specs/RC12/publish').send({ version: 1, remark: 'mine' }).expect(409);
    await planner.delete('/api/specs/RC12/draft').expect(204);
    const gone = await admin
      .put('/api/specs/RC12/draft')
      .send({ basedOn: 1, sheet, version: 2 })
      .expect(409);
    expect(gone.body.title).toBe('The draft is gone');
  });
  test('two first saves at once: one wins, the other is told', async () => {
    const { sheet } = await sheetOf('GF7');
    const answers = await Promise.all(
      [planner, admin].map((who) =>
        who.put('/api/specs/GF7/draft').send({ basedOn: 1, sheet, version: 0 }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    await planner.delete('/api/specs/GF7/draft').expect(204);
  });
  test('a draft that began from an older revision is not published over a newer one', async () => {
    const { sheet } = await sheetOf('W4');
    await planner
      .put('/api/specs/W4/draft')
      .send({ basedOn: 1, sheet: withBelt(sheet, 29), version: 0 })
      .expect(200);
    await admin
      .post('/api/specs')
      .send({ ...withBelt(sheet, 28.5), revision: 2, remark: 'By file' })
      .expect(200);
    const answer = await planner
      .post('/api/specs/W4/publish')
      .send({ version: 1, remark: 'By hand' })
      .expect(409);
    expect(answer.body.detail).toMatch(/revision 2 was published meanwhile/);
    expect((await planner.get('/api/specs/W4/draft').expect(200)).body.draft.version).toBe(1);
  });
  test('an invalid draft is refused by field and the old one stays', async () => {
    const { sheet } = await sheetOf('DF10');
    const answer = await planner
      .put('/api/specs/DF10/draft')
      .send({
        basedOn: 1,
        version: 0,
        sheet: {
          ...sheet,
          checks: [
            {
              ...sheet.checks[0],
              places: ['left', 'left'],
              knockOns: [{ check: 'nowhere', why: 'x' }],
            },
          ],
        },
      })
      .expect(400);
    expect(answer.body.errors.map((e: { field: string }) => e.field)).toEqual(
      expect.arrayContaining(['sheet.checks.0.places', 'sheet.checks.0.knockOns.0.check']),
    );
    expect((await planner.get('/api/specs/DF10/draft').expect(200)).body).toEqual({ draft: null });
  });
  test('a reading names the revision it is judged by; an older one is still taken from a phone that had no signal', async () => {
    const { body } = await technician
      .post('/api/readings:batch')
      .send({ readings: [beltReading({ sheet: { model: 'AX7', revision: 1 } })] })
      .expect(200);
    expect(body.results[0].result).toBe('accepted');
  });
});
