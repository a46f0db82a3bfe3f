import { KINDS, kindOf } from '../kinds';
import type { Check, ReadingKind, ReadingValue } from '../contracts';
import { demoSheet, reading } from '../testing/sheet';
import { judgeCheck } from './index';

/*
 * Nothing passes by accident: whatever is known of a check of any sheet, without the very reading it
 * asks for it never holds.
 */
const VALUES: { readonly [K in ReadingKind]: Extract<ReadingValue, { kind: K }> } = {
  measure: { kind: 'measure', values: [36], typed: [], unit: 'mm' },
  travel: { kind: 'travel', left: 20, linksOut: 0, typed: '', unit: 'mm' },
  mark: { kind: 'mark', stands: 'at', by: 0 },
  feel: { kind: 'feel', feel: 'justSlides' },
  gonogo: { kind: 'gonogo', fits: true },
  count: { kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 },
  condition: { kind: 'condition', grade: 'sound', seen: [], found: '' },
  level: { kind: 'level', level: 'right', colour: '' },
  setting: { kind: 'setting', option: 'low' },
  service: { kind: 'service', amount: null, product: '' },
  look: { kind: 'look', seen: 'fine', found: '' },
  skip: { kind: 'skip', why: 'too dark' },
} as never;

const sheets = ['ouzel7', 'ouzel5', 'corrie4', 'merle10', 'merle12', 'tarn7'] as const;
const checks = sheets.flatMap((s) => demoSheet(s).checks.map((check) => ({ sheet: s, check })));
const facts = { hours: 1284, seasonHours: 100, crop: 'lentils', today: '2026-06-09' };
const takes = (check: Check): readonly ReadingKind[] => KINDS[check.kind].takes;
const judged = (check: Check, value: ReadingValue, change: object = {}) =>
  judgeCheck(
    check,
    check.places.map((place) => reading(check.id, place, value, change)),
    facts,
  );
/** The first few checks of each kind and sheet are enough to meet every branch. */
const some = checks.filter(
  ({ sheet, check }, i) =>
    checks.slice(0, i).filter((c) => c.sheet === sheet && c.check.kind === check.kind).length < 3,
);

describe('without its reading no check holds', () => {
  test.each(some)('$sheet $check.id, with nothing read', ({ check }) => {
    const verdict = judgeCheck(check, [], facts);
    expect(verdict?.decision).not.toBe('holds');
  });
  test.each(some)('$sheet $check.id, skipped: to be measured', ({ check }) =>
    expect(judged(check, VALUES.skip)?.decision).toBe('remeasure'),
  );
  test.each(some)('$sheet $check.id, in another position: void', ({ check }) => {
    const [main] = takes(check);
    const value =
      check.kind === 'setting'
        ? { kind: 'setting' as const, option: check.options[0] ?? '' }
        : VALUES[main as ReadingKind];
    const verdict = judged(check, value, { positionConfirmed: false });
    expect(verdict?.decision).not.toBe('holds');
    expect(verdict?.decision).not.toBe('watch');
  });
  test.each(some)('$sheet $check.id, read with a value it does not take', ({ check }) => {
    for (const kind of Object.keys(VALUES) as ReadingKind[]) {
      if (takes(check).includes(kind) || kind === 'skip') continue;
      expect([kind, judged(check, VALUES[kind])?.decision]).not.toEqual([kind, 'holds']);
    }
  });
  test('every kind of check is among them', () =>
    expect(new Set(some.map(({ check }) => kindOf(check).name)).size).toBe(
      Object.keys(KINDS).length,
    ));
  test.each(some.filter(({ check }) => takes(check).includes('travel')))(
    '$sheet $check.id, with the travel alone: not holding',
    ({ check }) => expect(judged(check, VALUES.travel)?.decision).not.toBe('holds'),
  );
  test.each(some.filter(({ check }) => takes(check).includes('look')))(
    '$sheet $check.id, looked at alone: not holding',
    ({ check }) => expect(judged(check, VALUES.look)?.decision).not.toBe('holds'),
  );
  test('one place of several read is not the whole: the others are still to be read', () => {
    for (const { check } of some.filter((s) => s.check.places.length > 1)) {
      const [place = ''] = check.places;
      const [main] = takes(check);
      if (check.kind === 'setting') continue;
      const one = judgeCheck(check, [reading(check.id, place, VALUES[main as ReadingKind])], facts);
      expect([check.id, one?.unmeasured.length]).toEqual([check.id, check.places.length - 1]);
    }
  });
});
