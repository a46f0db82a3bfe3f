import { randomUUID } from 'node:crypto';
import type { MachineFile, Visit, WorkItem } from '@green-tally/core/contracts';
import { machineId, openPlace, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let ines: Agent;
let rhea: Agent;
beforeAll(async () => {
  place = await openPlace();
  [ines, rhea] = await Promise.all([signedIn(place.app, 'ines'), signedIn(place.app, 'rhea')]);
});
afterAll(() => place.close());

const T126 = machineId('T126');
const item = (change: object = {}) => ({
  id: randomUUID(),
  machineId: T126,
  checkId: 'elevator-chain',
  decision: 'adjust',
  places: ['boot'],
  reason: 'Loose.',
  minutes: 20,
  acceptedBy: 'Somebody Else',
  acceptedAt: '2026-06-09T09:00:00.000Z',
  ...change,
});
const accept = (items: readonly object[], agent = ines) => agent.post('/api/work').send({ items });
const fileOf = async (id: string): Promise<MachineFile> =>
  (await rhea.get(`/api/machines/${id}`)).body;
const workOf = async (id: string): Promise<readonly WorkItem[]> => (await fileOf(id)).work;

describe('accepting work', () => {
  const first = item();

  test('stores it as it stood, under the name of the one who accepted it', async () => {
    expect((await accept([first])).status).toBe(201);
    expect((await workOf(T126)).find((w) => w.id === first.id)).toMatchObject({
      checkId: 'elevator-chain',
      reason: 'Loose.',
      minutes: 20,
      acceptedBy: 'Ines Marrow',
      withdrawnAt: null,
    });
  });
  test('sent once more, it is there once, and unchanged', async () => {
    await accept([{ ...first, minutes: 500 }]);
    const own = (await workOf(T126)).filter((w) => w.id === first.id);
    expect(own.map((w) => w.minutes)).toEqual([20]);
  });
  test('a check with open work takes no second item', async () => {
    const second = item();
    expect((await accept([second], rhea)).status).toBe(201);
    expect((await workOf(T126)).some((w) => w.id === second.id)).toBe(false);
  });
  test('two taps at once accept it once', async () => {
    const twice = [
      item({ checkId: 'fan-drive-belt', places: ['belt'] }),
      item({ checkId: 'fan-drive-belt', places: ['belt'] }),
    ];
    await Promise.all(twice.map((w) => accept([w])));
    const stored = (await workOf(T126)).filter((w) => w.checkId === 'fan-drive-belt');
    expect(stored).toHaveLength(1);
  });
  test('all or none: one for a check the machine does not have keeps the others out', async () => {
    const good = item({ checkId: 'chopper-knives', places: ['rotor'] });
    const { status, body } = await accept([good, item({ checkId: 'no-such-check' })]);
    expect([status, body.errors?.[0].field]).toEqual([400, 'checkId']);
    expect((await workOf(T126)).some((w) => w.id === good.id)).toBe(false);
  });
  test.each([
    ['what holds is no work', 'items.0.decision', { decision: 'holds' }],
    ['less than no time', 'items.0.minutes', { minutes: -1 }],
    ['nowhere', 'items.0.places', { places: [] }],
    [
      'half a part',
      'items.0.parts.0.quantity',
      { parts: [{ number: '1', name: 'x', quantity: 0.5 }] },
    ],
    ['never', 'items.0.acceptedAt', { acceptedAt: 'today' }],
  ])('%s: refused by %s', async (_, field, change) => {
    const { status, body } = await accept([item(change)]);
    expect(status).toBe(400);
    expect(body.errors.map((e: { field: string }) => e.field)).toContain(field);
  });
  test('none at all is refused', async () => expect((await accept([])).status).toBe(400));
  test('for a machine nobody knows is 404', async () =>
    expect((await accept([item({ machineId: randomUUID() })])).status).toBe(404));
});

describe('taking work back', () => {
  test('it stays on record with its time; once more changes nothing', async () => {
    const given = item({ checkId: 'wheel-bolts', places: ['front'] });
    await accept([given]);
    expect((await ines.delete(`/api/work/${given.id}`)).status).toBe(200);
    const when = (await workOf(T126)).find((w) => w.id === given.id)?.withdrawnAt;
    expect(when).toMatch(/^2026-06-09T/);
    await ines.delete(`/api/work/${given.id}`);
    expect((await workOf(T126)).find((w) => w.id === given.id)?.withdrawnAt).toBe(when);
  });
  test('it leaves its visit, and whoever moves that visit is told that it changed', async () => {
    const T118 = machineId('T118');
    const file = await fileOf(T118);
    const visit = file.visits[0] as Visit;
    const [taken = ''] = visit.workIds;
    expect((await ines.delete(`/api/work/${taken}`)).status).toBe(200);
    const after = (await fileOf(T118)).visits.find((v) => v.id === visit.id);
    expect(after?.workIds).not.toContain(taken);
    expect(after?.version).toBe(visit.version + 1);
    const moved = await rhea.put(`/api/visits/${visit.id}`).send({ ...visit });
    expect(moved.status).toBe(409);
  });
  test('then the check may be accepted anew', async () => {
    const again = item({ checkId: 'wheel-bolts', places: ['front'] });
    await accept([again]);
    expect((await workOf(T126)).some((w) => w.id === again.id)).toBe(true);
  });
  test('what nobody knows is 404', async () =>
    expect((await ines.delete(`/api/work/${randomUUID()}`)).status).toBe(404));
});

describe('what was done of some work', () => {
  const given = item({ checkId: 'threshing-belt', places: ['belt'] });
  const entry = (change: object = {}) => ({
    id: randomUUID(),
    at: '2026-06-09T10:00:00.000Z',
    by: 'Somebody Else',
    hands: ['Ines Marrow', 'Bram Tolley'],
    minutes: 45,
    parts: [{ number: 'LM-5207', name: 'Belt', quantity: 1 }],
    hours: 980,
    note: '',
    ...change,
  });
  const note = (body: object, id = given.id) => ines.post(`/api/work/${id}/worked`).send(body);
  const workedOf = async () => (await workOf(T126)).find((w) => w.id === given.id)?.worked ?? [];
  const first = entry();
  beforeAll(async () => {
    const checks = (await fileOf(T126)).sheets[0]?.checks ?? [];
    const taken = new Set((await workOf(T126)).map((w) => w.checkId));
    given.checkId =
      checks.find((c) => !taken.has(c.id) && !Object.keys(c.when).length && !c.fits)?.id ?? '';
    await accept([given]).expect(201);
  });

  test('is kept under the name of who says it, with all hands', async () => {
    expect((await note(first)).status).toBe(200);
    expect(await workedOf()).toEqual([{ ...first, by: 'Ines Marrow', strikes: null }]);
  });
  test('sent once more, it is there once, and unchanged', async () => {
    expect((await note({ ...first, minutes: 500 })).status).toBe(200);
    expect((await workedOf()).map((w) => w.minutes)).toEqual([45]);
  });
  test('two at once are both there', async () => {
    await Promise.all([note(entry({ minutes: 5 })), note(entry({ minutes: 7 }))]);
    expect((await workedOf()).map((w) => w.minutes).sort()).toEqual([45, 5, 7].sort());
  });
  test('one that was wrong is taken back by another, and stays on record', async () => {
    const before = (await workedOf()).length;
    expect((await note(entry({ strikes: first.id, note: 'other machine' }))).status).toBe(200);
    expect(await workedOf()).toHaveLength(before + 1);
    const none = await note(entry({ strikes: randomUUID() }));
    expect([none.status, none.body.errors?.[0].field]).toEqual([400, 'strikes']);
  });
  test.each([
    ['minutes', { minutes: 0 }],
    ['minutes', { minutes: 'an hour' }],
    ['hands', { hands: [] }],
    ['parts.0.quantity', { parts: [{ number: '1', name: 'x', quantity: -1 }] }],
    ['hours', { hours: -5 }],
  ])('nonsense is refused by %s', async (field, change) => {
    const { status, body } = await note(entry(change));
    expect([status, body.errors?.[0].field]).toEqual([400, field]);
  });
  test('of work that nobody knows is 404', async () =>
    expect((await note(entry(), randomUUID())).status).toBe(404));
  test('work is not accepted as if it had been done already', async () => {
    const sly = item({ checkId: given.checkId, from: 'service', decision: 'due', worked: [first] });
    await accept([sly]);
    expect((await workOf(T126)).find((w) => w.id === sly.id)?.worked).toEqual([]);
  });
});
