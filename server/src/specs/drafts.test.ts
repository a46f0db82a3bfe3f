import { SpecSheet } from '@green-tally/core/contracts';
import {
  beltReading,
  machineId,
  openPlace,
  problem,
  sheetsFor,
  signedIn,
  type Place,
} from '../testing/place';

let place: Place;
type Agent = Awaited<ReturnType<typeof signedIn>>;
let planner: Agent;
let technician: Agent;
let admin: Agent;
beforeAll(async () => {
  place = await openPlace();
  planner = await signedIn(place.app, 'rhea');
  technician = await signedIn(place.app, 'ines');
  admin = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const sheetOf = sheetsFor(() => technician);
const withBelt = (sheet: SpecSheet, limit: number, more: Partial<SpecSheet> = {}): SpecSheet =>
  SpecSheet.parse({
    ...sheet,
    ...more,
    checks: sheet.checks.map((c) =>
      c.id === 'fan-drive-belt' ? { ...c, limit: { ...('limit' in c ? c.limit : {}), limit } } : c,
    ),
  });

describe('from draft to revision', () => {
  test('a draft is kept, published with a remark, and a walk’s older readings stay judged as they were', async () => {
    const { sheet } = await sheetOf('Ouzel 7');
    const changed = withBelt(sheet, 36);
    const kept = await planner
      .put('/api/specs/Ouzel%207/draft')
      .send({ basedOn: 1, sheet: changed, version: 0 })
      .expect(200);
    expect(kept.body).toMatchObject({ version: 1, by: 'Rhea Aldane', basedOn: 1 });
    expect((await sheetOf('Ouzel 7')).sheet.revision).toBe(1);
    await planner.post('/api/specs/Ouzel%207/publish').send({ version: 1, remark: '' }).expect(400);
    await planner
      .post('/api/specs/Ouzel%207/publish')
      .send({ version: 1, remark: 'Belt limit up: two slipped at 35.5 last year.' })
      .expect(201);
    const detail = await sheetOf('Ouzel 7');
    expect(detail).toMatchObject({
      latest: 2,
      publishedBy: 'Rhea Aldane',
      sheet: { revision: 2, remark: 'Belt limit up: two slipped at 35.5 last year.' },
      previous: { revision: 1 },
    });
    expect((await planner.get('/api/specs/Ouzel%207/draft').expect(200)).body).toEqual({
      draft: null,
    });
    expect(
      (await technician.get('/api/specs/Ouzel%207/diff?from=1&to=2').expect(200)).body.changed,
    ).toEqual([
      {
        id: 'fan-drive-belt',
        component: 'Fan drive belt',
        fields: [{ field: 'limit.limit', before: 35, after: 36 }],
      },
    ]);
    expect(
      (await technician.get('/api/specs/Ouzel%207/revisions').expect(200)).body.items.map(
        (r: { revision: number }) => r.revision,
      ),
    ).toEqual([2, 1]);

    const file = (await technician.get(`/api/machines/${machineId('T118')}`).expect(200)).body;
    expect(file.sheets.find((s: SpecSheet) => s.model === 'Ouzel 7').revision).toBe(2);
    expect(file.earlier.map((s: SpecSheet) => [s.model, s.revision])).toEqual([['Ouzel 7', 1]]);
  });
  test('judging anew shows what would change, stores nothing until asked, then holds', async () => {
    const url = `/api/machines/${machineId('T120')}/rejudge`;
    const shown = await technician.get(`${url}?model=Ouzel%207&revision=2`).expect(200);
    expect(shown.body.adopted).toBe(false);
    expect(shown.body.changes.map((c: { checkId: string }) => c.checkId)).toEqual([
      'fan-drive-belt',
    ]);
    expect(shown.body.changes[0]).toMatchObject({
      reasonBefore: expect.stringMatching(/limit|chance/) as string,
    });
    await technician.get(`${url}?model=Corrie%204&revision=1`).expect(400);
    await planner.post(url).send({ model: 'Ouzel 7', revision: 2 }).expect(200);
    expect(
      (await technician.get(`/api/machines/${machineId('T120')}`).expect(200)).body.machine
        .rejudged,
    ).toEqual({ 'Ouzel 7': 2 });
    expect(
      (await technician.get(`${url}?model=Ouzel%207&revision=2`).expect(200)).body.changes,
    ).toEqual([]);
  });
  test('two people editing: the second is told, nothing is overwritten', async () => {
    const { sheet } = await sheetOf('Merle 12');
    await planner
      .put('/api/specs/Merle%2012/draft')
      .send({ basedOn: 1, sheet: { ...sheet, maker: 'Tolvane' }, version: 0 })
      .expect(200);
    const second = await admin
      .put('/api/specs/Merle%2012/draft')
      .send({ basedOn: 1, sheet: { ...sheet, maker: 'Other' }, version: 0 })
      .expect(409);
    expect(second.body.detail).toMatch(/Rhea Aldane saved it meanwhile/);
    expect((await admin.get('/api/specs/Merle%2012/draft').expect(200)).body.draft).toMatchObject({
      version: 1,
      by: 'Rhea Aldane',
      sheet: { maker: 'Tolvane' },
    });
    await admin
      .put('/api/specs/Merle%2012/draft')
      .send({ basedOn: 1, sheet: { ...sheet, maker: 'Other' }, version: 1 })
      .expect(200);
    await planner
      .post('/api/specs/Merle%2012/publish')
      .send({ version: 1, remark: 'mine' })
      .expect(409);
    await planner.delete('/api/specs/Merle%2012/draft').expect(204);
    const gone = await admin
      .put('/api/specs/Merle%2012/draft')
      .send({ basedOn: 1, sheet, version: 2 })
      .expect(409);
    expect(gone.body.title).toBe('The draft is gone');
  });
  test('two first saves at once: one wins, the other is told', async () => {
    const { sheet } = await sheetOf('Tarn 7');
    const answers = await Promise.all(
      [planner, admin].map((who) =>
        who.put('/api/specs/Tarn%207/draft').send({ basedOn: 1, sheet, version: 0 }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    await planner.delete('/api/specs/Tarn%207/draft').expect(204);
  });
  test('a draft that began from an older revision is not published over a newer one', async () => {
    const { sheet } = await sheetOf('Corrie 4');
    await planner
      .put('/api/specs/Corrie%204/draft')
      .send({ basedOn: 1, sheet: withBelt(sheet, 29), version: 0 })
      .expect(200);
    await admin
      .post('/api/specs')
      .send({ ...withBelt(sheet, 28.5), revision: 2, remark: 'By file' })
      .expect(200);
    const answer = await planner
      .post('/api/specs/Corrie%204/publish')
      .send({ version: 1, remark: 'By hand' })
      .expect(409);
    expect(answer.body.detail).toMatch(/revision 2 was published meanwhile/);
    expect((await planner.get('/api/specs/Corrie%204/draft').expect(200)).body.draft.version).toBe(
      1,
    );
  });
  test('an invalid draft is refused by field and the old one stays', async () => {
    const { sheet } = await sheetOf('Merle 10');
    const answer = await planner
      .put('/api/specs/Merle%2010/draft')
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
    expect((await planner.get('/api/specs/Merle%2010/draft').expect(200)).body).toEqual({
      draft: null,
    });
  });
  test('a reading names the revision it is judged by; an older one is still taken from a phone that had no signal', async () => {
    const { body } = await technician
      .post('/api/readings:batch')
      .send({ readings: [beltReading({ sheet: { model: 'Ouzel 7', revision: 1 } })] })
      .expect(200);
    expect(body.results[0].result).toBe('accepted');
  });
});

describe('how machines on the books are built', () => {
  /** The equipment with its options the other way round: another is taken where nothing is said. */
  const turned = (sheet: SpecSheet, revision: number): SpecSheet => ({
    ...sheet,
    revision,
    equipment: sheet.equipment.map((e, i) =>
      i === 0 ? { ...e, options: [...e.options].reverse() } : e,
    ),
  });
  test.each(['Corrie 6', 'Merle 12'])(
    '%s: a revision that would change it without a word is refused, by draft and by file',
    async (model) => {
      const { sheet, latest } = await sheetOf(model);
      const [first] = sheet.equipment;
      const path = `/api/specs/${encodeURIComponent(model)}`;
      const { body } = await planner
        .put(`${path}/draft`)
        .send({ basedOn: latest, sheet: turned(sheet, latest), version: 0 })
        .expect(200);
      const refused = await planner
        .post(`${path}/publish`)
        .send({ version: body.version, remark: 'other way round' });
      const { detail } = problem(refused, 409, 'equipment');
      expect(detail).toContain(`${first?.name} "${first?.options[0]?.name}" is fitted on `);
      // nothing was published, and the draft is still there
      expect((await sheetOf(model)).latest).toBe(latest);
      expect((await planner.get(`${path}/draft`)).body.draft.version).toBe(body.version);
      for (const preview of ['?preview=yes', ''])
        problem(
          await planner
            .post(`/api/specs/import${preview}`)
            .type('text/plain')
            .send(JSON.stringify(turned(sheet, latest + 1))),
          409,
          'equipment',
        );
      await planner.delete(`${path}/draft`).expect(204);
    },
  );
  test('a further option, and another name for one, change nothing and go through', async () => {
    const { sheet, latest } = await sheetOf('Corrie 6');
    const equipment = sheet.equipment.map((e, i) =>
      i === 0
        ? {
            ...e,
            options: [
              ...e.options.map((o) => ({ ...o, name: `${o.name}, as built` })),
              { id: 'another', name: 'Another' },
            ],
          }
        : e,
    );
    const { body } = await planner
      .put('/api/specs/Corrie%206/draft')
      .send({ basedOn: latest, sheet: { ...sheet, equipment }, version: 0 })
      .expect(200);
    await planner
      .post('/api/specs/Corrie%206/publish')
      .send({ version: body.version, remark: 'one more' })
      .expect(201);
  });
});
