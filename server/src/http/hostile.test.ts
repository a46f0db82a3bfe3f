import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { demoId } from '@green-tally/demo';
import { beltReading, machineId, placeWith, problem } from '../testing/place';
import { readersOn } from '../cli/readApart';
import { resolve } from 'node:path';

/** What is plausible in form and wrong in fact, and what is not even that. */
const { as } = placeWith('ines', 'rhea', 'maud');
const T118 = machineId('T118');
const batch = async (readings: readonly object[]) =>
  (await as('ines').post('/api/readings:batch').send({ readings }).expect(200)).body.results;
const one = async (change: object) => (await batch([beltReading(change)]))[0];
const walk = (change: object = {}, id: string = randomUUID()) =>
  as('ines')
    .put(`/api/walks/${id}`)
    .send({
      ...{ machineId: T118, startedAt: '2026-06-09T07:00:00.000Z', hours: 1285, by: 'x' },
      ...change,
    });
const change = (body: object) => as('rhea').patch(`/api/machines/${T118}`).send(body);
const harvestOf = async () => (await as('rhea').get(`/api/machines/${T118}`)).body.machine.harvest;

describe('one bad reading in a batch', () => {
  test.each([
    ['half an emoji', { note: 'cut \ud83d' }, 'note'],
    ['a NUL', { note: 'a\u0000b' }, 'note'],
    ['half an emoji as a key', { ['\ud83d']: 1 }, '\ud83d'],
    ['a revision beyond any', { sheet: { model: 'Ouzel 7', revision: 1e15 } }, 'sheet.revision'],
    ['the year 0', { takenAt: '0000-01-01T00:00:00Z' }, 'takenAt'],
    ['a year to come', { takenAt: '9999-01-01T00:00:00Z' }, 'takenAt'],
    ['hours beyond any meter', { hours: 1e9 }, 'hours'],
    ['a tool of no resolution', { tool: { name: 'x', resolution: 1e-300 } }, 'tool.resolution'],
  ])('%s is refused alone, by name; the other 49 are stored', async (_what, bad, field) => {
    const good = Array.from({ length: 49 }, () => beltReading());
    const results = await batch([...good.slice(0, 20), beltReading(bad), ...good.slice(20)]);
    expect(results[20]).toMatchObject({ result: 'rejected', errors: [{ field }] });
    expect(results.filter((r: { result: string }) => r.result === 'accepted')).toHaveLength(49);
  });
});

