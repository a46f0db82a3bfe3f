import { random } from '../random';
import { roadsOf } from '../walk';
import { MOST_FOR_ALL, waysThrough } from './waysThrough';

/** More positions than every way is tried for, with moves as a sheet has them: some dear, some cheap. */
const MANY = MOST_FOR_ALL + 3;

function roads(seed: number) {
  const roll = random(seed);
  const names = Array.from({ length: MANY }, (_, i) => `position ${i}`);
  const moves = names.flatMap((from) =>
    names.flatMap((to) =>
      from !== to && roll.next() < 0.5
        ? [{ from, to, minutes: Math.round(1 + 11 * roll.next()) }]
        : [],
    ),
  );
  return { names, roll, price: roadsOf({ usual: 6, moves }, names).price };
}

test('with very many positions the way found is never shorter than the shortest, and hardly longer', () => {
  let gap = 0;
  let worst = 0;
  let count = 0;
  for (let seed = 1; seed <= 40; seed += 1) {
    const { names, roll, price } = roads(seed);
    const start = roll.next() < 0.5 ? names[0] : undefined;
    const found = waysThrough(names, price, start);
    for (let i = 0; i < 5; i += 1) {
      const chosen = names.map((_, at) => at).filter(() => roll.next() < 0.5);
      const some = chosen.slice(0, MOST_FOR_ALL - 4);
      if (some.length < 2) continue;
      const set = some.reduce((bits, at) => bits | (1 << at), 0);
      const shortest = waysThrough(
        some.map((at) => names[at] ?? ''),
        price,
        start,
      )((1 << some.length) - 1);
      const way = found(set);
      expect(way).toBeGreaterThanOrEqual(shortest - 1e-9);
      const longer = shortest ? way / shortest - 1 : 0;
      gap += longer;
      worst = Math.max(worst, longer);
      count += 1;
    }
  }
  expect(count).toBeGreaterThan(150);
  expect(gap / count).toBeLessThan(0.04);
  expect(worst).toBeLessThan(0.25);
});
