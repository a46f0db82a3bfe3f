import ICAL from 'ical.js';
import request from 'supertest';
import type { Visit } from '@green-tally/core/contracts';
import { CalendarFeed, CrewPage } from '@green-tally/core/contracts/board';
import { demoId } from '@green-tally/demo';
import { openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let [rhea, ines, odd]: Agent[] = [];
const agent = (who: Agent | undefined): Agent => {
  if (!who) throw new Error('nobody is signed in');
  return who;
};
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  ines = await signedIn(place.app, 'ines');
  odd = await signedIn(place.app, 'odd');
});
afterAll(() => place.close());

const make = (who: Agent | undefined, of: string) =>
  agent(who)
    .post('/api/feeds')
    .send({ personId: demoId(`person ${of}`) });
const fetched = (key: string) => request(place.app).get(`/api/feeds/${key}/visits.ics`);
const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as never)
    .getAllSubcomponents('vevent')
    .map((e) => new ICAL.Event(e));

describe('a technician’s calendar by a secret link', () => {
  test('is read by anyone’s calendar: the own visits, to the day, and nobody else’s', async () => {
    const feed = CalendarFeed.parse((await make(rhea, 'bram')).body);
    expect(feed).toMatchObject({ name: 'Bram Tolley', madeBy: 'Rhea Aldane', revokedAt: null });
    const { text, status, type } = await fetched(feed.key);
    expect([status, type]).toEqual([200, 'text/calendar']);
    const { visits } = (await agent(rhea).get('/api/visits?limit=500')).body;
    const own = visits
      .map((v: { visit: Visit }) => v.visit)
      .filter((v: Visit) => [v.technicianId, v.mateId].includes(feed.personId));
    expect(own.length).toBeGreaterThan(1);
    const events = eventsOf(text);
    expect(events.map((e) => [e.uid, String(e.startDate), e.startDate.isDate]).sort()).toEqual(
      own.map((v: Visit) => [`${v.id}@green-tally`, v.startsOn, true]).sort(),
    );
    // an all-day event ends on the day after
    for (const event of events) {
      const visit = own.find((v: Visit) => event.uid.startsWith(v.id));
      expect(String(event.endDate) > (visit?.endsOn ?? '')).toBe(true);
    }
  });
  test('one’s own is one’s own to hand out, another’s is not', async () => {
    expect((await make(ines, 'ines')).status).toBe(201);
    expect((await make(ines, 'bram')).status).toBe(403);
    problem(await make(rhea, 'rhea'), 400, 'personId');
    const names = (await agent(ines).get('/api/feeds')).body.feeds.map((f: CalendarFeed) => f.name);
    expect(new Set(names)).toEqual(new Set(['Ines Marrow']));
    const all = (await agent(rhea).get('/api/feeds')).body.feeds.map((f: CalendarFeed) => f.name);
    expect(new Set(all)).toEqual(new Set(['Bram Tolley', 'Ines Marrow']));
  });
  test('taken back it opens nothing; another one still does', async () => {
    const [one, two] = [(await make(odd, 'odd')).body, (await make(odd, 'odd')).body];
    expect((await agent(ines).delete(`/api/feeds/${one.id}`)).status).toBe(403);
    await agent(odd).delete(`/api/feeds/${one.id}`).expect(200);
    await agent(odd).delete(`/api/feeds/${one.id}`).expect(200);
    expect((await fetched(one.key)).status).toBe(404);
    expect((await fetched(two.key)).status).toBe(200);
  });
  test.each(['none', '~', `${demoId('person ines')}~aaaaaaaaaaaaaaaaaaaaaa`])(
    'a link that was never given opens nothing: %s',
    async (key) => expect((await fetched(key)).status).toBe(404),
  );
  test('the key of an operator’s card opens no calendar', async () => {
    const machine = (await agent(rhea).get('/api/yard')).body.rows[0].machine.id;
    const { key } = (await agent(rhea).post(`/api/machines/${machine}/cards`)).body;
    expect((await fetched(key)).status).toBe(404);
  });
});

test('the plan as CSV: a line a visit, with who, where and until when', async () => {
  const { text } = await agent(rhea).get('/api/plan.csv').expect(200);
  const [head, ...lines] = text.trim().split('\n');
  expect(head).toContain('starts on,from,ends on,until,hours,technician,with,machine');
  expect(lines.some((l) => l.includes('B044') && l.includes('Bram Tolley,Odd Fenwright'))).toBe(
    true,
  );
});

