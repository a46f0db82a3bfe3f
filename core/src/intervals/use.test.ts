import type { Interval } from '../contracts';
import {
  dueInSeason,
  earlyStep,
  nextDue,
  nextTime,
  projectHours,
  type EveryInterval,
} from './index';

const use = {
  seasonStart: '2026-06-30',
  seasonEnd: '2026-07-14',
  inSeason: 8,
  outOfSeason: 0,
};

describe('the day on which a machine will have worked so many hours', () => {
  test.each([
    ['nothing more to work: today', 0, use, '2026-06-09'],
    ['the third day of the season', 20, use, '2026-07-02'],
    ['exactly a day: its first day', 8, use, '2026-06-30'],
    ['a little more than a day: its second', 8.1, use, '2026-07-01'],
    ['the whole season', 120, use, '2026-07-14'],
    ['more than the season, and idle after it: never', 121, use, null],
    ['idle after it but for an hour a day', 121, { ...use, outOfSeason: 1 }, '2026-07-12'],
    ['the hours before the season count', 21, { ...use, outOfSeason: 1 }, '2026-06-29'],
    ['past the season at the slow rate', 150, { ...use, outOfSeason: 1 }, '2026-07-23'],
  ] as const)('%s', (_, hours, rate, day) =>
    expect(projectHours('2026-06-09', hours, rate)).toBe(day),
  );

  test('a day inside the season counts from that day', () =>
    expect(projectHours('2026-07-10', 16, use)).toBe('2026-07-11'));
  test('a day past the season has only the slow rate', () => {
    expect(projectHours('2026-08-01', 8, use)).toBeNull();
    expect(projectHours('2026-08-01', 8, { ...use, outOfSeason: 2 })).toBe('2026-08-04');
  });
  test('what would take more than a century never comes', () =>
    expect(projectHours('2026-08-01', 40_000, { ...use, outOfSeason: 1 })).toBeNull());
  test('a season that ends before it begins is refused by name', () =>
    expect(() => projectHours('2026-06-09', 8, { ...use, seasonEnd: '2026-06-01' })).toThrow(
      /seasonEnd/,
    ));
  test.each(['inSeason', 'outOfSeason'] as const)('a rate below zero is refused by name: %s', (f) =>
    expect(() => projectHours('2026-06-09', 8, { ...use, [f]: -1 })).toThrow(new RegExp(f)),
  );
});

describe('when a rule says next', () => {
  const every = (rule: Partial<EveryInterval>): EveryInterval => ({ kind: 'every', ...rule });
  const last = { on: '2026-03-01', hours: 1000 };

  test('by hours', () =>
    expect(nextTime(every({ hours: 50 }), last)).toEqual({
      atHours: 1050,
      on: null,
      early: false,
      step: 50,
    }));
  test('by the calendar', () =>
    expect(nextTime(every({ days: 365 }), last)).toEqual({
      atHours: null,
      on: '2027-03-01',
      early: false,
      step: null,
    }));
  test('by both: both are told', () =>
    expect(nextTime(every({ hours: 250, days: 30 }), last)).toMatchObject({
      atHours: 1250,
      on: '2026-03-31',
    }));
  test('a new part is looked at early, where the rule says so', () => {
    const rule = every({ hours: 250, early: 25 });
    expect(nextTime(rule, { ...last, newAt: 1000 })).toMatchObject({
      atHours: 1025,
      early: true,
    });
    expect(nextTime(rule, last)).toMatchObject({ atHours: 1250, early: false });
  });
  test('an early look later than the usual one changes nothing', () =>
    expect(nextTime(every({ hours: 20, early: 25 }), { ...last, newAt: 1000 })).toMatchObject({
      atHours: 1020,
      early: false,
    }));
  test('the early step alone', () => {
    expect(earlyStep(25, { ...last, newAt: 1000 })).toBe(25);
    expect(earlyStep(25, last)).toBeUndefined();
    expect(earlyStep(undefined, { ...last, newAt: 1000 })).toBeUndefined();
  });
  test.each([
    ['hours', every({})],
    ['hours', every({ hours: 0 })],
    ['hours', every({ hours: NaN })],
    ['days', every({ days: -1 })],
    ['days', every({ days: 40_000 })],
    ['early', every({ hours: 50, early: 0 })],
  ])('a rule that says nothing or nonsense is refused by %s: %j', (field, rule) =>
    expect(() => nextTime(rule, { ...last, newAt: 1000 })).toThrow(new RegExp(field)),
  );
  test('a last time below zero hours is refused by name', () =>
    expect(() => nextTime(every({ hours: 50 }), { ...last, hours: -1 })).toThrow(/last\.hours/));
});

