import { parse } from 'csv-parse/sync';
import { DueList } from '@green-tally/core/contracts';
import { DUE_STATES } from '@green-tally/core/plan';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
let ines: Awaited<ReturnType<typeof signedIn>>;
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

/** The whole list, page by page. */
async function list(query = ''): Promise<DueList> {
  const page = async (cursor: string | null) =>
    DueList.parse(
      (
        await ines
          .get(`/api/due?limit=500${query}${cursor ? `&cursor=${encodeURIComponent(cursor)}` : ''}`)
          .expect(200)
      ).body,
    );
  const first = await page(null);
  const rows = [...first.rows];
  for (let { next } = first; next;) {
    const more = await page(next);
    expect(more.all).toBeNull();
    rows.push(...more.rows);
    ({ next } = more);
  }
  return { ...first, rows };
}

describe('the due list of a branch', () => {
  test('is of the own branch, nearest first', async () => {
    const { rows, branch } = await list();
    expect(branch).toBe('Upper Larkmoor');
    expect(new Set(rows.map((r) => r.machine.branch))).toEqual(new Set(['Upper Larkmoor']));
    const order = rows.map(
      (r) => `${DUE_STATES.indexOf(r.line.state)} ${r.line.on ?? '9'} ${r.harvest}`,
    );
    expect(order).toEqual([...order].sort());
  });
  test('what nobody has read this season is due before harvest, at the last day before it', async () => {
    const { rows } = await list();
    const own = rows.filter((r) => r.machine.serial === 'T126' && r.line.state === 'beforeHarvest');
    expect(own.length).toBeGreaterThan(100);
    expect(own.every((r) => (r.line.on ?? '') < r.harvest)).toBe(true);
  });
  test('services fall due in harvest at their hours, on a day of it', async () => {
    const { rows } = await list();
    const grease = rows.find(
      (r) => r.machine.serial === 'T118' && r.line.checkId === 'feeder-slip-clutch',
    );
    expect(grease?.line).toMatchObject({ state: 'inSeason', kind: 'service', atHours: 1334 });
    expect((grease?.line.on ?? '') >= (grease?.harvest ?? '9')).toBe(true);
  });
  test('follows the facts: what is read is no longer due', async () => {
    const t126 = machineId('T126');
    const has = async () =>
      (await list()).rows.some(
        (r) => r.machine.serial === 'T126' && r.line.checkId === 'fan-drive-belt',
      );
    expect(await has()).toBe(true);
    const answer = await ines.post('/api/readings:batch').send({
      readings: [
        beltReading({
          machineId: t126,
          hours: 700,
          value: { kind: 'measure', values: [37.8], typed: [], unit: 'mm' },
        }),
      ],
    });
    expect(answer.body.results[0].result).toBe('accepted');
    expect(await has()).toBe(false);
  });
  test('as CSV, a row each; as a calendar, an event a machine and day', async () => {
    const { rows } = await list();
    const csv = (await ines.get('/api/due.csv').expect(200)).text;
    const table = parse(csv, { columns: true }) as { machine: string; state: string; on: string }[];
    expect(table).toHaveLength(rows.length);
    expect(table[0]).toMatchObject({
      machine: rows[0]?.machine.serial,
      state: rows[0]?.line.state,
      on: rows[0]?.line.on ?? '',
    });
    const ics = (await ines.get('/api/due.ics').expect(200)).text;
    const days = new Set(rows.map((r) => `${r.machine.id} ${r.line.on ?? ''}`));
    const dated = [...days].filter((d) => !d.endsWith(' '));
    expect(ics.match(/BEGIN:VEVENT/g)).toHaveLength(dated.length);
    expect(ics).toContain('SUMMARY:Ouzel 7 T126');
  });
});
