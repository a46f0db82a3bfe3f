import { dueInSeason, earlyStep, nextTime, projectHours, type EveryInterval } from './index';

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
