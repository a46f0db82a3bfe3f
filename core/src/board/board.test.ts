import fc from 'fast-check';
import {
  groundOf,
  planBoard,
  stateOf,
  type BoardPlan,
  type BoardProblem,
  type BoardVisit,
  type Placed,
} from './index';
import { planExactly } from './exact';
import { sampleBoard } from './sample';

const steps = (most: number) => (n: number) => n / most;
const visit = (change: Partial<BoardVisit> = {}): BoardVisit => ({
  id: 'v1',
  machine: 'm1',
  halfDays: 2,
  skills: [],
  crew: 1,
  earliest: 0,
  due: 20,
  perDayLate: 100,
  ...change,
});
const board = (change: Partial<BoardProblem> = {}): BoardProblem => ({
  slots: 20,
  bays: 2,
  home: { x: 0, y: 0 },
  technicians: [{ id: 'a', skills: ['drives'], open: Array<number>(20).fill(1) }],
  visits: [visit()],
  costs: { km: 1, overTime: 50, change: 30, unplaced: 100_000 },
  ...change,
});
const planned = (problem: BoardProblem, most = 300) =>
  planBoard(problem, { seed: 1, gone: steps(most) });

/** Every rule of the board, looked at one by one from outside the engine. */
function broken(problem: BoardProblem, plan: BoardPlan): string[] {
  const { visits, bays, slots } = problem;
  const wrong: string[] = [];
  const bay = Array<number>(slots).fill(0);
  const taken = new Set<string>();
  plan.forEach((there, i) => {
    const v = visits[i];
    if (!there || !v) return;
    wrong.push(...unfit(problem, v, there));
    const { worked, over } = slotsOf(problem, v, there);
    if (worked.length < v.halfDays) wrong.push(`${v.id} not finished`);
    if (worked[0] !== there.start) wrong.push(`${v.id} begins while closed`);
    const keys = [
      ...worked.flatMap((t) => there.crew.map((k) => `${k} at ${t}`)),
      ...over.map((t) => `${v.machine} at ${t}`),
    ];
    for (const key of keys) {
      if (taken.has(key)) wrong.push(`${key} twice`);
      taken.add(key);
    }
    if (!v.farm) for (const t of over) bay[t]! += 1;
  });
  if (bay.some((n) => n > bays)) wrong.push('more in the bays than there are');
  return wrong;
}

function unfit({ technicians }: BoardProblem, v: BoardVisit, there: Placed): string[] {
  const held = new Set(there.crew.flatMap((k) => technicians[k]?.skills ?? []));
  const moved =
    v.pinned && (v.pinned.start !== there.start || `${v.pinned.crew}` !== `${there.crew}`);
  return [
    ...(there.start < v.earliest && !v.pinned ? [`${v.id} before its parts`] : []),
    ...(there.crew.length === v.crew ? [] : [`${v.id} crew`]),
    ...(v.skills.every((s) => held.has(s)) ? [] : [`${v.id} skill`]),
    ...(moved ? [`${v.id} pin`] : []),
  ];
}

/** Half days in which a visit is worked on, and all from its first to its last. */
function slotsOf({ technicians, slots }: BoardProblem, v: BoardVisit, there: Placed) {
  const worked: number[] = [];
  const over: number[] = [];
  for (let t = there.start; worked.length < v.halfDays && t < slots; t += 1) {
    const kinds = there.crew.map((k) => technicians[k]?.open[t]);
    over.push(t);
    if (kinds.every((kind) => kind === 1 || (kind === 2 && there.overTime))) worked.push(t);
  }
  return { worked, over };
}

