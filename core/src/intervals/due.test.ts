import fc from 'fast-check';
import { nextDue, projectHours, type UseRate } from './index';

const use: UseRate = {
  seasonStart: '2026-06-30',
  seasonEnd: '2026-07-14',
  inSeason: 8,
  outOfSeason: 0,
};
const last = { on: '2026-03-01', hours: 1000 };

describe('projecting hours to a day', () => {
  test.each([
    [20, '2026-07-02'],
    [8, '2026-06-30'],
    [0, '2026-06-09'],
    [120, '2026-07-14'],
    [121, null],
  ])('%d h more from 9 June: %s', (hours, on) =>
    expect(projectHours('2026-06-09', hours, use)).toBe(on),
  );
  test('out of season it creeps on at its own rate', () =>
    expect(projectHours('2026-06-09', 10, { ...use, outOfSeason: 1 })).toBe('2026-06-18'));
  test('inside the season it counts from today', () =>
    expect(projectHours('2026-07-10', 16, use)).toBe('2026-07-11'));
  test('more hours never come sooner', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (h, more) =>
          (projectHours('2026-06-09', h, { ...use, outOfSeason: 0.5 }) ?? '9') <=
          (projectHours('2026-06-09', h + more, { ...use, outOfSeason: 0.5 }) ?? '9'),
      ),
    );
  });
});

describe('next due', () => {
  test('hours or calendar, whichever comes first', () => {
    expect(
      nextDue({ kind: 'every', hours: 50, days: 365 }, last, {
        now: 1030,
        today: '2026-06-09',
        use,
      }),
    ).toMatchObject({ by: 'hours', atHours: 1050, on: '2026-07-02', beforeHarvest: false });
    expect(
      nextDue({ kind: 'every', hours: 500, days: 90 }, last, {
        now: 1030,
        today: '2026-05-20',
        use,
      }),
    ).toMatchObject({ by: 'calendar', on: '2026-05-30', beforeHarvest: true, overdue: false });
  });
  test('past its hours or its day it is overdue', () => {
    expect(
      nextDue({ kind: 'every', hours: 50 }, last, { now: 1060, today: '2026-06-09', use }),
    ).toMatchObject({
      overdue: true,
      on: '2026-06-09',
    });
    expect(
      nextDue({ kind: 'every', days: 30 }, last, { now: 1000, today: '2026-06-09', use }),
    ).toMatchObject({
      overdue: true,
      by: 'calendar',
    });
  });
  test('a new part is looked at once, early', () => {
    const rule = { kind: 'every', hours: 250, early: 25 } as const;
    expect(
      nextDue(rule, { ...last, newAt: 1000 }, { now: 1000, today: '2026-06-09', use }),
    ).toMatchObject({
      by: 'early',
      atHours: 1025,
      on: '2026-07-03',
    });
    expect(nextDue(rule, last, { now: 1000, today: '2026-06-09', use })).toMatchObject({
      by: 'never',
      atHours: 1250,
    });
  });
  test('daily: from the first day of harvest, and late after two', () => {
    const daily = (on: string, today: string) =>
      nextDue({ kind: 'daily' }, { ...last, on }, { now: 1000, today, use });
    expect(daily('2026-06-08', '2026-06-09')).toMatchObject({
      on: '2026-06-30',
      overdue: false,
      lapsed: false,
      beforeHarvest: false,
    });
    expect(daily('2025-09-16', '2026-06-09')).toMatchObject({ lapsed: true, overdue: false });
    expect(daily('2026-07-01', '2026-07-02')).toMatchObject({
      on: '2026-07-02',
      lapsed: true,
      overdue: false,
    });
    expect(daily('2026-07-02', '2026-07-02')).toMatchObject({ on: '2026-07-03', lapsed: false });
    expect(daily('2026-06-30', '2026-07-02').overdue).toBe(true);
    expect(daily('2026-07-02', '2026-08-02').by).toBe('never');
  });
  test('per crop: when the crop changes, and it is to be done before harvest', () => {
    expect(
      nextDue(
        { kind: 'perCrop' },
        { ...last, crop: 'lentils' },
        { now: 1000, today: '2026-06-09', use, nextCrop: 'malting barley' },
      ),
    ).toMatchObject({ by: 'crop', on: '2026-06-29', beforeHarvest: true });
    expect(
      nextDue(
        { kind: 'perCrop' },
        { ...last, on: '2026-05-01', crop: 'lentils' },
        { now: 1000, today: '2026-06-09', use, nextCrop: 'lentils' },
      ).by,
    ).toBe('never');
    // the same crop, but of another season
    expect(
      nextDue(
        { kind: 'perCrop' },
        { ...last, on: '2025-07-01', crop: 'lentils' },
        { now: 1000, today: '2026-06-09', use, nextCrop: 'lentils' },
      ),
    ).toMatchObject({ by: 'crop', lapsed: true });
  });
  test('a meter that ran backwards and a rule without an interval are refused', () => {
    expect(() =>
      nextDue({ kind: 'every', hours: 50 }, last, { now: 900, today: '2026-06-09', use }),
    ).toThrow(/now: got 900/);
    expect(() => nextDue({ kind: 'every' }, last, { now: 1000, today: '2026-06-09', use })).toThrow(
      /hours/,
    );
  });
});