describe('what falls due before harvest ends', () => {
  const last = { on: '2026-03-01', hours: 1000 };
  const machine = { hours: 1040, seasonHours: 100, today: '2026-06-09' };
  const rule = (change: Partial<EveryInterval>): EveryInterval => ({ kind: 'every', ...change });

  test.each([
    ['over by hours', rule({ hours: 40 }), { over: true, lookAgain: 1040 }],
    ['in the season', rule({ hours: 41 }), { over: false, lookAgain: 1041, every: 41 }],
    ['on its last hour', rule({ hours: 140 }), { over: false, lookAgain: 1140 }],
    ['over by the calendar', rule({ days: 100 }), { over: true, days: 100, lookAgain: 1040 }],
    ['over by one of the two', rule({ hours: 500, days: 100 }), { over: true, lookAgain: 1500 }],
  ] as const)('%s', (_, r, due) => expect(dueInSeason(r, last, machine)).toMatchObject(due));

  test('not due: after harvest by hours, later by the calendar', () => {
    expect(dueInSeason(rule({ hours: 141 }), last, machine)).toBeUndefined();
    expect(dueInSeason(rule({ days: 101 }), last, machine)).toBeUndefined();
  });
  test('by the calendar it can only be told where the day is known', () => {
    const { today: _, ...undated } = machine;
    expect(dueInSeason(rule({ days: 10 }), last, undated)).toBeUndefined();
  });
});

describe('a day that is none', () => {
  const facts = { now: 1000, today: '2026-06-09', use };
  const last = { on: '2026-03-01', hours: 900 };
  test.each([
    ['today', { ...facts, today: 'tomorrow' }, last],
    ['use.seasonStart', { ...facts, use: { ...use, seasonStart: '2026-02-31' } }, last],
    ['use.seasonEnd', { ...facts, use: { ...use, seasonEnd: '' } }, last],
    ['last.on', facts, { ...last, on: '2026-6-9' }],
  ])('is refused by name: %s', (field, when, before) => {
    for (const rule of [
      { kind: 'every', days: 365 },
      { kind: 'season' },
      { kind: 'daily' },
    ] as const)
      expect(() => nextDue(rule, before, when)).toThrow(
        expect.objectContaining({ field }) as Error,
      );
  });
  test('in a projection', () =>
    expect(() => projectHours('9 June', 20, use)).toThrow(
      expect.objectContaining({ field: 'today' }) as Error,
    ));
});

describe('phases of the year', () => {
  const at = (today: string) => ({ now: 1000, today, use });
  const on = (day: string) => ({ on: day, hours: 900 });
  test.each<[Interval['kind'], string, string | undefined, string, boolean]>([
    // kind, today, last, by, lapsed
    ['afterHarvest', '2026-06-09', '2025-09-16', 'afterHarvest', false],
    ['afterHarvest', '2026-07-20', '2026-06-09', 'afterHarvest', true],
    ['afterHarvest', '2026-07-20', '2026-07-18', 'never', false],
    ['storageIn', '2026-08-01', undefined, 'storageIn', true],
    ['storageOut', '2026-06-09', '2025-10-01', 'storageOut', true],
    ['storageOut', '2026-06-09', '2026-04-20', 'never', false],
    ['perHeader', '2026-06-09', '2025-10-01', 'header', true],
    ['perHeader', '2026-06-09', '2026-06-01', 'never', false],
  ])('%s on %s, last %s: %s, lapsed %s', (kind, today, last, by, lapsed) =>
    expect(nextDue({ kind } as Interval, last ? on(last) : undefined, at(today))).toMatchObject({
      by,
      lapsed,
    }),
  );
  test('slackening for winter never stands before harvest', () => {
    const due = nextDue({ kind: 'storageIn' }, undefined, at('2026-06-09'));
    expect([due.beforeHarvest, due.inSeason, due.on]).toEqual([false, false, '2026-07-15']);
  });
  test('once: on a new machine at its hours, on a new part at its own, then never', () => {
    const rule = { kind: 'once', hours: 50 } as const;
    const now = (hours: number) => ({ ...at('2026-06-09'), now: hours });
    expect(nextDue(rule, undefined, now(20))).toMatchObject({
      by: 'once',
      atHours: 50,
      lapsed: false,
    });
    expect(nextDue(rule, undefined, now(60))).toMatchObject({ by: 'once', lapsed: true });
    expect(nextDue(rule, { on: '2026-05-01', hours: 52 }, now(60))).toMatchObject({ by: 'never' });
    const fitted = { on: '2026-05-01', hours: 400, newAt: 400 };
    expect(nextDue(rule, fitted, now(430))).toMatchObject({ atHours: 450, lapsed: false });
    expect(nextDue(rule, fitted, now(450))).toMatchObject({ lapsed: true });
  });
});
