import fc from 'fast-check';
import { chanceReached, hoursToLimit, seasonHours, wearAt, wearPosterior } from './index';

const prior = { a0: 0.02, sa: 0.03, mu: 0.0012, tau: 0.0005 };
const points = [
  { hours: 180, y: 0.3, sigma: 0.04 },
  { hours: 420, y: 0.66, sigma: 0.04 },
];

describe('wear forecast', () => {
  test('the worked figures', () => {
    const posterior = wearPosterior(prior, points);
    expect(posterior.alpha).toBeCloseTo(0.0240973, 7);
    expect(posterior.beta).toBeCloseTo(0.00150754, 8);
    expect(chanceReached(posterior, 560)).toBeCloseTo(0.0047, 4);
    expect(chanceReached(posterior, 620)).toBeCloseTo(0.2352, 4);
    expect(chanceReached(posterior, 700)).toBeCloseTo(0.8861, 4);
    expect(chanceReached(wearPosterior(prior, []), 560)).toBeCloseTo(0.137, 4);
  });
  test('the hours for a chance give that chance back', () => {
    const posterior = wearPosterior(prior, points);
    for (const q of [0.1, 0.5, 0.9])
      expect(chanceReached(posterior, hoursToLimit(posterior, q))).toBeCloseTo(q, 6);
  });
  test('the hours for a chance are the first at which it is there, whatever the line', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        number(-0.1, 0.5),
        number(0.01, 0.1),
        number(0.0002, 0.01),
        number(0.00005, 0.004),
        number(0.02, 0.98),
        number(0, 900),
        (a0, sa, mu, tau, q, from) => {
          const posterior = wearPosterior({ a0, sa, mu, tau }, points.slice(0, 1));
          const at = hoursToLimit(posterior, q, from);
          if (at === Infinity) return chanceReached(posterior, 19_999) < q + 1e-6;
          if (at === from) return chanceReached(posterior, from) >= q - 1e-6;
          return (
            Math.abs(chanceReached(posterior, at) - q) < 1e-5 &&
            [0.25, 0.5, 0.75].every(
              (part) => chanceReached(posterior, from + part * (at - from)) < q + 1e-6,
            )
          );
        },
      ),
      { numRuns: 400 },
    );
  });
  test('readings never widen the forecast', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1500, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0.01, max: 0.2, noNaN: true }),
        (hours, y, sigma) =>
          wearAt(wearPosterior(prior, [...points, { hours, y, sigma }]), 600).sd <=
          wearAt(wearPosterior(prior, points), 600).sd + 1e-12,
      ),
    );
  });
  test('bad input is named', () => {
    expect(() => wearPosterior({ ...prior, tau: 0 }, [])).toThrow(/tau/);
    expect(() => wearPosterior(prior, [{ hours: 10, y: NaN, sigma: 0.1 }])).toThrow(/^y:/);
    expect(() => hoursToLimit(wearPosterior(prior, []), 1)).toThrow(/q:/);
  });
});

describe('hours in season', () => {
  test('520 ha at 10.7 m, 6.2 km/h and 0.72 take 108.87 h', () =>
    expect(seasonHours(520, 10.7, 6.2, 0.72)).toBeCloseTo(108.87, 2));
  test('an efficiency above 1 is refused', () =>
    expect(() => seasonHours(520, 10.7, 6.2, 1.2)).toThrow(/efficiency/));
});
