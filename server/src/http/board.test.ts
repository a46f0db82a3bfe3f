import { randomUUID } from 'node:crypto';
import type { Response } from 'supertest';
import type { BoardJob, Placing, Visit } from '@green-tally/core/contracts';
import { BoardPage, PlanSearch, PlanVersion } from '@green-tally/core/contracts/board';
import { samePlacing } from '@green-tally/core/board';
import { DEMO_DAY, demoId } from '@green-tally/demo';
import { clockFor } from '../clock';
import { PlanSearchRow, PlanVersionRow, VisitRow } from '../db';
import { runJobs } from '../jobs/work';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { runSearch } from '../board/search';
import type { LookApart } from '../board/thread';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
let maud: Agent;
const ines = demoId('person ines');
const odd = demoId('person odd');
const bram = demoId('person bram');
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const board = async (agent = rhea): Promise<BoardPage> =>
  BoardPage.parse((await agent.get('/api/board').expect(200)).body);
const jobOf = (page: BoardPage, serial: string): BoardJob => {
  const job = page.jobs.find((j) => j.machine.serial === serial);
  if (!job) throw new Error(`${serial} is not on the board`);
  return job;
};
const at = (change: Partial<Placing> = {}): Placing => ({
  technicianIds: [ines],
  startsOn: '2026-06-17',
  starts: 'morning',
  site: 'farm',
  pinned: false,
  overTime: false,
  halfDays: null,
  ...change,
});
const changeOf = ({ id, machine, version }: BoardJob, to: Placing | null) => ({
  ...{ id, version, to },
  machineId: machine.id,
});
const publish = async (
  page: BoardPage,
  changes: readonly object[],
  agent = rhea,
): Promise<Response> =>
  agent
    .post('/api/board/publish')
    .send({ seen: page.plan?.n ?? 0, why: 'as spoken at noon', changes });
const shop = () => ({ db: place.db, clock: clockFor(DEMO_DAY) });

describe('the board', () => {
  test('has the branch’s technicians, accepted work with a visit or without, and what each takes', async () => {
    const page = await board();
    expect(page.technicians.map((t) => t.name)).toEqual([
      ...['Bram Tolley', 'Ines Marrow', 'Odd Fenwright', 'Tobin Vale'],
    ]);
    const [planned, waiting] = [jobOf(page, 'B046'), jobOf(page, 'B019')];
    expect(planned).toMatchObject({
      version: 1,
      published: { technicianIds: [odd, bram], site: 'bay' },
    });
    expect(waiting).toMatchObject({ version: 0, published: null, skills: ['knives and rotors'] });
    // the knives are on order
    expect(waiting.awaited.map((p) => p.number)).toContain('LM-7712');
    expect(waiting.earliest).toBe('2026-06-15');
    expect(page.machines.length).toBeGreaterThan(12);
    expect(page.jobs.some((j) => j.machine.serial === 'B031')).toBe(false);
  });
  test('a technician on a course is shut out, a holiday is for all', async () => {
    const { technicians } = await board();
    const open = (name: string, day: number) =>
      technicians.find((t) => t.name === name)?.open.slice(2 * day, 2 * day + 2);
    expect([open('Tobin Vale', 6), open('Ines Marrow', 6)]).toEqual([
      [0, 0],
      [1, 1],
    ]);
    expect(technicians.map((t) => t.open[2 * 15])).toEqual([0, 0, 0, 0]);
  });
});

