import fc from 'fast-check';
import { random } from '../random';
import { clusterMean, pooledSpread, together, type Seen } from './index';

/** The eight schools, whose answer is in every textbook. */
const SCHOOLS: readonly Seen[] = [
  [28, 15],
  [8, 10],
  [-3, 16],
  [7, 11],
  [-1, 9],
  [1, 11],
  [18, 10],
  [12, 18],
].map(([value = 0, se = 1]) => ({ value, se }));

describe('groups drawn toward their mean', () => {
  test('eight schools: the loud one is drawn from 28 to about 11, the mean is about 8', () => {
    // a wide half-normal comes near the flat prior of the book
    const all = together(SCHOOLS, 25);
    expect(all.value).toBeGreaterThan(6.5);
    expect(all.value).toBeLessThan(9);
    expect(all.spread).toBeGreaterThan(5);
    expect(all.spread).toBeLessThan(9);
    const loud = all.group(0);
    expect(loud.value).toBeGreaterThan(10);
    expect(loud.value).toBeLessThan(13);
    expect(all.group(2).value).toBeGreaterThan(4);
    // none of them is told apart
    SCHOOLS.forEach((_, i) => {
      const { apart } = all.group(i);
      expect(apart.low < 0 && apart.high > 0).toBe(true);
    });
  });
  test('groups that are sure and far apart stay where they are, and are told apart', () => {
    const sure = [1, 2, 3].map((value) => ({ value, se: 0.01 }));
    const all = together(sure, 1);
    expect(all.group(0).value).toBeCloseTo(1, 1);
    expect(all.group(2).apart.low).toBeGreaterThan(0);
    expect(all.off(2)).toBeGreaterThan(1.2);
    expect(() => all.group(3)).toThrow(RangeError);
  });
  test('one group is itself', () => {
    const { value, low, high } = together([{ value: 5, se: 1 }], 1).group(0);
    expect(value).toBeCloseTo(5, 9);
    expect(high - low).toBeCloseTo(2 * 1.645, 2);
  });
  test('drawn between itself and the mean; the less sure, the farther', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            value: fc.double({ min: -5, max: 5, noNaN: true }),
            se: fc.double({ min: 0.1, max: 3, noNaN: true }),
          }),
          { minLength: 2, maxLength: 8 },
        ),
        (seen) => {
          const all = together(seen, 1);
          const [least, most] = [Math.min, Math.max].map((f) => f(...seen.map((s) => s.value)));
          seen.forEach((_, i) => {
            const { value, low, high } = all.group(i);
            expect(value).toBeGreaterThanOrEqual((least ?? 0) - 1e-6);
            expect(value).toBeLessThanOrEqual((most ?? 0) + 1e-6);
            expect(low).toBeLessThan(value);
            expect(high).toBeGreaterThan(value);
          });
        },
      ),
      { numRuns: 40 },
    ));
  test('what is no standard error is refused by name', () => {
    expect(() => together([{ value: 1, se: 0 }], 1)).toThrow(/seen\.0\.se/);
    expect(() => together(SCHOOLS, -1)).toThrow(/scale/);
  });
});

describe('how far members of a cluster differ', () => {
  const dice = random(7);
  const clusters = (n: number, spread: number): Seen[][] =>
    Array.from({ length: n }, () => {
      const middle = 10 + 4 * dice.normal();
      return Array.from({ length: 6 }, () => ({
        value: middle + spread * dice.normal() + 0.5 * dice.normal(),
        se: 0.5,
      }));
    });
  test('many clusters show their own spread, whatever is usual', () => {
    expect(pooledSpread(clusters(200, 2), 0.2)).toBeCloseTo(2, 0);
    expect(pooledSpread(clusters(200, 0), 2)).toBeLessThan(0.5);
  });
  test('one member a cluster shows none: it is the usual one', () =>
    expect(pooledSpread([[{ value: 1, se: 1 }], [{ value: 9, se: 1 }]], 0.7)).toBeCloseTo(0.7, 9));
  test('a mean is the surer the more members it has, and never surer than their spread lets it', () => {
    const members = Array.from({ length: 16 }, () => ({ value: 3, se: 0.001 }));
    expect(clusterMean(members, 0.8)).toMatchObject({
      value: expect.closeTo(3, 9),
      se: expect.closeTo(0.8 / 4, 4),
    });
  });
});
