import { QueryTypes } from 'sequelize';
import { Yard } from '@green-tally/core/contracts';
import { DEMO_DAY } from '@green-tally/demo';
import { MachineRow } from '../db';
import { judge } from '../standings/judge';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';
import { demoAsLoaded } from '../testing/template';
import { fillTo } from './multiply';

/*
 * A large place costs no more to look at than a small one: counted, not timed. The long proof is
 * `npm run scale`.
 */
const MACHINES = 48;
const T118 = machineId('T118');
let place: Place;
let rhea: Awaited<ReturnType<typeof signedIn>>;
afterAll(() => place.close());

interface Cost {
  readonly queries: number;
  readonly rows: number;
  readonly bytes: number;
}

/** What a request costs: queries asked of the database, rows read, bytes sent to the client. */
async function costOf(ask: () => Promise<{ text: string }>): Promise<Cost> {
  let queries = 0;
  let rows = 0;
  const { sequelize } = place.db;
  const before = sequelize.query.bind(sequelize);
  const spy = jest.spyOn(sequelize, 'query').mockImplementation((async (
    ...args: Parameters<typeof before>
  ) => {
    queries += 1;
    const answer: unknown = await before(...args);
    rows += Array.isArray(answer) ? answer.length : 1;
    return answer;
  }) as typeof sequelize.query);
  try {
    const { text } = await ask();
    return { queries, rows, bytes: text.length };
  } finally {
    spy.mockRestore();
  }
}

const jobs = async (): Promise<number> =>
  (
    await place.db.sequelize.query<{ n: number }>(
      `SELECT count(*)::int AS n FROM pgboss.job WHERE name = 'judge'`,
      { type: QueryTypes.SELECT },
    )
  )[0]?.n ?? 0;

/** What each thing costs in the place that is open. */
async function costs() {
  const page = () => costOf(async () => rhea.get('/api/yard?limit=10').expect(200));
  await page();
  const yard = await page();
  const due = await costOf(async () => rhea.get('/api/due?limit=20').expect(200));
  const { version, basis } = (await rhea.get(`/api/machines/${T118}/changes`)).body;
  // those that the demo's own loading put in are of no interest here
  await place.db.sequelize.query('DELETE FROM pgboss.job');
  const put = await jobs();
  const batch = await costOf(async () =>
    rhea
      .post('/api/readings:batch')
      .send({ readings: [beltReading()] })
      .expect(200),
  );
  const changes = await costOf(async () =>
    rhea.get(`/api/machines/${T118}/changes?since=${version}&basis=${basis}`).expect(200),
  );
  const after = await page();
  return { yard, due, batch, changes, after, jobs: (await jobs()) - put };
}

/** The demo's own machines are judged already. */
async function judgeCopies(): Promise<void> {
  const own = new Set(demoAsLoaded().machines.map((m) => m.id));
  for (const { id } of await MachineRow.findAll({ attributes: ['id'] }))
    if (!own.has(id)) await judge(place.db, id, DEMO_DAY);
}

test('48 machines cost what 24 do: the same questions, the same rows, as many bytes', async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  const few = await costs();
  await place.close();

  place = await openPlace();
  await fillTo(place.url, MACHINES, demoAsLoaded());
  expect(await MachineRow.count()).toBe(MACHINES);
  await judgeCopies();
  rhea = await signedIn(place.app, 'rhea');
  const many = await costs();

  for (const name of ['yard', 'due', 'batch', 'changes', 'after'] as const)
    expect([name, many[name].queries, many[name].rows]).toEqual([
      name,
      few[name].queries,
      few[name].rows,
    ]);
  expect([few.jobs, many.jobs]).toEqual([1, 1]);
  expect(many.changes.bytes).toBeLessThan(5_000);
  expect(many.yard.bytes).toBeLessThan(1.5 * few.yard.bytes);
  // a page and the one row more that tells of the next; the rest is who asks, and sums
  expect(many.yard.rows).toBeLessThan(40);
  expect(many.yard.queries).toBeLessThan(12);
});

test('each copy has facts of its own, and is judged as the machine it is a copy of', async () => {
  const { rows } = Yard.parse((await rhea.get('/api/yard?limit=200&q=T091')).body);
  expect(rows).toHaveLength(MACHINES / 24);
  const [first] = rows;
  for (const row of rows) expect(row).toMatchObject({ counts: first?.counts, slack: first?.slack });
});
