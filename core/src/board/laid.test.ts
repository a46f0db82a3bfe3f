import fc from 'fast-check';
import type { BoardJob, Placing, WhatIf } from '../contracts';
import { random } from '../random';
import {
  ADA,
  BEN,
  boardJob,
  boardPageOf,
  boardSetting,
  jobId,
  machineIdOf,
  placing,
} from '../testing/board';
import {
  asIf,
  checkBoard,
  conflictsOf,
  differencesOf,
  doubtOf,
  faresOf,
  layBoard,
  placingsOf,
  planBoard,
  samePlacing,
  whyMoved,
  type Placings,
} from './index';

const none: Placings = new Map();
const planned = (page: ReturnType<typeof boardPageOf>, over = none, kept?: ReadonlySet<string>) => {
  const laid = layBoard(page, over, kept ? { kept } : {});
  const { plan } = planBoard(laid.problem, { seed: 1, start: laid.plan, gone: (n) => n / 200 });
  return { laid, plan, placings: placingsOf(page, laid, plan, over) };
};

describe('a board as numbers and back', () => {
  test('what is published stays where nothing is gained by moving it', () => {
    const published = placing({ technicianIds: [BEN], startsOn: '2026-06-16', starts: 'noon' });
    const page = boardPageOf([boardJob(1, { published, version: 1 })]);
    expect(planned(page).placings.get(jobId(1))).toEqual(published);
  });
  test('what the planner has put stays, whatever it costs', () => {
    const late = placing({ startsOn: '2026-07-02' });
    const page = boardPageOf([boardJob(1)]);
    const over = new Map([[jobId(1), late]]);
    expect(planned(page, over, new Set(over.keys())).placings.get(jobId(1))).toEqual(late);
    expect(planned(page, over).placings.get(jobId(1))?.startsOn).not.toBe('2026-07-02');
  });
  test('what is pinned stays, and is pinned still', () => {
    const published = placing({ startsOn: '2026-07-02', pinned: true });
    const page = boardPageOf([boardJob(1, { published, version: 2 })]);
    expect(planned(page).placings.get(jobId(1))).toEqual(published);
  });
  test('a visit that has begun before today goes on with what is left of it', () => {
    const published = placing({ startsOn: '2026-06-08', halfDays: 6 });
    const job = boardJob(1, {
      published,
      ends: { on: '2026-06-10', half: 'noon' },
      startedAt: '2026-06-08T07:00:00Z',
      version: 1,
    });
    const page = boardPageOf([job, boardJob(2)]);
    const { problem, plan } = layBoard(page, none);
    expect([problem.visits[0]?.halfDays, plan[0]]).toEqual([4, { crew: [0], start: 0 }]);
    expect(planned(page).placings.get(jobId(1))).toEqual(published);
  });
  test('what is finished is not planned; what nobody knows the parts of finds no place', () => {
    const page = boardPageOf([
      boardJob(1, { finishedAt: '2026-06-09T10:00:00Z' }),
      boardJob(2, { earliest: null }),
    ]);
    const { laid, placings } = planned(page);
    expect(laid.jobs.map((j) => j.id)).toEqual([jobId(2)]);
    expect(placings.get(jobId(2))).toBeNull();
  });
  test('a branch without technicians: nothing finds a place, and each says why', () => {
    const page = boardPageOf([boardJob(1)], { technicians: [] });
    const { laid, plan } = planned(page);
    expect(faresOf(page, placingsOf(page, laid, plan, none)).late).toMatchObject([
      { days: null, by: 'skill' },
    ]);
  });
  test('differences are told by visit, from and to', () => {
    const published = placing();
    const page = boardPageOf([boardJob(1, { published, version: 1 }), boardJob(2)]);
    const to = placing({ technicianIds: [BEN] });
    expect(differencesOf(page, new Map([[jobId(1), to]]))).toMatchObject([
      { id: jobId(1), serial: 'T101', from: published, to },
    ]);
    expect(differencesOf(page, new Map([[jobId(1), { ...published }]]))).toEqual([]);
    expect(
      samePlacing(placing({ technicianIds: [ADA, BEN] }), placing({ technicianIds: [BEN, ADA] })),
    ).toBe(true);
  });
});

