import { QueryTypes } from 'sequelize';
import { MachineFile, Yard, type YardRow } from '@green-tally/core/contracts';
import { standingOf } from '@green-tally/core/plan';
import { DEMO_DAY } from '@green-tally/demo';
import { clockFor } from '../clock';
import { fleetRates, listen, machinesChanged, MachineRow, type Change } from '../db';
import { runJobs } from './work';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';
import { behindOf, JUDGED_INLINE } from '../standings/fresh';
import { judge } from '../standings/judge';
import { beginDay, learn } from '../standings/newDay';

let place: Place;
let maud: Awaited<ReturnType<typeof signedIn>>;
const T118 = machineId('T118');
const T126 = machineId('T126');

beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const sql = <T extends object>(text: string, ...bind: unknown[]) =>
  place.db.sequelize.query<T>(text, { bind, type: QueryTypes.SELECT });
const yard = async (query = '') =>
  Yard.parse((await maud.get(`/api/yard?limit=200${query}`).expect(200)).body);
const fileOf = async (serial: string) =>
  MachineFile.parse((await maud.get(`/api/machines/${machineId(serial)}`).expect(200)).body);
const waiting = async () =>
  (
    await sql<{ key: string }>(
      `SELECT singleton_key AS key FROM pgboss.job WHERE name = 'judge' AND state = 'created'`,
    )
  ).map((j) => j.key);
const shop = () => ({ db: place.db, clock: clockFor(DEMO_DAY) });
const touch = (ids: readonly string[]) =>
  place.db.transaction((t) => machinesChanged(place.db, { ids }, t));
const send = (...readings: object[]) =>
  maud.post('/api/readings:batch').send({ readings }).expect(200);

describe('a standing', () => {
  test('is what core derives from the facts', async () => {
    const { rows } = await yard();
    for (const serial of ['T118', 'B019', 'T131']) {
      const own = standingOf(await fileOf(serial), DEMO_DAY);
      expect(rows.find((r) => r.machine.serial === serial)).toMatchObject({
        slack: own.slack,
        counts: own.counts,
        checksDue: own.checksDue,
        hoursOpen: own.hoursOpen,
        behind: false,
      });
    }
  });

  test('a write puts one job in for its machine, however often; a failed one none', async () => {
    await runJobs(shop());
    await send(beltReading());
    await send(beltReading({ value: { kind: 'measure', values: [37], typed: [], unit: 'mm' } }));
    expect(await waiting()).toEqual([T118]);
    await expect(
      place.db.transaction(async (t) => {
        await machinesChanged(place.db, { ids: [T126] }, t);
        throw new Error('power gone');
      }),
    ).rejects.toThrow('power gone');
    expect(await waiting()).toEqual([T118]);
    expect(await runJobs(shop())).toMatchObject({ judge: 1, failed: 0 });
    expect(await waiting()).toEqual([]);
  });

  test('read before its job has run it is judged there and then, and the job has nothing left', async () => {
    const of = async () =>
      (
        await sql<{ at: string }>(
          'SELECT judged_at::text AS at FROM machine_standings WHERE machine_id = $1',
          T118,
        )
      )[0]?.at;
    await send(beltReading({ value: { kind: 'measure', values: [30], typed: [], unit: 'mm' } }));
    const row = (await yard()).rows.find((r) => r.machine.id === T118);
    expect(row).toMatchObject({ behind: false });
    expect(row?.counts).toEqual(standingOf(await fileOf('T118'), DEMO_DAY).counts);
    const judged = await of();
    await runJobs(shop());
    expect(await of()).toBe(judged);
  });

  test('an older one never overwrites a newer', async () => {
    await touch([T126]);
    await judge(place.db, T126, '2026-06-12');
    await judge(place.db, T126, DEMO_DAY);
    const [row] = await sql<{ day: string }>(
      'SELECT day::text FROM machine_standings WHERE machine_id = $1',
      T126,
    );
    expect(row?.day).toBe('2026-06-12');
    await touch([T126]);
    await judge(place.db, T126, DEMO_DAY);
    expect((await yard()).rows.find((r) => r.machine.id === T126)).toMatchObject({ behind: false });
  });

  test('when many are behind the list does not wait: they are told as they stood, and follow', async () => {
    const machines = await MachineRow.count();
    await place.db.transaction((t) => machinesChanged(place.db, 'all', t));
    const first = await yard();
    expect(machines).toBeGreaterThan(JUDGED_INLINE + 1);
    expect(first.all?.behind).toBe(machines - 1);
    expect(first.rows.filter((r) => r.behind)).toHaveLength(machines - 1);
    expect((await runJobs(shop())).judge).toBe(machines);
    expect((await yard()).all?.behind).toBe(0);
  });

  test('every process hears of facts and of standings, and of very many at once', async () => {
    const heard: (Change | undefined)[] = [];
    const ears = await listen(place.url, (change) => heard.push(change));
    await touch([T118]);
    await judge(place.db, T118, DEMO_DAY);
    await place.db.transaction((t) => machinesChanged(place.db, 'all', t));
    while (heard.length < 4) await new Promise((done) => setTimeout(done, 10));
    await ears.stop();
    expect(heard.map((h) => h?.what)).toEqual([undefined, 'facts', 'standing', 'many']);
    expect(heard[1]).toMatchObject({ id: T118, branch: 'Upper Larkmoor' });
    await runJobs(shop());
  });
});

