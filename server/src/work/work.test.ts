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