describe('why a plan moves a visit', () => {
  const published = placing({ startsOn: '2026-06-10' });
  test('what was in its way where it stood', () => {
    const awaited = [{ number: 'x', name: 'Belt', on: '2026-06-12', spread: 0 }];
    const page = boardPageOf([
      boardJob(1, { published, version: 1, awaited, earliest: '2026-06-12' }),
    ]);
    const { placings } = planned(page);
    const found = [...placings].map(([id, to]) => ({ id, to }));
    expect(whyMoved(page, none, found)).toEqual([
      { id: jobId(1), why: 'T101 begins before its parts: Belt, Fri 12 Jun.' },
    ]);
  });
  test('whom it makes room for, that it had no visit, that it saves ways', () => {
    const page = boardPageOf([boardJob(1, { published, version: 1 }), boardJob(2)]);
    const to = placing({ startsOn: '2026-06-11' });
    const moved = (second: Placing | null) =>
      whyMoved(page, none, [
        { id: jobId(1), to },
        { id: jobId(2), to: second },
      ]).map((m) => m.why);
    expect(moved(published)).toEqual(['It makes room for T102.', 'It had no visit.']);
    expect(moved(null)).toEqual(['It saves ways, over time or late days elsewhere.']);
  });
});

/** A board made up from a seed, with all that may stand in the way. */
function madeUp(seed: number) {
  const dice = random(seed);
  const upTo = (n: number) => Math.floor(dice.next() * n);
  const day = (n: number) => `2026-06-${String(9 + n).padStart(2, '0')}`;
  const jobs = Array.from({ length: 2 + upTo(7) }, (_, i): BoardJob => {
    const published: Placing | null =
      dice.next() < 0.4 ? placing({ startsOn: day(upTo(12)), pinned: dice.next() < 0.2 }) : null;
    return boardJob(i, {
      published,
      version: published ? 1 : 0,
      halfDays: 1 + upTo(5),
      crew: dice.next() < 0.2 && !published ? 2 : 1,
      skills: dice.next() < 0.3 && !published ? ['drives'] : [],
      site: dice.next() < 0.3 ? 'farm' : 'bay',
      earliest: dice.next() < 0.2 ? day(upTo(10)) : '2026-06-09',
      spot: dice.next() < 0.8 ? { x: upTo(40), y: upTo(40) } : null,
    });
  });
  return boardPageOf(jobs, {
    setting: boardSetting({ bays: 1 + upTo(2), holidays: [{ on: day(2), name: 'Fair' }] }),
  });
}

describe('what the search finds', () => {
  test('has nothing hard in its way, moves no pin, and begins before no part', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const page = madeUp(seed);
        // pins that stand in each other's way are the planner's to solve
        const own = conflictsOf(page, none).filter((c) => c.hard);
        const free = {
          ...page,
          jobs: page.jobs.map((j) =>
            own.some((c) => c.id === j.id) && j.published
              ? { ...j, published: null, version: 0 }
              : j,
          ),
        };
        const { laid, placings } = planned(free);
        checkBoard(laid.problem);
        const wrong = conflictsOf(free, placings).filter((c) => c.hard || c.kind === 'parts');
        const pinned = (id: string) => free.jobs.some((j) => j.id === id && j.published?.pinned);
        expect(wrong.filter((c) => !pinned(c.id))).toEqual([]);
        // every visit that stands elsewhere says why
        const why = whyMoved(
          free,
          none,
          [...placings].map(([id, to]) => ({ id, to })),
        );
        expect(why.map((w) => w.id)).toEqual(differencesOf(free, placings).map((d) => d.id));
        for (const { why: words } of why) expect(words.length).toBeGreaterThan(5);
        for (const job of free.jobs)
          if (job.published?.pinned) expect(placings.get(job.id)).toEqual(job.published);
      }),
      { numRuns: 60 },
    ));
});