describe('a board of a few', () => {
  test('one visit begins at once', () =>
    expect(planned(board())).toMatchObject({ plan: [{ crew: [0], start: 0 }], cost: 0 }));
  test('not before its parts', () =>
    expect(planned(board({ visits: [visit({ earliest: 7 })] })).plan[0]?.start).toBe(7));
  test('a day late costs its day; half a day is a day', () => {
    expect(planned(board({ visits: [visit({ halfDays: 4, due: 3 })] })).cost).toBe(100);
    expect(planned(board({ visits: [visit({ halfDays: 4, due: 2 })] })).cost).toBe(100);
    expect(planned(board({ visits: [visit({ halfDays: 4, due: 1 })] })).cost).toBe(200);
  });
  test('nobody has the skill: it finds no place, and says so by its cost', () =>
    expect(planned(board({ visits: [visit({ skills: ['hydraulics'] })] }))).toMatchObject({
      plan: [undefined],
      cost: 200_000,
    }));
  test('the one that costs more late goes first', () => {
    const visits = [
      visit({ id: 'a', machine: 'a', due: 2, perDayLate: 10 }),
      visit({ id: 'b', machine: 'b', due: 2, perDayLate: 500 }),
    ];
    expect(planned(board({ visits })).cost).toBe(10);
  });
  test('a crew of two works together, where both are there', () => {
    const open = Array<number>(20).fill(1);
    const technicians = [
      { id: 'a', skills: [], open: [0, 0, ...open.slice(2)] },
      { id: 'b', skills: [], open },
    ];
    expect(planned(board({ technicians, visits: [visit({ crew: 2 })] })).plan[0]).toEqual({
      crew: [0, 1],
      start: 2,
    });
  });
  test('two farms near each other share a day, and the way is counted once', () => {
    const farm = { x: 10, y: 0 };
    const visits = [
      visit({ id: 'a', machine: 'a', halfDays: 1, farm }),
      visit({ id: 'b', machine: 'b', halfDays: 1, farm }),
    ];
    expect(planned(board({ visits })).cost).toBeCloseTo(20);
  });
  test('over time is worked where that is cheaper than being late, and only there', () => {
    const open = Array<number>(20).fill(1);
    open.fill(2, 2, 4).fill(0, 4, 6);
    const technicians = [{ id: 'a', skills: [], open }];
    const v = (perDayLate: number) => [visit({ halfDays: 4, due: 4, perDayLate })];
    expect(planned(board({ technicians, visits: v(500) }))).toMatchObject({
      plan: [{ crew: [0], start: 0, overTime: true }],
      cost: 100,
    });
    // two days late
    expect(planned(board({ technicians, visits: v(20) })).cost).toBe(40);
  });
  test('what is published stays where it is unless moving it saves more than it costs', () => {
    const published = { crew: [0], start: 8 };
    expect(planned(board({ visits: [visit({ published })] })).plan[0]?.start).toBe(8);
    expect(planned(board({ visits: [visit({ published, due: 4 })] })).plan[0]?.start).toBe(0);
    expect(planned(board({ visits: [visit({ published, due: 9, perDayLate: 20 })] })).cost).toBe(
      20,
    );
  });
  test('a pinned one stays, late or not, and others go round it', () => {
    const visits = [
      visit({ id: 'a', machine: 'a', pinned: { crew: [0], start: 2 }, due: 1 }),
      visit({ id: 'b', machine: 'b', halfDays: 3 }),
    ];
    expect(planned(board({ visits })).plan).toEqual([
      { crew: [0], start: 2 },
      { crew: [0], start: 4 },
    ]);
  });
});

describe('whatever is on the board', () => {
  const sizes = fc.record({
    visits: fc.integer({ min: 1, max: 14 }),
    technicians: fc.integer({ min: 1, max: 4 }),
    days: fc.integer({ min: 7, max: 21 }),
    seed: fc.integer({ min: 1, max: 1_000_000 }),
    load: fc.double({ min: 0.2, max: 1.4, noNaN: true }),
  });
  test('no rule is broken, and its cost is what it costs worked out anew', () =>
    fc.assert(
      fc.property(sizes, (size) => {
        const problem = sampleBoard(size);
        const { plan, cost, first } = planned(problem, 60);
        expect(broken(problem, plan)).toEqual([]);
        expect(stateOf(groundOf(problem), plan).total()).toBeCloseTo(cost, 6);
        expect(cost).toBeLessThanOrEqual(first + 1e-6);
        expect(groundOf(problem).floor.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(cost + 1e-6);
      }),
      { numRuns: 60, seed: 7 },
    ));
  test('the same seed gives the same plan', () => {
    const problem = sampleBoard({ visits: 12, technicians: 3, days: 14, seed: 3 });
    expect(planned(problem)).toEqual(planned(problem));
  });
  test('never better than the best there is, and within a hundredth of it on average', () => {
    const gaps: number[] = [];
    for (let seed = 1; seed <= 12; seed += 1) {
      const problem = sampleBoard({ visits: 4, technicians: 2, days: 7, seed, load: 0.9 });
      const best = planExactly(problem);
      const found = planned(problem, 400);
      if (!best) throw new Error('too large');
      expect(found.cost).toBeGreaterThanOrEqual(best.cost - 1e-6);
      gaps.push((found.cost - best.cost) / Math.max(1, best.cost));
    }
    expect(gaps.reduce((a, b) => a + b, 0) / gaps.length).toBeLessThanOrEqual(0.01);
  });
});

test.each([
  ['slots', { slots: 0 }],
  ['bays', { bays: -1 }],
  ['home', { home: { x: NaN, y: 0 } }],
  ['costs.km', { costs: { km: -1, overTime: 0, change: 0, unplaced: 1 } }],
  ['technicians.0.open', { technicians: [{ id: 'a', skills: [], open: [1] }] }],
  ['visits.0.halfDays', { visits: [visit({ halfDays: 0 })] }],
  ['visits.0.perDayLate', { visits: [visit({ perDayLate: Infinity })] }],
  ['visits.0.earliest', { visits: [visit({ earliest: 0.5 })] }],
  ['visits.0.pinned.crew', { visits: [visit({ pinned: { crew: [3], start: 0 } })] }],
  ['visits.0.published.start', { visits: [visit({ published: { crew: [0], start: 99 } })] }],
  ['visits.0.farm', { visits: [visit({ farm: { x: 1e9, y: 0 } })] }],
  ['visits.1.id', { visits: [visit(), visit()] }],
])('a board that cannot be is refused by %s', (field, change) =>
  expect(() => planned(board(change))).toThrow(expect.objectContaining({ field }) as Error),
);
