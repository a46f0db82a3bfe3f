import { randomUUID } from 'node:crypto';
import { Machine, type MachineFile, type YardRow } from '@green-tally/core/contracts';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
let maud: Agent;
beforeAll(async () => {
  place = await openPlace();
  [rhea, maud] = await Promise.all([signedIn(place.app, 'rhea'), signedIn(place.app, 'maud')]);
});
afterAll(() => place.close());

const harvest = {
  crop: 'lentils',
  start: '2026-08-01',
  end: '2026-08-20',
  areaHa: 200,
  widthM: 9,
  speedKmh: 6,
  efficiency: 0.7,
};
const newMachine = (change: object = {}) => ({
  id: randomUUID(),
  serial: `N${randomUUID().slice(0, 6)}`,
  model: 'Ouzel 7',
  customer: 'Harrow End',
  builtOn: '2024-02-01',
  hours: 10,
  header: null,
  harvest,
  ...change,
});
const add = (machine: object, agent = rhea) => agent.post('/api/machines').send(machine);
const change = (id: string, body: object, agent = rhea) =>
  agent.patch(`/api/machines/${id}`).send(body);
const fileOf = async (id: string): Promise<MachineFile> =>
  (await maud.get(`/api/machines/${id}`)).body;
const yardRow = async (id: string): Promise<YardRow | undefined> =>
  (await maud.get('/api/yard')).body.rows.find((r: YardRow) => r.machine.id === id);

describe('a new machine', () => {
  test('belongs to the branch of the one who adds it, and stands in the yard to be walked', async () => {
    const machine = newMachine();
    const { status, body } = await add(machine);
    expect([status, Machine.parse(body.machine ?? body).branch]).toEqual([201, 'Upper Larkmoor']);
    expect(await yardRow(machine.id)).toMatchObject({ walk: 'none', next: { id: 'startWalk' } });
  });
  test('of a model without a sheet says so instead of being ready', async () => {
    const machine = newMachine({ model: 'QX1' });
    expect((await add(machine)).status).toBe(201);
    expect(await yardRow(machine.id)).toMatchObject({ checks: 0, next: { id: 'noSheet' } });
  });
  test('may be added to another branch only by an admin', async () => {
    expect((await add(newMachine({ branch: 'Sedge Ford' }))).status).toBe(403);
    expect((await add(newMachine({ branch: 'Sedge Ford' }), maud)).status).toBe(201);
  });
  test('under a serial that is on the books is refused by that field', async () => {
    const { status, body } = await add(newMachine({ serial: 'T118' }));
    expect([status, body.errors?.[0].field]).toEqual([409, 'serial']);
    expect(body.detail).toContain('T118');
  });
  test.each([
    ['serial', { serial: ' ' }],
    ['hours', { hours: -1 }],
    ['hours', { hours: 'many' }],
    ['builtOn', { builtOn: 'last spring' }],
    ['harvest.end', { harvest: { ...harvest, end: '2026-07-01' } }],
    ['harvest.efficiency', { harvest: { ...harvest, efficiency: 1.2 } }],
    ['harvest.areaHa', { harvest: { ...harvest, areaHa: 0 } }],
    ['header.serial', { header: { model: 'Merle 12' } }],
    ['id', { id: 'none' }],
  ])('with nonsense is refused by %s, and nothing is stored: %j', async (field, spoilt) => {
    const machine = newMachine(spoilt);
    const { status, body } = await add(machine);
    expect(status).toBe(400);
    expect(body.errors.map((e: { field: string }) => e.field)).toContain(field);
    expect(await yardRow(machine.id)).toBeUndefined();
  });
});

