import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { MachineFile, Visit, Yard } from '@green-tally/core/contracts';
import { VisitRow } from '../db';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

describe('yard and machine', () => {
  test('machines come by slack, of the own branch, with counts and the next step', async () => {
    const ines = await signedIn(place.app, 'ines');
    const yard = Yard.parse((await ines.get('/api/yard').expect(200)).body);
    expect(yard.rows.map((r) => r.slack)).toEqual(
      [...yard.rows.map((r) => r.slack)].sort((a, b) => a - b),
    );
    expect(new Set(yard.rows.map((r) => r.machine.branch))).toEqual(new Set(['Upper Larkmoor']));
    expect(yard.rows[0]).toMatchObject({
      late: true,
      machine: { serial: 'T118' },
      counts: { replace: 2 },
      next: { id: 'visitLate', day: '2026-07-01' },
    });
  });
  test('every decision word is in the demo, one false tension, one late', async () => {
    const maud = await signedIn(place.app, 'maud');
    const { rows } = Yard.parse((await maud.get('/api/yard')).body);
    expect(rows.length).toBeGreaterThanOrEqual(8);
    expect(new Set(rows.flatMap((r) => Object.keys(r.counts)))).toEqual(
      new Set(['holds', 'watch', 'adjust', 'shorten', 'turn', 'replace', 'remeasure', 'due']),
    );
    expect(rows.filter((r) => r.late)).toHaveLength(1);
  });
  test('the same again is 304', async () => {
    const ines = await signedIn(place.app, 'ines');
    const first = await ines.get('/api/yard');
    await ines
      .get('/api/yard')
      .set('if-none-match', first.get('etag') ?? '')
      .expect(304);
  });
  test('a machine brings all that its verdicts need', async () => {
    const ines = await signedIn(place.app, 'ines');
    const file = MachineFile.parse((await ines.get(`/api/machines/${machineId('T118')}`)).body);
    expect(file.sheets.map((s) => s.model).sort()).toEqual(['Merle 12', 'Ouzel 7']);
    expect(file.readings.length).toBeGreaterThan(200);
  });
  test('unknown is 404', async () => {
    const ines = await signedIn(place.app, 'ines');
    problem(await ines.get(`/api/machines/${randomUUID()}`), 404);
    problem(await ines.get('/api/machines/nonsense'), 404);
    problem(await ines.get('/api/nothing-here'), 404);
  });
  test('harvest before the machine existed is refused by field', async () => {
    const rhea = await signedIn(place.app, 'rhea');
    const harvest = {
      crop: 'malting barley',
      start: '2019-06-30',
      end: '2026-07-14',
      areaHa: 520,
      widthM: 10.7,
      speedKmh: 6.2,
      efficiency: 0.72,
    };
    problem(
      await rhea.patch(`/api/machines/${machineId('T118')}`).send({ harvest }),
      400,
      'harvest.start',
    );
  });
});

