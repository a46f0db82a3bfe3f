import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { BatchAnswer, MachineFile, Session, Visit, Yard } from '@green-tally/core/contracts';
import { ReadingRow, VisitRow } from '../db';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

const problem = (response: request.Response, status: number, field?: string) => {
  expect(response.status).toBe(status);
  expect(response.type).toBe('application/problem+json');
  if (field) expect(response.body.errors.map((e: { field: string }) => e.field)).toContain(field);
  return response.body;
};

describe('sign in', () => {
  test('the cookie is out of reach of scripts and other sites', async () => {
    const response = await request(place.app)
      .post('/api/session')
      .send({ signIn: 'INES', password: 'before-harvest' })
      .expect(201);
    expect(Session.parse(response.body).person?.name).toBe('Ines Marrow');
    expect(response.get('set-cookie')?.[0]).toMatch(
      /HttpOnly.*SameSite=Strict|SameSite=Strict.*HttpOnly/,
    );
  });
  test('a wrong password and an unknown name are answered alike', async () => {
    const wrong = problem(
      await request(place.app).post('/api/session').send({ signIn: 'ines', password: 'no' }),
      401,
    );
    const unknown = problem(
      await request(place.app).post('/api/session').send({ signIn: 'nobody', password: 'no' }),
      401,
    );
    expect(wrong).toEqual(unknown);
  });
  test('signing out ends it', async () => {
    const ines = await signedIn(place.app, 'ines');
    await ines.delete('/api/session').expect(204);
    problem(await ines.get('/api/yard'), 401);
  });
  test('a foreign origin cannot write', async () => {
    problem(
      await request(place.app)
        .post('/api/session')
        .set('origin', 'https://elsewhere.example')
        .send({ signIn: 'ines', password: 'before-harvest' }),
      403,
    );
  });
});

describe('who may do what', () => {
  test("a planner cannot change another branch's machine", async () => {
    const corin = await signedIn(place.app, 'corin');
    problem(await corin.patch(`/api/machines/${machineId('T118')}`).send({ hours: 1300 }), 403);
  });
});

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
      new Set(['holds', 'watch', 'adjust', 'shorten', 'turn', 'replace', 'remeasure']),
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
    expect(file.sheets.map((s) => s.model).sort()).toEqual(['AX7', 'RC12']);
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