describe('a machine that cannot be judged', () => {
  const spoil = (value: object) =>
    place.db.sequelize.query(
      `UPDATE readings SET value = $2 WHERE id = (SELECT id FROM readings
         WHERE machine_id = $1 AND check_id = 'fan-drive-belt' ORDER BY taken_at DESC LIMIT 1)`,
      { bind: [T126, JSON.stringify(value)] },
    );

  test('shows its own trouble, first in the Yard, and takes nobody down', async () => {
    const before = await yard();
    await send(beltReading({ machineId: T126, hours: 700 }));
    await spoil({ kind: 'measure', values: null, typed: [], unit: 'mm' });
    await touch([T126]);
    const after = await yard();
    expect(after.apart).toEqual([
      {
        machine: expect.objectContaining({ serial: 'T126' }),
        trouble: expect.stringMatching(/^Its facts cannot be judged: ./),
      },
    ]);
    expect(after.rows).toHaveLength(before.rows.length - 1);
    expect(after.all?.machines).toBe(before.all?.machines);
    const waits = await yard('&waits=yes');
    expect(waits.apart).toHaveLength(1);
    const due = (await maud.get('/api/due').expect(200)).body;
    expect(due.all.apart).toBe(1);
    expect(due.rows.some((r: { machine: { id: string } }) => r.machine.id === T126)).toBe(false);
    expect((await runJobs(shop())).failed).toBe(0);
  });

  test('once its facts are mended it stands among the others again', async () => {
    await spoil({ kind: 'measure', values: [37], typed: [], unit: 'mm' });
    await touch([T126]);
    const { apart, rows } = await yard();
    expect(apart).toEqual([]);
    expect(rows.some((r) => r.machine.id === T126)).toBe(true);
  });

  test('a sheet that cannot be read is told of its machines alone', async () => {
    const [sheet] = await sql<{ document: object }>(
      `SELECT document FROM spec_sheets WHERE model = 'Corrie 4' ORDER BY revision DESC LIMIT 1`,
    );
    await place.db.sequelize.query(
      `INSERT INTO spec_sheets (model, revision, document) VALUES ('Corrie 4', 99, $1)`,
      { bind: [JSON.stringify({ ...sheet?.document, revision: 99, checks: 'gone' })] },
    );
    await place.db.transaction((t) => machinesChanged(place.db, { model: 'Corrie 4' }, t));
    await runJobs(shop());
    const { apart, rows } = await yard();
    expect(apart.length).toBeGreaterThan(0);
    expect(new Set(apart.map((a) => a.machine.model))).toEqual(new Set(['Corrie 4']));
    expect(rows.length).toBeGreaterThan(apart.length);
    await place.db.sequelize.query(`DELETE FROM spec_sheets WHERE revision = 99`);
    await place.db.transaction((t) => machinesChanged(place.db, { model: 'Corrie 4' }, t));
    await runJobs(shop());
    expect((await yard()).apart).toEqual([]);
  });
});

