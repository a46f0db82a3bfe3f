import { handChance } from './index';

describe('chance that a hand is needed, by what the fleet has shown', () => {
  test('nothing seen: one in twenty', () => expect(handChance()).toBeCloseTo(0.05, 9));
  test('6 hands in 42 looks', () =>
    expect(handChance({ looks: 42, hands: 6 })).toBeCloseTo(7 / 62, 9));
  test('many looks outweigh what was expected', () => {
    expect(handChance({ looks: 4000, hands: 2000 })).toBeCloseTo(0.5, 2);
    expect(handChance({ looks: 4000, hands: 0 })).toBeLessThan(0.001);
  });
  test('never 0 and never 1', () => {
    expect(handChance({ looks: 10_000, hands: 0 })).toBeGreaterThan(0);
    expect(handChance({ looks: 10_000, hands: 10_000 })).toBeLessThan(1);
  });
  test.each([
    ['looks', { looks: -1, hands: 0 }],
    ['looks', { looks: 1.5, hands: 0 }],
    ['hands', { looks: 3, hands: 4 }],
    ['hands', { looks: 3, hands: Number.NaN }],
  ])('nonsense is named: %s', (field, seen) =>
    expect(() => handChance(seen)).toThrow(new RegExp(field)),
  );
});