describe('readings', () => {
  const send = async (readings: object[], who = 'ines') =>
    (await signedIn(place.app, who)).post('/api/readings:batch').send({ readings });

  test('sent twice, a reading is stored once', async () => {
    const reading = beltReading();
    expect((await send([reading])).body.results).toEqual([
      { id: reading['id'], result: 'accepted' },
    ]);
    expect(BatchAnswer.parse((await send([reading])).body).results[0]?.result).toBe('duplicate');
    expect(await ReadingRow.count({ where: { id: String(reading['id']) } })).toBe(1);
  });
  test('two tabs sending the same at once store it once', async () => {
    const reading = beltReading();
    const answers = await Promise.all([send([reading]), send([reading]), send([reading])]);
    expect(answers.map((a) => a.body.results[0].result).sort()).toEqual([
      'accepted',
      'duplicate',
      'duplicate',
    ]);
  });
  test('an id used for other content is not silently changed', async () => {
    const reading = beltReading();
    await send([reading]);
    const { body } = await send([{ ...reading, hours: 1290 }]);
    expect(body.results[0]).toMatchObject({ result: 'rejected', errors: [{ field: 'id' }] });
    expect((await ReadingRow.findByPk(String(reading['id'])))?.hours).toBe(1285);
  });
  test.each([
    [
      'a check the machine does not have',
      { checkId: 'rotor-gap' },
      'checkId',
      /has no check "rotor-gap"\. It has: /,
    ],
    ['a place that is not there', { place: 'row 99' }, 'place', /not a place/],
    [
      'a day before the machine was built',
      { takenAt: '2020-01-01T08:00:00Z' },
      'takenAt',
      /before T118 was built, 2021-03-15/,
    ],
    ['a day in the future', { takenAt: '2027-01-01T08:00:00Z' }, 'takenAt', /future/],
    [
      'another kind of value',
      { value: { kind: 'feel', feel: 'stuck' } },
      'value.kind',
      /takes measure/,
    ],
    [
      'an unknown machine',
      { machineId: '0197a000-0000-7000-8000-00000000dead' },
      'machineId',
      /no such machine/,
    ],
    [
      'a strike of nothing',
      { strikes: '0197a000-0000-7000-8000-00000000dead' },
      'strikes',
      /not there/,
    ],
  ])('%s is rejected by field and remedy', async (_what, change, field, message) => {
    const { body } = await send([beltReading(change)]);
    expect(body.results[0]).toMatchObject({ result: 'rejected', errors: [{ field }] });
    expect(body.results[0].errors[0].message).toMatch(message);
  });
  test.each([
    [
      'a negative length',
      { value: { kind: 'measure', values: [-3], typed: [], unit: 'mm' } },
      'readings.0.value.values.0',
    ],
    ['text in a number', { hours: 'many' }, 'readings.0.hours'],
    ['no value', { value: undefined }, 'readings.0.value'],
  ])(
    '%s is a 400 that names it',
    async (_what, change, field) => void problem(await send([beltReading(change)]), 400, field),
  );
  test('one bad among good: the good are stored, the bad is told', async () => {
    const [good, bad] = [beltReading(), beltReading({ hours: -1 })];
    const { body } = await send([bad, good]);
    expect(body.results.map((r: { result: string }) => r.result)).toEqual(['rejected', 'accepted']);
    expect(await ReadingRow.count({ where: { id: String(good['id']) } })).toBe(1);
  });
  test('a body that is no JSON, and one of 5 MB, are refused and the server goes on', async () => {
    const ines = await signedIn(place.app, 'ines');
    problem(await ines.post('/api/readings:batch').type('json').send('{"readings": ['), 400);
    problem(
      await ines
        .post('/api/readings:batch')
        .send({ readings: [beltReading({ note: 'x'.repeat(5_000_000) })] }),
      413,
    );
    await ines.get('/api/yard').expect(200);
  });
  test('a walk sent twice is one walk, and finishing it is kept', async () => {
    const ines = await signedIn(place.app, 'ines');
    const id = randomUUID();
    const walk = {
      machineId: machineId('T090'),
      startedAt: '2026-06-09T08:00:00.000Z',
      finishedAt: null,
      madeSafeAt: null,
      hours: 1742,
      by: 'Ines Marrow',
      noticed: 'noisy feeder',
    };
    await ines.put(`/api/walks/${id}`).send(walk).expect(200);
    await ines
      .put(`/api/walks/${id}`)
      .send({ ...walk, finishedAt: '2026-06-09T09:00:00.000Z' })
      .expect(200);
    const file = MachineFile.parse((await ines.get(`/api/machines/${machineId('T090')}`)).body);
    expect(file.walks.filter((w) => w.id === id)).toEqual([
      expect.objectContaining({ finishedAt: '2026-06-09T09:00:00.000Z', noticed: 'noisy feeder' }),
    ]);
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
    await Promise.all(
      [item, item, again].map((i) =>
        rhea
          .post('/api/work')
          .send({ items: [i] })
          .expect(201),
      ),
    );
    const [accepted] = MachineFile.parse((await rhea.get(`/api/machines/${id}`)).body).work;
    expect(MachineFile.parse((await rhea.get(`/api/machines/${id}`)).body).work).toHaveLength(1);
    const workId = accepted?.id ?? '';
    expect(await row()).toMatchObject({
      next: { id: 'planVisit', count: 1 },
      hoursOpen: 1.75,
      hoursPlanned: 0,
    });
    const { people } = (await rhea.get('/api/people')).body;
    const technicianId = people.find((p: { signIn: string }) => p.signIn === 'tobin').id;
    const visitId = randomUUID();
    const plan = (startsOn: string, version: number | null) =>
      rhea
        .put(`/api/visits/${visitId}`)
        .send({ machineId: id, technicianId, startsOn, site: 'bay', version });
    const visit = Visit.parse((await plan('2026-06-13', null)).body);
    expect(visit).toMatchObject({
      startsOn: '2026-06-15',
      endsOn: '2026-06-15',
      hours: 1.75,
      technician: 'Tobin Vale',
      workIds: [workId],
    });
    expect(await row()).toMatchObject({
      slack: 12,
      late: false,
      hoursPlanned: 1.75,
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
    await rhea.delete(`/api/work/${workId}`).expect(200);
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
        model: 'AX7',
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