describe('publishing', () => {
  test('puts and moves visits together, as one version, with who, when and why', async () => {
    const page = await board();
    const [put, moved] = [jobOf(page, 'B019'), jobOf(page, 'B046')];
    const answer = await publish(page, [
      changeOf(put, at()),
      changeOf(moved, at({ technicianIds: [odd, bram], startsOn: '2026-06-16', site: 'bay' })),
    ]);
    expect(PlanVersion.parse(answer.body)).toMatchObject({
      n: (page.plan?.n ?? 0) + 1,
      by: 'Rhea Aldane',
      why: 'as spoken at noon',
      changes: 2,
    });
    const after = await board();
    expect(jobOf(after, 'B019')).toMatchObject({ id: put.id, version: 1, published: at() });
    expect(jobOf(after, 'B046')).toMatchObject({
      version: 2,
      published: { startsOn: '2026-06-16' },
    });
    expect(after.plan?.n).toBe((page.plan?.n ?? 0) + 1);
  });

  test('one who saw an older plan is told who was faster, and nothing of it is kept', async () => {
    const page = await board();
    const [a, b] = [jobOf(page, 'T095'), jobOf(page, 'B025')];
    const fast = await publish(
      page,
      [changeOf(a, at({ technicianIds: [bram, ines], startsOn: '2026-06-16', starts: 'noon' }))],
      maud,
    );
    expect(fast.status).toBe(201);
    const slow = await publish(page, [
      changeOf(b, at({ technicianIds: [odd], startsOn: '2026-06-19' })),
    ]);
    expect(problem(slow, 409, 'seen').detail).toMatch(/Maud Ellery published plan \d+ meanwhile/);
    expect(jobOf(await board(), 'B025').published).toBeNull();
  });

  test('two at the same moment: one plan is published, the other is told', async () => {
    const page = await board();
    const job = jobOf(page, 'B025');
    const answers = await Promise.all([
      publish(page, [changeOf(job, at({ technicianIds: [odd], startsOn: '2026-06-19' }))]),
      publish(page, [changeOf(job, at({ technicianIds: [bram], startsOn: '2026-06-25' }))], maud),
    ]);
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409]);
    expect(await VisitRow.count({ where: { id: job.id } })).toBe(1);
  });

  test.each([
    ['a holiday', { startsOn: '2026-06-24' }, /Midsummer, a holiday/],
    ['a weekend', { startsOn: '2026-06-14' }, /not worked/],
    ['somebody busy', { technicianIds: [bram], startsOn: '2026-06-18' }, /Bram Tolley is at B027/],
    [
      'a skill nobody there has',
      { technicianIds: [demoId('person tobin')], startsOn: '2026-06-22' },
      /cannot do knives and rotors/,
    ],
    [
      'somebody of another branch',
      { technicianIds: [demoId('person sana')] },
      /does not work at Upper Larkmoor/,
    ],
    ['the past', { startsOn: '2026-06-08' }, /has not/],
  ])('%s stands in the way, by words, and nothing is kept', async (_, change, said) => {
    const page = await board();
    const job = jobOf(page, 'B019');
    const refused = await publish(page, [changeOf(job, at(change))]);
    expect(problem(refused, 400, 'changes.0.to').detail).toMatch(said);
    expect((await board()).plan?.n).toBe(page.plan?.n);
  });

  test.each([
    ['a day in words', { startsOn: 'soon' }, 'changes.0.to.startsOn'],
    ['no time at all', { halfDays: 0 }, 'changes.0.to.halfDays'],
    ['nobody', { technicianIds: [] }, 'changes.0.to.technicianIds'],
  ])('%s is refused by its field', async (_, change, field) => {
    const page = await board();
    problem(
      await publish(page, [{ ...changeOf(jobOf(page, 'B019'), at()), to: { ...at(), ...change } }]),
      400,
      field,
    );
  });

  test('a visit twice in one plan is refused; so is one that is not there', async () => {
    const page = await board();
    const job = changeOf(jobOf(page, 'B019'), at());
    problem(await publish(page, [job, job]), 400, 'changes.1.id');
    expect((await publish(page, [{ ...job, id: randomUUID() }])).status).toBe(409);
  });

  test('a planner of another branch publishes nothing here', async () => {
    const corin = await signedIn(place.app, 'corin');
    const page = await board();
    const refused = await publish(page, [changeOf(jobOf(page, 'B019'), null)], corin);
    expect(refused.status).toBeGreaterThanOrEqual(400);
    expect(jobOf(await board(), 'B019').published).not.toBeNull();
  });

  test('versions are told newest first, and what differs between two of them once a visit', async () => {
    const page = await board();
    const job = jobOf(page, 'B019');
    await publish(page, [changeOf(job, at({ startsOn: '2026-06-22', starts: 'noon' }))]);
    const later = await board();
    await publish(later, [changeOf(jobOf(later, 'B019'), at({ startsOn: '2026-06-23' }))]);
    const { plans } = (await rhea.get('/api/board/plans')).body;
    expect(plans.map((p: PlanVersion) => p.n).slice(0, 2)).toEqual([
      (page.plan?.n ?? 0) + 2,
      (page.plan?.n ?? 0) + 1,
    ]);
    const from = page.plan?.n ?? 0;
    const { visits } = (await rhea.get(`/api/board/plans/differences?from=${from}&to=${from + 2}`))
      .body;
    expect(visits).toMatchObject([
      { serial: 'B019', from: { startsOn: '2026-06-17' }, to: { startsOn: '2026-06-23' } },
    ]);
  });

  test('put back where it was, a plan differs in nothing', async () => {
    const page = await board();
    const job = jobOf(page, 'B019');
    await publish(page, [changeOf(job, at({ startsOn: '2026-06-25' }))]);
    const later = await board();
    await publish(later, [changeOf(jobOf(later, 'B019'), job.published)]);
    const from = page.plan?.n ?? 0;
    const { visits } = (await rhea.get(`/api/board/plans/differences?from=${from}&to=${from + 2}`))
      .body;
    expect(visits).toEqual([]);
  });

  test('a visit planned on its machine’s page is a version too, and two on one half day are refused', async () => {
    const before = (await board()).plan?.n ?? 0;
    const T133 = machineId('T133');
    const body = { machineId: T133, technicianId: odd, site: 'bay', mateId: bram };
    const refused = await rhea
      .put(`/api/visits/${randomUUID()}`)
      .send({ ...body, startsOn: '2026-06-18' });
    expect(problem(refused, 400).detail).toMatch(/Bram Tolley is at B027/);
    const id = randomUUID();
    const kept = await rhea.put(`/api/visits/${id}`).send({ ...body, startsOn: '2026-06-30' });
    expect(kept.body).toMatchObject({ id, version: 1, starts: 'morning', startsOn: '2026-06-30' });
    const { plan } = await board();
    expect([plan?.n, plan?.why]).toEqual([before + 1, 'T133 planned']);
  });
});

