import { randomUUID } from 'node:crypto';
import type { BoardJob } from '@green-tally/core/contracts';
import { DEMO_DAY, demoId } from '@green-tally/demo';
import { clockFor } from '../clock';
import { runJobs } from '../jobs/work';
import { openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
let maud: Awaited<ReturnType<typeof signedIn>>;
beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const [ines, bram] = ['ines', 'bram'].map((name) => demoId(`person ${name}`));
const change = (id: string | undefined, body: object) => maud.patch(`/api/people/${id}`).send(body);

describe('how likely machines are ready in time', () => {
  test('is 0 with visits of who is suspended, on the board and in the Yard, till they are back', async () => {
    await change(ines, { suspended: true }).expect(200);
    const shop = { db: place.db, clock: clockFor(DEMO_DAY) };
    expect((await runJobs(shop)).chances).toBeGreaterThan(0);
    const of = async () => {
      const { jobs } = (await maud.get('/api/board')).body as { jobs: BoardJob[] };
      const left = jobs.filter((j) => j.published?.technicianIds.includes(ines ?? ''));
      const { rows } = (await maud.get('/api/yard?q=T118')).body;
      return [...left.map((j) => j.chance), rows[0].chance];
    };
    expect((await of()).length).toBeGreaterThan(1);
    expect(new Set(await of())).toEqual(new Set([0]));
    await change(ines, { suspended: false }).expect(200);
    await runJobs(shop);
    expect(Math.max(...(await of()).map(Number))).toBeGreaterThan(0);
  });
  test.each<[what: string, move: () => Promise<{ status: number }>]>([
    [
      'a part is ordered',
      async () =>
        maud.post('/api/orders').send({
          orders: [{ id: randomUUID(), number: 'LM-7020', quantity: 1, expectedOn: '2026-06-20' }],
        }),
    ],
    [
      'a shelf is counted',
      async () => maud.put('/api/stock').send({ counts: [{ number: 'LM-7020', onHand: 3 }] }),
    ],
    [
      'somebody works other hours',
      async () => {
        const { technicians } = (await maud.get('/api/crew')).body;
        const { name: _, ...hours } = technicians.find(
          (t: { personId: string }) => t.personId === bram,
        );
        return maud
          .put(`/api/crew/technicians/${bram}`)
          .send({ ...hours, away: [{ from: '2026-06-22', to: '2026-06-26', why: 'ill' }] });
      },
    ],
    [
      'the branch plans otherwise',
      async () => {
        const { setting } = (await maud.get('/api/crew')).body;
        return maud.put('/api/crew/setting').send({ ...setting, bays: setting.bays + 1 });
      },
    ],
    [
      'harvest moves',
      async () => maud.post('/api/harvests/move').send({ crop: 'maize', customer: null, days: 1 }),
    ],
    [
      'suppliers take longer',
      async () => {
        const { suppliers, version } = (await maud.get('/api/catalogue')).body;
        return maud.put('/api/suppliers').send({
          suppliers: suppliers.map((s: { leadDays: number }) => ({
            ...s,
            leadDays: s.leadDays + 1,
          })),
          version,
        });
      },
    ],
  ])('is worked out anew when %s', async (_what, move) => {
    const shop = { db: place.db, clock: clockFor(DEMO_DAY) };
    await runJobs(shop);
    const { status } = await move();
    expect([200, 201]).toContain(status);
    expect((await runJobs(shop)).chances).toBeGreaterThan(0);
  });
});
