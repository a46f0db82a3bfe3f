import { randomUUID } from 'node:crypto';
import { BatchAnswer, MachineFile } from '@green-tally/core/contracts';
import { ReadingRow } from '../db';
import { beltReading, machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

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
