import fc from 'fast-check';
import { Check, type Reading, type ReadingValue } from '../contracts';
import { madeCheck, reading } from '../testing/sheet';
import { judgeCheck, verdictSentence } from './index';

const newtons = (v: number): ReadingValue => ({
  kind: 'measure',
  values: [v],
  typed: [],
  unit: 'N',
});
const belt = madeCheck('measure', {
  quantity: 'force',
  unit: 'N',
  style: 'plain',
  method: 'spring-gauge',
  limit: { type: 'band', low: 60, high: 100, nominal: 90 },
  tool: { name: 'Spring gauge', resolution: 1 },
  drift: { perHour: -0.06, sd: 0.03 },
  labour: { measure: 5, adjust: 15 },
});
const facts = { hours: 900, seasonHours: 109 };
const at = (hours: number, value: number, change: Partial<Reading> = {}): Reading =>
  reading('made', 'here', newtons(value), {
    hours,
    walkId: null,
    takenAt: new Date(Date.UTC(2024, 0, 1) + hours * 86_400_000).toISOString(),
    ...change,
  });
const set = (hours: number, value = 90) => at(hours, value, { state: 'asLeft' });
const judge = (readings: readonly Reading[], check: Check = belt, change: object = {}) =>
  judgeCheck(check, readings, { ...facts, ...change });

describe('a setting that drifts', () => {
  test('in the middle of its band it holds', () =>
    expect(judge([set(700), at(900, 86)])?.decision).toBe('holds'));
  test('near the edge it drifts to it is set now, near the other it is not', () => {
    const verdict = judge([set(500), at(900, 64)]);
    expect(verdict?.decision).toBe('adjust');
    expect(verdict && verdictSentence(verdict)).toMatch(/chance to leave its band before harvest/);
    expect(judge([set(890, 97), at(900, 97)])?.decision).toBe('holds');
  });
  test('between the two it is watched, with the hour to look again', () => {
    const verdict = judge([set(500), at(900, 67)]);
    expect(verdict?.places[0]?.findings).toMatchObject([
      { id: 'reachesLimit', numbers: { what: 'band' } },
    ]);
  });
  test('set again it begins anew', () => {
    const low = [set(500), at(900, 64)];
    expect(
      judge([...low, at(900, 92, { state: 'asLeft', takenAt: '2026-08-01T00:00:00Z' })])?.decision,
    ).toBe('holds');
  });
  test('where its edge cannot be set, the part is not worth leaving', () => {
    const renews = { ...belt, limit: { ...belt.limit, below: 'replace' } } as Check;
    expect(judge([set(500), at(900, 64)], renews)?.decision).toBe('replace');
  });
  test('the nearer to its edge the surer it leaves', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 62, max: 98, noNaN: true }),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        (value, lower) => {
          const chance = (v: number) =>
            judge([set(700), at(900, v)])?.places[0]?.forecast?.chance ?? 1;
          return chance(Math.max(61, value - lower)) >= chance(value) - 1e-9;
        },
      ),
      { numRuns: 60 },
    ));
  test.each([
    ['a drift to an edge that is not there', { limit: { type: 'band', high: 100 } }, 'drift'],
    ['a drift of nothing', { drift: { perHour: 0, sd: 1 } }, 'perHour'],
    [
      'a drift of what wears',
      {
        quantity: 'length',
        unit: 'mm',
        style: 'mm',
        limit: { type: 'wear', nominal: 9, limit: 7 },
      },
      'drift',
    ],
  ])('%s is refused by name', (_, change, field) => {
    const { error } = Check.safeParse({ ...belt, ...change });
    expect(error?.issues.map((i) => i.path.at(-1))).toContain(field);
  });
});
