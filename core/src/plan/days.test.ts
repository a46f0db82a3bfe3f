import fc from 'fast-check';
import {
  daysFor,
  HOURS_A_DAY,
  mustStartBy,
  slackDays,
  visitEnd,
  workingDayFrom,
  workingDaysAfter,
} from './days';

const day = (n: number) => new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10);
const weekday = (d: string) => new Date(`${d}T12:00:00Z`).getUTCDay();
const anyDay = fc.integer({ min: 0, max: 700 }).map(day);
const anyHours = fc.integer({ min: 1, max: 400 }).map((q) => q / 4);

describe('days of work', () => {
  test.each([
    ['2026-06-12', '2026-06-12'],
    ['2026-06-13', '2026-06-15'],
    ['2026-06-14', '2026-06-15'],
    ['2026-02-28', '2026-03-02'],
    ['2027-01-02', '2027-01-04'],
  ])('from %s on, the first is %s', (from, first) => expect(workingDayFrom(from)).toBe(first));

  test.each([
    ['2026-06-12', 1, '2026-06-15'],
    ['2026-06-12', 5, '2026-06-19'],
    ['2026-06-13', 1, '2026-06-15'],
    ['2026-06-15', -1, '2026-06-12'],
    ['2026-06-15', 0, '2026-06-15'],
    ['2026-12-31', 1, '2027-01-01'],
  ])('%s and %d days of work: %s', (from, days, then) =>
    expect(workingDaysAfter(from, days)).toBe(then),
  );

  test.each([
    [0, 0],
    [0.25, 1],
    [8, 1],
    [8.25, 2],
    [16, 2],
    [100, 13],
  ])('%s h take %d days', (hours, days) => expect(daysFor(hours)).toBe(days));

  test('work never ends on a weekend, nor before it began', () =>
    fc.assert(
      fc.property(anyDay, anyHours, (start, hours) => {
        const end = visitEnd(start, hours);
        expect([0, 6]).not.toContain(weekday(end));
        expect(end >= workingDayFrom(start)).toBe(true);
      }),
    ));
  test('more hours never end sooner', () =>
    fc.assert(
      fc.property(anyDay, anyHours, anyHours, (start, a, b) => {
        expect(visitEnd(start, a + b) >= visitEnd(start, a)).toBe(true);
      }),
    ));
});

describe('the latest day to start', () => {
  const anyMargin = fc.integer({ min: 0, max: 10 });

  test('work begun on it is done in time, and begun a day of work later it is not', () =>
    fc.assert(
      fc.property(anyDay, anyMargin, anyHours, (harvest, margin, hours) => {
        const start = mustStartBy(harvest, margin, hours);
        const lastFree = new Date(`${harvest}T12:00:00Z`);
        lastFree.setUTCDate(lastFree.getUTCDate() - margin - 1);
        const free = lastFree.toISOString().slice(0, 10);
        expect(visitEnd(start, hours) <= free).toBe(true);
        expect(visitEnd(workingDaysAfter(start, 1), hours) > free).toBe(true);
      }),
    ));
  test('a wider margin never gives more time', () =>
    fc.assert(
      fc.property(anyDay, anyMargin, anyHours, (harvest, margin, hours) => {
        expect(mustStartBy(harvest, margin + 1, hours) <= mustStartBy(harvest, margin, hours)).toBe(
          true,
        );
      }),
    ));
});

describe('slack', () => {
  test('one day of work later is one day less, before harvest and into it', () =>
    fc.assert(
      fc.property(anyDay, anyDay, (finish, harvest) => {
        const done = workingDayFrom(finish);
        const next = workingDaysAfter(done, 1);
        expect(slackDays(done, harvest) - slackDays(next, harvest)).toBe(1);
      }),
    ));
  test('is 0 when the work ends on the last day of work before harvest', () =>
    expect(slackDays('2026-06-29', '2026-06-30')).toBe(0));
});

describe('nonsense is refused by name', () => {
  test.each<[string, () => unknown, RegExp]>([
    ['a day that is none', () => workingDayFrom('next week'), /day/],
    ['a start that is none', () => visitEnd('', 8), /day|start/],
    ['no hours of a visit', () => visitEnd('2026-06-12', 0), /hours/],
    ['hours below 0', () => daysFor(-1), /hours/],
    ['hours without end', () => daysFor(Infinity), /hours/],
    ['more than anyone works', () => daysFor(100_001), /100,000/],
    ['half a day', () => workingDaysAfter('2026-06-12', 0.5), /days/],
    ['a margin of a century', () => mustStartBy('2026-06-30', 40_000, 8), /margin/],
    ['a harvest that is none', () => slackDays('2026-06-12', 'soon'), /harvestStart/],
  ])('%s', (_, act, said) => expect(act).toThrow(said));
  test('a day has eight hours', () => expect(HOURS_A_DAY).toBe(8));
});
