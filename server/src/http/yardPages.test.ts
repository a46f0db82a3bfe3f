import { Yard } from '@green-tally/core/contracts';
import { DEMO_DAY } from '@green-tally/demo';
import { clockFor } from '../clock';
import { MachineRow } from '../db';
import { runJobs } from '../jobs/work';
import { beltReading, machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;
type Row = Yard['rows'][number];

let place: Place;
let maud: Agent;
let rhea: Agent;
let every: readonly Row[];
beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
  rhea = await signedIn(place.app, 'rhea');
  await runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
  every = await whole(rhea);
});
afterAll(() => place.close());

const page = async (agent: Agent, query: object = {}): Promise<Yard> =>
  Yard.parse((await agent.get('/api/yard').query(query).expect(200)).body);

/** All pages one after the other. */
async function pages(agent: Agent, query: object = {}): Promise<Yard[]> {
  const read: Yard[] = [];
  for (let cursor: string | null | undefined; cursor !== null;) {
    const next: Yard = await page(agent, cursor === undefined ? query : { ...query, cursor });
    read.push(next);
    cursor = next.next;
    if (read.length > 200) throw new Error('pages without an end');
  }
  return read;
}
const whole = async (agent: Agent, query: object = {}) =>
  (await pages(agent, query)).flatMap((p) => p.rows);
const serials = (rows: readonly Row[]) => rows.map((r) => r.machine.serial);

describe('page by page', () => {
  test.each(['slack', 'serial', 'customer', 'harvest'] as const)(
    'by %s: whatever a page holds, each machine comes once and in order',
    async (order) => {
      const inOne = serials((await page(rhea, { order, limit: 200 })).rows);
      expect(inOne.length).toBeGreaterThan(8);
      expect(new Set(inOne)).toEqual(new Set(serials(every)));
      for (const limit of [1, 3, inOne.length - 1, inOne.length])
        expect([limit, serials(await whole(rhea, { order, limit }))]).toEqual([limit, inOne]);
    },
  );
  test('in order means in order: least slack first, serials and customers by name', async () => {
    const slack = every.map((r) => r.slack);
    expect(slack).toEqual(slack.toSorted((a, b) => a - b));
    const byName = serials(await whole(rhea, { order: 'serial' }));
    expect(byName).toEqual(byName.toSorted());
    const customers = (await whole(rhea, { order: 'customer' })).map((r) =>
      r.machine.customer.toLowerCase(),
    );
    expect(customers).toEqual(customers.toSorted());
    const starts = (await whole(rhea, { order: 'harvest' })).map((r) => r.machine.harvest.start);
    expect(starts).toEqual(starts.toSorted());
  });
  test('only the first page tells of all machines, and it does so whatever is asked for', async () => {
    const [first, ...others] = await pages(rhea, { limit: 3 });
    expect(first?.all?.machines).toBe(every.length);
    expect(others.length).toBeGreaterThan(1);
    for (const p of others) expect(p.all).toBeNull();
    expect((await page(rhea, { q: 'nothing is called so' })).all?.machines).toBe(every.length);
  });
  test('the last page has no next; one that asks for no more than there is neither', async () => {
    expect((await page(rhea, { limit: every.length })).next).toBeNull();
    expect((await page(rhea, { limit: every.length - 1 })).next).not.toBeNull();
  });
  test('a cursor of another order, of nothing, or that was tampered with is refused', async () => {
    const { next } = await page(rhea, { order: 'customer', limit: 2 });
    problem(await rhea.get('/api/yard').query({ order: 'slack', cursor: next }), 400, 'cursor');
    for (const cursor of ['', 'x', 'bm90aGluZw', `${next}0`])
      problem(await rhea.get('/api/yard').query({ cursor }), 400, 'cursor');
  });
  test.each([
    ['limit', '0'],
    ['limit', '201'],
    ['limit', 'many'],
    ['order', 'colour'],
    ['walk', 'perhaps'],
  ])('nonsense is refused by its name: %s=%s', async (field, value) =>
    problem(await rhea.get('/api/yard').query({ [field]: value }), 400, field),
  );
});

