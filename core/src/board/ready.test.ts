import { fare, planBoard, type BoardProblem, type BoardVisit, type Doubt } from './index';

const open = Array<number>(60).fill(1);
const visit = (id: string, change: Partial<BoardVisit> = {}): BoardVisit => ({
  id,
  machine: id,
  halfDays: 4,
  skills: [],
  crew: 1,
  earliest: 0,
  due: 40,
  perDayLate: 100,
  ...change,
});
const board = (visits: BoardVisit[]): BoardProblem => ({
  slots: open.length,
  bays: 4,
  home: { x: 0, y: 0 },
  technicians: [{ id: 'a', skills: [], open }],
  visits,
  costs: { km: 1, overTime: 50, change: 0, unplaced: 100_000 },
});
const sure = (at: number) => ({ earliest: at, likely: at, latest: at });
const doubt = (change: Partial<Doubt>): Doubt => ({
  ripe: [sure(40)],
  visits: [{ crop: 0 }],
  cv: 0,
  draws: 2000,
  seed: 5,
  ...change,
});
const at = (...starts: number[]) => starts.map((start) => ({ crew: [0], start }));

describe('how a plan fares', () => {
  test('nothing in doubt: ready or not', () => {
    const problem = board([visit('a')]);
    expect(fare(problem, at(0), doubt({})).ready.get('a')).toBe(1);
    expect(fare(problem, at(38), doubt({})).ready.get('a')).toBe(0);
    // half days 38 to 41, ripe before the 40th: one day of harvest
    expect(fare(problem, at(38), doubt({})).lateDays[0]).toBeCloseTo(1);
    expect(fare(problem, at(38), doubt({})).loss).toBeCloseTo(100);
  });
  test('a machine without a place is never ready', () => {
    const { ready, loss } = fare(board([visit('a')]), [undefined], doubt({}));
    expect(ready.get('a')).toBe(0);
    expect(loss).toBeCloseTo(100 * 10);
  });
  test('a machine is ready when all of its visits are', () => {
    const problem = board([visit('a'), visit('b', { machine: 'a' })]);
    const visits = [{ crop: 0 }, { crop: 0 }];
    expect(fare(problem, at(0, 20), doubt({ visits })).ready.get('a')).toBe(1);
    expect(fare(problem, at(0, 38), doubt({ visits })).ready.get('a')).toBe(0);
  });
  test('the median of how long it takes: planned to end on the day, half of the draws are in time', () => {
    const ripe = [sure(4)];
    const { ready } = fare(board([visit('a')]), at(0), doubt({ ripe, cv: 0.25 }));
    // log-normal of mean 1: a little more than half lies below it
    expect(ready.get('a')).toBeGreaterThan(0.5);
    expect(ready.get('a')).toBeLessThan(0.6);
  });
  test('harvest between an earliest and a latest day: the middle of a symmetric one is a half', () => {
    const ripe = [{ earliest: 2, likely: 4, latest: 6 }];
    const { ready } = fare(board([visit('a')]), at(0), doubt({ ripe }));
    expect(ready.get('a')).toBeCloseTo(0.5, 1);
    const early = fare(
      board([visit('a')]),
      at(0),
      doubt({ ripe: [{ earliest: 4, likely: 6, latest: 8 }] }),
    );
    expect(early.ready.get('a')).toBe(1);
  });
  test('who runs late keeps the next one waiting', () => {
    const problem = board([visit('a'), visit('b')]);
    const visits = [{ crop: 0 }, { crop: 0 }];
    const ripe = [sure(8.5)];
    const { ready } = fare(problem, at(0, 4), doubt({ ripe, visits, cv: 0.25 }));
    expect(ready.get('a')).toBeGreaterThan(0.99);
    expect(ready.get('b')).toBeLessThan(0.8);
  });
  test('parts that may come late', () => {
    const visits = [{ crop: 0, parts: { on: 4, spread: 2 } }];
    const ripe = [sure(8)];
    const { ready } = fare(board([visit('a')]), at(4), doubt({ ripe, visits }));
    expect(ready.get('a')).toBeCloseTo(0.5, 1);
  });
  test('two plans are compared on the same luck: a later start is never readier', () => {
    const problem = board([visit('a')]);
    const ripe = [{ earliest: 5, likely: 9, latest: 20 }];
    const chances = [0, 1, 2, 4, 8, 12].map(
      (start) => fare(problem, at(start), doubt({ ripe, cv: 0.3 })).ready.get('a') ?? 0,
    );
    expect(chances).toEqual([...chances].sort((a, b) => b - a));
    expect(new Set(chances).size).toBeGreaterThan(3);
  });
  test('the same seed gives the same', () => {
    const problem = board([visit('a')]);
    const { plan } = planBoard(problem, { seed: 1, gone: (n) => n / 10 });
    const again = () =>
      fare(problem, plan, doubt({ cv: 0.3, ripe: [{ earliest: 2, likely: 4, latest: 9 }] }));
    expect(again()).toEqual(again());
  });
  test.each([
    ['draws', { draws: 0 }],
    ['cv', { cv: -1 }],
    ['ripe.0', { ripe: [{ earliest: 5, likely: 4, latest: 6 }] }],
    ['visits', { visits: [] }],
    ['visits.0.crop', { visits: [{ crop: 3 }] }],
    ['visits.0.parts', { visits: [{ crop: 0, parts: { on: 3, spread: -1 } }] }],
  ])('nonsense is refused by %s', (field, change) =>
    expect(() => fare(board([visit('a')]), at(0), doubt(change))).toThrow(
      expect.objectContaining({ field }) as Error,
    ),
  );
});