describe('what a branch plans by', () => {
  const page = async (): Promise<CrewPage> =>
    CrewPage.parse((await agent(rhea).get('/api/crew').expect(200)).body);
  test('is changed by one who saw it as it is; the other is told', async () => {
    const { setting } = await page();
    const put = (change: object) =>
      agent(rhea)
        .put('/api/crew/setting')
        .send({ ...setting, ...change });
    expect((await put({ bays: 4 })).body).toMatchObject({ bays: 4, version: setting.version + 1 });
    problem(await put({ bays: 2 }), 409, 'version');
    expect((await page()).setting.bays).toBe(4);
  });
  test.each([
    ['home.x', { home: { x: 'left of the mill', y: 3 } }],
    ['bays', { bays: -1 }],
    ['holidays.0.on', { holidays: [{ on: 'midsummer', name: 'Midsummer' }] }],
    [
      'skills.1.name',
      {
        skills: [
          { name: 'Drives', words: ['a'] },
          { name: 'drives', words: ['b'] },
        ],
      },
    ],
  ])('nonsense is refused by %s', async (field, change) => {
    const { setting } = await page();
    const answer = await agent(rhea)
      .put('/api/crew/setting')
      .send({ ...setting, ...change });
    problem(answer, 400, field);
    expect((await page()).setting).toEqual(setting);
  });
  test('a technician’s hours: days away turned round, half a week, a skill nobody named', async () => {
    const { technicians } = await page();
    const { personId, name: _, ...hours } = technicians[0] ?? { personId: '', name: '' };
    const put = (change: object) =>
      agent(rhea)
        .put(`/api/crew/technicians/${personId}`)
        .send({ ...hours, ...change });
    const away = [{ from: '2026-06-20', to: '2026-06-18', why: 'holiday' }];
    problem(await put({ away }), 400, 'away.0.to');
    problem(await put({ week: ['open'] }), 400, 'week');
    problem(await put({ skills: ['flying'] }), 400, 'skills.0');
    expect((await put({ skills: ['hydraulics'] })).body).toMatchObject({ skills: ['hydraulics'] });
    problem(await put({}), 409, 'version');
  });
  test('where farms lie: in figures, and nothing of it where one is not known', async () => {
    const [one, two] = (await page()).farms;
    const put = (farms: object[]) => agent(rhea).put('/api/crew/farms').send({ farms });
    await put([{ id: one?.id, spot: { x: 1.5, y: -2 } }]).expect(200);
    problem(await put([{ id: one?.id, spot: { x: 'here', y: 1 } }]), 400, 'farms.0.spot.x');
    const unknown = { id: demoId('nobody'), spot: null };
    expect((await put([{ id: two?.id, spot: null }, unknown])).status).toBe(404);
    const after = (await page()).farms;
    expect(after.find((f) => f.id === one?.id)?.spot).toEqual({ x: 1.5, y: -2 });
    expect(after.find((f) => f.id === two?.id)?.spot).toEqual(two?.spot);
  });
  test('another branch’s is not a planner’s to say', async () => {
    const corin = await signedIn(place.app, 'corin');
    const { setting } = await page();
    expect((await corin.put('/api/crew/setting').send(setting)).status).toBe(403);
  });
});

describe('harvest that comes earlier', () => {
  const startsOf = async () =>
    new Map<string, string>(
      (await agent(rhea).get('/api/board')).body.machines.map(
        (m: { serial: string; harvest: { start: string } }) => [m.serial, m.harvest.start],
      ),
    );
  const move = (body: object) => agent(rhea).post('/api/harvests/move').send(body);
  test('all machines of the crop go with it, of the branch alone', async () => {
    const before = await startsOf();
    const { body } = await move({ crop: 'malting barley', days: -4 });
    expect(body.machines).toBeGreaterThan(3);
    const after = await startsOf();
    expect([before.get('B027'), after.get('B027')]).toEqual(['2026-07-02', '2026-06-28']);
    expect(after.get('T118')).toBe(before.get('T118'));
    await move({ crop: 'malting barley', days: 4 }).expect(200);
    expect(await startsOf()).toEqual(before);
  });
  test('of one customer alone', async () => {
    expect(
      (await move({ crop: 'malting barley', customer: 'Osier Farm', days: 2 })).body.machines,
    ).toBe(2);
  });
  test.each([
    ['crop', { crop: 'rye', days: 1 }],
    ['days', { crop: 'lentils', days: 0 }],
    ['days', { crop: 'lentils', days: 1.5 }],
    ['days', { crop: 'malting barley', days: 'soon' }],
  ])('is refused by %s: %j', async (field, body) => problem(await move(body), 400, field));
});
