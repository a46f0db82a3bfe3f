import type { Reading } from '../contracts';
import { reading, shortSheet } from '../testing/sheet';
import { width } from '../testing/values';
import { overTime } from './index';

const checks = shortSheet('ouzel7').checks;
let n = 0;
const belt = (day: string, mm: number, hours: number, change: Partial<Reading> = {}): Reading => {
  n += 1;
  return {
    ...reading('fan-drive-belt', 'belt', width(mm)),
    id: `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`,
    takenAt: `${day}T0${n % 10}:00:00.000Z`,
    walkId: null,
    hours,
    ...change,
  };
};

describe('a machine over the years', () => {
  test('its hours day by day, the most of a day', () => {
    const { hours } = overTime(checks, [
      belt('2025-11-03', 37, 1010),
      belt('2024-05-20', 38, 700),
      belt('2025-11-03', 37, 1012),
    ]);
    expect(hours).toEqual([
      { day: '2024-05-20', hours: 700 },
      { day: '2025-11-03', hours: 1012 },
    ]);
  });
  test('what was put right: as found and as left of one round, newest first', () => {
    const { putRight } = overTime(checks, [
      belt('2025-05-20', 34.2, 900),
      belt('2025-05-20', 38, 900, { state: 'asLeft', renewed: true }),
      belt('2025-11-03', 37, 1010, { state: 'asLeft' }),
    ]);
    expect(putRight).toMatchObject([
      { day: '2025-11-03', found: undefined, left: '37 mm', renewed: false },
      { day: '2025-05-20', found: '34.2 mm', left: '38 mm, with a new part', renewed: true },
    ]);
  });
  test('lives: from one new part to the next, the last is in still', () => {
    const renewed = { state: 'asLeft' as const, renewed: true };
    const { lives } = overTime(checks, [
      belt('2024-05-20', 38, 500, renewed),
      belt('2025-05-20', 34.2, 900),
      belt('2025-05-20', 38, 900, renewed),
    ]);
    expect(lives).toMatchObject([
      { from: { day: '2025-05-20', hours: 900 }, to: undefined },
      { from: { day: '2024-05-20', hours: 500 }, to: { day: '2025-05-20', hours: 900 } },
    ]);
  });
  test('what was struck tells nothing', () => {
    const wrong = belt('2025-05-20', 30, 9000, { state: 'asLeft', renewed: true });
    const strike = belt('2025-05-20', 30, 900, {
      value: { kind: 'strike', why: 'slip' },
      strikes: wrong.id,
    });
    const { putRight, lives, hours } = overTime(checks, [wrong, strike]);
    expect([putRight, lives]).toEqual([[], []]);
    expect(hours.some((h) => h.hours === 9000)).toBe(false);
  });
  test('of nothing there is nothing', () =>
    expect(overTime(checks, [])).toEqual({ hours: [], putRight: [], lives: [] }));
});
