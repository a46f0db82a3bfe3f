import type { ReadingValue } from '../contracts';
import type { MachineFacts } from '../kinds';
import { madeCheck, reading } from '../testing/sheet';
import { judgeCheck } from '../verdict';
import { proposeAnyway } from './index';

const mm = (v: number): ReadingValue => ({ kind: 'measure', values: [v], typed: [], unit: 'mm' });
const belt = madeCheck('measure', {
  limit: { type: 'wear', nominal: 38, limit: 35 },
  tool: { name: 'Caliper', resolution: 0.1 },
  wearRate: { perHour: 0.0015, sd: 0.0005 },
  parts: [{ number: 'LM-1', name: 'Belt', each: 1 }],
  labour: { measure: 5, replace: 96 },
});
const facts: MachineFacts = {
  hours: 1284,
  seasonHours: 109,
  costs: { currency: 'crowns', stopHour: 650, labourHour: 100, prices: { 'LM-1': 310 } },
};

describe('a person decides otherwise', () => {
  const watched = (change: object = {}) =>
    judgeCheck(
      { ...belt, costs: { stopHours: 0, collateral: 0, fieldMinutes: 0 }, ...change } as never,
      [
        reading('made', 'here', mm(38), {
          walkId: null,
          takenAt: '2025-06-10T08:00:00Z',
          hours: 1000,
          state: 'asLeft',
          renewed: true,
        }),
        reading('made', 'here', mm(35.6)),
      ],
      facts,
    )!;
  test('what is only watched can be renewed all the same, with the reason before the forecast', () => {
    const verdict = watched();
    expect(verdict.decision).toBe('watch');
    expect(proposeAnyway(verdict, ' the owner wants it ')).toMatchObject({
      decision: 'replace',
      places: ['here'],
      minutes: 96,
      parts: [{ number: 'LM-1', quantity: 1 }],
      reason: expect.stringMatching(/^the owner wants it \(.+ chance to reach the limit/),
    });
  });
  test('nothing is made up where nothing is watched', () =>
    expect(
      proposeAnyway(judgeCheck(belt, [reading('made', 'here', mm(37.9))], facts)!, 'so'),
    ).toBeUndefined());
});
