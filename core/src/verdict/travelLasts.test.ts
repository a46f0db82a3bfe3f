import type { Reading } from '../contracts';
import { madeCheck, reading, TAKE_UP } from '../testing/sheet';
import { judgeCheck, verdictSentence } from './index';

const takeUp = { ...TAKE_UP, total: 60 };
const chain = madeCheck('feel', {
  good: ['justSlides'],
  takeUp,
  labour: { measure: 5, adjust: 10, shorten: 40 },
});
const facts = { hours: 900, seasonHours: 109 };
/** A chain fitted at 500 h, then its travel read at an hour; each round two readings. */
const round = (hours: number, left: number, change: Partial<Reading> = {}): Reading[] => {
  const of = { hours, walkId: null, takenAt: takenAt(hours), ...change };
  return [
    reading('made', 'here', { kind: 'travel', left, linksOut: 0, typed: '', unit: 'mm' }, of),
    reading('made', 'here', { kind: 'feel', feel: 'justSlides' }, of),
  ];
};
const takenAt = (hours: number) =>
  new Date(Date.UTC(2024, 0, 1) + hours * 86_400_000).toISOString();
const fitted = round(500, 58, { renewed: true, state: 'asLeft' });
const judge = (readings: readonly Reading[], change: object = {}) =>
  judgeCheck(chain, readings, { ...facts, ...change });
const found = (readings: readonly Reading[], change: object = {}) =>
  judge(readings, change)?.places[0]?.findings.map((f) => f.id);

describe('the travel of an adjuster through harvest', () => {
  test('with plenty left it holds', () =>
    expect(judge([...fitted, ...round(900, 50)])?.decision).toBe('holds'));
  test('what this harvest uses up is shortened now, and told in hours and chances', () => {
    const verdict = judge([...fitted, ...round(700, 35), ...round(900, 11)]);
    expect(verdict?.decision).toBe('shorten');
    expect(verdict && verdictSentence(verdict)).toMatch(
      /chance to use up its travel before harvest ends, most likely at \S+ h\. No costs are known/,
    );
  });
  test('what may touch its reserve is watched', () => {
    expect(found([...fitted, ...round(700, 40), ...round(900, 21)])).toEqual(['travelLow']);
  });
  test('a stop that costs next to nothing is left, one that costs a day is not', () => {
    const likely = [...fitted, ...round(700, 36), ...round(900, 12)];
    const costs = (stopHour: number) => ({
      costs: { currency: 'crowns', labourHour: 90, prices: {}, stopHour },
    });
    expect(found(likely, costs(0))).not.toContain('notWorthLeavingLong');
    expect(found(likely, costs(900))).toContain('notWorthLeavingLong');
  });
  test('where no renewal is on record its age is taken to be unknown, not that of the machine', () => {
    const fresh = judge(round(900, 30))?.places[0];
    const known = judge([...round(0, 58, { renewed: true, state: 'asLeft' }), ...round(900, 30)]);
    expect(fresh?.plan?.best.action).toBe('adjust');
    const hours = (p: typeof fresh) =>
      p?.plan?.choices.find((c) => c.action === 'adjust')?.hoursLeft ?? NaN;
    expect(hours(fresh)).toBeLessThan(hours(known?.places[0]));
  });
});
