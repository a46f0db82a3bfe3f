import request from 'supertest';
import { BOOK_COLUMNS, BookReport, type BookKind } from '@green-tally/core/contracts/books';
import { MachineRow, PersonRow } from '../db';
import { openPlace, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
let maud: Agent;
beforeAll(async () => {
  place = await openPlace();
  [rhea, maud] = await Promise.all([signedIn(place.app, 'rhea'), signedIn(place.app, 'maud')]);
});
afterAll(() => place.close());

const send = async (kind: BookKind, text: string, { preview = false, agent = maud } = {}) => {
  const answer = await agent
    .post(`/api/books/${kind}/import${preview ? '?preview=yes' : ''}`)
    .type('text/csv')
    .send(text);
  return { status: answer.status, body: answer.body };
};
const report = async (kind: BookKind, text: string, preview = false) =>
  BookReport.parse((await send(kind, text, { preview })).body);
const heading = (kind: BookKind, separator = ',') =>
  BOOK_COLUMNS[kind].map((c) => c.name).join(separator);
const example = (kind: BookKind, change: Readonly<Record<string, string>> = {}, separator = ',') =>
  BOOK_COLUMNS[kind].map((c) => change[c.name] ?? c.example).join(separator);
const machine = (serial: string, change: object = {}) =>
  example('machines', { serial, model: 'Ouzel 7', ...change });

describe('a list brought in', () => {
  test.each(['customers', 'headers', 'people'] as const)(
    '%s: shown first, stored then, there already after that',
    async (kind) => {
      const change: Record<string, string> = kind === 'headers' ? { model: 'Tarn 5' } : {};
      const text = `${heading(kind)}\n${example(kind, change)}\n`;
      expect(await report(kind, text, true)).toMatchObject({
        stored: false,
        fresh: 1,
        troubles: 0,
      });
      expect(await report(kind, text)).toMatchObject({ stored: true, fresh: 1 });
      expect(await report(kind, text)).toMatchObject({ stored: false, fresh: 0, there: 1 });
    },
  );
  test('machines, with a semicolon and decimal commas; the header is on the books with it', async () => {
    const text = [
      heading('machines', ';'),
      example(
        'machines',
        {
          serial: 'X100',
          model: 'Ouzel 7',
          'header model': 'Merle 10',
          'header serial': 'H900',
          'width m': '9,1',
          hours: '820,5',
        },
        ';',
      ),
    ].join('\r\n');
    expect(await report('machines', `\uFEFF${text}`)).toMatchObject({ stored: true, fresh: 1 });
    const row = await MachineRow.findOne({ where: { serial: 'X100' } });
    expect(row).toMatchObject({ hours: 820.5, harvest: { widthM: 9.1, speedKmh: 6 } });
    const { headers } = (await maud.get('/api/headers')).body;
    expect(headers).toContainEqual(
      expect.objectContaining({ serial: 'H900', model: 'Merle 10', on: 'X100' }),
    );
  });
  test('people can sign in with what they were told', async () => {
    await send('people', `${heading('people')}\n${example('people', { 'sign-in': 'bea' })}`);
    const answer = await request(place.app)
      .post('/api/session')
      .send({ signIn: 'bea', password: 'ten letters' });
    expect(answer.status).toBe(201);
  });
});

describe('the lists, page by page', () => {
  test.each([
    // two branches may have a customer of the same name
    ['customers', (c: { name: string; id: string }) => `${c.name.toLowerCase()} ${c.id}`],
    ['headers', (h: { serial: string }) => h.serial],
  ] as const)('%s: each once, in order, and how many there are', async (kind, keyOf) => {
    const keys: string[] = [];
    let cursor: string | null = null;
    let all = 0;
    do {
      const answer: request.Response = await maud
        .get(`/api/${kind}`)
        .query({ limit: 4, ...(cursor ? { cursor } : {}) })
        .expect(200);
      keys.push(...answer.body[kind].map(keyOf));
      ({ next: cursor, all } = answer.body);
    } while (cursor);
    expect(keys).toHaveLength(all);
    expect(new Set(keys).size).toBe(all);
    expect(keys).toEqual([...keys].sort());
    const whole = (await maud.get(`/api/${kind}?limit=500`)).body;
    expect(whole[kind].map(keyOf)).toEqual(keys);
  });
  test('a header is sought by serial, model or customer; those of one customer are told', async () => {
    const { headers } = (await maud.get('/api/headers?limit=500')).body;
    const [one] = headers;
    const sought = (await maud.get('/api/headers').query({ q: one.serial.toLowerCase() })).body;
    expect(sought.headers).toContainEqual(one);
    const own = (await maud.get('/api/headers').query({ customer: one.customer })).body.headers;
    expect(own.length).toBe(
      headers.filter((h: { customer: string }) => h.customer === one.customer).length,
    );
    expect((await maud.get('/api/customers').query({ q: 'nobody at all' })).body).toMatchObject({
      customers: [],
      all: 0,
      next: null,
    });
  });
});

describe('what cannot be brought in', () => {
  test('one bad line, and nothing is stored: line, column, remedy', async () => {
    const text = [
      heading('machines'),
      machine('X201'),
      machine('X202', { model: 'Nobody 3' }),
      machine('X203', { hours: 'many' }),
      machine('', {}),
      machine('X201'),
      machine('X204', { 'harvest end': '2026-01-01' }),
    ].join('\n');
    const { lines, stored, troubles } = await report('machines', text);
    expect([stored, troubles]).toEqual([false, 5]);
    expect(lines.map((l) => [l.line, l.state, l.errors[0]?.field])).toEqual([
      [2, 'new', undefined],
      [3, 'trouble', 'model'],
      [4, 'trouble', 'hours'],
      [5, 'trouble', 'serial'],
      [6, 'trouble', 'name'],
      [7, 'trouble', 'harvest end'],
    ]);
    expect(lines[1]?.errors[0]?.message).toMatch(/Write one of .*Ouzel 7.*starter/);
    expect(lines[4]?.errors[0]?.message).toMatch(/line 2/);
    expect(await MachineRow.count({ where: { serial: 'X201' } })).toBe(0);
  });
  test('a header’s model is no combine’s', async () => {
    const { lines } = await report(
      'machines',
      `${heading('machines')}\n${machine('X300', { model: 'Tarn 5' })}`,
    );
    expect(lines[0]?.errors[0]?.message).toMatch(/no sheet for a combine "Tarn 5"/);
  });
  test.each([
    ['machines', 'serial,model\nA,B', /Missing: customer/],
    ['people', 'name\n', /Missing/],
    ['customers', 'name\n', /no customers below/],
    ['customers', '', /Missing: name/],
  ] as const)('%s %j is no such file', async (kind, text, words) => {
    const { status, body } = await send(kind, text);
    expect([status, body.detail]).toEqual([400, expect.stringMatching(words)]);
  });
  test('people are brought in by an admin alone; the list has no passwords', async () => {
    const before = await PersonRow.count();
    const { status } = await send(
      'people',
      `${heading('people')}\n${example('people', { 'sign-in': 'cy' })}`,
      { agent: rhea },
    );
    expect([status, await PersonRow.count()]).toEqual([403, before]);
    expect((await rhea.get('/api/books/people/file')).status).toBe(403);
    const { text } = await maud.get('/api/books/people/file');
    expect(text).toContain('maud');
    expect(text).not.toMatch(/scrypt|before-harvest/);
  });
  test('two at once with the same serial: one is stored, the other told, none doubled', async () => {
    const text = `${heading('machines')}\n${machine('X400')}`;
    const answers = await Promise.all([send('machines', text), send('machines', text)]);
    const stored = answers.filter((a) => a.body.stored === true);
    expect(stored.length).toBeGreaterThanOrEqual(1);
    for (const a of answers) expect([200, 409]).toContain(a.status);
    expect(await MachineRow.count({ where: { serial: 'X400' } })).toBe(1);
  });
});

describe('a list written out', () => {
  test.each(['customers', 'machines', 'headers'] as const)(
    '%s: brought in again, all of it is there',
    async (kind) => {
      const { text } = await maud.get(`/api/books/${kind}/file`);
      const { fresh, there, troubles, lines } = await report(kind, text, true);
      // an admin sees two branches, in which a customer may stand once each
      const twice = lines.filter((l) => l.errors.some((e) => e.message.startsWith('once only')));
      expect([fresh <= lines.length - there, troubles - twice.length]).toEqual([true, 0]);
      expect(there).toBeGreaterThan(10);
    },
  );
  test('what a spreadsheet would take for a formula is text', async () => {
    await send('customers', `name,note\n=1+1,"=HYPERLINK(""x"")"\n`);
    const { text } = await maud.get('/api/books/customers/file');
    expect(text).toContain(`'=1+1`);
  });
});

describe('sheets to begin with', () => {
  const begin = (body: object, agent = maud) => agent.post('/api/spec-models').send(body);
  test('there is one for every kind of machine and header', async () => {
    const { starters } = (await maud.get('/api/starters')).body;
    expect(starters.map((s: { id: string }) => s.id)).toEqual([
      'rotary',
      'walker',
      'belt-conveyor',
      'draper',
      'flex-auger',
      'row-crop',
      'rigid',
    ]);
    for (const s of starters) expect(s.figures).toBeGreaterThan(30);
  });
  test('one becomes the sheet of a model; twice it is refused by that field', async () => {
    const body = { model: 'Own 9', maker: 'Own', from: { starter: 'walker' } };
    expect((await begin(body)).status).toBe(201);
    const again = await begin(body);
    expect([again.status, again.body.errors[0].field]).toEqual([409, 'model']);
    const { sheet } = (await maud.get('/api/specs/Own%209')).body;
    expect([sheet.maker, sheet.revision, sheet.remark]).toEqual([
      'Own',
      1,
      'From the starter: Straw-walker combine.',
    ]);
  });
  test('a model may begin from another one, with its figures or without', async () => {
    await begin({ model: 'Own 10', maker: 'Own', from: { model: 'Tarn 5', figures: true } });
    await begin({ model: 'Own 11', maker: 'Own', from: { model: 'Tarn 5', figures: false } });
    const limitOf = async (model: string) =>
      (await maud.get(`/api/specs/${encodeURIComponent(model)}`)).body.sheet.checks.find(
        (c: { id: string }) => c.id === 'knife-head',
      ).limit.type;
    expect([await limitOf('Own 10'), await limitOf('Own 11')]).toEqual(['wear', 'open']);
  });
  test.each([
    [{ model: 'Own 12', maker: 'Own', from: { starter: 'tractor' } }, 404],
    [{ model: 'Own 12', maker: 'Own', from: { model: 'Nobody', figures: true } }, 404],
    [{ model: ' ', maker: 'Own', from: { starter: 'rotary' } }, 400],
  ])('%j: %i', async (body, status) => expect((await begin(body)).status).toBe(status));
});
