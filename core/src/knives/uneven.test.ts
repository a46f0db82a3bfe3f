import { random } from '../random';
import { planKnives, type HungKnife, type Rotor } from './index';

/** Rows of four hangers round a rotor, each knife of its own mass. */
const rotorOf = (rows: number, massAt: (row: number, place: number) => number): Rotor => ({
  knives: Array.from({ length: rows * 4 }, (_, n): HungKnife => {
    const [row, place] = [Math.floor(n / 4), n % 4];
    return {
      radius: 260,
      angle: (Math.PI / 2) * place,
      axial: 100 + (1200 * row) / (rows - 1),
      mass: massAt(row, place),
      spent: false,
      oneEdge: false,
      opposite: row * 4 + ((place + 2) % 4),
    };
  }),
  planes: { a: 0, b: 1400 },
  newMass: 180,
  mass: 118,
  rpm: 3100,
});

describe('an uneven rotor', () => {
  test('always has an answer without swaps: all new balances', () => {
    const dice = random(7);
    for (let i = 0; i < 40; i += 1) {
      const rotor = rotorOf(6, () => 100 + 80 * dice.next());
      const plan = planKnives(rotor, 'weigh', { swaps: false });
      expect([i, plan.inside]).toEqual([i, true]);
      expect(plan.renew.length).toBeLessThanOrEqual(24);
    }
  });
  test('by the opposite school too', () => {
    const dice = random(8);
    const plan = planKnives(
      rotorOf(6, () => 100 + 80 * dice.next()),
      'opposite',
      {
        swaps: false,
      },
    );
    expect(plan.inside).toBe(true);
    expect(
      plan.renew.every((i) => plan.renew.includes(Math.floor(i / 4) * 4 + ((i + 2) % 4))),
    ).toBe(true);
  });
  test('a hundred and twenty knives, one side worn: an answer that says it is not proven', () => {
    const plan = planKnives(
      rotorOf(30, (_, place) => (place === 1 ? 120 : 180)),
      'weigh',
    );
    expect(plan.inside).toBe(true);
    expect(plan.fewest).toBe(false);
  });
  test('two light ones on one side: mates of one row change places, one swap and no new knife', () => {
    const light = (row: number, place: number) => (row === 3 || row === 4) && place === 0;
    const plan = planKnives(
      rotorOf(8, (row, place) => (light(row, place) ? 140 : 180)),
      'opposite',
    );
    expect([plan.inside, plan.renew, plan.fewest]).toEqual([true, [], true]);
    expect(plan.swap).toHaveLength(1);
  });
});