describe('looking for a plan', () => {
  const wish = (change: object = {}) => ({ id: randomUUID(), kept: [], seconds: 1, ...change });
  const found = async (id: string): Promise<PlanSearch> =>
    PlanSearch.parse((await rhea.get(`/api/board/searches/${id}`)).body);
  const looked = async (change: object = {}): Promise<PlanSearch> => {
    const asked = wish(change);
    expect((await rhea.post('/api/board/searches').send(asked)).status).toBe(202);
    await runJobs(shop());
    return found(asked.id);
  };

  test('finds one that is no worse, with its bound, and publishes nothing', async () => {
    const before = (await board()).plan;
    const { state, first, cost, bound, proven, after, share } = await looked();
    expect([state, share, proven]).toEqual(['done', 1, true]);
    expect(cost).toBeLessThanOrEqual(first ?? 0);
    expect(bound).toBeLessThanOrEqual(cost ?? 0);
    expect(after?.placings.length).toBeGreaterThan(5);
    expect((await board()).plan).toEqual(before);
  });

  test('what was found is published as it is', async () => {
    const { after } = await looked();
    const page = await board();
    const changes = page.jobs.flatMap((job) => {
      const to = after?.placings.find((p) => p.id === job.id)?.to;
      const same = JSON.stringify(to) === JSON.stringify(job.published);
      return to && !same ? [changeOf(job, to)] : [];
    });
    expect((await publish(page, changes)).status).toBe(201);
  });

  test('one part that comes late moves at most three visits that do not wait for it', async () => {
    const page = await board();
    const waits = new Set(
      page.jobs.flatMap((j) => (j.awaited.some((p) => p.number === 'LM-7712') ? [j.id] : [])),
    );
    expect(waits.size).toBeGreaterThan(0);
    const { after } = await looked({
      whatIf: [{ kind: 'partLate', number: 'LM-7712', days: 10 }],
    });
    const moved = page.jobs.filter((j) => {
      const to = after?.placings.find((p) => p.id === j.id)?.to ?? null;
      return !waits.has(j.id) && j.finishedAt === null && !samePlacing(j.published, to);
    });
    expect(moved.length).toBeLessThanOrEqual(3);
  });

  test('what the planner has put stays', async () => {
    const page = await board();
    const kept = [
      {
        id: jobOf(page, 'B046').id,
        to: at({ technicianIds: [odd, bram], startsOn: '2026-06-29', site: 'bay' as const }),
      },
    ];
    const { after } = await looked({ kept });
    expect(after?.placings.find((p) => p.id === kept[0]?.id)?.to).toMatchObject({
      startsOn: '2026-06-29',
    });
  });

  test('what if harvest comes three weeks earlier: which become late, and what would save them', async () => {
    const { before, after } = await looked({ whatIf: [{ kind: 'earlier', crop: null, days: 21 }] });
    expect(before?.late.length).toBeGreaterThan(0);
    expect(after?.late.length).toBeLessThanOrEqual(before?.late.length ?? 0);
    for (const late of before?.late ?? []) expect(late.by).toBeTruthy();
    expect(after?.loss).toBeLessThanOrEqual(before?.loss ?? 0);
  });

  test.each([
    [
      'whatIf.0.technicianId',
      { kind: 'away', technicianId: randomUUID(), from: '2026-06-10', to: '2026-06-12' },
    ],
    ['whatIf.0.number', { kind: 'partLate', number: 'none', days: 3 }],
    ['whatIf.0.days', { kind: 'earlier', crop: null, days: 400 }],
  ])('what cannot be asked is refused by %s', async (field, what) => {
    problem(await rhea.post('/api/board/searches').send(wish({ whatIf: [what] })), 400, field);
  });

  test('begun twice it is one; another branch does not see it', async () => {
    const asked = wish();
    await rhea.post('/api/board/searches').send(asked).expect(202);
    await rhea.post('/api/board/searches').send(asked).expect(202);
    expect(await PlanSearchRow.count({ where: { id: asked.id } })).toBe(1);
    const corin = await signedIn(place.app, 'corin');
    expect((await corin.get(`/api/board/searches/${asked.id}`)).status).toBe(403);
    await rhea.post(`/api/board/searches/${asked.id}/stop`).expect(200);
    await runJobs(shop());
    expect((await found(asked.id)).state).toBe('stopped');
  });

  test('stopped half way, what was found so far is kept', async () => {
    const asked = wish({ seconds: 30 });
    await rhea.post('/api/board/searches').send(asked).expect(202);
    const seeker = { db: place.db, today: DEMO_DAY, look: slow };
    const running = runSearch(seeker, asked.id);
    await new Promise((done) => setTimeout(done, 600));
    expect(await found(asked.id)).toMatchObject({ state: 'running', share: 0.5, cost: 7 });
    await rhea.post(`/api/board/searches/${asked.id}/stop`).expect(200);
    await running;
    expect(await found(asked.id)).toMatchObject({ state: 'stopped', share: 1, cost: 5 });
    await runJobs(shop());
  });

  test('a database that is away while it looks: how far it is waits, the search goes on', async () => {
    const asked = wish({ seconds: 30 });
    await rhea.post('/api/board/searches').send(asked).expect(202);
    const running = runSearch({ db: place.db, today: DEMO_DAY, look: slow }, asked.id);
    await new Promise((done) => setTimeout(done, 600));
    const away = jest.spyOn(PlanSearchRow, 'update').mockRejectedValue(new Error('away'));
    const unheard: unknown[] = [];
    const note = (reason: unknown) => unheard.push(reason);
    process.on('unhandledRejection', note);
    await new Promise((done) => setTimeout(done, 400));
    expect(away.mock.calls.length).toBeGreaterThan(1);
    away.mockRestore();
    process.off('unhandledRejection', note);
    expect(unheard).toEqual([]);
    await new Promise((done) => setTimeout(done, 400));
    expect(await found(asked.id)).toMatchObject({ state: 'running', share: 0.5 });
    await rhea.post(`/api/board/searches/${asked.id}/stop`).expect(200);
    await running;
    expect(await found(asked.id)).toMatchObject({ state: 'stopped', cost: 5 });
    await runJobs(shop());
  });

  test('a worker that is killed while it looks leaves nothing half published; the next looks anew', async () => {
    const asked = wish();
    await rhea.post('/api/board/searches').send(asked).expect(202);
    const [plans, visits] = [
      await PlanVersionRow.count(),
      await VisitRow.findAll({ order: ['id'], raw: true }),
    ];
    // gone without a word: its search stands as running
    const gone: LookApart = () => ({ found: new Promise(() => undefined), stop: () => undefined });
    void runSearch({ db: place.db, today: DEMO_DAY, look: gone }, asked.id);
    await new Promise((done) => setTimeout(done, 400));
    expect((await found(asked.id)).state).toBe('running');
    await runJobs(shop());
    expect((await found(asked.id)).state).toBe('done');
    expect([
      await PlanVersionRow.count(),
      await VisitRow.findAll({ order: ['id'], raw: true }),
    ]).toEqual([plans, visits]);
  });

  test('more than four at once are asked to wait', async () => {
    const many = Array.from({ length: 5 }, () => wish());
    const answers = [];
    for (const one of many) answers.push(await rhea.post('/api/board/searches').send(one));
    expect(answers.map((a) => a.status)).toEqual([202, 202, 202, 202, 409]);
    for (const { id } of many.slice(0, 4))
      await rhea.post(`/api/board/searches/${id}/stop`).expect(200);
    await runJobs(shop());
  });
});

