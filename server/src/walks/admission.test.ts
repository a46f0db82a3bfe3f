import { randomUUID } from 'node:crypto';
import { BatchAnswer, MachineFile } from '@green-tally/core/contracts';
import { QueryTypes } from 'sequelize';
import { ReadingRow } from '../db';
import { beltReading, machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;
type Change = Record<string, unknown>;

let place: Place;
let ines: Agent;
let rhea: Agent;
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
  rhea = await signedIn(place.app, 'rhea');
});
afterAll(() => place.close());

const T118 = machineId('T118');
const NOWHERE = '0197a000-0000-7000-8000-00000000dead';
const sent = async (readings: readonly Change[], agent = ines) => {
  const answer = await agent.post('/api/readings:batch').send({ readings });
  expect([answer.status, answer.body.message ?? '']).toEqual([200, '']);
  return BatchAnswer.parse(answer.body).results;
};
const results = async (readings: readonly Change[], agent = ines) =>
  (await sent(readings, agent)).map((r) => r.result);
/** Fields at fault of the only reading of a batch. */
const fields = async (change: Change) =>
  (await sent([beltReading(change)]))[0]?.errors?.map((e) => e.field) ?? [];
const idOf = (reading: Change) => String(reading['id']);
const there = (...readings: readonly Change[]) =>
  ReadingRow.count({ where: { id: readings.map(idOf) } });
const strikeOf = (reading: Change, change: Change = {}) =>
  beltReading({
    strikes: idOf(reading),
    value: { kind: 'strike', why: 'read at the other belt' },
    takenAt: '2026-06-09T09:00:00.000Z',
    ...change,
  });
const hoursOf = async (id: string) =>
  MachineFile.parse((await rhea.get(`/api/machines/${id}`)).body).machine.hours;
const versionOf = async (id: string) => {
  const [row] = await place.db.sequelize.query<{ version: number }>(
    'SELECT version FROM machines WHERE id = $1',
    { bind: [id], type: QueryTypes.SELECT },
  );
  return Number(row?.version);
};
/** A walk of a machine, begun this morning. */
async function walkOf(machine: string): Promise<string> {
  const id = randomUUID();
  await ines
    .put(`/api/walks/${id}`)
    .send({
      machineId: machine,
      startedAt: '2026-06-09T07:00:00.000Z',
      finishedAt: null,
      madeSafeAt: null,
      hours: 1284,
      by: 'Ines Marrow',
      noticed: '',
    })
    .expect(200);
  return id;
}

