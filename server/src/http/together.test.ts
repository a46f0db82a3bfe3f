import { randomUUID } from 'node:crypto';
import { demoId } from '@green-tally/demo';
import { beltReading, machineId, placeWith, sheetsFor } from '../testing/place';

/** Several at the same moment: each is answered, one of two wins, and nobody is told 500. */
const { as } = placeWith('ines', 'rhea', 'maud');
const batch = (readings: readonly object[], by = 'ines') =>
  as(by).post('/api/readings:batch').send({ readings });
const [A, B] = [machineId('T118'), machineId('T126')];

test('batches on two machines in either order, sixteen at once: all are stored, none is in the way for good', async () => {
  const answers = await Promise.all(
    Array.from({ length: 16 }, (_, i) => {
      const both = [beltReading({ machineId: A }), beltReading({ machineId: B, hours: 700 })];
      return batch(i % 2 ? both : both.reverse());
    }),
  );
  expect(answers.map((a) => a.status)).toEqual(Array(16).fill(200));
  const ofA = answers.flatMap((a) => a.body.results as { result: string }[]);
  expect(ofA.filter((r) => r.result === 'accepted').length).toBeGreaterThanOrEqual(16);
});

test('one id with two contents at once: one is accepted, the other refused by name', async () => {
  const id = randomUUID();
  const answers = await Promise.all(
    [37.1, 36.4].map((x) =>
      batch([beltReading({ id, value: { kind: 'measure', values: [x], typed: [], unit: 'mm' } })]),
    ),
  );
  expect(answers.map((a) => a.body.results[0].result).sort()).toEqual(['accepted', 'rejected']);
});

test('one id in large and small letters is one id', async () => {
  const reading = beltReading();
  await batch([reading]);
  const again = await batch([{ ...reading, id: String(reading['id']).toUpperCase() }]);
  expect(again.body.results[0]).toMatchObject({ id: reading['id'], result: 'duplicate' });
});

test('the same new walk twice at once is one walk', async () => {
  const id = randomUUID();
  const walk = { machineId: A, startedAt: '2026-06-09T07:00:00.000Z', hours: 1285, by: 'x' };
  const answers = await Promise.all(
    [1, 2, 3].map(() => as('ines').put(`/api/walks/${id}`).send(walk)),
  );
  expect(answers.map((a) => a.status)).toEqual([200, 200, 200]);
  const { walks } = (await as('ines').get(`/api/machines/${A}`)).body;
  expect(walks.filter((w: { id: string }) => w.id === id)).toHaveLength(1);
});

test('the same new revision of a sheet twice at once: stored once, and the second finds it there', async () => {
  const { sheet } = await sheetsFor(() => as('rhea'))('Tarn 7');
  const next = { ...sheet, revision: sheet.revision + 1, remark: 'at once' };
  const answers = await Promise.all([1, 2].map(() => as('rhea').post('/api/specs').send(next)));
  expect(answers.map((a) => a.status)).toEqual([200, 200]);
  expect(answers.map((a) => a.body.result).sort()).toEqual(['stored', 'there']);
  const other = { ...next, revision: next.revision + 1 };
  const differ = await Promise.all(
    ['one', 'two'].map((remark) =>
      as('rhea')
        .post('/api/specs')
        .send({ ...other, remark }),
    ),
  );
  expect(differ.map((a) => a.status).sort()).toEqual([200, 409]);
});

test('a tick, a photo, an order, a breakdown with one id and two contents at once: never both, never 500', async () => {
  const id = randomUUID();
  const tick = (note: string) =>
    as('ines')
      .post('/api/ticks')
      .send({
        ticks: [
          {
            ...{ id, machineId: A, key: 'task|x|y|z', done: true, note },
            ...{ at: '2026-06-09T08:00:00.000Z', by: 'x' },
          },
        ],
      });
  const ticks = await Promise.all([tick('one'), tick('two')]);
  expect(ticks.map((a) => a.status).sort()).toEqual([201, 400]);
  const stopped = (hoursLost: number) =>
    as('ines')
      .post('/api/breakdowns')
      .send({
        ...{ id: randomUUID(), machineId: A, at: '2026-06-09T08:00:00.000Z', hours: 1285 },
        ...{ checkId: null, component: 'Fan', kind: 'broke', hoursLost, note: '', by: 'x' },
      });
  const answers = await Promise.all([stopped(1), stopped(2)]);
  expect(answers.every((a) => a.status < 500)).toBe(true);
});

test('one person changed by two admins at once: both changes are there, or one is told', async () => {
  const id = demoId('person odd');
  const change = (body: object) => as('maud').patch(`/api/people/${id}`).send(body);
  const answers = await Promise.all([change({ name: 'Odd Fen' }), change({ role: 'planner' })]);
  expect(answers.map((a) => a.status)).toEqual([200, 200]);
  const { people } = (await as('maud').get('/api/staff')).body;
  expect(people.find((p: { id: string }) => p.id === id)).toMatchObject({
    name: 'Odd Fen',
    role: 'planner',
  });
});
