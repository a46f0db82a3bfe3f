import { forecastFleet } from '../../bench/fleet';
import type { ClassRate, Reading, ReadingValue } from '../contracts';
import { madeCheck, reading } from '../testing/sheet';
import { InputError } from '../units';
import { judgeCheck, verdictSentence } from './index';

const mm = (v: number): ReadingValue => ({ kind: 'measure', values: [v], typed: [], unit: 'mm' });
const belt = madeCheck('measure', {
  limit: { type: 'wear', nominal: 40, limit: 36 },
  tool: { name: 'Caliper', resolution: 0.1 },
});
const at = (hours: number, wear: number, change: Partial<Reading> = {}): Reading =>
  reading('made', 'here', mm(40 - 4 * wear), { hours, walkId: null, ...change });
const fitted = (hours: number) => at(hours, 0.02, { renewed: true, state: 'asLeft' });

describe('a verdict on the fleet', () => {
  const facts = { hours: 700, seasonHours: 109 };
  const rates: Record<string, ClassRate> = {
    made: { perHour: 0.004, sd: 0.001, lives: 12, of: 'branch' },
  };
  const worn = [fitted(600), at(700, 0.5)];
  test('starts from its lives, and says so', () => {
    const slow = { ...belt, wearRate: { perHour: 0.0002, sd: 0.0001, atNew: 0.02, atNewSd: 0.03 } };
    const by = (r: typeof rates | undefined) =>
      judgeCheck(slow, worn, { ...facts, ...(r ? { rates: r } : {}) })?.places[0]?.forecast;
    expect(by(undefined)?.rate).toEqual({ of: 'sheet', lives: 0 });
    expect(by(rates)?.rate).toEqual({ of: 'branch', lives: 12 });
    expect(by(rates)?.middle).toBeGreaterThan((by(undefined)?.middle ?? Infinity) + 0.2);
  });
  test('is forecast even where the sheet gives no rate', () => {
    expect(judgeCheck(belt, worn, facts)?.decision).toBe('holds');
    const verdict = judgeCheck(belt, worn, { ...facts, rates });
    expect(verdict && verdictSentence(verdict)).toMatch(
      /Reckoned by 12 lives seen at this branch\./,
    );
  });
  test('of a meter that is no number is refused by name', () =>
    expect(() => judgeCheck(belt, worn, { ...facts, rates, hours: NaN })).toThrow(InputError));
});

test('on simulated fleets it is right as often as it says, and costs least', () => {
  const { inside, brier, loss } = forecastFleet(20260609, 12);
  expect(inside).toBeGreaterThan(0.88);
  expect(inside).toBeLessThan(0.92);
  expect(brier.fleet).toBeLessThan(brier.sheetOnly);
  expect(loss.ours).toBeLessThanOrEqual(loss.renewAtLimit);
  expect(loss.ours).toBeLessThanOrEqual(loss.renewAllWatched);
});
