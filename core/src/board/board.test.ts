import fc from 'fast-check';
import { groundOf, planBoard, stateOf, type BoardProblem, type BoardVisit } from './index';
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
function broken(
  { visits, technicians, bays, slots }: BoardProblem,
  plan: ReturnType<typeof planned>['plan'],
): string[] {
  const wrong: string[] = [];
  const who = technicians.map(() => Array<string>(slots).fill(''));
  const bay = Array<number>(slots).fill(0);
  const at = new Map<string, Set<number>>();
  plan.forEach((there, i) => {
    const v = visits[i];
    if (!there || !v) return;
    if (there.start < v.earliest && !v.pinned) wrong.push(`${v.id} before its parts`);
    if (there.crew.length !== v.crew) wrong.push(`${v.id} crew`);
    const held = new Set(there.crew.flatMap((k) => technicians[k]?.skills ?? []));
    if (v.skills.some((s) => !held.has(s))) wrong.push(`${v.id} skill`);
    if (v.pinned && (v.pinned.start !== there.start || v.pinned.crew.join() !== there.crew.join()))
      wrong.push(`${v.id} pin`);
    let left = v.halfDays;
    let t = there.start;
    for (; left > 0 && t < slots; t += 1) {
      const open = there.crew.every((k) => {
        const kind = technicians[k]?.open[t];
        return kind === 1 || (kind === 2 && there.overTime);
      });
      if (open) {
        left -= 1;
        for (const k of there.crew) {
          if (who[k]![t]) wrong.push(`${v.id} and ${who[k]![t]} at once`);
          who[k]![t] = v.id;
        }
      } else if (t === there.start) wrong.push(`${v.id} begins while closed`);
      if (!v.farm) bay[t]! += 1;
      const own = at.get(v.machine) ?? new Set();
      if (own.has(t)) wrong.push(`${v.machine} in two places`);
      at.set(v.machine, own.add(t));
    }
    if (left > 0) wrong.push(`${v.id} not finished`);
  });
  if (bay.some((n) => n > bays)) wrong.push('more in the bays than there are');
  return wrong;
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