describe('what is plausible and wrong', () => {
  test('a reading minutes ahead is one; one further ahead says the clock is wrong', async () => {
    expect((await one({ takenAt: '2026-06-09T18:10:00.000Z' })).result).toBe('accepted');
    const { result, errors } = await one({ takenAt: '2026-06-09T19:00:00.000Z' });
    expect([result, errors[0].field]).toEqual(['rejected', 'takenAt']);
    expect(errors[0].message).toMatch(/Set the clock of the device/);
  });
  test('whoever sends it took it, whatever it says', async () => {
    const reading = beltReading({ by: 'Somebody Else' });
    await batch([reading]);
    const { readings } = (await as('ines').get(`/api/machines/${T118}`)).body;
    expect(readings.find((r: { id: string }) => r.id === reading['id']).by).toBe('Ines Marrow');
  });
  test.each([
    ['walkId', { walkId: randomUUID() }],
    ['sheet.revision', { sheet: { model: 'Ouzel 7', revision: 77 } }],
    ['sheet.revision', { sheet: { model: 'No Such', revision: 1 } }],
    ['value.typed.0', { value: { kind: 'measure', values: [37.2], typed: ['73.2'], unit: 'mm' } }],
    ['value.typed.0', { value: { kind: 'measure', values: [37.2], typed: ['xx'], unit: 'mm' } }],
    [
      'value.typed.1',
      { value: { kind: 'measure', values: [37.2], typed: ['37.2', '9'], unit: 'mm' } },
    ],
  ])('a reading whose %s is not so is refused by it', async (field, bad) => {
    expect(await one(bad)).toMatchObject({ result: 'rejected', errors: [{ field }] });
  });
  test('another machine’s walk is not this one’s', async () => {
    const id = randomUUID();
    await walk({ machineId: machineId('T126'), hours: 700 }, id).expect(200);
    expect(await one({ walkId: id })).toMatchObject({ errors: [{ field: 'walkId' }] });
  });
  test('struck once, a reading is struck; the machine’s hours fall back to what stands', async () => {
    const hours = async () => (await as('ines').get(`/api/machines/${T118}`)).body.machine.hours;
    const before = await hours();
    const typo = beltReading({ hours: before + 20, takenAt: '2026-06-09T18:12:00.000Z' });
    await batch([typo]);
    expect(await hours()).toBe(before + 20);
    const strike = () => ({
      ...beltReading({ strikes: typo['id'], value: { kind: 'strike', why: 'misread the meter' } }),
      ...{ hours: before, takenAt: '2026-06-09T18:13:00.000Z' },
    });
    expect((await batch([strike()]))[0].result).toBe('accepted');
    expect(await hours()).toBe(before);
    const [again] = await batch([strike()]);
    expect([again.result, again.errors[0].message]).toEqual([
      'rejected',
      'This reading is struck already.',
    ]);
    const twice = beltReading({ hours: before, takenAt: '2026-06-09T18:13:00.000Z' });
    const both = [1, 2].map(() => ({ ...strike(), strikes: twice['id'] }));
    const results = await batch([twice, ...both]);
    expect(results.map((r: { result: string }) => r.result)).toEqual([
      'accepted',
      'accepted',
      'rejected',
    ]);
  });
  test('a walk: finished before it was begun, or to come, is none; finished, it stays so, its notes too', async () => {
    problem(await walk({ finishedAt: '2026-06-09T06:00:00.000Z' }), 400, 'finishedAt');
    problem(await walk({ startedAt: '2026-06-10T06:00:00.000Z' }), 400, 'startedAt');
    const id = randomUUID();
    await walk({ finishedAt: '2026-06-09T09:00:00.000Z', noticed: 'squeals' }, id).expect(200);
    const { body } = await walk({ finishedAt: '2026-06-09T10:00:00.000Z', noticed: '' }, id);
    expect(body).toMatchObject({ finishedAt: '2026-06-09T09:00:00.000Z', noticed: 'squeals' });
    expect((await walk({ finishedAt: null }, id)).body.finishedAt).toBe('2026-06-09T09:00:00.000Z');
    expect(body.by).toBe('Ines Marrow');
  });
  test.each([
    ['harvest.end', { start: '2025-07-01', end: '2025-08-01' }],
    ['harvest.start', { start: '2099-07-01', end: '2099-08-01' }],
    ['harvest.end', { start: '2026-07-10', end: '2027-06-30' }],
    ['harvest.start', { start: '9999-07-10', end: '9999-08-01' }],
    ['harvest.areaHa', { areaHa: 7.04e-271 }],
    ['harvest.widthM', { widthM: 1e-9 }],
    ['harvest.areaHa', { areaHa: 90_000 }],
  ])('a harvest that cannot be is refused by %s', async (field, dates) => {
    problem(await change({ harvest: { ...(await harvestOf()), ...dates } }), 400, field);
  });
  test('serials that differ by their letters alone are one machine', async () => {
    const fresh = {
      ...{ id: randomUUID(), serial: 't118', model: 'Ouzel 7', customer: 'Harrow End' },
      ...{ builtOn: '2024-02-01', hours: 10, header: null, harvest: await harvestOf() },
    };
    problem(await as('rhea').post('/api/machines').send(fresh), 409, 'serial');
    problem(
      await as('rhea')
        .post('/api/machines')
        .send({ ...fresh, serial: 'N1', builtOn: '2027-01-01' }),
      400,
      'builtOn',
    );
  });
  test('a visit by somebody of another branch, by a planner, or in 2031 is none', async () => {
    const plan = (bad: object) =>
      as('rhea')
        .put(`/api/visits/${randomUUID()}`)
        .send({
          ...{ machineId: T118, technicianId: demoId('person ines'), startsOn: '2026-06-16' },
          ...bad,
        });
    problem(await plan({ technicianId: demoId('person sana') }), 400, 'technicianId');
    problem(await plan({ technicianId: demoId('person rhea') }), 400, 'technicianId');
    problem(await plan({ mateId: demoId('person sana') }), 400, 'mateId');
    problem(await plan({ startsOn: '2031-06-16' }), 400, 'startsOn');
  });
  test('more equipment than any machine has', async () => {
    const equipment = Object.fromEntries(Array.from({ length: 15_000 }, (_, i) => [`k-${i}`, 'x']));
    problem(await change({ equipment }), 400, 'equipment');
  });
});

