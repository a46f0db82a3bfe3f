import { KEY_SHARE, keysOf } from './stationKeys';

const ALL = Array.from({ length: 14 }, (_, i) => i + 1);

describe('the keys of the stations on the drawing', () => {
  test('every station has one, and no two targets of a row meet', () => {
    const keys = keysOf(ALL);
    expect(keys.map((k) => k.number).sort((a, b) => a - b)).toEqual(ALL);
    for (const above of [true, false]) {
      const lefts = keys.filter((k) => k.above === above).map((k) => k.left);
      lefts.slice(1).forEach((left, i) => expect(left - (lefts[i] ?? 0)).toBeCloseTo(KEY_SHARE));
      expect(Math.max(...lefts) + KEY_SHARE).toBeLessThanOrEqual(1 + 1e-9);
    }
  });

  test('keys stand from left to right as the stations lie, so that no two lines of a row cross', () => {
    for (const above of [true, false]) {
      const row = keysOf(ALL).filter((k) => k.above === above);
      row.slice(1).forEach((k, i) => {
        expect(k.at[0]).toBeGreaterThan(row[i]?.at[0] ?? 0);
        expect(k.key[0]).toBeGreaterThan(row[i]?.key[0] ?? 0);
      });
    }
  });

  test('a machine with few stations has them in the middle; one unknown to the drawing has none', () => {
    const [only, ...others] = keysOf([7, 99]);
    expect(others).toEqual([]);
    expect(only).toMatchObject({ number: 7, above: false });
    expect(only?.key[0]).toBe(180);
  });
});