/** Tells how far it is every so often until it is stopped. */
const slow: LookApart = (_, told) => {
  let stop = () => undefined as void;
  const timer = setInterval(() => told({ share: 0.5, first: 9, cost: 7, bound: 3 }), 50);
  const found = new Promise<never>((done) => {
    stop = () => {
      clearInterval(timer);
      const none = { placings: [], late: [], ready: [], loss: 0, cost: 5, km: 0 };
      done({
        share: 1,
        first: 9,
        cost: 5,
        bound: 3,
        proven: true,
        before: none,
        after: none,
      } as never);
    };
  });
  return { found, stop: () => stop() };
};

describe('a visit on its day', () => {
  test('is begun and finished by who is on it; begun, it stays on the board’s plan', async () => {
    const tech = await signedIn(place.app, 'ines');
    const job = (await board()).jobs.find((j) => j.published && !j.finishedAt);
    const note = (body: object) => tech.post(`/api/visits/${job?.id ?? ''}/note`).send(body);
    problem(await note({ finishedAt: '2026-06-09T11:00:00.000Z' }), 400, 'finishedAt');
    await note({ startedAt: '2026-06-09T08:00:00.000Z' }).expect(200);
    problem(await note({ finishedAt: '2026-06-09T07:00:00.000Z' }), 400, 'finishedAt');
    const laid = await note({ stoppedAt: '2026-06-09T09:00:00.000Z' });
    expect(laid.body).toMatchObject({ stoppedAt: '2026-06-09T09:00:00.000Z', finishedAt: null });
    const done = await note({ finishedAt: '2026-06-09T11:00:00.000Z' });
    // what is finished is not laid down any more
    expect(done.body).toMatchObject({ startedAt: '2026-06-09T08:00:00.000Z', stoppedAt: null });
    const again = await note({ finishedAt: null, startedAt: null });
    expect(again.body).toMatchObject({ startedAt: null, finishedAt: null });
    problem(await note({ stoppedAt: '2026-06-09T09:00:00.000Z' }), 400, 'stoppedAt');
  });
  test('its technician’s visits are told from a day on', async () => {
    const { visits } = (
      await rhea.get('/api/visits').query({ technician: odd, from: '2026-06-09' })
    ).body;
    expect(visits.length).toBeGreaterThan(0);
    for (const { visit } of visits) expect([visit.technicianId, visit.mateId]).toContain(odd);
    // in order: the morning before the afternoon, page by page as on one
    const order = visits.map((v: { visit: Visit }) => `${v.visit.startsOn} ${v.visit.starts}`);
    expect(order).toEqual([...order].sort());
    const paged: string[] = [];
    let cursor: string | undefined;
    do {
      const query = { technician: odd, from: '2026-06-09', limit: 1, cursor };
      const page = (await rhea.get('/api/visits').query(query)).body;
      paged.push(...page.visits.map((v: { visit: Visit }) => v.visit.id));
      cursor = page.next ?? undefined;
    } while (cursor);
    expect(paged).toEqual(visits.map((v: { visit: Visit }) => v.visit.id));
  });
});

describe('how likely machines are ready', () => {
  test('is worked out when the plan has moved, and told on the board', async () => {
    await runJobs(shop());
    const page = await board();
    const chances = page.jobs.flatMap((j) => (j.finishedAt ? [] : [j.chance]));
    expect(chances.length).toBeGreaterThan(4);
    for (const chance of chances) {
      expect(chance).not.toBeNull();
      expect(chance).toBeGreaterThanOrEqual(0);
      expect(chance).toBeLessThanOrEqual(1);
    }
  });
});
