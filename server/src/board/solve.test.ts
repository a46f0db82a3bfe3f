import fc from 'fast-check';
import { planBoard, planExactly, sampleBoard } from '@green-tally/core/board';
import { boundNow, leastOf } from './solve';

test('a programme is solved to its least', async () => {
  const programme = {
    costs: [-3, -5],
    most: [10, 10],
    rows: [
      { terms: [[0, 1] as const, [1, 2] as const], atMost: 8 },
      { terms: [[0, 1] as const], atLeast: 2 },
    ],
    constant: 100,
  };
  // x0 = 8, x1 = 0: 24 against 2 and 3: 21
  expect(await leastOf(programme, 10)).toBeCloseTo(76);
});

test('in whole numbers its least lies higher: three of whom two at a time can share', async () => {
  const pair = (a: number, b: number) => ({ terms: [[a, 1] as const, [b, 1] as const], atMost: 1 });
  const programme = {
    ...{ costs: [-2, -2, -2], most: [1, 1, 1], constant: 10 },
    rows: [pair(0, 1), pair(1, 2), pair(0, 2)],
  };
  expect(await leastOf(programme, 10)).toBeCloseTo(7);
  expect(await leastOf({ ...programme, whole: true }, 10)).toBeCloseTo(8);
});

test('without rows each column stands where it costs least', async () =>
  expect(await leastOf({ costs: [2, -3], most: [5, 4], rows: [], constant: 1 }, 10)).toBe(-11));

const sizes = fc.record({
  visits: fc.integer({ min: 1, max: 12 }),
  technicians: fc.integer({ min: 1, max: 4 }),
  days: fc.integer({ min: 7, max: 21 }),
  seed: fc.integer({ min: 1, max: 1_000_000 }),
  load: fc.double({ min: 0.3, max: 1.6, noNaN: true }),
});

test('no plan undercuts the bound, and it is no less than each visit by itself', async () =>
  fc.assert(
    fc.asyncProperty(sizes, async (size) => {
      const problem = sampleBoard(size);
      const { cost } = planBoard(problem, { seed: 1, gone: (n) => n / 200 });
      const { bound, solved } = await boundNow(problem, 10);
      expect(solved).toBe(true);
      expect(bound).toBeLessThanOrEqual(cost + 1e-6);
    }),
    { numRuns: 15, seed: 11 },
  ));

test('the bound lies under the best there is', async () => {
  for (let seed = 1; seed <= 8; seed += 1) {
    const problem = sampleBoard({ visits: 4, technicians: 2, days: 7, seed, load: 1.2 });
    const best = planExactly(problem);
    const { bound } = await boundNow(problem, 10);
    expect(best && bound <= best.cost + 1e-6).toBe(true);
  }
});
