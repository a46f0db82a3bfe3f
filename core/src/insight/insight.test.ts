import fc from 'fast-check';
import { closedForecasts, scoreOf, type OverYears } from './index';
import type { Reading } from '../contracts';
import { seasonFile } from '../testing/season';
import { reading, shortSheet } from '../testing/sheet';
import { width } from '../testing/values';

let n = 0;
/** A belt's width on a day, mm. */
const measured = (
  day: string,
  mm: number,
  hours: number,
  change: Partial<Reading> = {},
): Reading => {
  n += 1;
  return {
    ...reading('fan-drive-belt', 'belt', width(mm)),
    id: `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`,
    takenAt: `${day}T08:00:00.000Z`,
    walkId: null,
    hours,
    ...change,
  };
};
const overYears = (readings: readonly Reading[]): OverYears => ({
  machine: seasonFile({}).machine,
  checks: shortSheet('ouzel7').checks.filter((c) => c.id === 'fan-drive-belt'),
  readings,
  breakdowns: [],
});

describe('how good forecasts were', () => {
  test('worked: two said even, one of them so; one said surely, and was', () => {
    const score = scoreOf([
      { chance: 0.5, happened: true },
      { chance: 0.5, happened: false },
      { chance: 1, happened: true },
    ]);
    expect(score).toMatchObject({ n: 3, happened: 2, said: 2 });
    expect(score.brier).toBeCloseTo((0.25 + 0.25 + 0) / 3, 9);
    expect(score.base).toBeCloseTo(((1 / 3) ** 2 * 2 + (2 / 3) ** 2) / 3, 9);
    expect(score.log).toBeCloseTo((2 * Math.log(2) - Math.log(0.995)) / 3, 9);
    expect(score.deciles.map((d) => d.n)).toEqual([0, 0, 0, 0, 0, 2, 0, 0, 0, 1]);
    expect(score.deciles[5]).toMatchObject({ said: 0.5, happened: 0.5 });
  });
  test('of none there is nothing to say', () =>
    expect(scoreOf([])).toMatchObject({ n: 0, brier: null, base: null, log: null }));
  test('whoever says the truth scores best; the base rate is never better than the best', () =>
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 60 }), (happened) => {
        const sure = scoreOf(happened.map((h) => ({ chance: h ? 1 : 0, happened: h })));
        const coin = scoreOf(happened.map((h) => ({ chance: 0.5, happened: h })));
        expect(sure.brier).toBe(0);
        expect(coin.brier).toBeCloseTo(0.25, 9);
        expect(coin.base ?? 1).toBeLessThanOrEqual(0.25 + 1e-9);
        expect(sure.deciles.reduce((n, d) => n + d.n, 0)).toBe(happened.length);
      }),
    ));
});

describe('forecasts that have come out', () => {
  const closed = (change: Partial<OverYears> = {}, today = '2026-06-09') =>
    closedForecasts({ ...overYears([]), ...change }, today);
  const years = (...readings: ReturnType<typeof measured>[]) => closed({ readings });

  test('a belt that was read again after harvest, and held: it did not happen', () => {
    const [one, ...rest] = years(
      measured('2025-05-20', 37.4, 900),
      measured('2025-11-03', 36.9, 1010),
    );
    expect(rest).toEqual([]);
    expect(one).toMatchObject({ checkId: 'fan-drive-belt', happened: false, by: 'reading' });
    expect(one?.season.slice(0, 4)).toBe('2025');
    expect(one?.chance).toBeLessThan(0.5);
  });
  test('one that was past its limit then: it happened', () =>
    expect(
      years(measured('2025-05-20', 36.0, 900), measured('2025-11-03', 33.5, 1010)),
    ).toMatchObject([{ happened: true, by: 'reading' }]));
  test('one that stopped the machine in that harvest: it happened, whatever was read later', () => {
    const readings = [measured('2025-05-20', 37.4, 900), measured('2025-11-03', 38, 1010)];
    const stopped = { checkId: 'fan-drive-belt', at: '2025-07-03T10:00:00.000Z' };
    expect(closed({ readings, breakdowns: [stopped] })).toMatchObject([
      { happened: true, by: 'breakdown' },
    ]);
    // in another year it says nothing of this one
    const other = { ...stopped, at: '2024-07-03T10:00:00.000Z' };
    expect(closed({ readings, breakdowns: [other] })).toMatchObject([{ happened: false }]);
  });
  test.each([
    ['nobody read it again', [measured('2025-05-20', 37.4, 900)]],
    [
      'it was renewed unread',
      [
        measured('2025-05-20', 37.4, 900),
        measured('2025-11-03', 38, 1010, { state: 'asLeft', renewed: true }),
        measured('2026-05-03', 37.9, 1012),
      ],
    ],
    ['nothing was read before harvest', [measured('2025-11-03', 37.4, 1010)]],
    ['that harvest is not over yet', [measured('2026-05-03', 37.4, 1010)]],
  ])('%s: it proves nothing', (_, readings) => expect(closed({ readings })).toEqual([]));
  test('no reading at all', () => expect(closed()).toEqual([]));
});
