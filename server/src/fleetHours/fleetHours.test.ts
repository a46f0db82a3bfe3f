import { type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { MachineFile } from '@green-tally/core/contracts';
import { HoursPage, HoursTaken } from '@green-tally/core/contracts/hours';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { askFleet, takeHours } from './fleetHours';
import { readSnapshot } from './snapshot';
import { createFleet, type FleetMachine } from './standIn';

let place: Place;
let rhea: Awaited<ReturnType<typeof signedIn>>;
const T118 = machineId('T118');
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
});
afterAll(() => place.close());

const hoursOf = async (id = T118): Promise<number> =>
  MachineFile.parse((await rhea.get(`/api/machines/${id}`)).body).machine.hours;
const page = async (): Promise<HoursPage> =>
  HoursPage.parse((await rhea.get('/api/hours').expect(200)).body);
const at = (day: number, hour = 6) =>
  `2026-07-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00.000Z`;
const said = (hours: number, day: number, meter: 'separator' | 'engine' = 'separator') =>
  takeHours(place.db, [{ serial: 't118', [meter]: { hours, at: at(day) } }], 'test');

/** A service on a port of its own, for as long as it is asked. */
async function serving<T>(
  machines: FleetMachine[],
  work: (url: string) => Promise<T>,
  day = 20,
): Promise<T> {
  const app = createFleet({ machines, now: () => new Date(at(day)), size: 2 });
  const server = await new Promise<Server>((ready) => {
    const s = app.listen(0, '127.0.0.1', () => ready(s));
  });
  try {
    return await work(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
  } finally {
    await new Promise((done) => server.close(done));
  }
}

test('hours that go on raise the books; a second time they are known; the engine’s stay apart', async () => {
  const before = await hoursOf();
  expect(await said(before + 8, 1)).toMatchObject({ taken: 1, challenged: 0 });
  expect(await hoursOf()).toBe(before + 8);
  expect(await said(before + 8, 1)).toMatchObject({ taken: 0, known: 1 });
  // a meter that stands still is heard of and adds nothing
  expect(await said(before + 8, 2)).toMatchObject({ taken: 0, known: 1 });
  expect(
    (await page()).latest.find((r) => r.machine.id === T118 && r.meter === 'separator')?.at,
  ).toBe(at(2));
  expect(await said(4000, 1, 'engine')).toMatchObject({ taken: 1 });
  expect(await hoursOf()).toBe(before + 8);
  expect(
    (await page()).latest
      .filter((r) => r.machine.id === T118)
      .map((r) => r.meter)
      .sort(),
  ).toEqual(['engine', 'separator']);
});

test('hours that go back wait for a person, one question a meter; a swapped meter goes on from there', async () => {
  const before = await hoursOf();
  expect(await said(before - 200, 3)).toMatchObject({ challenged: 1 });
  expect(await said(12, 4)).toMatchObject({ challenged: 1 });
  expect(await hoursOf()).toBe(before);
  const [asked, ...more] = (await page()).challenged;
  expect(more).toEqual([]);
  expect(asked).toMatchObject({ doubt: 'reset', hours: 12, before: { hours: before } });
  const answer = (body: object) => rhea.post(`/api/hours/${asked?.id}/answer`).send(body);
  problem(await answer({ answer: 'perhaps' }), 400, 'answer');
  await answer({ answer: 'swapped' }).expect(200);
  problem(await answer({ answer: 'right' }), 409, 'id');
  expect(await hoursOf()).toBe(before);
  expect(await said(20, 6)).toMatchObject({ taken: 1 });
  expect(await hoursOf()).toBeCloseTo(before + 8, 6);
});

test('more hours than have passed are no hours; said to be right, the books follow; wrong, they stay', async () => {
  const before = await hoursOf();
  const last = (await page()).latest.find((r) => r.machine.id === T118 && r.meter === 'separator');
  const shown = last?.hours ?? 0;
  expect(await said(shown + 300, 7)).toMatchObject({ challenged: 1 });
  const asked = (await page()).challenged[0]?.id;
  await rhea.post(`/api/hours/${asked}/answer`).send({ answer: 'wrong' }).expect(200);
  expect(await hoursOf()).toBe(before);
  expect(await said(shown + 300, 8)).toMatchObject({ challenged: 1 });
  await rhea
    .post(`/api/hours/${(await page()).challenged[0]?.id}/answer`)
    .send({ answer: 'right' })
    .expect(200);
  expect(await hoursOf()).toBeCloseTo(before + 300, 6);
});

test('a service of several pages is asked for all of them; a machine nobody knows is named', async () => {
  const id = machineId('T104');
  const books = await hoursOf(id);
  const machines = ['T104', 'X-1', 'X-2', 'X-3', 'X-4'].map((serial) => ({
    serial,
    model: 'M',
    separator: books + 2,
    engine: 900,
  }));
  const taken = await serving(machines, (url) => askFleet(place.db, url));
  expect(taken.unknown).toEqual(['X-1', 'X-2', 'X-3', 'X-4']);
  expect(taken.taken).toBe(2);
  expect(await hoursOf(id)).toBe(books + 2);
});

test('JSON and XML of one snapshot say the same', async () => {
  const machines = [{ serial: 'T104', model: 'Ouzel 5', separator: 812.5, engine: 1200 }];
  await serving(machines, async (url) => {
    const [json, xml] = await Promise.all(
      ['application/json', 'application/xml'].map(async (accept) =>
        (await fetch(`${url}/fleet/1`, { headers: { accept } })).text(),
      ),
    );
    expect(xml).toMatch(/^<\?xml/);
    expect(readSnapshot(xml ?? '')).toEqual(readSnapshot(json ?? ''));
  });
});

test('a service that is away, or leads elsewhere, changes nothing', async () => {
  const before = await hoursOf();
  await expect(askFleet(place.db, 'http://127.0.0.1:9')).rejects.toThrow(/hours stay as they are/);
  expect(await hoursOf()).toBe(before);
});

test.each([
  ['nothing', '', /JSON or XML/],
  ['half a JSON', '{"Equipment": [', /JSON or XML/],
  ['half an XML', '<Fleet><Equipment>', /whole XML; line 1/],
  [
    'entities of its own',
    '<!DOCTYPE f [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><Fleet>&b;</Fleet>',
    /without a document type/,
  ],
  [
    'hours in words',
    JSON.stringify({
      Equipment: [
        {
          EquipmentHeader: { SerialNumber: 'T118' },
          CumulativeSeparatorHours: { datetime: at(1), Hour: 'many' },
        },
      ],
    }),
    /Equipment.0.CumulativeSeparatorHours.Hour/,
  ],
  [
    'hours below none',
    JSON.stringify({
      Equipment: [
        {
          EquipmentHeader: { SerialNumber: 'T118' },
          CumulativeSeparatorHours: { datetime: at(1), Hour: -4 },
        },
      ],
    }),
    /Hour/,
  ],
  ['no serial', JSON.stringify({ Equipment: [{ EquipmentHeader: {} }] }), /SerialNumber/],
  ['another document', '<html><body>none</body></html>', /a fleet snapshot/],
])('a file that is %s is refused in words', async (_, text, words) => {
  const answer = await rhea.post('/api/hours/import').type('text/plain').send(text);
  problem(answer, 400, 'file');
  expect(answer.body.detail).toMatch(words);
});

test('a file of one branch touches no other’s machines; technicians only look', async () => {
  const text = JSON.stringify({
    Equipment: [
      {
        EquipmentHeader: { SerialNumber: 'B031' },
        CumulativeSeparatorHours: { datetime: at(1), Hour: 5000 },
      },
    ],
  });
  const { body } = await rhea.post('/api/hours/import').type('text/plain').send(text).expect(200);
  expect(HoursTaken.parse(body)).toMatchObject({ taken: 0, unknown: ['B031'] });
  const ines = await signedIn(place.app, 'ines');
  await ines.get('/api/hours').expect(200);
  await ines.post('/api/hours/import').type('text/plain').send(text).expect(403);
});
