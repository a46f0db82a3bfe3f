import { Yard } from '@green-tally/core/contracts';
import { DEMO_DAY } from '@green-tally/demo';
import { clockFor } from '../clock';
import { runJobs } from '../jobs/work';
import { openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  await runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
});
afterAll(() => place.close());

const yard = async (query: object = {}): Promise<Yard> =>
  Yard.parse(
    (
      await rhea
        .get('/api/yard')
        .query({ limit: 200, ...query })
        .expect(200)
    ).body,
  );

describe('the Yard narrowed down', () => {
  test('to a crop, to what is late, to what lacks a walk: those, and all of those', async () => {
    const all = (await yard()).rows;
    const same = async (query: object, of: (row: Yard['rows'][number]) => boolean) => {
      const shown = (await yard(query)).rows.map((r) => r.machine.serial);
      expect(shown.length).toBeGreaterThan(0);
      expect(shown).toEqual(all.filter(of).map((r) => r.machine.serial));
    };
    await same({ crop: 'lentils' }, (r) => r.machine.harvest.crop === 'lentils');
    await same({ late: 'yes' }, (r) => r.late);
    await same({ walk: 'none' }, (r) => r.walk === 'none');
    await same({ lacks: 'acceptWork' }, (r) => r.missing.some((m) => m.id === 'acceptWork'));
    await same({ parts: 'yes' }, (r) => r.awaits > 0);
  });
  test('by several things at once', async () => {
    const { rows } = await yard({ crop: 'malting barley', parts: 'yes' });
    expect(rows.map((r) => r.machine.serial)).toContain('B019');
    for (const { machine, awaits } of rows)
      expect([machine.harvest.crop, awaits > 0]).toEqual(['malting barley', true]);
  });
  test('what is told of all machines is of all, however it is narrowed', async () => {
    expect((await yard({ crop: 'lentils' })).all?.machines).toBe((await yard()).all?.machines);
  });
  test('a machine with accepted work says how likely it is ready; one without says nothing', async () => {
    const { rows } = await yard();
    const of = (serial: string) => rows.find((r) => r.machine.serial === serial)?.chance;
    // after its harvest has begun, as a rule
    expect(of('T118')).toBeLessThan(0.6);
    expect(of('B044')).toBeGreaterThan(0.8);
    // accepted, and no visit
    expect(of('B019')).toBe(0);
    expect(of('T126')).toBeNull();
  });
  test.each([
    ['lacks', 'luck'],
    ['late', 'very'],
  ])('nonsense is refused: %s=%s', async (field, value) =>
    problem(await rhea.get('/api/yard').query({ [field]: value }), 400, field),
  );
});
