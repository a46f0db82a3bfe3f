import { serialize } from 'node:v8';
import { MachineFile, Yard } from '@green-tally/core/contracts';
import { standingOf, type Standing } from '@green-tally/core/plan';
import { DEMO_DAY } from '@green-tally/demo';
import { MachineRow, machineFileOf } from '../db';
import { openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

/** What is said of every place of every check, and of the machine. */
const told = ({ verdicts, counts, missing, slack, checksDue }: Standing) => ({
  ...{ counts, missing, slack, checksDue },
  verdicts: verdicts.map(({ check, decision, places, unmeasured }) => ({
    ...{ check: check.id, decision, unmeasured },
    places: places.map(({ place: at, decision: is, findings, value, wear, forecast }) => ({
      ...{ at, is, findings, value, wear, forecast },
    })),
  })),
});

test('a phone without signal judges every reading of the demo as the server does', async () => {
  const maud = await signedIn(place.app, 'maud');
  const { rows } = Yard.parse((await maud.get('/api/yard?limit=200').expect(200)).body);
  const ids = (await MachineRow.findAll({ attributes: ['id'], raw: true })).map((m) => m.id);
  expect(ids.length).toBeGreaterThan(20);
  let readings = 0;
  for (const id of ids) {
    const here = await machineFileOf(id);
    if (!here) throw new Error(id);
    const sent = MachineFile.parse((await maud.get(`/api/machines/${id}`).expect(200)).body);
    const phone = told(standingOf(sent, DEMO_DAY));
    const server = told(standingOf(here.file, DEMO_DAY));
    // as bytes they are compared in no time; where they differ, that is shown
    if (!serialize(phone).equals(serialize(server))) expect(phone).toEqual(server);
    const row = rows.find((r) => r.machine.id === id);
    expect(row).toMatchObject({ slack: phone.slack, counts: phone.counts });
    expect(row?.missing.map((m) => [m.id, m.count])).toEqual(
      phone.missing.map((m) => [m.id, m.count]),
    );
    readings += sent.readings.length;
  }
  expect(readings).toBeGreaterThan(5000);
});