describe('the Yard, page by page', () => {
  const keyOf: Readonly<Record<string, (r: YardRow) => string>> = {
    slack: (r) => String(200_000 + r.slack),
    serial: () => '',
    customer: (r) => r.machine.customer.toLowerCase(),
    harvest: (r) => r.machine.harvest.start,
  };
  test.each(Object.keys(keyOf))('has each machine once, in order, by %s', async (order) => {
    const rows: YardRow[] = [];
    let cursor: string | null = null;
    do {
      const page = Yard.parse(
        (
          await maud
            .get('/api/yard')
            .query({ order, limit: 5, ...(cursor ? { cursor } : {}) })
            .expect(200)
        ).body,
      );
      expect(page.all === null).toBe(cursor !== null);
      rows.push(...page.rows);
      cursor = page.next;
    } while (cursor);
    const keys = rows.map((r) => `${keyOf[order]?.(r)} ${r.machine.serial}`);
    expect(keys).toEqual([...keys].sort());
    expect(new Set(rows.map((r) => r.machine.id)).size).toBe(await MachineRow.count());
  });

  test('is sought by serial, model, customer or crop', async () => {
    const serials = async (q: string) =>
      (await yard(`&q=${encodeURIComponent(q)}`)).rows.map((r) => r.machine.serial);
    expect(await serials('t118')).toEqual(['T118']);
    expect((await serials('ouzel 9')).length).toBeGreaterThan(1);
    expect((await serials('lentils')).length).toBeGreaterThan(0);
    expect(await serials('100%')).toEqual([]);
  });

  test('of those to walk and of those that wait for a planner', async () => {
    const none = await yard('&walk=none');
    expect(none.rows.length).toBe(none.all?.unwalked);
    expect(new Set(none.rows.map((r) => r.walk))).toEqual(new Set(['none']));
    const waits = new Set((await yard('&waits=yes')).rows.map((r) => r.next.id));
    expect([...waits].every((id) => /^(accept|plan|visitLate)/.test(id))).toBe(true);
    const whole = await yard();
    const first = whole.rows.find((r) => /Walk$/.test(r.next.id));
    expect(whole.all?.wanted).toMatchObject({ id: first?.machine.id, step: first?.next.id });
  });
});

describe('what the fleet has shown', () => {
  // as it was: readings above have moved on what is to be learnt
  beforeAll(async () => {
    await place.close();
    place = await openPlace();
    maud = await signedIn(place.app, 'maud');
  });
  test('what is read anew is learnt by the next day, once, and every machine is judged by it', async () => {
    const lives = async () => (await fileOf('T118')).rates['fan-drive-belt']?.lives ?? 0;
    const before = await lives();
    const at = (hours: number, takenAt: string, value: number) =>
      beltReading({
        machineId: T126,
        hours,
        takenAt,
        value: { kind: 'measure', values: [value], typed: [], unit: 'mm' },
      });
    await send(at(600, '2025-09-01T08:00:00Z', 37.4), at(690, '2026-06-09T08:00:00Z', 37));
    await learn(place.db, DEMO_DAY);
    expect(await lives()).toBe(before);
    const machines = await MachineRow.count();
    expect(await beginDay(place.db, '2026-06-10')).toBe(machines);
    expect(await lives()).toBe(before + 1);
    const { id } = await fleetRates();
    await beginDay(place.db, '2026-06-10');
    expect((await fleetRates()).id).toBe(id);
  });

  test('a day begun twice puts no machine in twice', async () => {
    await runJobs({ db: place.db, clock: clockFor('2026-06-10') });
    await beginDay(place.db, '2026-06-11');
    await beginDay(place.db, '2026-06-11');
    expect(new Set(await waiting()).size).toBe((await waiting()).length);
    const now = { today: '2026-06-11', rates: (await fleetRates()).id };
    await runJobs({ db: place.db, clock: clockFor('2026-06-11') });
    expect(await behindOf(place.db, undefined, now, { most: 100 })).toEqual([]);
  });
});