describe('a batch is answered reading by reading, in the order sent', () => {
  test('accepted, again, refused and unreadable side by side; only the good are there', async () => {
    const [good, other, nowhere, none] = [
      beltReading(),
      beltReading(),
      beltReading({ place: 'row 99' }),
      beltReading({ hours: 'many' }),
    ];
    const answers = await sent([good, nowhere, good, none, other]);
    expect(answers.map((a) => [a.id, a.result])).toEqual([
      [idOf(good), 'accepted'],
      [idOf(nowhere), 'rejected'],
      [idOf(good), 'duplicate'],
      [idOf(none), 'rejected'],
      [idOf(other), 'accepted'],
    ]);
    expect(await there(good, other)).toBe(2);
    expect(await there(nowhere, none)).toBe(0);
  });
  test('one id twice in a batch with other content: the first is there, the second is told', async () => {
    const one = beltReading();
    const answers = await sent([one, { ...one, note: 'something else' }]);
    expect(answers.map((a) => a.result)).toEqual(['accepted', 'rejected']);
    expect(answers[1]?.errors?.[0]?.field).toBe('id');
    expect((await ReadingRow.findByPk(idOf(one)))?.note).toBe('');
  });
  test('a batch without a good one writes nothing, and no other phone is told of anything', async () => {
    const before = await versionOf(T118);
    expect(await results([beltReading({ place: 'row 99' }), beltReading({ hours: -1 })])).toEqual([
      'rejected',
      'rejected',
    ]);
    expect(await versionOf(T118)).toBe(before);
  });
  test('one that is there already moves nothing', async () => {
    const one = beltReading();
    await sent([one]);
    const before = await versionOf(T118);
    expect(await results([one])).toEqual(['duplicate']);
    expect(await versionOf(T118)).toBe(before);
  });
  test('the same again in other clothes is the same: a moment by another zone, what was typed', async () => {
    const one = beltReading({ takenAt: '2026-06-09T08:00:00.000Z' });
    await sent([one]);
    const again = {
      ...one,
      takenAt: '2026-06-09T10:00:00.000+02:00',
      value: { kind: 'measure', values: [37.2], typed: ['37,20'], unit: 'mm' },
    };
    expect(await results([again])).toEqual(['duplicate']);
  });
  test('whoever sends it took it, whatever the reading says', async () => {
    const one = beltReading({ by: 'Maud Ferren' });
    await sent([one]);
    expect((await ReadingRow.findByPk(idOf(one)))?.by).toBe('Ines Marrow');
  });
  test('without a session nothing is taken, and nothing is told of what is there', async () => {
    const { default: request } = await import('supertest');
    const one = beltReading();
    const answer = await request(place.app)
      .post('/api/readings:batch')
      .send({ readings: [one] });
    problem(answer, 401);
    expect(await there(one)).toBe(0);
  });
  test('an empty batch, one of a thousand and one, and one that is none are refused by name', async () => {
    const many = Array.from({ length: 1001 }, () => beltReading());
    for (const readings of [[], many, 'all of them'])
      problem(await ines.post('/api/readings:batch').send({ readings }), 400, 'readings');
    expect(await there(...many.slice(0, 5))).toBe(0);
  });
});

describe('what a reading says of others has to be so', () => {
  test('a walk is one of this machine; a revision is one that there is', async () => {
    const own = await walkOf(T118);
    const others = await walkOf(machineId('T090'));
    expect(await fields({ walkId: own })).toEqual([]);
    expect(await fields({ walkId: others })).toEqual(['walkId']);
    expect(await fields({ walkId: NOWHERE })).toEqual(['walkId']);
    expect(await fields({ sheet: { model: 'Ouzel 7', revision: 99 } })).toEqual(['sheet.revision']);
    expect(await fields({ sheet: { model: 'Nothing 1', revision: 1 } })).toEqual([
      'sheet.revision',
    ]);
  });
  test('all that is wrong is told at once, what it says of itself first', async () => {
    expect(
      await fields({
        place: 'row 99',
        takenAt: '2027-01-01T08:00:00Z',
        walkId: NOWHERE,
        sheet: { model: 'Ouzel 7', revision: 99 },
        strikes: NOWHERE,
        value: { kind: 'feel', feel: 'stuck' },
      }),
    ).toEqual(['place', 'takenAt', 'value.kind', 'strikes', 'walkId', 'sheet.revision']);
  });
  test('of a machine that is not there, or is another branch’s, nothing more is said', async () => {
    const wrong = { walkId: null, machineId: NOWHERE, place: 'row 99' };
    expect((await fields(wrong))[0]).toBe('machineId');
  });
  test('a moment ahead of the clock is told as the clock of the device', async () => {
    // the place's clock says 18:00
    expect(await fields({ takenAt: '2026-06-09T18:10:00.000Z' })).toEqual([]);
    expect(await fields({ takenAt: '2026-06-09T18:20:00.000Z' })).toEqual(['takenAt']);
  });
  test('text that no database can keep is refused, not cut', async () => {
    const one = beltReading({ note: 'a\u0000b' });
    expect((await sent([one, beltReading()])).map((r) => r.result)).toEqual([
      'rejected',
      'accepted',
    ]);
    expect(await there(one)).toBe(0);
  });
});

