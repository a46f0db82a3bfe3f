import { randomUUID } from 'node:crypto';
import { WorkList } from '@green-tally/core/contracts';
import { DEMO_DAY } from '@green-tally/demo';
import { clockFor } from '../clock';
import { runJobs } from '../jobs/work';
import { openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
let ines: Awaited<ReturnType<typeof signedIn>>;
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const accept = (items: readonly object[]) => ines.post('/api/work').send({ items });

describe('work over all machines', () => {
  const list = async (query = '') =>
    WorkList.parse((await ines.get(`/api/work?limit=500${query}`).expect(200)).body);
  test('of the own branch, the nearest harvest first; counted by state, decision and part', async () => {
    const { rows, all } = await list();
    expect(rows.length).toBeGreaterThan(5);
    expect(new Set(rows.map((r) => r.machine.branch))).toEqual(new Set(['Upper Larkmoor']));
    expect(rows.map((r) => r.harvest)).toEqual([...rows.map((r) => r.harvest)].sort());
    expect(all?.wanted).toBe(rows.length);
    expect(Object.values(all?.decisions ?? {}).reduce((a, b) => a + b, 0)).toBe(rows.length);
    expect(all?.states.called).toBe(rows.length);
    const quantity = rows.flatMap((r) => r.line.work.parts).reduce((sum, p) => sum + p.quantity, 0);
    expect((all?.parts ?? []).reduce((sum, p) => sum + p.quantity, 0)).toBeLessThanOrEqual(
      quantity,
    );
  });
  test('chosen by decision, by part, by what is typed', async () => {
    const { all } = await list();
    const [part] = all?.parts ?? [];
    const byPart = await list(`&part=${part?.number}`);
    expect(byPart.rows).toHaveLength(part?.lines ?? -1);
    const replace = await list('&decision=replace');
    expect(replace.rows).toHaveLength(all?.decisions.replace ?? -1);
    const typed = await list('&q=t104');
    expect(new Set(typed.rows.map((r) => r.machine.serial))).toEqual(new Set(['T104']));
  });
  test('page by page it is the same list', async () => {
    const { rows } = await list('&state=beside');
    const keys: string[] = [];
    for (let cursor: string | null = ''; cursor !== null;) {
      const page: WorkList = WorkList.parse(
        (
          await ines
            .get(
              `/api/work?state=beside&limit=7${cursor ? `&cursor=${encodeURIComponent(cursor)}` : ''}`,
            )
            .expect(200)
        ).body,
      );
      keys.push(...page.rows.map((r) => `${r.machine.id} ${r.line.key}`));
      cursor = page.next;
    }
    expect(keys).toEqual(rows.map((r) => `${r.machine.id} ${r.line.key}`));
    expect(new Set(keys).size).toBe(keys.length);
  });
  test('what is accepted moves over; what is put off is apart, with why', async () => {
    const before = await list();
    const [row, other] = before.rows.filter((r) => !r.line.guardsPeople);
    if (!row || !other) throw new Error('two');
    const { subjects, ...work } = row.line.work;
    await accept([
      {
        ...work,
        id: randomUUID(),
        machineId: row.machine.id,
        acceptedBy: 'x',
        acceptedAt: '2026-06-09T09:00:00.000Z',
      },
    ]).expect(201);
    await ines
      .post('/api/ticks')
      .send({
        ticks: other.line.work.subjects.map((s) => ({
          id: randomUUID(),
          machineId: other.machine.id,
          key: `defer|${s}`,
          done: true,
          at: '2026-06-09T10:00:00.000Z',
          by: 'x',
          note: 'after barley',
          until: { on: '2026-07-20' },
        })),
      })
      .expect(201);
    await runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
    const keyOf = (r: WorkList['rows'][number]) => `${r.machine.id} ${r.line.work.checkId}`;
    expect((await list()).rows.map(keyOf)).not.toContain(keyOf(row));
    expect((await list('&state=accepted')).rows.map(keyOf)).toContain(keyOf(row));
    const off = (await list('&state=putOff')).rows.find((r) => keyOf(r) === keyOf(other));
    expect(off?.line.putOff).toMatchObject({ until: { on: '2026-07-20' }, why: 'after barley' });
    expect(subjects.length).toBeGreaterThan(0);
  });
  test.each(['&state=none', '&decision=holds', '&limit=0', '&cursor=x'])(
    '%s is refused',
    async (query) => expect((await ines.get(`/api/work?${query}`)).status).toBe(400),
  );
});
