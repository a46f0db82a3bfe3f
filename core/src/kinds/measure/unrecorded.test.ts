import { unrecordedRenewals } from '../../../bench/unrecorded';
import { forecastWear } from './forecast';

describe('a part whose renewal nobody wrote down', () => {
  const { inside, held, heldAndReached, reached } = unrecordedRenewals(11, 600);
  test('four of five lie inside the 80 % interval', () => {
    expect(inside).toBeGreaterThan(0.75);
    expect(inside).toBeLessThan(0.85);
  });
  test('of those that hold at most one in a hundred reaches its limit in season', () => {
    expect(held).toBeGreaterThan(0.5);
    expect(reached).toBeGreaterThan(0.01);
    expect(heldAndReached).toBeLessThanOrEqual(0.01);
  });

  const prior = { a0: 0.02, sa: 0.03, mu: 0.0008, tau: 0.0003 };
  const life = { expanded: 0.02, now: 1284, season: 109 };
  const near = [{ wear: 0.85, hours: 1284, round: 'now' }];
  test('near its limit it is not taken to have come with the machine and worn slowly', () => {
    const original = forecastWear(prior, near, { ...life, newAt: 0 });
    const unknown = forecastWear(prior, near, { ...life, newAt: undefined });
    const renewed = forecastWear(prior, near, { ...life, newAt: 900 });
    expect(original.chance).toBeLessThan(0.05);
    expect(unknown.chance).toBeGreaterThan(original.chance);
    expect(unknown.chance).toBeLessThan(renewed.chance);
    expect(unknown.age?.original).toBeLessThan(0.6);
  });
  test('a renewal between two readings is seen in them', () => {
    const { age } = forecastWear(
      prior,
      [
        { wear: 0.8, hours: 1000, round: 'a' },
        { wear: 0.1, hours: 1284, round: 'b' },
      ],
      { ...life, newAt: undefined },
    );
    expect(age?.original).toBeLessThan(0.01);
    expect(age?.from).toBeGreaterThan(1000);
  });
  test('readings on the class’s own line say that it came with the machine', () => {
    const { age } = forecastWear(
      prior,
      [400, 600, 800, 1000, 1284].map((hours) => ({
        wear: 0.02 + prior.mu * hours,
        hours,
        round: String(hours),
      })),
      { ...life, newAt: undefined },
    );
    expect(age?.original).toBeGreaterThan(0.9);
  });
});
