import { explain, planBoard, type BoardProblem, type BoardVisit } from './index';

const visit = (id: string, change: Partial<BoardVisit> = {}): BoardVisit => ({
  id,
  machine: id,
  halfDays: 4,
  skills: [],
  crew: 1,
  earliest: 0,
  due: 4,
  perDayLate: 100,
  ...change,
});
// Monday to Friday, then two days on which nobody works
const week = [...Array<number>(10).fill(1), 0, 0, 0, 0];
const open = [...week, ...week];
const board = (visits: BoardVisit[], change: Partial<BoardProblem> = {}): BoardProblem => ({
  slots: open.length,
  bays: 2,
  home: { x: 0, y: 0 },
  technicians: [{ id: 'a', skills: ['drives'], open }],
  visits,
  costs: { km: 1, overTime: 50, change: 0, unplaced: 100_000 },
  ...change,
});
const held = (problem: BoardProblem) =>
  explain(problem, planBoard(problem, { seed: 1, gone: (n) => n / 200 }).plan);
const two = [
  { id: 'a', skills: [], open },
  { id: 'b', skills: [], open },
];

describe('why a visit is late, and what would free it', () => {
  test('what is in time is not named', () => expect(held(board([visit('a')]))).toEqual([]));
  test('nobody has the skill: it has no place; anybody else would do', () =>
    expect(held(board([visit('a', { skills: ['hydraulics'] })]))).toEqual([
      { visit: 0, days: undefined, by: 'skill', frees: ['anyoneDoesIt', 'anotherHand'] },
    ]));
  test('its parts come too late', () =>
    expect(held(board([visit('a', { earliest: 6, due: 8 })]))).toEqual([
      { visit: 0, days: 1, by: 'parts', frees: ['partsNow'] },
    ]));
  test('there is not time enough, whoever does it', () =>
    expect(held(board([visit('a', { due: 2 })]))).toEqual([
      { visit: 0, days: 1, by: 'time', frees: [] },
    ]));
  test('everybody is busy: one more would do', () => {
    const [late, ...more] = held(board([visit('a', { perDayLate: 500 }), visit('b')]));
    expect(more).toEqual([]);
    expect(late).toEqual({ visit: 1, days: 2, by: 'hands', frees: ['anotherHand'] });
  });
  test('no bay is free: another would do', () => {
    const [late] = held(
      board([visit('a', { perDayLate: 500 }), visit('b')], { bays: 1, technicians: two }),
    );
    expect(late).toMatchObject({ visit: 1, by: 'bay', frees: ['anotherBay'] });
  });
  test('a Saturday would do', () => {
    const [late] = held(board([visit('a', { halfDays: 12, due: 14 })]));
    expect(late).toMatchObject({ by: 'time', frees: expect.arrayContaining(['overTime']) });
  });
  test('it is pinned there: moving it would do', () => {
    const [late] = held(board([visit('a', { pinned: { crew: [0], start: 6 } })]));
    expect(late).toMatchObject({ days: 3, by: 'pin', frees: expect.arrayContaining(['moveIt']) });
  });
  test('the plan has it late though it need not be', () => {
    const problem = board([visit('a')]);
    expect(explain(problem, [{ crew: [0], start: 4 }])).toMatchObject([
      { by: 'plan', frees: expect.arrayContaining(['moveIt']) },
    ]);
  });
});
