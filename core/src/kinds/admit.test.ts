import type { Check, CheckKind, ReadingKind, ReadingValue } from '../contracts';
import { demoCheck, demoSheet, madeCheck } from '../testing/sheet';
import { kindOf, KINDS } from './index';

const mm = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: [],
  unit: 'mm',
});
const travel = (left: number): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut: 0,
  typed: '',
  unit: 'mm',
});
/** Fields at fault of a value, with what is said of them. */
const troubles = (check: Check, value: ReadingValue) =>
  (kindOf(check).admit as (c: Check, v: ReadingValue) => readonly object[])(check, value);

describe('every kind of check', () => {
  test.each<[CheckKind, readonly ReadingKind[]]>([
    ['measure', ['measure', 'travel', 'look']],
    ['series', ['measure', 'travel', 'look']],
    ['mark', ['mark', 'travel']],
    ['feel', ['feel', 'travel']],
    ['gonogo', ['gonogo']],
    ['count', ['count']],
    ['condition', ['condition']],
    ['level', ['level']],
    ['setting', ['setting']],
    ['service', ['service']],
  ])('%s takes %j, the main one first', (kind, takes) => {
    expect(KINDS[kind].takes[0]).toBe(takes[0]);
    for (const t of KINDS[kind].takes) expect(takes).toContain(t);
  });
  test('each says its name, what it wants and what its drawing shows', () => {
    const sheets = ['ouzel7', 'ouzel5', 'corrie4', 'merle10', 'merle12', 'tarn7'] as const;
    const checks = sheets.flatMap((s) => demoSheet(s).checks);
    expect(new Set(checks.map((c) => c.kind)).size).toBe(Object.keys(KINDS).length);
    for (const check of checks) {
      const kind = kindOf(check) as (typeof KINDS)['measure'];
      expect(kind.name.length).toBeGreaterThan(2);
      expect(kind.wants(check as never).length).toBeGreaterThan(2);
      expect(kind.drawn(check as never).length).toBeGreaterThan(2);
    }
  });
});

describe('a measure that cannot be on a machine', () => {
  const belt = demoCheck('fan-drive-belt', 'measure');
  const pins = demoCheck('tilt-pins', 'measure');

  test('is not taken: nothing at all, or longer than any machine', () => {
    expect(troubles(belt, mm(0))).toEqual([
      {
        field: 'value.values.0',
        message: 'Fan drive belt: a reading of 0 cannot be. Measure again.',
      },
    ]);
    expect(troubles(belt, mm(36, 60_000))).toEqual([
      { field: 'value.values.1', message: '60000 mm cannot be on a machine. Check the unit.' },
    ]);
  });
  test('each repeat is looked at on its own', () =>
    expect(troubles(belt, mm(0, 36, 0))).toHaveLength(2));
  test('a good one is taken as it is', () => expect(troubles(belt, mm(36.1))).toEqual([]));
  test('0 is a reading where a new part has none of it', () => {
    const play = madeCheck('measure', {
      quantity: 'length',
      unit: 'mm',
      style: 'mm',
      limit: { type: 'wear', nominal: 0, limit: 1, wornSide: 'larger' },
    });
    expect(troubles(play, mm(0))).toEqual([]);
    expect(troubles(pins, mm(0))).toHaveLength(1);
  });
});

describe('travel', () => {
  const chain = demoCheck('conveyor-chain-tension', 'mark');
  const belt = demoCheck('fan-drive-belt', 'measure');

  test('up to the whole of it is taken', () => {
    expect(troubles(chain, travel(0))).toEqual([]);
    expect(troubles(chain, travel(45))).toEqual([]);
  });
  test('more than there is, is questioned', () =>
    expect(troubles(chain, travel(60))).toEqual([
      {
        field: 'value.left',
        message: '60 mm is more than the whole travel, 45 mm. Read the slot again.',
      },
    ]));
  test('where there is no adjuster there is none to read', () =>
    expect(troubles(belt, travel(10))).toEqual([
      { field: 'value.kind', message: 'Fan drive belt has no adjuster travel to read.' },
    ]));
});

describe('counts and settings', () => {
  const knives = demoCheck('chopper-knives', 'count');
  const drum = demoCheck('drum-height', 'setting');
  const counted = (missing: number, oneEdge: number): ReadingValue => ({
    kind: 'count',
    missing,
    damaged: 0,
    oneEdge,
    bothEdges: 0,
  });

  test('all of them may be bad, but no more than there are', () => {
    expect(troubles(knives, counted(48, 0))).toEqual([]);
    expect(troubles(knives, counted(40, 9))).toHaveLength(1);
  });
  test('an option of the sheet is taken, another is not', () => {
    expect(troubles(drum, { kind: 'setting', option: 'low' })).toEqual([]);
    expect(troubles(drum, { kind: 'setting', option: 'sideways' })).toHaveLength(1);
  });
});
