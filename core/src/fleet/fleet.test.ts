import type { Check, Reading, ReadingValue } from '../contracts';
import { madeCheck, reading, TAKE_UP } from '../testing/sheet';
import { ENOUGH_LIVES, partLivesOf, ratesOf, slopesOf } from './index';

const mm = (v: number): ReadingValue => ({ kind: 'measure', values: [v], typed: [], unit: 'mm' });
const belt = madeCheck('measure', {
  limit: { type: 'wear', nominal: 40, limit: 36 },
  tool: { name: 'Caliper', resolution: 0.1 },
});
let day = 0;
/** A belt read at an hour so far worn; each call is a day later. */
const at = (hours: number, wear: number, change: Partial<Reading> = {}): Reading => {
  day += 1;
  return reading('made', 'here', mm(40 - 4 * wear), {
    hours,
    walkId: null,
    takenAt: new Date(Date.UTC(2024, 0, day)).toISOString(),
    ...change,
  });
};
const fitted = (hours: number) => at(hours, 0.02, { renewed: true, state: 'asLeft' });
const slopes = (readings: readonly Reading[], check: Check = belt) =>
  slopesOf([check], readings, { serial: undefined, since: undefined });

describe('how fast its parts have worn', () => {
  test('each life has a line of its own, from its renewal on', () => {
    const [first, second, ...more] = slopes([
      fitted(0),
      at(200, 0.42),
      at(400, 0.82),
      fitted(400),
      at(600, 0.22),
    ]);
    expect(more).toEqual([]);
    expect(first).toMatchObject({ key: 'made', slope: expect.closeTo(0.002, 4) });
    expect(second?.slope).toBeCloseTo(0.001, 4);
  });
  test('of unknown age, two rounds apart say how fast; one says nothing', () => {
    expect(slopes([at(1200, 0.4)])).toEqual([]);
    expect(slopes([at(1200, 0.4), at(1205, 0.41)])).toEqual([]);
    expect(slopes([at(1200, 0.4), at(1300, 0.6)])[0]?.slope).toBeCloseTo(0.002, 6);
  });
  test('what was struck, what cannot be, and a life that hides a new part say nothing', () => {
    const start = fitted(0);
    const wrong = at(300, 0.1);
    const strike = at(300, 0.6, { strikes: wrong.id });
    expect(slopes([start, wrong, strike])[0]?.slope).toBeCloseTo(0.00193, 4);
    expect(slopes([at(100, 0.4), at(300, -12)])).toEqual([]);
    expect(slopes([at(100, 0.9), at(300, 0.1)])).toEqual([]);
  });
  test('a setting drifts from where it was left, travel goes from where the chain was new', () => {
    const band = madeCheck('measure', {
      limit: { type: 'band', low: 36, high: 44 },
      drift: { perHour: -0.01, sd: 0.005 },
    });
    const drifted = slopes([at(100, 0, { state: 'asLeft' }), at(300, 0.5)], band);
    expect(drifted).toMatchObject([{ key: 'made drift', slope: expect.closeTo(0.0025, 6) }]);
    const chain = madeCheck('feel', {
      good: ['justSlides'],
      takeUp: TAKE_UP,
    });
    const travel = (hours: number, left: number, linksOut = 0) =>
      at(hours, 0, { value: { kind: 'travel', left, linksOut, typed: '', unit: 'mm' } });
    const [used] = slopes([travel(100, 35), travel(300, 25), travel(300, 45.7, 1)], chain);
    expect(used?.key).toBe('made travel');
    // 10 mm of travel in 200 h are 20 mm of 3,891.6 mm, 0.514 % of the 2.6 % it may grow
    expect(used?.slope).toBeCloseTo(0.514 / 2.6 / 200, 4);
  });
});

describe('how long its parts have lived', () => {
  const parts = (readings: readonly Reading[], check: Check = belt) =>
    partLivesOf([check], readings, { serial: undefined, since: undefined });
  test('each renewal begins a life and ends the one before; the last runs still', () => {
    const own = parts([fitted(50), at(250, 0.42), at(450, 0.86), fitted(450), at(600, 0.3)]);
    expect(own).toMatchObject([
      { key: 'made', place: 'here', from: 50, to: 450, worn: expect.closeTo(0.86, 6) },
      { from: 450, to: null, worn: expect.closeTo(0.3, 6) },
    ]);
  });
  test('one whose beginning nobody wrote down has no known age, and is none', () => {
    expect(parts([at(1200, 0.4), at(1300, 0.6)])).toEqual([]);
    expect(parts([at(1200, 0.9), fitted(1200), at(1300, 0.2)])).toHaveLength(1);
  });
  test('a renewal that was struck began nothing; hours that ran backwards are no life', () => {
    const wrong = fitted(100);
    expect(parts([wrong, at(100, 0.5, { strikes: wrong.id })])).toEqual([]);
    expect(parts([fitted(400), fitted(100)])).toMatchObject([{ from: 100, to: null }]);
  });
  test('renewed unread: how far it was worn nobody knows', () =>
    expect(parts([fitted(0), fitted(300)])[0]).toMatchObject({
      to: 300,
      worn: expect.closeTo(0.02, 6),
    }));
});

describe('what the fleet says of a class', () => {
  const life = (slope: number, key = 'made') => ({ key, slope, se: 0.0001 });
  const lives = (n: number, slope: number) => Array.from({ length: n }, () => life(slope));
  test('too few lives say nothing: the sheet holds', () =>
    expect(ratesOf([{ branch: 'here', slopes: lives(ENOUGH_LIVES - 1, 0.001) }], 'here')).toEqual(
      {},
    ));
  test('the own branch is asked first, all branches where it has too few', () => {
    const fleet = [
      { branch: 'here', slopes: lives(ENOUGH_LIVES, 0.001) },
      { branch: 'there', slopes: lives(3, 0.003) },
    ];
    expect(ratesOf(fleet, 'here')['made']).toMatchObject({
      of: 'branch',
      lives: 8,
      perHour: expect.closeTo(0.001, 9),
    });
    expect(ratesOf(fleet, 'there')['made']).toMatchObject({ of: 'everywhere', lives: 11 });
  });
  test('a class that seems to grow back has no rate', () =>
    expect(ratesOf([{ branch: 'here', slopes: lives(9, -0.001) }], 'here')).toEqual({}));
});
