import type { ReadingValue } from '../contracts';
import { madeCheck, reading } from '../testing/sheet';
import { judgeCheck, judgeMachine } from './index';
import { facts, measured, verdictOf, said } from '../testing/judged';

describe('a count', () => {
  const lost = (missing: number): ReadingValue => ({
    kind: 'count',
    missing,
    damaged: 0,
    oneEdge: 0,
    bothEdges: 0,
  });
  test('one pivot bolt broken renews the set', () => {
    const bolts = madeCheck('count', { counted: 'pivot bolts', total: 6, renew: 'set' });
    expect(said(bolts, lost(1))).toEqual([
      'replace',
      '1 missing of 6 pivot bolts: renew the whole set.',
    ]);
    expect(verdictOf(bolts, { here: lost(1) }).places[0]!.renew).toBe(6);
  });
  test('a few that may wait are watched', () => {
    const fingers = madeCheck('count', {
      counted: 'fingers',
      total: 40,
      renew: 'each',
      allowed: 2,
    });
    expect(said(fingers, lost(2))).toEqual([
      'watch',
      '2 of 40 fingers missing or damaged, 2 may wait.',
    ]);
    expect(said(fingers, lost(3))[0]).toBe('replace');
    expect(said(fingers, lost(0))).toEqual(['holds', 'All 40 there.']);
  });
});

describe('a condition seen', () => {
  const see = (grade: 'sound' | 'marked' | 'damaged', ...seen: string[]): ReadingValue => ({
    kind: 'condition',
    grade,
    seen,
    found: '',
  });
  const slats = madeCheck('condition', { looksFor: ['bent', 'cracked'] });
  test.each([
    ['sound', 'holds'],
    ['marked', 'watch'],
    ['damaged', 'replace'],
  ] as const)('%s: %s', (grade, decision) =>
    expect(said(slats, see(grade, 'bent'))[0]).toBe(decision),
  );
  test('the school that straightens adjusts', () =>
    expect(
      said(
        madeCheck('condition', { looksFor: ['bent'], damaged: 'adjust' }),
        see('damaged', 'bent'),
      ),
    ).toEqual(['adjust', 'Seen: bent. Put it right.']));
  test('a spent edge is turned', () =>
    expect(
      said(
        madeCheck('condition', { looksFor: ['rounded'], marked: 'turn' }),
        see('marked', 'rounded'),
      )[0],
    ).toBe('turn'));
});

test('a whole machine is judged in one pass, as check by check', () => {
  const checks = [
    madeCheck('measure', { id: 'a', limit: { type: 'band', low: 1 } }),
    madeCheck('condition', { id: 'b', looksFor: ['bent'] }),
    madeCheck('level', { id: 'c', eye: 'plug', product: 'oil' }),
  ];
  const readings = [
    reading('b', 'here', { kind: 'condition', grade: 'marked', seen: ['bent'], found: '' }),
    reading('a', 'here', measured(3)),
    reading('else', 'here', measured(3)),
  ];
  expect(judgeMachine(checks, readings, facts)).toEqual(
    checks.flatMap((c) => judgeCheck(c, readings, facts) ?? []),
  );
  expect(judgeMachine(checks, readings, facts).map((v) => [v.check.id, v.decision])).toEqual([
    ['a', 'holds'],
    ['b', 'watch'],
  ]);
});
