import fc from 'fast-check';
import { fleetSlope, leaveOrRenew, priorFromFleet, slopeOf } from './index';

const seen = [
  [0.001, 0.0002],
  [0.0014, 0.0002],
  [0.0011, 0.0003],
  [0.0019, 0.0003],
  [0.0012, 0.00015],
].map(([slope, se]) => ({ slope: slope!, se: se! }));

describe('fleet prior', () => {
  test('the worked figures', () => {
    const fleet = fleetSlope(seen);
    expect(fleet.q).toBeCloseTo(7.1746, 4);
    expect(fleet.tau).toBeCloseTo(0.00019113, 8);
    expect(fleet.mu).toBeCloseTo(0.00128054, 8);
  });
  test('the mean lies among the slopes, whatever their order', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            slope: fc.double({ min: 0, max: 0.01, noNaN: true }),
            se: fc.double({ min: 1e-5, max: 1e-3, noNaN: true }),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        (slopes) => {
          const { mu, tau } = fleetSlope(slopes);
          const all = slopes.map((s) => s.slope);
          return (
            mu >= Math.min(...all) - 1e-12 &&
            mu <= Math.max(...all) + 1e-12 &&
            tau >= 0 &&
            Math.abs(fleetSlope([...slopes].reverse()).mu - mu) < 1e-9
          );
        },
      ),
    );
  });
  test('a class prior is never surer than its members are alike, nor than its mean is known', () => {
    const alike = fleetSlope([0.001, 0.001, 0.001].map((slope) => ({ slope, se: 0.0004 })));
    expect(alike.tau).toBe(0);
    expect(priorFromFleet(alike, 0.02, 0.03).tau).toBeCloseTo(Math.hypot(0.00025, alike.se), 12);
    expect(priorFromFleet(fleetSlope(seen), 0.02, 0.03).tau).toBeGreaterThan(0.00032);
  });
  test('one component alone has no spread', () =>
    expect(fleetSlope(seen.slice(0, 1))).toMatchObject({ mu: 0.001, tau: 0 }));
  test('a slope is read off straight wear exactly, and more noise makes it less sure', () => {
    const line = (sigma: number) =>
      slopeOf([100, 300, 500].map((hours) => ({ hours, y: 0.02 + 0.0013 * hours, sigma })));
    expect(line(0.04).slope).toBeCloseTo(0.0013, 12);
    expect(line(0.08).se).toBeCloseTo(2 * line(0.04).se, 12);
  });
  test.each([
    [() => fleetSlope([]), /slopes/],
    [() => fleetSlope([{ slope: 0.001, se: -1 }]), /slopes\.0\.se/],
    [() => slopeOf([{ hours: 10, y: 0.1, sigma: 0.1 }]), /points/],
  ])('bad input names its field', (bad, field) => expect(bad).toThrow(field));
});

describe('leave or renew', () => {
  const costs = {
    chance: 0.61,
    stopHours: 6,
    costPerStopHour: 650,
    collateral: 700,
    fieldLabour: 150,
    part: 310,
    shopLabour: 160,
    lifeLeft: 0.2,
  };
  test('both sums and the break-even', () => {
    const sums = leaveOrRenew(costs);
    expect(sums.leave).toBeCloseTo(0.61 * 4750, 9);
    expect(sums.renew).toBeCloseTo(470 * 0.2, 9);
    expect(sums.breakEven).toBeCloseTo(94 / 4750, 9);
    expect(sums.better).toBe('renew');
  });
  test('at the break-even chance both cost the same', () => {
    const { breakEven } = leaveOrRenew(costs);
    const sums = leaveOrRenew({ ...costs, chance: breakEven });
    expect(sums.leave).toBeCloseTo(sums.renew, 9);
  });
  test('a higher chance never speaks for leaving', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b) =>
          leaveOrRenew({ ...costs, chance: Math.max(a, b) }).leave >=
          leaveOrRenew({ ...costs, chance: Math.min(a, b) }).leave,
      ),
    );
  });
  test('a chance above 1 is refused', () =>
    expect(() => leaveOrRenew({ ...costs, chance: 1.2 })).toThrow(/chance/));
});
