import { madeCheck, reading } from '../testing/sheet';
import type { ReadingValue } from '../contracts';
import type { MachineFacts, StopCosts } from '../kinds';
import { judgeCheck, verdictSentence, worstPlace } from './index';
import { willItLast } from '../kinds/measure/worthLeaving';

const mm = (v: number): ReadingValue => ({ kind: 'measure', values: [v], typed: [], unit: 'mm' });
const belt = madeCheck('measure', {
  limit: { type: 'wear', nominal: 38, limit: 35 },
  tool: { name: 'Caliper', resolution: 0.1 },
  wearRate: { perHour: 0.0015, sd: 0.0005 },
  costs: { stopHours: 6, collateral: 700, fieldMinutes: 90 },
  parts: [{ number: 'LM-1', name: 'Belt', each: 1 }],
  labour: { measure: 5, replace: 96 },
});
const costs: StopCosts = {
  currency: 'crowns',
  stopHour: 650,
  labourHour: 100,
  prices: { 'LM-1': 310 },
};
const facts: MachineFacts = { hours: 1284, seasonHours: 109, costs };
const forecast = (chance: number) => ({
  low: 0.7,
  middle: 0.9,
  high: 1.1,
  chance,
  hours10: 30,
  hours50: 90,
  hours90: 200,
  age: undefined,
  rate: undefined,
});
const at = (v: number) => {
  const main = reading('made', 'here', mm(v));
  return { main, now: 1284 } as never;
};
const found = (chance: number, change: object = {}, wear = 0.8) =>
  willItLast({ ...belt, ...change }, { wear, forecast: forecast(chance) }, at(36), facts);

describe('leave it through harvest, or renew it now', () => {
  test('the worked figures: P .61, stop 6 h at 650 with 700 and 150 against 310 and 160', () => {
    const [finding] = found(0.61);
    expect(finding?.id).toBe('notWorthLeaving');
    expect(finding?.numbers).toMatchObject({ expectedAt: 1374, chance: 0.61 });
    const { sums } = finding?.numbers as {
      sums: { leave: number; renew: number; breakEven: number };
    };
    expect(sums.leave).toBeCloseTo(2897.5, 6);
    expect(sums.renew).toBeCloseTo(94, 6);
    expect(sums.breakEven).toBeCloseTo(0.0198, 4);
  });
  test('below five in a hundred it holds, whatever a stop would cost', () =>
    expect(found(0.04)).toEqual([]));
  test('a stop that costs little is watched', () =>
    expect(
      found(0.3, { costs: { stopHours: 0.1, collateral: 0, fieldMinutes: 10 } }, 0.1).map(
        (f) => f.id,
      ),
    ).toEqual(['reachesLimit']));
  test('what surely goes is never only watched', () =>
    expect(
      found(0.995, { costs: { stopHours: 0, collateral: 0, fieldMinutes: 0 } }).map((f) => f.id),
    ).toEqual(['notWorthLeaving']));
  test.each([['a part has no price', { parts: [{ number: 'LM-2', name: 'Belt', each: 1 }] }]])(
    'without sums, for %s, the shop rule decides',
    (_, change) => {
      expect(found(0.49, change).map((f) => f.id)).toEqual(['reachesLimit']);
      expect(found(0.5, change).map((f) => f.id)).toEqual(['notWorthLeaving']);
    },
  );
  test('what is past its limit is told before what might get there', () => {
    const two = { ...belt, places: ['first', 'second'] };
    const fitted = (place: string) =>
      reading('made', place, mm(38), {
        walkId: null,
        takenAt: '2025-06-10T08:00:00Z',
        hours: 1000,
        state: 'asLeft',
        renewed: true,
      });
    const verdict = judgeCheck(
      two,
      [
        fitted('first'),
        fitted('second'),
        reading('made', 'first', mm(35.9)),
        reading('made', 'second', mm(34)),
      ],
      facts,
    )!;
    expect(verdict.places.map((p) => p.findings[0]?.id)).toEqual(['notWorthLeaving', 'pastLimit']);
    expect(worstPlace(verdict)?.place).toBe('second');
    expect(verdictSentence(verdict)).toMatch(/^34 mm is at or past the limit/);
  });
  test('reaches the verdict', () => {
    const fitted = reading('made', 'here', mm(38), {
      walkId: null,
      takenAt: '2025-06-10T08:00:00Z',
      hours: 1000,
      state: 'asLeft',
      renewed: true,
    });
    const verdict = judgeCheck(belt, [fitted, reading('made', 'here', mm(35.9))], facts);
    expect(verdict?.decision).toBe('replace');
    expect(verdict?.places[0]?.findings[0]?.id).toBe('notWorthLeaving');
  });
});
