import fc from 'fast-check';
import {
  fewestSwaps,
  massFromHeight,
  permissibleUnbalance,
  planKnives,
  swapped,
  unbalance,
  type HungKnife,
  type Rotor,
} from './index';

const planes = { a: 0, b: 1400 };
const at = (angle: number, axial: number) => ({ radius: 260, angle, axial });
const UP = Math.PI / 2;

describe('unbalance in two planes', () => {
  test('the worked figures: one knife lost is thirteen times too much', () => {
    const { total, perPlane } = permissibleUnbalance(16, 118, 3100);
    expect(total).toBeCloseTo(5815.65, 2);
    expect(perPlane).toBeCloseTo(2907.82, 2);
    const { left, right } = unbalance([-180], [at(UP, 300)], planes);
    expect(left.size).toBeCloseTo(36771.4, 1);
    expect(right.size).toBeCloseTo(10028.6, 1);
    expect((left.angle * 180) / Math.PI).toBeCloseTo(-90, 9);
    expect(left.size / perPlane).toBeGreaterThan(12.5);
  });
  test('its opposite at the same place also off: nothing left; at another place it still shakes', () => {
    expect(unbalance([-180, -180], [at(UP, 300), at(-UP, 300)], planes).left.size).toBeCloseTo(
      0,
      6,
    );
    const apart = unbalance([-180, -180], [at(UP, 300), at(-UP, 1100)], planes);
    expect(apart.left.size).toBeCloseTo(26742.9, 1);
    expect(apart.right.size).toBeCloseTo(26742.9, 1);
  });
  test('both planes together carry the whole', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0, max: 1400, noNaN: true }),
        (m, angle, z) => {
          const { left, right } = unbalance([m], [at(angle, z)], planes);
          return (
            Math.abs(Math.hypot(left.x + right.x, left.y + right.y) - Math.abs(m) * 260) < 1e-6
          );
        },
      ),
    );
  });
  test('planes the wrong way round and a missing mass are refused', () => {
    expect(() => unbalance([1], [at(0, 0)], { a: 10, b: 10 })).toThrow(/^b:/);
    expect(() => unbalance([], [at(0, 0)], planes)).toThrow(/deviations/);
  });
  test('a knife worn to half its height keeps its root', () =>
    expect(massFromHeight(50, 100, 180)).toBeCloseTo(180 * 0.7, 9));
});

/** Knives in rows of four (two opposite pairs) along the rotor. */
const rotorOf = (states: readonly Partial<HungKnife>[]): Rotor => ({
  planes,
  newMass: 180,
  mass: 118,
  rpm: 3100,
  knives: states.map((state, i) => ({
    ...at((i % 4) * UP, 100 + Math.floor(i / 4) * 100),
    mass: 180,
    spent: false,
    oneEdge: false,
    opposite: i % 4 < 2 ? i + 2 : i - 2,
    ...state,
  })),
});
const sound = (n: number): Partial<HungKnife>[] => Array.from({ length: n }, () => ({}));
const lost = { mass: 0, spent: true };

describe('planning the knives', () => {
  test('a rotor of new knives needs nothing', () =>
    expect(planKnives(rotorOf(sound(48)), 'weigh')).toMatchObject({
      renew: [],
      inside: true,
      fewest: true,
    }));
  test('one lost of new ones: by weighing one knife does, by the opposite school its mate comes too', () => {
    const rotor = rotorOf([lost, ...sound(47)]);
    expect(planKnives(rotor, 'weigh')).toMatchObject({
      renew: [0],
      inside: true,
      fewest: true,
      oppositeRule: 2,
    });
    expect(planKnives(rotor, 'opposite').renew).toEqual([0, 2]);
  });
  test('one lost among worn ones: a new one alone is too heavy, so its mate is renewed', () => {
    const worn = { mass: 150, oneEdge: true };
    const plan = planKnives(rotorOf([lost, ...Array.from({ length: 47 }, () => worn)]), 'weigh', {
      swaps: false,
    });
    expect(plan.before.left.size).toBeGreaterThan(plan.perPlane);
    expect(plan).toMatchObject({ inside: true, fewest: true });
    expect(plan.renew).toContain(0);
    expect(plan.renew.length).toBeLessThanOrEqual(2);
    expect(plan.turn).toHaveLength(48 - plan.renew.length);
  });
  const state = fc.record({
    mass: fc.double({ min: 120, max: 180, noNaN: true }),
    spent: fc.boolean(),
    oneEdge: fc.boolean(),
  });
  test('every spent knife is renewed, and never more than the opposite rule when that balances', () => {
    fc.assert(
      fc.property(fc.array(state, { minLength: 8, maxLength: 8 }), (states) => {
        const rotor = rotorOf(states);
        const plan = planKnives(rotor, 'weigh');
        const rule = planKnives(rotor, 'opposite');
        const spentAll = states.every((s, i) => !s.spent || plan.renew.includes(i));
        return (
          spentAll &&
          (!(rule.inside && rule.renew.length === rule.oppositeRule) ||
            (plan.inside && plan.renew.length <= rule.oppositeRule))
        );
      }),
      { numRuns: 60 },
    );
  });
  test('the opposite school always renews in pairs', () => {
    fc.assert(
      fc.property(fc.array(state, { minLength: 8, maxLength: 8 }), (states) => {
        const rotor = rotorOf(states);
        const { renew } = planKnives(rotor, 'opposite');
        return renew.every((i) => renew.includes(rotor.knives[i]!.opposite));
      }),
      { numRuns: 60 },
    );
  });
  test('fewest means fewest: no smaller set of a small rotor is inside', () => {
    fc.assert(
      fc.property(fc.array(state, { minLength: 8, maxLength: 8 }), (states) => {
        const rotor = rotorOf(states);
        const plan = planKnives(rotor, 'weigh', { swaps: false });
        if (!plan.fewest) return true;
        const spent = states.flatMap((s, i) => (s.spent ? [i] : []));
        for (let mask = 0; mask < 256; mask += 1) {
          const set = [...Array(8).keys()].filter((i) => mask & (1 << i));
          if (set.length >= plan.renew.length || !spent.every((i) => set.includes(i))) continue;
          const u = unbalance(
            rotor.knives.map((k, i) => (set.includes(i) ? 0 : k.mass - 180)),
            rotor.knives,
            planes,
          );
          if (Math.max(u.left.size, u.right.size) <= plan.perPlane) return false;
        }
        return true;
      }),
      { numRuns: 60 },
    );
  });
  test('a knife whose opposite is not its opposite is refused', () => {
    expect(() =>
      planKnives(
        {
          ...rotorOf(sound(4)),
          knives: rotorOf(sound(4)).knives.map((k) => ({ ...k, opposite: 1 })),
        },
        'weigh',
      ),
    ).toThrow(/opposite/);
  });
});

