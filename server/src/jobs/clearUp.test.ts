import { QueryTypes } from 'sequelize';
import { MachineChanges } from '@green-tally/core/contracts';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';
import { clearUp } from './clearUp';

let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

const count = async (table: string) =>
  (
    await place.db.sequelize.query<{ n: number }>(`SELECT count(*)::int AS n FROM ${table}`, {
      type: QueryTypes.SELECT,
    })
  )[0]?.n;

test('what has ended goes, what is in use stays, and no fact is touched', async () => {
  const rhea = await signedIn(place.app, 'rhea');
  await rhea
    .post('/api/readings:batch')
    .send({ readings: [beltReading()] })
    .expect(200);
  const facts = await Promise.all(['readings', 'walks', 'work_items', 'ticks'].map(count));
  const { version } = (await rhea.get(`/api/machines/${machineId('T118')}/changes`)).body;
  await place.db.sequelize.query(`
    INSERT INTO session VALUES ('old', '{}', now() - interval '1 minute');
    INSERT INTO tries VALUES ('old', 3, now() - interval '1 minute'), ('new', 3, now() + interval '1 minute');
    UPDATE machine_writes SET at = now() - interval '200 days';`);
  await clearUp(place.db);
  expect(await count(`tries WHERE key IN ('old', 'new')`)).toBe(1);
  expect(await count(`session WHERE sid = 'old'`)).toBe(0);
  expect(await count('machine_writes')).toBe(0);
  expect(await Promise.all(['readings', 'walks', 'work_items', 'ticks'].map(count))).toEqual(facts);
  await rhea.get('/api/session').expect(200);
  // a phone that was away since before is given the machine whole
  const after = MachineChanges.parse(
    (await rhea.get(`/api/machines/${machineId('T118')}/changes?since=${version - 1}`)).body,
  );
  expect(after.since).toBe(0);
});