describe('a machine that changes', () => {
  const T090 = machineId('T090');

  test('keeps what is not said', async () => {
    const before = (await fileOf(T090)).machine;
    expect((await change(T090, { hours: before.hours + 3 })).status).toBe(200);
    expect((await fileOf(T090)).machine).toEqual({ ...before, hours: before.hours + 3 });
  });
  test('a later harvest gives it more slack', async () => {
    const before = await yardRow(T090);
    const { harvest: own } = (await fileOf(T090)).machine;
    await change(T090, { harvest: { ...own, start: '2026-08-03', end: '2026-08-20' } });
    const after = await yardRow(T090);
    expect(after?.slack).toBeGreaterThan(before?.slack ?? Infinity);
  });
  test('a harvest before it was built is refused by that field', async () => {
    const { status, body } = await change(T090, {
      harvest: { ...harvest, start: '1990-08-01', end: '1990-08-20' },
    });
    expect([status, body.errors?.[0].field]).toEqual([400, 'harvest.start']);
  });
  test('without its header it has fewer checks, and the same again with it', async () => {
    const id = machineId('T104');
    const count = async () => (await yardRow(id))?.checks ?? 0;
    const { header } = (await fileOf(id)).machine;
    const whole = await count();
    await change(id, { header: null });
    expect(await count()).toBeLessThan(whole);
    await change(id, { header });
    expect(await count()).toBe(whole);
  });
  test('a machine nobody knows is 404', async () => {
    expect((await change(randomUUID(), { hours: 3 })).status).toBe(404);
    expect((await maud.get(`/api/machines/${randomUUID()}`)).status).toBe(404);
  });
  test('two who change different things at once lose neither', async () => {
    const id = machineId('T126');
    const { harvest: own } = (await fileOf(id)).machine;
    const answers = await Promise.all([
      change(id, { hours: 700 }),
      change(id, { harvest: { ...own, crop: 'oats' } }),
    ]);
    expect(answers.map((a) => a.status)).toEqual([200, 200]);
    expect((await fileOf(id)).machine).toMatchObject({ hours: 700, harvest: { crop: 'oats' } });
  });
});

describe('its checks, in pages', () => {
  const T118 = machineId('T118');
  const pageFrom = async (query: string) =>
    (await maud.get(`/api/machines/${T118}/checks?${query}`)).body;

  test('read to the end they are all there, once each', async () => {
    const ids: string[] = [];
    let query = 'limit=40';
    for (;;) {
      const { items, next } = await pageFrom(query);
      ids.push(...items.map((c: { id: string }) => c.id));
      if (!next) break;
      query = `limit=40&cursor=${next}`;
    }
    expect(ids).toHaveLength((await yardRow(T118))?.checks ?? 0);
    expect(new Set(ids).size).toBe(ids.length);
  });
  test.each(['limit=0', 'limit=501', 'limit=many'])('%s is refused by name', async (query) => {
    const { status, body } = await maud.get(`/api/machines/${T118}/checks?${query}`);
    expect([status, body.errors?.[0].field]).toEqual([400, 'limit']);
  });
});

describe('a meter that runs backwards', () => {
  const T104 = machineId('T104');
  const send = async (readingChange: object) =>
    (
      await maud.post('/api/readings:batch').send({
        readings: [
          beltReading({ machineId: T104, hours: 1500, ...readingChange }),
          beltReading({ machineId: T104, hours: 1500, id: randomUUID() }),
        ],
      })
    ).body.results[0];
  test('is refused for every kind of reading, by name and with the remedy; the machine too', async () => {
    const { hours } = (await fileOf(T104)).machine;
    const back = await send({ hours: hours - 300 });
    expect(back).toMatchObject({ result: 'rejected', errors: [{ field: 'hours' }] });
    expect(back.errors[0].message).toMatch(/stood at .* already\. Check hours and day/);
    const ahead = await send({ hours: 30_000 });
    expect(ahead.errors[0].message).toMatch(/cannot have come to 30,000 h/);
    const { status, body } = await change(T104, { hours: hours - 300 });
    expect([status, body.errors?.[0].field]).toEqual([400, 'hours']);
    expect(body.detail).toMatch(/was read at .* Strike that reading first/);
  });
});
