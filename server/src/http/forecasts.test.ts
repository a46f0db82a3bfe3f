import { randomUUID } from 'node:crypto';
import { ForecastPage } from '@green-tally/core/contracts/breakdown';
import { BreakdownRow } from '../db';
import { learn } from '../standings/newDay';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let ines: Agent;
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const page = async (): Promise<ForecastPage> =>
  ForecastPage.parse((await ines.get('/api/forecasts').expect(200)).body);
const stopped = (change: object = {}) => ({
  ...{ id: randomUUID(), machineId: machineId('T104'), at: '2026-06-09T06:00:00.000Z' },
  ...{ hours: 1285, checkId: 'fan-drive-belt', component: 'Fan drive belt', kind: 'cameOff' },
  ...{ hoursLost: 2.5, note: '', by: 'Somebody else' },
  ...change,
});
const post = (body: object) => ines.post('/api/breakdowns').send(body);

describe('was the forecast right', () => {
  test('three seasons of the demo have come out, with what stopped in them', async () => {
    const { all, watched, kinds, breakdowns, hoursLost } = await page();
    expect(all.n).toBeGreaterThan(100);
    expect(all.deciles.reduce((n, d) => n + d.n, 0)).toBe(all.n);
    expect(kinds.reduce((n, k) => n + k.score.n, 0)).toBe(all.n);
    expect(watched.n).toBeLessThan(all.n);
    // what is said is worth something: better than always saying the average
    expect(all.brier ?? 1).toBeLessThan(all.base ?? 0);
    expect(breakdowns.map((b) => b.serial)).toContain('T104');
    expect(hoursLost).toBeGreaterThan(10);
    const belt = breakdowns.find((b) => b.serial === 'T104');
    expect(belt?.chance).not.toBeNull();
    expect(breakdowns.find((b) => b.checkId === null)?.chance).toBeNull();
  });
  test('another branch’s are not in it', async () => {
    const corin = await signedIn(place.app, 'corin');
    const other = ForecastPage.parse((await corin.get('/api/forecasts')).body);
    expect(other.breakdowns).toEqual([]);
    expect(other.all.n).toBeGreaterThan(0);
  });
});

describe('a machine that has stopped', () => {
  test('is kept once, under the name of who is signed in, and told on its page', async () => {
    const body = stopped();
    expect((await post(body)).body).toMatchObject({ by: 'Ines Marrow', hoursLost: 2.5 });
    expect((await post(body)).status).toBe(201);
    expect(await BreakdownRow.count({ where: { id: body.id } })).toBe(1);
    const own = (await ines.get(`/api/machines/${machineId('T104')}/breakdowns`)).body.breakdowns;
    expect(own[0]).toMatchObject({ id: body.id, component: 'Fan drive belt' });
  });
  test('what it closes is learnt with the next day', async () => {
    const before = (await page()).all;
    await post(stopped({ at: '2025-07-05T10:00:00.000Z' })).expect(201);
    await learn(place.db, '2026-06-10');
    const { all } = await page();
    expect(all.n).toBe(before.n);
  });
  test.each([
    ['hoursLost', { hoursLost: -1 }],
    ['hoursLost', { hoursLost: 'long' }],
    ['kind', { kind: 'bad luck' }],
    ['component', { component: ' ' }],
    ['at', { at: '2026-08-01T10:00:00.000Z' }],
    ['at', { at: '1999-08-01T10:00:00.000Z' }],
    ['at', { at: 'yesterday' }],
  ])('nonsense is refused by %s: %j', async (field, change) => {
    const body = stopped(change);
    problem(await post(body), 400, field);
    expect(await BreakdownRow.count({ where: { id: body.id } })).toBe(0);
  });
  test('one of another branch is not said by somebody of this', async () =>
    expect((await post(stopped({ machineId: machineId('B031') }))).status).toBe(403));
  test('the same id is not said of another machine', async () => {
    const body = stopped();
    await post(body).expect(201);
    expect((await post({ ...body, machineId: machineId('T118') })).status).toBe(404);
  });
});