describe('a client’s faults are its own: 4xx in words', () => {
  test.each([
    ['bad percent-encoding', '/api/machines/%E0%A4%A'],
    ['bad percent-encoding in what is searched', '/api/yard?q=%ff'],
    ['the year 0', '/api/van?technician=0197a000-0000-7000-8000-000000000001&on=0000-01-01'],
    ['a revision beyond any', '/api/specs/Ouzel%207?revision=99999999999999999999'],
    ['a NUL in what is searched', '/api/yard?q=a%00b'],
    ['a cursor of something else', '/api/yard?cursor=%5B%5D'],
    ['a limit beyond any', '/api/yard?limit=1e9'],
  ])('%s', async (_what, path) => {
    const { status } = await as('maud').get(path);
    expect(status).toBeLessThan(500);
  });
  test('an unknown branch is nobody’s', async () => {
    expect((await as('rhea').get('/api/yard?branch=Nowhere')).status).toBe(403);
    expect((await as('maud').get('/api/yard?branch=Nowhere')).status).toBeLessThan(500);
  });
  test.each([
    ['gzip that is none', Buffer.from('no gzip at all')],
    [
      'gzip that is cut off',
      gzipSync(JSON.stringify({ readings: [beltReading()] })).subarray(0, 40),
    ],
  ])('%s', async (_what, bytes) => {
    const { status } = await as('ines')
      .post('/api/readings:batch')
      .set('content-encoding', 'gzip')
      .type('application/json')
      .serialize((b: unknown) => b as string)
      .send(bytes as unknown as object);
    expect(status).toBe(400);
  });
  test.each([
    ['an origin that is no address', { origin: 'not an origin' }],
    ['a page without an origin', { origin: 'null' }],
    ['another site', { 'sec-fetch-site': 'cross-site' }],
    ['another port of this machine', { 'sec-fetch-site': 'same-site' }],
  ])('%s may not write', async (_what, headers) => {
    const { status } = await as('ines').post('/api/ticks').set(headers).send({ ticks: [] });
    expect(status).toBe(403);
  });
  test('our own page and what is no browser may', async () => {
    for (const headers of [{ 'sec-fetch-site': 'same-origin' }, {}]) {
      const { status } = await as('ines').post('/api/ticks').set(headers).send({ ticks: [] });
      expect(status).toBe(400);
    }
  });
});

describe('what would keep a server from everybody else', () => {
  const quick = async (work: () => Promise<request.Response>) => {
    const answer = await work();
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect((await as('ines').get('/api/yard')).status).toBe(200);
  };
  test('two megabytes of brackets, in JSON and in a sheet', async () => {
    const brackets = '['.repeat(2_000_000);
    await quick(() => as('rhea').post('/api/machines').type('json').send(brackets));
    await quick(() => as('rhea').post('/api/specs').type('json').send(`{"a":${brackets}`));
    await quick(() =>
      as('rhea')
        .post('/api/readings:batch')
        .type('json')
        .send(`{"a":${'{"b":'.repeat(100_000)}`),
    );
    await quick(() =>
      as('rhea')
        .post('/api/machines')
        .type('json')
        .send(`[${'1,'.repeat(900_000)}1]`),
    );
  });
  test('a sheet’s file of brackets, of dashes or of aliases is refused with its line, on a thread', async () => {
    const { sheet } = readersOn(resolve(__dirname, '../../dist/readFile.mjs'));
    // an honest one is read there
    const honest = (await as('rhea').get('/api/specs/Tarn%207/file').expect(200)).text;
    expect((await sheet(honest)).sheet?.model).toBe('Tarn 7');
    for (const text of [
      '['.repeat(2_000_000),
      `{"a":${'['.repeat(3_000_000)}`,
      `model: X\nchecks: ${'- '.repeat(400_000)}`,
      `a: "x]"\nb: ${'{"b":'.repeat(101)}`,
    ])
      await expect(sheet(text)).rejects.toThrow(/Line [12]: lists and fields stand more than 100/);
    const bomb = [
      'a: &a [x,x,x,x,x,x,x,x,x]',
      ...'bcdefgh'
        .split('')
        .map((k, i) => `${k}: &${k} [${Array(9).fill(`*${'abcdefg'[i]}`).join(',')}]`),
    ].join('\n');
    await expect(sheet(bomb)).rejects.toThrow(/repeats parts of itself/);
  });
  test('a cell, a line, a heading longer than any', async () => {
    const books = (text: string) =>
      as('maud').post('/api/books/customers/import').type('text/csv').send(text);
    await quick(() => books(`name,place\n${'x'.repeat(50_000)},here`));
    await quick(() => books(Array.from({ length: 5000 }, (_, i) => `c${i}`).join(',') + '\n1'));
    await quick(() => books(`name\n${'"'.repeat(200_000)}`));
  });
});
