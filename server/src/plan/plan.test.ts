import { randomUUID } from 'node:crypto';
import { Machine, Visit, WorkItem } from '@green-tally/core/contracts';
import { demoId } from '@green-tally/demo';
import { machineId, openPlace, signedIn, type Place } from '../testing/place';
import { planCalendar } from './calendar';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
const B019 = machineId('B019');
const T126 = machineId('T126');
const ines = demoId('person ines');

beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
});
afterAll(() => place.close());

const plan = (change: object = {}) => ({
  machineId: B019,
  technicianId: ines,
  startsOn: '2026-06-16',
  ...change,
});
const put = (id: string, body: object, agent = rhea) => agent.put(`/api/visits/${id}`).send(body);
const visitsOf = async (machine: string): Promise<Visit[]> =>
  (await rhea.get(`/api/machines/${machine}`)).body.visits;
const technician = async (): Promise<string> =>
  (await rhea.get('/api/people')).body.people.find((p: { signIn: string }) => p.signIn === 'ines')
    ?.id ?? ines;

describe('a visit', () => {
  const id = randomUUID();
  let who = ines;
  beforeAll(async () => void (who = await technician()));

  test('takes all accepted work that no other visit holds, and ends by its hours', async () => {
    const { status, body } = await put(id, plan({ technicianId: who }));
    expect([status, body.detail]).toEqual([200, undefined]);
    const visit = Visit.parse(body.visit ?? body);
    expect(visit).toMatchObject({ startsOn: '2026-06-16', version: 1, site: 'bay' });
    expect(visit.workIds.length).toBeGreaterThan(0);
    expect(visit.hours).toBeGreaterThan(0);
    expect(visit.endsOn >= visit.startsOn).toBe(true);
  });

  test('sent once more it is the same visit, not a second', async () => {
    expect((await put(id, plan({ technicianId: who }))).status).toBe(200);
    const visits = await visitsOf(B019);
    expect(visits.filter((v) => v.id === id)).toHaveLength(1);
    expect(visits.find((v) => v.id === id)?.version).toBe(1);
  });

  test('is moved by one who saw it as it is; a weekend start moves to Monday', async () => {
    const { status } = await put(
      id,
      plan({ technicianId: who, startsOn: '2026-06-20', version: 1 }),
    );
    expect(status).toBe(200);
    const visit = (await visitsOf(B019)).find((v) => v.id === id);
    expect(visit).toMatchObject({ startsOn: '2026-06-22', version: 2 });
  });

  test('is not moved by one who saw an older one, and says what to do', async () => {
    const { status, body } = await put(id, plan({ technicianId: who, version: 1 }));
    expect([status, body.title]).toEqual([409, 'Changed meanwhile']);
    expect(body.detail).toContain('Look at it as it is now');
    expect((await visitsOf(B019)).find((v) => v.id === id)?.version).toBe(2);
  });

  test.each([
    ['startsOn', { startsOn: '2026-06-01' }, /2026-06-01 is past; today is 2026-06-09/],
    ['startsOn', { startsOn: '2001-01-01' }, /before B019 was built/],
    ['technicianId', { technicianId: randomUUID() }, /no such technician/],
  ])('is refused by %s: %j', async (field, change, said) => {
    const { status, body } = await put(randomUUID(), plan({ technicianId: who, ...change }));
    expect([status, body.errors?.[0].field]).toEqual([400, field]);
    expect(body.detail).toMatch(said);
  });

  test('there is none for a machine without accepted work', async () => {
    const { status, body } = await put(randomUUID(), plan({ machineId: T126, technicianId: who }));
    expect([status, body.errors?.[0].field]).toEqual([400, 'machineId']);
    expect(body.detail).toMatch(/T126 has no accepted work/);
  });

  test('of one machine is not handed to another', async () => {
    const { status } = await put(id, plan({ machineId: T126, technicianId: who, version: 2 }));
    expect(status).toBe(404);
  });

  test('dropped, its work stays, unplanned; changing it then says that it is gone', async () => {
    const held = (await visitsOf(B019)).find((v) => v.id === id)?.workIds ?? [];
    expect((await rhea.delete(`/api/visits/${id}`)).status).toBe(204);
    const file = (await rhea.get(`/api/machines/${B019}`)).body;
    expect(file.visits.some((v: Visit) => v.id === id)).toBe(false);
    expect(file.work.map((w: WorkItem) => w.id)).toEqual(expect.arrayContaining(held));
    const { status, body } = await put(id, plan({ technicianId: who, version: 2 }));
    expect([status, body.title]).toEqual([409, 'Visit is gone']);
    expect((await rhea.delete(`/api/visits/${id}`)).status).toBe(404);
  });
});

describe('the plan as a calendar', () => {
  const calendarOf = (change: Partial<Visit> = {}, customer = 'Harrow End') => {
    const machine = {
      model: 'Ouzel 7',
      serial: 'T118',
      customer,
      branch: 'Upper Larkmoor',
      harvest: { crop: 'malting barley', start: '2026-06-30' },
    } as Machine;
    const item = {
      id: 'w1',
      decision: 'replace',
      checkId: 'fan-drive-belt',
      places: ['belt'],
      reason: 'At its limit.',
    } as unknown as WorkItem;
    const visit = {
      id: '0197a000-0000-7000-8000-0000000000c1',
      version: 3,
      startsOn: '2026-06-18',
      endsOn: '2026-06-19',
      hours: 12,
      site: 'bay',
      technician: 'Ines Marrow',
      workIds: ['w1', 'gone'],
      note: '',
      ...change,
    } as Visit;
    const shown = { visits: [{ visit, machine }], work: new Map([['w1', item]]), of: 'all' };
    // long lines are folded in the file
    return planCalendar(shown as never, new Date('2026-06-09T08:00:00Z')).replace(/\r\n[ \t]/g, '');
  };

  test('a visit is one all-day event from its first day to the day after its last', () => {
    const text = calendarOf();
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(1);
    expect(text).toContain('DTSTART;VALUE=DATE:20260618');
    expect(text).toContain('DTEND;VALUE=DATE:20260620');
    expect(text).toContain('SUMMARY:Ouzel 7 T118: Ines Marrow');
  });
  test('it keeps its name when it is moved, and says that it is newer', () => {
    expect(calendarOf()).toContain('UID:0197a000-0000-7000-8000-0000000000c1@green-tally');
    expect(calendarOf()).toContain('SEQUENCE:3');
    expect(calendarOf({ version: 4 })).toContain('SEQUENCE:4');
  });
  test('what is to be done is in it; work that was withdrawn is not', () => {
    const text = calendarOf();
    expect(text).toContain('replace: fan-drive-belt (belt). At its limit.');
    expect(text).not.toContain('gone');
  });
  test('where: the bay of its branch, or at the customer', () => {
    expect(calendarOf()).toMatch(/LOCATION:Bay\\, Upper Larkmoor/);
    expect(calendarOf({ site: 'farm' })).toContain('LOCATION:Harrow End');
  });
  test('commas and line ends in names and notes cannot break the file', () => {
    const text = calendarOf({ site: 'farm', note: 'gate code; left\nring first' }, 'Harrow, End');
    expect(text).toContain('LOCATION:Harrow\\, End');
    expect(text).toContain('gate code\\; left\\nring first');
    expect(text.split('\r\n').every((line) => /^[A-Z-]+[:;]/.test(line) || line === '')).toBe(true);
  });
});