describe('what is looked for', () => {
  test('is found in serial, model, customer and crop, whatever its case', async () => {
    const found = async (q: string) => serials(await whole(rhea, { q }));
    const like = (q: string) =>
      serials(
        every.filter(({ machine: m }) =>
          [m.serial, m.model, m.customer, m.harvest.crop].some((text) =>
            text.toLowerCase().includes(q),
          ),
        ),
      );
    for (const q of ['t118', 'ouzel', 'barley', every[0]?.machine.customer.slice(1, 5) ?? ''])
      expect([q, await found(q.toUpperCase())]).toEqual([q, like(q.toLowerCase())]);
    expect(await found('  T118 ')).toEqual(['T118']);
  });
  test('is a text and no pattern: what a database would read as one finds nothing', async () => {
    for (const q of ['%', '_', "' OR true --", '\\', 'T1_8', '.*'])
      expect([q, (await whole(rhea, { q })).length]).toEqual([q, 0]);
  });
  test('what waits, and walks that are open, are those of all', async () => {
    for (const walk of ['none', 'started', 'done'] as const)
      expect([walk, serials(await whole(rhea, { walk }))]).toEqual([
        walk,
        serials(every.filter((r) => r.walk === walk)),
      ]);
    const waits = ['acceptSkips', 'acceptWork', 'planVisit', 'visitLate', 'trouble'];
    expect(serials(await whole(rhea, { waits: 'yes' }))).toEqual(
      serials(every.filter((r) => waits.includes(r.next.id))),
    );
  });
});

describe('what is told of all', () => {
  test('is the sum of what is told of each', async () => {
    const { all } = await page(rhea);
    expect(all).toMatchObject({
      machines: every.length,
      late: every.filter((r) => r.late).length,
      unwalked: every.filter((r) => r.walk === 'none').length,
      ready: every.filter((r) => r.next.id === 'ready').length,
      behind: 0,
    });
    const crops = all?.crops.map((c) => c.crop) ?? [];
    expect(new Set(crops)).toEqual(new Set(every.map((r) => r.machine.harvest.crop)));
    for (const { crop, start, end } of all?.crops ?? []) {
      const of = every.filter((r) => r.machine.harvest.crop === crop).map((r) => r.machine.harvest);
      expect(start).toBe(of.map((h) => h.start).toSorted()[0]);
      expect(end).toBe(
        of
          .map((h) => h.end)
          .toSorted()
          .at(-1),
      );
    }
    const starting = all?.starts.reduce((sum, s) => sum + s.machines, 0) ?? 0;
    expect(starting).toBeLessThanOrEqual(every.length);
  });
  test('the walk that is wanted most is of the first that lacks one', async () => {
    const wanted = every.find((r) => ['startWalk', 'resumeWalk'].includes(r.next.id));
    expect((await page(rhea)).all?.wanted?.serial).toBe(wanted?.machine.serial);
  });
  test('each branch has machines of its own, and no machine is seen in two', async () => {
    const all = await MachineRow.findAll({ attributes: ['branch', 'serial'] });
    const branches = new Set(all.map((m) => m.branch));
    expect(branches.size).toBeGreaterThan(1);
    for (const branch of branches)
      expect([branch, serials(await whole(maud, { branch })).toSorted()]).toEqual([
        branch,
        all
          .filter((m) => m.branch === branch)
          .map((m) => m.serial)
          .toSorted(),
      ]);
    expect(new Set(every.map((r) => r.machine.branch))).toEqual(new Set(['Upper Larkmoor']));
  });
});

describe('a reading moves it', () => {
  const send = async (change: object = {}) => {
    const ines = await signedIn(place.app, 'ines');
    const answer = await ines.post('/api/readings:batch').send({ readings: [beltReading(change)] });
    expect(answer.body.results[0].result).toBe('accepted');
  };
  const row = async () => (await whole(rhea, { q: 'T118' }))[0];

  test('once its standing has followed', async () => {
    const before = await row();
    const fitted = { kind: 'measure', values: [38], typed: [], unit: 'mm' };
    await send({ hours: 1286, state: 'asLeft', renewed: true, value: fitted });
    expect((await row())?.machine.hours).toBe(1286);
    await runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
    const after = await row();
    expect(after?.behind).toBe(false);
    // the belt that was past its limit is a new one
    expect(after?.counts.replace).toBe((before?.counts.replace ?? NaN) - 1);
  });
  test('a machine without a standing is judged or told apart, and hides no other', async () => {
    await place.db.sequelize.query(
      `UPDATE machine_standings SET row = NULL, trouble = 'its sheet cannot be read' WHERE machine_id = $1`,
      { bind: [machineId('T104')] },
    );
    const read = await pages(rhea, { limit: 4 });
    const apart = read.flatMap((p) => p.apart);
    const shown = serials(read.flatMap((p) => p.rows));
    expect([...shown, ...apart.map((a) => a.machine.serial)].toSorted()).toEqual(
      serials(every).toSorted(),
    );
  });
});