describe('swapping used knives', () => {
  const worst = (rotor: Rotor, masses: readonly number[]) => {
    const u = unbalance(
      masses.map((m) => m - 180),
      rotor.knives,
      planes,
    );
    return Math.max(u.left.size, u.right.size);
  };
  const massesAfter = (
    rotor: Rotor,
    renew: readonly number[],
    swap: readonly (readonly [number, number])[],
  ) =>
    swapped(
      rotor.knives.map((k, i) => (renew.includes(i) ? 180 : k.mass)),
      swap,
    );
  const mass = fc.double({ min: 130, max: 180, noNaN: true });
  test('one heavy among light ones is brought opposite another heavy one, and no new knife is spent', () => {
    const rotor = rotorOf([
      { mass: 180 },
      { mass: 180 },
      { mass: 140 },
      { mass: 140 },
      ...Array.from({ length: 4 }, () => ({ mass: 160 })),
    ]);
    const plan = planKnives(rotor, 'weigh');
    expect(plan.before.left.size).toBeGreaterThan(plan.perPlane);
    expect(plan).toMatchObject({ renew: [], inside: true, fewest: true });
    expect(plan.swap.length).toBeGreaterThan(0);
    expect(planKnives(rotor, 'weigh', { swaps: false }).renew.length).toBeGreaterThan(0);
  });
  test('what a plan says holds: inside means inside with its knives hung that way, and none is lost or moved twice', () => {
    fc.assert(
      fc.property(
        fc.array(mass, { minLength: 12, maxLength: 12 }),
        fc.integer({ min: 0, max: 11 }),
        fc.constantFrom('weigh' as const, 'opposite' as const),
        (masses, gone, school) => {
          const rotor = rotorOf(masses.map((m, i) => (i === gone ? lost : { mass: m })));
          const plan = planKnives(rotor, school);
          const hung = massesAfter(rotor, plan.renew, plan.swap);
          const places = plan.swap.flat();
          return (
            plan.inside === worst(rotor, hung) <= plan.perPlane + 1e-6 &&
            plan.renew.includes(gone) &&
            [...hung].sort().join() === massesAfter(rotor, plan.renew, []).sort().join() &&
            (school === 'opposite' || new Set(places).size === places.length)
          );
        },
      ),
      { numRuns: 40 },
    );
  });
  test('with swaps never more new knives than without', () => {
    fc.assert(
      fc.property(fc.array(mass, { minLength: 8, maxLength: 8 }), (masses) => {
        const rotor = rotorOf(masses.map((m) => ({ mass: m })));
        const [withSwaps, without] = [
          planKnives(rotor, 'weigh'),
          planKnives(rotor, 'weigh', { swaps: false }),
        ];
        return (
          !without.inside || (withSwaps.inside && withSwaps.renew.length <= without.renew.length)
        );
      }),
      { numRuns: 40 },
    );
  });
  test('one and two swaps are exact: when none is found no pair of swaps on a small rotor balances', () => {
    fc.assert(
      fc.property(fc.array(mass, { minLength: 8, maxLength: 8 }), (masses) => {
        const rotor = rotorOf(masses.map((m) => ({ mass: m })));
        const { perPlane } = permissibleUnbalance(16, 118, 3100);
        const found = fewestSwaps({ masses, places: rotor.knives, planes, newMass: 180 }, perPlane);
        const pairs = masses.flatMap((_, i) =>
          masses.flatMap((__, j) => (i < j ? [[i, j] as const] : [])),
        );
        const least =
          worst(rotor, masses) <= perPlane
            ? 0
            : pairs.some((a) => worst(rotor, swapped(masses, [a])) <= perPlane)
              ? 1
              : pairs.some((a) =>
                    pairs.some(
                      (b) =>
                        new Set([...a, ...b]).size === 4 &&
                        worst(rotor, swapped(masses, [a, b])) <= perPlane,
                    ),
                  )
                ? 2
                : 3;
        return least === 3 ? found === undefined || found.length > 2 : found?.length === least;
      }),
      { numRuns: 40 },
    );
  });
  test('by the opposite school mates stay opposite', () => {
    const rotor = rotorOf(
      Array.from({ length: 12 }, (_, i) => ({ mass: i % 4 < 2 ? 150 + i : 175 - i })),
    );
    const { swap } = planKnives(rotor, 'opposite');
    const who = swapped(
      rotor.knives.map((_, i) => i),
      swap,
    );
    rotor.knives.forEach((k, i) => expect(rotor.knives[who[i]!]!.opposite).toBe(who[k.opposite]));
  });
});
