import { randomUUID } from 'node:crypto';
import { MachineChanges, MachineFile, type Visit } from '@green-tally/core/contracts';
import { machinesChanged } from '../db';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
let rhea: Awaited<ReturnType<typeof signedIn>>;
const T118 = machineId('T118');
const B019 = machineId('B019');

beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
});
afterAll(() => place.close());

async function changes(id: string, since = 0, basis?: string) {
  const { body, text } = await rhea
    .get(`/api/machines/${id}/changes`)
    .query({ since, ...(basis ? { basis } : {}) })
    .expect(200);
  return { ...MachineChanges.parse(body), bytes: text.length };
}
const send = (...readings: object[]) =>
  rhea.post('/api/readings:batch').send({ readings }).expect(200);

describe('what has changed of a machine', () => {
  test('since nothing: all its facts, and which sheets they are judged by', async () => {
    const all = await changes(T118);
    const file = MachineFile.parse((await rhea.get(`/api/machines/${T118}`)).body);
    expect(all).toMatchObject({ since: 0, machine: file.machine, dropped: [] });
    for (const facts of ['readings', 'walks', 'work', 'ticks', 'visits'] as const)
      expect(all[facts]).toEqual(file[facts]);
    expect(all.judgedBy).toEqual({
      sheets: file.sheets.map(({ model, revision }) => ({ model, revision })),
      earlier: file.earlier.map(({ model, revision }) => ({ model, revision })),
      rates: file.rates,
      hands: file.hands,
      times: file.times,
      costs: file.costs,
    });
  });

  test('since one reading: that reading, in a few kilobytes', async () => {
    const { version, basis } = await changes(T118);
    const r = beltReading();
    await send(r);
    const after = await changes(T118, version, basis);
    expect(after.readings.map((x) => x.id)).toEqual([r['id']]);
    expect(after).toMatchObject({ since: version, version: version + 1, judgedBy: null });
    expect([after.walks, after.work, after.ticks, after.visits]).toEqual([[], [], [], []]);
    expect(after.bytes).toBeLessThan(5_000);
    expect(await changes(T118, version + 1, basis)).toMatchObject({ readings: [], judgedBy: null });
  });

  test('what was written by many at once is left out by nobody', async () => {
    const { version, basis } = await changes(T118);
    const readings = Array.from({ length: 24 }, () => beltReading());
    await Promise.all(readings.map((r) => send(r)));
    // as a phone does it: in steps, whatever came meanwhile
    const got = new Set<string>();
    let since = version;
    for (;;) {
      const step = await changes(T118, since, basis);
      step.readings.forEach((r) => got.add(r.id));
      if (step.version === since) break;
      since = step.version;
    }
    expect(readings.every((r) => got.has(String(r['id'])))).toBe(true);
    expect(since).toBe(version + 24);
  });

  test('a fact written anew comes again; a visit that was taken away is named', async () => {
    const file = MachineFile.parse((await rhea.get(`/api/machines/${B019}`)).body);
    const { version } = await changes(B019);
    const [item] = file.work.filter((w) => !w.withdrawnAt);
    const technician = (await rhea.get('/api/people')).body.people.find(
      (p: { signIn: string }) => p.signIn === 'ines',
    ).id;
    const id = randomUUID();
    const visit = { machineId: B019, technicianId: technician, startsOn: '2026-06-16' };
    await rhea.put(`/api/visits/${id}`).send(visit).expect(200);
    const planned = await changes(B019, version);
    expect(planned.visits.map((v: Visit) => v.id)).toEqual([id]);
    await rhea.delete(`/api/work/${item?.id}`).expect(200);
    await rhea.delete(`/api/visits/${id}`).expect(204);
    const after = await changes(B019, planned.version);
    expect(after.work).toMatchObject([{ id: item?.id, withdrawnAt: expect.any(String) }]);
    expect(after).toMatchObject({ visits: [], dropped: [id] });
  });

  test('what it is judged by comes again when it has changed: a price, a sheet', async () => {
    const before = await changes(T118);
    const maud = await signedIn(place.app, 'maud');
    const [part] = (await maud.get('/api/costs?branch=Upper%20Larkmoor')).body.parts;
    await maud
      .put('/api/prices')
      .send({ prices: [{ number: part.number, price: 77 }] })
      .expect(200);
    const after = await changes(T118, before.version, before.basis);
    expect(after.readings).toEqual([]);
    expect(after.judgedBy?.costs?.prices).not.toEqual(before.judgedBy?.costs?.prices);
  });

  test('a version that is not there yet, or no longer on record: all of it', async () => {
    const { version, readings } = await changes(T118);
    expect(await changes(T118, version + 5)).toMatchObject({ since: 0, readings });
    await place.db.sequelize.query('DELETE FROM machine_writes WHERE machine_id = $1', {
      bind: [T118],
    });
    expect(await changes(T118, version - 1)).toMatchObject({ since: 0, readings });
    expect(await changes(T118, version)).toMatchObject({ since: version, readings: [] });
  });

  test('a revision is fetched by itself; what the phone has is only asked for, not sent again', async () => {
    const { judgedBy } = await changes(T118);
    const [ref] = judgedBy?.sheets ?? [];
    const answer = await rhea
      .get(`/api/specs/${encodeURIComponent(ref?.model ?? '')}/revisions/${ref?.revision}`)
      .expect(200);
    expect(answer.headers['cache-control']).toBe('private, no-cache');
    await rhea
      .get(`/api/specs/${encodeURIComponent(ref?.model ?? '')}/revisions/${ref?.revision}`)
      .set('if-none-match', answer.headers['etag'] ?? '')
      .expect(304);
    expect(answer.body).toMatchObject({ model: ref?.model, revision: ref?.revision });
    await rhea.get('/api/specs/Ouzel%207/revisions/99').expect(404);
  });

  test('a write that fails moves no version', async () => {
    const { version } = await changes(T118);
    await expect(
      place.db.transaction(async (t) => {
        await machinesChanged(place.db, { ids: [T118] }, t);
        throw new Error('power gone');
      }),
    ).rejects.toThrow();
    expect((await changes(T118)).version).toBe(version);
  });
});
