import { CostsPage, MachineFile } from '@green-tally/core/contracts';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let [rhea, corin, ines]: Agent[] = [];
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  corin = await signedIn(place.app, 'corin');
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const agent = (who: Agent | undefined): Agent => {
  if (!who) throw new Error('nobody is signed in');
  return who;
};
const page = async (who = rhea) => CostsPage.parse((await agent(who).get('/api/costs')).body);
const set = (change: object, who = rhea) =>
  agent(who)
    .put('/api/costs')
    .send({
      branch: 'Upper Larkmoor',
      currency: 'crowns',
      labourHour: 92,
      stopHour: 480,
      customers: [],
      version: 1,
      ...change,
    });
const fileOf = async (serial: string, by = rhea) =>
  MachineFile.parse((await agent(by).get(`/api/machines/${machineId(serial)}`)).body);

describe('what stopping and working cost', () => {
  test('the page tells what is set, whose customers there are and every part of the sheets', async () => {
    const { branch, costs, customers, parts } = await page();
    expect([branch, costs?.currency, costs?.version]).toEqual(['Upper Larkmoor', 'crowns', 1]);
    expect(customers).toContain('Harrow End');
    expect(parts.length).toBeGreaterThan(90);
    expect(parts.filter((p) => p.price === null)).toHaveLength(1);
    expect((await page(corin)).costs).toBeNull();
  });
  test('each machine carries its own: the customer’s stop hour, else the branch’s', async () => {
    const [own, branch, none] = await Promise.all([
      ...['T118', 'T104'].map((serial) => fileOf(serial)),
      fileOf('B031', corin),
    ]);
    expect(own?.costs).toMatchObject({ stopHour: 650, ownStopHour: true, labourHour: 92 });
    expect(branch?.costs).toMatchObject({ stopHour: 480, ownStopHour: false });
    expect(none?.costs).toBeNull();
    expect(own?.costs?.prices['LM-7020']).toBeGreaterThan(0);
  });
  test('set anew they are there at once; one who saw the older ones is told', async () => {
    const changed = await set({
      stopHour: 500,
      customers: [{ customer: 'Harrow End', stopHour: 0 }],
    });
    expect([changed.status, changed.body.version]).toEqual([200, 2]);
    expect((await fileOf('T118')).costs?.stopHour).toBe(0);
    expect((await fileOf('T104')).costs?.stopHour).toBe(500);
    problem(await set({ stopHour: 1 }), 409, 'version');
    expect((await page()).costs?.stopHour).toBe(500);
  });
  test('two who set them for the first time at once: one is told', async () => {
    const first = () => set({ branch: 'Sedge Ford', version: 0 }, corin);
    const answers = await Promise.all([first(), first()]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    expect((await page(corin)).costs?.version).toBe(1);
  });
  test.each([
    ['labourHour', { labourHour: -1 }],
    ['labourHour', { labourHour: 'ninety' }],
    ['stopHour', { stopHour: null }],
    ['currency', { currency: '' }],
    ['customers.0.stopHour', { customers: [{ customer: 'Harrow End', stopHour: -5 }] }],
    [
      'customers.1.customer',
      {
        customers: [
          { customer: 'A', stopHour: 1 },
          { customer: 'A', stopHour: 2 },
        ],
      },
    ],
  ])('nonsense is refused by %s: %j', async (field, change) => {
    const before = (await page()).costs;
    problem(await set({ ...change, version: before?.version }), 400, field);
    expect((await page()).costs).toEqual(before);
  });
  test('another branch’s are not a planner’s to set, and nobody’s where there is no branch', async () => {
    expect((await set({ branch: 'Sedge Ford', version: 1 })).status).toBe(403);
    const maud = await signedIn(place.app, 'maud');
    expect((await set({ branch: 'Nowhere', version: 0 }, maud)).status).toBe(404);
    expect((await set({}, ines)).status).toBe(403);
  });
});

describe('prices of parts', () => {
  const put = (prices: readonly object[]) => agent(rhea).put('/api/prices').send({ prices });
  const priceOf = async (number: string) =>
    (await page()).parts.find((p) => p.number === number)?.price;
  test('are set and taken away, and a machine’s verdicts know at once', async () => {
    await put([{ number: 'LM-7020', price: 261.5 }]).expect(200);
    expect((await fileOf('T118')).costs?.prices['LM-7020']).toBe(261.5);
    await put([{ number: 'LM-7020', price: null }]).expect(200);
    expect(await priceOf('LM-7020')).toBeNull();
    expect((await fileOf('T118')).costs?.prices['LM-7020']).toBeUndefined();
  });
  test.each([
    [
      'prices.1.number',
      [
        { number: 'LM-5330', price: 5 },
        { number: 'none', price: 5 },
      ],
    ],
    [
      'prices.1.price',
      [
        { number: 'LM-5330', price: 5 },
        { number: 'LM-7020', price: 'dear' },
      ],
    ],
    [
      'prices.1.price',
      [
        { number: 'LM-5330', price: 5 },
        { number: 'LM-7020', price: -1 },
      ],
    ],
    [
      'prices.1.number',
      [
        { number: 'LM-5330', price: 5 },
        { number: 'LM-5330', price: 6 },
      ],
    ],
  ])('one that cannot be keeps the others out, by %s', async (field, prices) => {
    const before = await priceOf('LM-5330');
    problem(await put(prices), 400, field);
    expect(await priceOf('LM-5330')).toBe(before);
  });
});

describe('how fast things wear by the fleet', () => {
  test('a machine carries the rates of its own checks, and whose they are', async () => {
    const { rates, sheets } = await fileOf('T118');
    const ids = new Set(sheets.flatMap((s) => s.checks.map((c) => c.id)));
    expect(Object.keys(rates).length).toBeGreaterThan(5);
    for (const [key, rate] of Object.entries(rates)) {
      expect(ids).toContain(key.split(' ')[0]);
      expect(rate.lives).toBeGreaterThanOrEqual(8);
    }
    expect(new Set(Object.values(rates).map((r) => r.of))).toContain('branch');
  });
});