describe('work and visits', () => {
  test('accepted work, then a visit: the slack follows, a late one is late, and a stale change is refused', async () => {
    const rhea = await signedIn(place.app, 'rhea');
    const id = machineId('T104');
    const row = async () =>
      Yard.parse((await rhea.get('/api/yard')).body).rows.find((r) => r.machine.id === id);
    const item = {
      id: randomUUID(),
      machineId: id,
      checkId: 'conveyor-chain-tension',
      decision: 'shorten',
      places: ['left', 'right'],
      reason: 'False tension',
      minutes: 90,
      cover: { name: 'doors', minutes: 15 },
      parts: [],
      acceptedBy: 'x',
      acceptedAt: '2026-06-09T08:00:00.000Z',
    };
    const again = { ...item, id: randomUUID() };
    // what is not worth leaving is renewed in the same visit
    const chain = {
      ...item,
      id: randomUUID(),
      checkId: 'gathering-chain',
      decision: 'replace',
      minutes: 0,
      cover: null,
    };
    await Promise.all(
      [item, item, again, chain].map((i) =>
        rhea
          .post('/api/work')
          .send({ items: [i] })
          .expect(201),
      ),
    );
    const file = MachineFile.parse((await rhea.get(`/api/machines/${id}`)).body);
    // beside what was done in earlier years
    const work = file.work.filter((w) => w.acceptedAt >= '2026');
    expect(work).toHaveLength(2);
    expect(await row()).toMatchObject({
      next: { id: 'planVisit', count: 2 },
      // 105 min, and the machine set for it
      hoursOpen: 2,
      hoursPlanned: 0,
    });
    const { people } = (await rhea.get('/api/people')).body;
    const technicianId = people.find((p: { signIn: string }) => p.signIn === 'ines').id;
    const visitId = randomUUID();
    const plan = (startsOn: string, version: number | null) =>
      rhea
        .put(`/api/visits/${visitId}`)
        .send({ machineId: id, technicianId, startsOn, site: 'bay', version });
    const first = await plan('2026-06-13', null);
    expect([first.status, first.body.detail]).toEqual([200, undefined]);
    const visit = Visit.parse(first.body);
    expect(visit).toMatchObject({
      startsOn: '2026-06-15',
      endsOn: '2026-06-15',
      hours: 2,
      technician: 'Ines Marrow',
      workIds: expect.arrayContaining(work.map((w) => w.id)),
    });
    expect(await row()).toMatchObject({
      slack: 12,
      late: false,
      hoursPlanned: 2,
      next: { id: 'visitPlanned' },
    });
    await plan('2026-07-06', 1);
    expect(await row()).toMatchObject({ late: true, next: { id: 'visitLate' } });
    problem(await plan('2026-06-16', 1), 409);
    problem(await plan('2026-06-01', 2), 400, 'startsOn');
    problem(await plan('2019-06-01', 2), 400, 'startsOn');
    problem(
      await rhea
        .put(`/api/visits/${randomUUID()}`)
        .send({ machineId: id, technicianId: randomUUID(), startsOn: '2026-06-16', version: null }),
      400,
      'technicianId',
    );
    problem(
      await rhea.put(`/api/visits/${randomUUID()}`).send({
        machineId: machineId('T091'),
        technicianId,
        startsOn: '2026-06-16',
        version: null,
      }),
      400,
      'machineId',
    );
    const calendar = (await rhea.get('/api/plan.ics').expect(200)).text;
    expect(calendar).toContain(`UID:${visitId}@green-tally`);
    expect(calendar).toMatch(/DTSTART;VALUE=DATE:20260706/);
    expect(calendar).toMatch(/DTEND;VALUE=DATE:20260707/);
    await rhea.delete(`/api/visits/${visitId}`).expect(204);
    expect(await VisitRow.count({ where: { id: visitId } })).toBe(0);
    await rhea.delete(`/api/work/${work.find((w) => w.checkId === item.checkId)?.id}`).expect(200);
    expect(await row()).toMatchObject({ next: { id: 'acceptWork' } });
  });
});

describe('spec sheets and machines', () => {
  test('a spec sheet and a machine make a yard; the same sheet again is no change, another under its number is refused', async () => {
    const rhea = await signedIn(place.app, 'rhea');
    const { sheets } = (await rhea.get('/api/specs')).body;
    await rhea.post('/api/specs').send(sheets[0]).expect(200);
    problem(await rhea.post('/api/specs').send({ ...sheets[0], remark: 'other' }), 409, 'revision');
    problem(
      await rhea.post('/api/specs').send({
        ...sheets[0],
        revision: 2,
        checks: [{ ...sheets[0].checks[0], places: ['left', 'left'] }],
      }),
      400,
      'checks.0.places',
    );
    problem(
      await rhea.post('/api/machines').send({
        id: randomUUID(),
        serial: 'T118',
        model: 'Ouzel 7',
        customer: 'x',
        builtOn: '2021-01-01',
        hours: 1,
        header: null,
        harvest: {
          crop: 'lentils',
          start: '2026-07-01',
          end: '2026-07-09',
          areaHa: 1,
          widthM: 1,
          speedKmh: 1,
          efficiency: 1,
        },
      }),
      409,
      'serial',
    );
  });
});

test('the API describes itself in OpenAPI 3.1', async () => {
  const { body } = await request(place.app).get('/api/openapi.json').expect(200);
  expect(body.openapi).toBe('3.1.0');
  expect(Object.keys(body.paths)).toEqual(
    expect.arrayContaining([
      '/api/yard',
      '/api/readings:batch',
      '/api/machines/{id}',
      '/api/plan.ics',
    ]),
  );
  expect(body.components.schemas.Reading.properties.takenAt).toBeDefined();
});
