import fc from 'fast-check';
import { leastMovingOrder, type MoveCosts, type OrderedCheck } from './index';

const costs: MoveCosts = {
  usual: 3,
  moves: [
    { from: 'down', to: 'raised', minutes: 2 },
    { from: 'raised', to: 'down', minutes: 5 },
  ],
};
const check = (id: string, station: number, position: string): OrderedCheck => ({
  id,
  station,
  position,
});
const checks = [
  check('a', 1, 'down'),
  check('b', 1, 'raised'),
  check('c', 2, 'down'),
  check('d', 2, 'raised'),
  check('e', 3, 'down'),
];

test('with one station of straying, what needs the header down is done before it is raised', () => {
  const { order, minutes, saved, moves, stationOrderMoves } = leastMovingOrder(
    checks,
    costs,
    1,
    'down',
  );
  expect(order.map((c) => c.id).join('')).toBe('acbde');
  expect([minutes, saved]).toEqual([7, 7]);
  expect([moves, stationOrderMoves]).toEqual([2, 4]);
});
test('without straying the stations stay in order', () => {
  const { order } = leastMovingOrder(checks, costs, 0, 'down');
  expect(order.map((c) => c.station)).toEqual([1, 1, 2, 2, 3]);
});
test('far straying goes once through each position', () =>
  expect(leastMovingOrder(checks, costs, 9, 'down').moves).toBe(1));

const some = fc
  .array(
    fc.record({
      station: fc.integer({ min: 1, max: 4 }),
      position: fc.constantFrom('down', 'raised', 'level'),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((list) => list.map((c, i) => check(`c${i}`, c.station, c.position)));
const permutations = <T>(list: readonly T[]): T[][] =>
  list.length <= 1
    ? [[...list]]
    : list.flatMap((x, i) =>
        permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [x, ...rest]),
      );
const allowed = (order: readonly OrderedCheck[], stray: number) =>
  order.every((c, i) => order.slice(i + 1).every((later) => later.station >= c.station - stray));
const price = (order: readonly OrderedCheck[]) =>
  order.reduce<[number, string]>(
    ([sum, at], c) => [
      sum +
        (at === c.position
          ? 0
          : (costs.moves.find((m) => m.from === at && m.to === c.position)?.minutes ??
            costs.usual)),
      c.position,
    ],
    [0, 'down'],
  )[0];

test('every check once, never straying further than allowed, never dearer than station order', () => {
  fc.assert(
    fc.property(some, fc.integer({ min: 0, max: 3 }), (list, stray) => {
      const { order, minutes, stationOrderMinutes } = leastMovingOrder(list, costs, stray, 'down');
      return (
        new Set(order).size === list.length &&
        order.length === list.length &&
        allowed(order, stray) &&
        minutes <= stationOrderMinutes &&
        Math.abs(price(order) - minutes) < 1e-9
      );
    }),
  );
});
test('no order of the same checks is cheaper', () => {
  fc.assert(
    fc.property(some, fc.integer({ min: 0, max: 2 }), (list, stray) => {
      const best = Math.min(
        ...permutations(list)
          .filter((o) => allowed(o, stray))
          .map(price),
      );
      return Math.abs(leastMovingOrder(list, costs, stray, 'down').minutes - best) < 1e-9;
    }),
    { numRuns: 60 },
  );
});
test('120 checks of 14 stations in 8 positions are ordered', () => {
  const many = Array.from({ length: 120 }, (_, i) =>
    check(`m${i}`, 1 + (i % 14), `p${(i * 7 + Math.floor(i / 14)) % 8}`),
  );
  const { order, saved } = leastMovingOrder(many, { usual: 4, moves: [] }, 2, 'p0');
  expect(order).toHaveLength(120);
  expect(saved).toBeGreaterThan(0);
});
test('two checks of one id are refused', () =>
  expect(() => leastMovingOrder([checks[0]!, checks[0]!], costs, 0)).toThrow(/checks/));

describe('a table of moves', () => {
  test('that prices a move dearer than a way through another position is closed first', () => {
    const table: MoveCosts = {
      usual: 9,
      moves: [
        { from: 'down', to: 'raised', minutes: 9 },
        { from: 'down', to: 'level', minutes: 2 },
        { from: 'level', to: 'raised', minutes: 3 },
      ],
    };
    const { minutes, steps } = leastMovingOrder(
      [check('a', 1, 'down'), check('b', 2, 'raised')],
      table,
      0,
      'down',
    );
    expect(minutes).toBe(5);
    expect(steps).toEqual([{ from: 'down', to: 'raised', via: ['level'], minutes: 5 }]);
  });
  test('any table: no order of a station is cheaper, ways round counted', () => {
    const places = ['down', 'raised', 'level', 'slow'];
    const anyTable = fc.array(
      fc.record({
        from: fc.constantFrom(...places),
        to: fc.constantFrom(...places),
        minutes: fc.integer({ min: 0, max: 20 }),
      }),
      { maxLength: 10 },
    );
    const anyChecks = fc
      .uniqueArray(fc.constantFrom(...places), { minLength: 2, maxLength: 4 })
      .map((list) => list.map((p, i) => check(`c${i}`, 1, p)));
    fc.assert(
      fc.property(anyTable, anyChecks, (moves, list) => {
        const found = leastMovingOrder(list, { usual: 7, moves }, 0, 'down');
        expect(found.proven).toBe(true);
        for (const order of permutations(list)) {
          const other = leastMovingOrder(
            order.map((c, i) => ({ ...c, station: i + 1 })),
            { usual: 7, moves },
            0,
            'down',
          );
          expect(found.minutes).toBeLessThanOrEqual(other.minutes + 1e-9);
        }
      }),
    );
  });
  test('sixteen positions get a good order, and it is said whether it is proven', () => {
    const list = Array.from({ length: 128 }, (_, i) =>
      check(`c${i}`, 1 + (i % 2), `p${(i * 7) % 16}`),
    );
    const moves = Array.from({ length: 256 }, (_, i) => ({
      from: `p${i % 16}`,
      to: `p${Math.floor(i / 16)}`,
      minutes: 1 + ((i * 13) % 9),
    }));
    const { proven, minutes, stationOrderMinutes, order } = leastMovingOrder(
      list,
      { usual: 6, moves },
      0,
    );
    expect(new Set(order.map((c) => c.id)).size).toBe(128);
    expect(minutes).toBeLessThan(stationOrderMinutes / 4);
    expect(typeof proven).toBe('boolean');
  });
});