describe('a strike', () => {
  test('is of one that stands at this place, once', async () => {
    const one = beltReading();
    await sent([one]);
    const strike = strikeOf(one);
    expect(await results([strike])).toEqual(['accepted']);
    const again = await sent([strikeOf(one)]);
    expect(again[0]?.errors).toEqual([
      { field: 'strikes', message: 'This reading is struck already.' },
    ]);
    // the strike itself is a fact, and is not struck
    expect((await sent([strikeOf(strike)]))[0]?.errors?.[0]?.field).toBe('strikes');
  });
  test('may come in one batch with what it strikes, after it and not before', async () => {
    const [one, two] = [beltReading(), beltReading()];
    expect(await results([one, strikeOf(one)])).toEqual(['accepted', 'accepted']);
    expect(await results([strikeOf(two), two])).toEqual(['rejected', 'accepted']);
  });
  test('of another machine’s reading, or another check’s, is refused', async () => {
    const one = beltReading();
    await sent([one]);
    const elsewhere = strikeOf(one, { machineId: machineId('T104') });
    const atOther = strikeOf(one, { checkId: 'chopper-knives', place: 'rotor' });
    for (const strike of [elsewhere, atOther])
      expect((await sent([strike]))[0]?.errors?.map((e) => e.field)).toEqual(['strikes']);
    expect(await there(one)).toBe(1);
  });
  test('that corrects carries what was right, and both stand in the file', async () => {
    const wrong = beltReading({
      value: { kind: 'measure', values: [36.1], typed: [], unit: 'mm' },
    });
    const right = beltReading({ strikes: idOf(wrong), takenAt: '2026-06-09T08:05:00.000Z' });
    expect(await results([wrong, right])).toEqual(['accepted', 'accepted']);
    const file = MachineFile.parse((await rhea.get(`/api/machines/${T118}`)).body);
    const kept = file.readings.filter((r) => [idOf(wrong), idOf(right)].includes(r.id));
    expect(kept.map((r) => r.strikes).sort()).toEqual([idOf(wrong), null].sort());
  });
});

describe('the hours of the machine', () => {
  const T104 = machineId('T104');
  const at = (hours: number, change: Change = {}) =>
    beltReading({ machineId: T104, hours, takenAt: '2026-06-09T08:00:00.000Z', ...change });
  test('go up by a reading, and fall back when it is struck', async () => {
    const before = await hoursOf(T104);
    const high = at(before + 3);
    expect(await results([high])).toEqual(['accepted']);
    expect(await hoursOf(T104)).toBe(before + 3);
    const strike = strikeOf(high, { machineId: T104, hours: before + 3 });
    expect(await results([strike])).toEqual(['accepted']);
    expect(await hoursOf(T104)).toBe(before);
  });
  test('are not brought down by one that was taken earlier and comes later', async () => {
    const before = await hoursOf(T104);
    const later = at(before + 3, { takenAt: '2026-06-09T16:00:00.000Z' });
    const earlier = at(before + 1, { takenAt: '2026-06-09T15:00:00.000Z' });
    expect(await results([later])).toEqual(['accepted']);
    expect(await results([earlier])).toEqual(['accepted']);
    expect(await hoursOf(T104)).toBe(before + 3);
  });
  test('of a later reading do not lie below those of an earlier one', async () => {
    const before = await hoursOf(T104);
    const back = at(before - 200, { takenAt: '2026-06-09T17:00:00.000Z' });
    const [answer] = await sent([back]);
    expect(answer?.errors?.map((e) => e.field)).toEqual(['hours']);
    expect(await hoursOf(T104)).toBe(before);
  });
});

test('many phones at once: each reading is there once, whoever was first', async () => {
  const shared = Array.from({ length: 6 }, () => beltReading());
  const own = Array.from({ length: 4 }, () => beltReading());
  const answers = await Promise.all(own.map((one, i) => results([...shared.slice(i), one])));
  const accepted = answers.flat().filter((r) => r === 'accepted');
  expect(accepted).toHaveLength(shared.length + own.length);
  expect(answers.flat().filter((r) => r === 'rejected')).toEqual([]);
  expect(await there(...shared, ...own)).toBe(shared.length + own.length);
});