describe('what if', () => {
  const waits = { awaited: [{ number: 'LM-1', name: 'Belt', on: '2026-06-12', spread: 1 }] };
  const page = boardPageOf([
    boardJob(1, { ...waits, earliest: '2026-06-12' }),
    boardJob(2, { crop: 'lentils' }),
  ]);
  const job = (whatIf: WhatIf[], n = 1) => asIf(page, whatIf).jobs.find((j) => j.id === jobId(n));

  test('harvest of one crop comes earlier, and that of others does not', () => {
    const whatIf: WhatIf[] = [{ kind: 'earlier', crop: 'lentils', days: 5 }];
    expect(job(whatIf, 2)).toMatchObject({ harvest: { start: '2026-06-25' }, due: '2026-06-23' });
    expect(job(whatIf, 1)?.harvest.start).toBe('2026-06-30');
    expect(job([{ kind: 'earlier', crop: null, days: -3 }], 1)?.harvest.start).toBe('2026-07-03');
  });
  test('a part comes later', () =>
    expect(job([{ kind: 'partLate', number: 'LM-1', days: 4 }])?.earliest).toBe('2026-06-16'));
  test('a technician is away', () => {
    const { technicians } = asIf(page, [
      { kind: 'away', technicianId: ADA, from: '2026-06-10', to: '2026-06-11' },
    ]);
    expect(technicians[0]?.open.slice(0, 8)).toEqual([1, 1, 0, 0, 0, 0, 1, 1]);
    expect(technicians[1]?.open.slice(0, 8)).toEqual([1, 1, 1, 1, 1, 1, 1, 1]);
  });
  test('a Saturday is worked', () =>
    expect(
      asIf(page, [{ kind: 'extraDay', on: '2026-06-13' }]).technicians[0]?.open.slice(8, 12),
    ).toEqual([1, 1, 0, 0]));
  test('a machine stands: work nobody had reckoned with', () => {
    const stood = asIf(page, [{ kind: 'down', machineId: machineIdOf(2), hours: 9 }]);
    expect(stood.jobs.at(-1)).toMatchObject({ id: machineIdOf(2), halfDays: 3, published: null });
  });
  test.each([
    ['crop', { kind: 'earlier', crop: 'rye', days: 1 }],
    [
      'technicianId',
      { kind: 'away', technicianId: jobId(1), from: '2026-06-10', to: '2026-06-11' },
    ],
    ['to', { kind: 'away', technicianId: ADA, from: '2026-06-10', to: '2026-06-09' }],
    ['number', { kind: 'partLate', number: 'LM-9', days: 1 }],
    ['on', { kind: 'extraDay', on: '2026-06-01' }],
    ['machineId', { kind: 'down', machineId: ADA, hours: 1 }],
  ] as const)('what cannot be is refused by %s', (field, what) =>
    expect(() => asIf(page, [what])).toThrow(new RegExp(`whatIf.0.${field}`)),
  );
});

describe('how a plan fares', () => {
  const near = boardPageOf([
    boardJob(1, { published: placing({ startsOn: '2026-06-26' }), version: 1 }),
    boardJob(2, {
      published: placing({ startsOn: '2026-06-10', technicianIds: [BEN] }),
      version: 1,
    }),
  ]);
  const fares = (page: ReturnType<typeof boardPageOf>) => faresOf(page, none);
  test('one close to its harvest is less likely ready than one long before; the same luck each time', () => {
    const { ready, loss } = fares(near);
    const [close, early] = ready;
    expect(early?.chance).toBeGreaterThan(0.99);
    expect(close?.chance).toBeGreaterThan(0.3);
    expect(close?.chance).toBeLessThan(0.95);
    expect(fares(near)).toMatchObject({ ready, loss });
  });
  test('a visit without a place costs its harvest, not the whole year', () => {
    const page = boardPageOf([boardJob(1, { earliest: null })]);
    // fifteen days of harvest at 1,000 a day
    expect(fares(page).loss).toBeCloseTo(15_000, 6);
  });
  test('by its expected loss a plan minds an early season: it moves the close one forward', () => {
    const laid = layBoard(near, none, { byLoss: true });
    const { plan } = planBoard(laid.problem, { seed: 1, start: laid.plan, gone: (n) => n / 100 });
    const after = faresOf(near, placingsOf(near, laid, plan, none));
    expect(after.loss).toBeLessThan(fares(near).loss);
    expect(after.placings[0]?.to?.startsOn).not.toBe('2026-06-26');
    // by the date alone it stays: it is in time
    expect(planned(near).placings.get(jobId(1))?.startsOn).toBe('2026-06-26');
  });
  test('machines of one crop share its season, each with its own days', () => {
    const two = boardPageOf([
      boardJob(1),
      boardJob(2, { harvest: { start: '2026-07-05', end: '2026-07-20' } }),
    ]);
    const doubt = doubtOf(two, layBoard(two, none));
    expect(doubt.ripe).toEqual([{ earliest: -10, likely: 0, latest: 14 }]);
    expect(doubt.visits.map((v) => v.after)).toEqual([42, 52]);
  });
});
