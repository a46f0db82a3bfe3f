import fc from 'fast-check';
import {
  closedBy,
  halfDayAt,
  halfDaysOf,
  lastSlot,
  openSlots,
  slotOf,
  USUAL_WEEK,
  worksAt,
} from './index';

const TUESDAY = '2026-06-09';
const usual = { week: [...USUAL_WEEK], away: [] };

describe('half days', () => {
  test.each([
    [0.25, 1, 1],
    [4, 1, 1],
    [4.25, 1, 2],
    [12, 1, 3],
    [12, 2, 2],
    [0.5, 2, 1],
  ] as const)('%p h by %p take %p', (hours, crew, halfDays) =>
    expect(halfDaysOf(hours, crew)).toBe(halfDays),
  );
  test.each([0, -1, NaN, Infinity])('%p h take none', (hours) =>
    expect(() => halfDaysOf(hours)).toThrow(/hours/),
  );
  test('a slot and its half day are one, before the first day and over a change of clocks', () =>
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 800 }), (slot) => {
        const { day, half } = halfDayAt('2026-03-20', slot);
        expect(slotOf('2026-03-20', day, half)).toBe(slot);
      }),
    ));
  test('a day that is none is refused by name', () =>
    expect(() => slotOf(TUESDAY, 'tomorrow', 'noon')).toThrow(/day/));
});

describe('what is open', () => {
  test('Monday to Friday; from a Tuesday the first weekend lies on the fifth and sixth day', () =>
    expect(openSlots(usual, [], TUESDAY, 14)).toEqual([1, 1, 1, 1, 1, 1, 1, 1, 0, 0, 0, 0, 1, 1]));
  test('a holiday and days away are shut, a Saturday over time stays over time', () => {
    const week = USUAL_WEEK.map((w, i) => (i === 10 ? ('over' as const) : w));
    const away = [{ from: '2026-06-10', to: '2026-06-10', why: 'course' }];
    expect(openSlots({ week, away }, [{ on: '2026-06-12', name: 'Fair' }], TUESDAY, 12)).toEqual([
      1, 1, 0, 0, 1, 1, 0, 0, 2, 0, 0, 0,
    ]);
  });
  test('says why it is shut, the holiday first', () => {
    const away = [{ from: '2026-06-10', to: '2026-06-12', why: 'on a course' }];
    const holidays = [{ on: '2026-06-12', name: 'Fair' }];
    const by = (day: string) => closedBy({ ...usual, away }, holidays, day, 'noon');
    expect(by('2026-06-09')).toBeUndefined();
    expect(by('2026-06-10')).toEqual({ by: 'away', why: 'on a course' });
    expect(by('2026-06-12')).toEqual({ by: 'holiday', why: 'Fair' });
    expect(by('2026-06-13')).toEqual({ by: 'week', why: '' });
  });
});

describe('when a visit ends', () => {
  const open = openSlots(usual, [], TUESDAY, 20);
  test('it rests over the weekend', () => expect(lastSlot([open], 6, 3, false)).toBe(12));
  test('over time it does not', () => {
    const over = open.map((o, t) => (t === 8 ? 2 : o));
    expect(lastSlot([over], 6, 3, true)).toBe(8);
    expect(lastSlot([over], 6, 3, false)).toBe(12);
  });
  test('of two, both must be there', () => {
    const other = open.map((o, t) => (t < 4 ? 0 : o));
    expect(lastSlot([open, other], 0, 2, false)).toBe(5);
  });
  test('not at all, where there is not time enough', () =>
    expect(lastSlot([open], 18, 5, false)).toBeUndefined());
  test('it ends with a half day its crew works, after as many as it takes', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 40 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 8 }),
        fc.boolean(),
        (slots, start, halfDays, overTime) => {
          const last = lastSlot([slots], start, halfDays, overTime);
          const worked = slots.flatMap((_, t) =>
            t >= start && worksAt([slots], t, overTime) ? [t] : [],
          );
          expect(last).toBe(worked[halfDays - 1]);
        },
      ),
    ));
});
