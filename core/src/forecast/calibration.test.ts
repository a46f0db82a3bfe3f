import { calibrate } from '../../bench/calibrate';

test('on a simulated fleet the 90 % interval holds 88 to 92 %, and the chances beat base rate and straight lines', () => {
  const { coverage, brier, components } = calibrate(7, 500);
  expect(components).toBe(2500);
  expect(coverage[90]).toBeGreaterThan(0.88);
  expect(coverage[90]).toBeLessThan(0.92);
  expect(coverage[50]).toBeGreaterThan(0.46);
  expect(coverage[50]).toBeLessThan(0.54);
  expect(brier.ours).toBeLessThan(brier.baseRate);
  expect(brier.ours).toBeLessThan(brier.leastSquares);
});
