import { randomUUID } from 'node:crypto';
import { MachineFile, Yard, type Tick } from '@green-tally/core/contracts';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

let place: Place;
type Agent = Awaited<ReturnType<typeof signedIn>>;
let technician: Agent;
let planner: Agent;
let id: string;
beforeAll(async () => {
  place = await openPlace();
  technician = await signedIn(place.app, 'ines');
  planner = await signedIn(place.app, 'rhea');
  id = machineId('T118');
});
afterAll(() => place.close());

const tick = (change: Partial<Tick> = {}): Tick => ({
  id: randomUUID(),
  machineId: id,
  key: 'task|made|Recalibrate the yield sensor',
  done: true,
  at: '2026-06-09T09:00:00.000Z',
  by: 'whoever',
  note: '',
  until: null,
  answer: null,
  ...change,
});
const send = (who: Agent, ...ticks: object[]) => who.post('/api/ticks').send({ ticks });
const kept = async (): Promise<Tick[]> =>
  MachineFile.parse((await technician.get(`/api/machines/${id}`)).body).ticks;

describe('ticks', () => {
  test('are kept with who was signed in, and the machine brings them', async () => {
    const one = tick();
    await send(technician, one).expect(201);
    expect((await kept()).find((t) => t.id === one.id)).toEqual({ ...one, by: 'Ines Marrow' });
  });
  test('sent twice, or twice at once, one is kept', async () => {
    const one = tick();
    await Promise.all([send(technician, one), send(technician, one)]);
    await send(technician, one).expect(201);
    expect((await kept()).filter((t) => t.id === one.id)).toHaveLength(1);
  });
  test('the same id for something else is refused, and nothing of the batch is kept', async () => {
    const one = tick();
    await send(technician, one).expect(201);
    const other = tick();
    problem(await send(technician, other, { ...one, key: 'close|made|tools' }), 400, 'ticks.1.id');
    expect((await kept()).some((t) => t.id === other.id)).toBe(false);
  });
  test.each([
    ['a key of no kind', { key: 'party|made' }, 400, 'ticks.0.key'],
    ['a key of nothing', { key: 'task' }, 400, 'ticks.0.key'],
    ['leaving without a reason', { key: 'leave|belt|x' }, 400, 'ticks.0.note'],
    ['a time that is none', { at: 'noon' }, 400, 'ticks.0.at'],
    ['a machine that is none', { machineId: randomUUID() }, 404, undefined],
  ])('%s is refused by name', async (_, change, status, field) => {
    problem(await send(technician, tick(change)), status, field);
  });
  test('a skip is accepted by a planner, with a word of why', async () => {
    const skip = { key: 'skip|fan-drive-belt|x', note: 'renewed last autumn' };
    problem(await send(technician, tick(skip)), 403);
    await send(planner, tick(skip)).expect(201);
  });
  test("another branch's machine is not theirs to tick", async () => {
    const far = machineId('T114');
    problem(await send(technician, tick({ machineId: far })), 403);
  });
});

describe('ready', () => {
  test('a machine closed up after its walk is ready; one of its ticks taken back, it is not', async () => {
    const row = async () =>
      Yard.parse((await technician.get('/api/yard')).body).rows.find(
        (r) => r.machine.serial === 'T091',
      );
    expect((await row())?.next.id).toBe('ready');
    expect((await row())?.missing).toEqual([]);
    const t091 = machineId('T091');
    const file = MachineFile.parse((await technician.get(`/api/machines/${t091}`)).body);
    const closing = file.ticks.find((t) => t.key.endsWith('|tools'));
    await send(
      technician,
      tick({
        machineId: t091,
        key: closing?.key ?? '',
        done: false,
        at: '2026-06-09T10:00:00.000Z',
      }),
    ).expect(201);
    expect((await row())?.missing).toEqual([{ id: 'closeUp', count: 1 }]);
    expect((await row())?.next.id).toBe('closeUp');
  });
});
