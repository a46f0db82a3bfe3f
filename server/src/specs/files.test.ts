import { stringify } from 'yaml';
import { SpecSheet } from '@green-tally/core/contracts';
import { printSheet } from '@green-tally/core/sheets';
import { openPlace, sheetsFor, signedIn, type Place } from '../testing/place';

let place: Place;
type Agent = Awaited<ReturnType<typeof signedIn>>;
let planner: Agent;
let technician: Agent;
beforeAll(async () => {
  place = await openPlace();
  planner = await signedIn(place.app, 'rhea');
  technician = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const sheetOf = sheetsFor(() => technician);

describe('files in and out', () => {
  test('what is exported is imported as the same, byte for byte', async () => {
    const file = (await technician.get('/api/specs/Corrie%204/file').expect(200)).text;
    expect(file).toBe(printSheet((await sheetOf('Corrie 4')).sheet));
    const answer = await planner
      .post('/api/specs/import?preview=yes')
      .type('text/plain')
      .send(file)
      .expect(200);
    expect(answer.body).toMatchObject({ model: 'Corrie 4', same: true, stored: false, errors: [] });
    await planner.post('/api/specs/import').type('text/plain').send(file).expect(200);
    expect((await sheetOf('Corrie 4')).latest).toBe(1);
  });
  test('YAML is accepted, and previewed: what is new, changed, removed; nothing is stored', async () => {
    const { sheet } = await sheetOf('Tarn 7');
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
    expect((await sheetOf('Tarn 7')).latest).toBe(1);
  });
  test('errors name line and field, and nothing is stored', async () => {
    const file = printSheet((await sheetOf('Merle 10')).sheet)
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
    expect((await sheetOf('Merle 10')).latest).toBe(1);
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
    const { sheet } = await sheetOf('Ouzel 7');
    const many = SpecSheet.parse({
      ...sheet,
      model: 'BIG',
      equipment: [],
      checks: Array.from({ length: 2000 }, (_, i) => ({
        ...sheet.checks[i % 100],
        id: `check-${i}`,
        component: `Part ${i}`,
        knockOns: [],
        versions: undefined,
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
