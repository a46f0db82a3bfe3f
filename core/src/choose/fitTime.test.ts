import { random } from '../random';
import { roadsOf, type MoveCosts } from '../walk';
import { fitTime, type Offer, type TimeFit } from './index';

const costs: MoveCosts = {
  usual: 5,
  moves: [
    { from: 'down', to: 'raised', minutes: 2 },
    { from: 'raised', to: 'down', minutes: 8 },
  ],
};
const offer = (
  id: string,
  position: string,
  minutes: number,
  value: number,
  must = false,
): Offer => ({ id, position, minutes, value, must });
const chain = offer('chain', 'down', 10, 100);
const belt = offer('belt', 'raised', 10, 90);
const knife = offer('knife', 'raised', 5, 60);
const look = offer('look', 'raised', 2, 0);

describe('the walk that fits the time', () => {
  test('what is worth most in the time, with the moves it needs', () => {
    const fit = fitTime([chain, belt, knife], costs, 16);
    expect(fit).toMatchObject({ taken: ['belt', 'knife'], left: ['chain'], minutes: 15 });
    expect(fit).toMatchObject({ value: 150, leftValue: 100, moving: 0, over: 0, proven: true });
    // one minute more, and a move pays
    expect(fitTime([chain, belt, knife], costs, 17).taken).toEqual(['chain', 'knife']);
    // down first: 2 minutes; raised first would be 8
    expect(fitTime([chain, belt, knife], costs, 27)).toMatchObject({ moving: 2, minutes: 27 });
  });
  test('a move from where it stands counts', () => {
    expect(fitTime([belt], costs, 11, 'down').taken).toEqual([]);
    expect(fitTime([belt], costs, 12, 'down')).toMatchObject({ taken: ['belt'], moving: 2 });
  });
  test('what must be walked is in, however little it is worth; by how much it is over is said', () => {
    const safety = offer('safety', 'up on stands', 30, 0, true);
    expect(fitTime([chain, safety], costs, 20)).toMatchObject({
      taken: ['safety'],
      minutes: 30,
      over: 10,
    });
    expect(fitTime([chain, safety], costs, 45)).toMatchObject({
      taken: ['chain', 'safety'],
      minutes: 45,
      over: 0,
    });
  });
  test('time that is left goes to what is worth nothing, too', () =>
    expect(fitTime([belt, look], costs, 12).taken).toEqual(['belt', 'look']));
  test('fractions of a minute are never rounded in our favour', () => {
    const third = offer('third', 'down', 10 / 3, 1);
    expect(fitTime([third], costs, 3.3).taken).toEqual([]);
    expect(fitTime([third], costs, 3.4).taken).toEqual(['third']);
  });
  test('no time, nothing; all the time, everything', () => {
    expect(fitTime([chain, belt], costs, 0).taken).toEqual([]);
    expect(fitTime([chain, belt], costs, 720).left).toEqual([]);
    expect(fitTime([], costs, 90)).toMatchObject({ taken: [], minutes: 0, proven: true });
  });
  test('nonsense is named', () => {
    expect(() => fitTime([chain], costs, -1)).toThrow(/minutes/);
    expect(() => fitTime([chain], costs, Number.NaN)).toThrow(/minutes/);
    expect(() => fitTime([chain, chain], costs, 9)).toThrow(/offers/);
    expect(() => fitTime([{ ...chain, value: -1 }], costs, 9)).toThrow(/offers.0.value/);
    expect(() => fitTime([{ ...chain, minutes: Infinity }], costs, 9)).toThrow(/offers.0.minutes/);
  });
});

const POSITIONS = ['down', 'raised', 'level', 'doors open'];
function seededCase(seed: number) {
  const dice = random(seed);
  const upTo = (n: number) => Math.floor(dice.next() * n);
  const offers = Array.from({ length: 1 + upTo(8) }, (_, i) =>
    offer(
      `c${i}`,
      POSITIONS[upTo(4)] ?? 'down',
      upTo(4) ? 1 + upTo(20) : (1 + upTo(40)) / 2,
      upTo(6) ? upTo(300) : 0,
      upTo(6) === 0,
    ),
  );
  const moves = POSITIONS.flatMap((from) =>
    POSITIONS.filter((to) => to !== from && upTo(2)).map((to) => ({ from, to, minutes: upTo(15) })),
  );
  return {
    offers,
    costs: { usual: upTo(12), moves },
    minutes: upTo(80),
    start: upTo(2) ? POSITIONS[upTo(4)] : undefined,
  };
}
type Case = ReturnType<typeof seededCase>;

const permutations = <T>(list: readonly T[]): T[][] =>
  list.length <= 1
    ? [[...list]]
    : list.flatMap((x, i) =>
        permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [x, ...rest]),
      );

/** Minutes of moving for some checks, by trying every order of their positions. */
function movingFor(offers: readonly Offer[], { costs: table, start }: Case): number {
  const wanted = [...new Set(offers.map((o) => o.position))];
  const { price } = roadsOf(table, [...(start ? [start] : []), ...wanted]);
  const lengths = permutations(wanted).map(
    (order) =>
      order.reduce<[number, string | undefined]>(
        ([sum, at], to) => [sum + price(at, to), to],
        [0, start],
      )[0],
  );
  return Math.min(...lengths);
}
const total = (offers: readonly Offer[], what: 'minutes' | 'value') =>
  offers.reduce((sum, o) => sum + o[what], 0);
const fits = (offers: readonly Offer[], given: Case) =>
  total(offers, 'minutes') + movingFor(offers, given) <= given.minutes + 1e-9;

/** The most worth of all choices that hold what must be walked and fit; that alone where none fits. */
function byTryingAll(given: Case): number {
  const { offers } = given;
  let best = total(
    offers.filter((o) => o.must),
    'value',
  );
  for (let set = 0; set < 1 << offers.length; set += 1) {
    const chosen = offers.filter((o, i) => o.must === true || set & (1 << i));
    const value = total(chosen, 'value');
    if (value > best && fits(chosen, given)) best = value;
  }
  return best;
}

const told = ({ taken }: TimeFit, { offers }: Case) => offers.filter((o) => taken.includes(o.id));

test('300 small cases: as good as trying all, what is said of it is true, and it fits', () => {
  for (let seed = 1; seed <= 300; seed += 1) {
    const given = seededCase(seed);
    const fit = fitTime(given.offers, given.costs, given.minutes, given.start);
    const taken = told(fit, given);
    expect([seed, fit.value]).toEqual([seed, byTryingAll(given)]);
    expect([seed, fit.moving]).toEqual([seed, movingFor(taken, given)]);
    expect(fit.minutes).toBeCloseTo(total(taken, 'minutes') + fit.moving, 9);
    expect(fit.over > 0).toBe(!fits(taken, given));
    if (fit.over > 0) expect(taken.every((o) => o.must)).toBe(true);
    expect(given.offers.filter((o) => o.must && !fit.taken.includes(o.id))).toEqual([]);
    expect([...fit.taken, ...fit.left].sort()).toEqual(given.offers.map((o) => o.id).sort());
  }
});

/** The worth of taking what must be and then what is worth most a minute, as long as it fits. */
function bestAMinute(offers: readonly Offer[], table: MoveCosts, minutes: number): number {
  const chosen = offers.filter((o) => o.must);
  const moves = (list: readonly Offer[]) =>
    table.usual * Math.max(0, new Set(list.map((o) => o.position)).size - 1);
  for (const o of [...offers].sort((a, b) => b.value / b.minutes - a.value / a.minutes)) {
    const more = [...chosen, o];
    if (!o.must && total(more, 'minutes') + moves(more) <= minutes) chosen.push(o);
  }
  return total(chosen, 'value');
}

test('a whole machine, twelve positions: never worse than taking the best a minute', () => {
  for (const seed of [1, 2, 3]) {
    const dice = random(seed);
    const positions = Array.from({ length: 12 }, (_, i) => `p${i}`);
    const offers = Array.from({ length: 60 }, (_, i) =>
      offer(`c${i}`, positions[i % 12] ?? '', 1 + Math.floor(dice.next() * 20), dice.next() * 500),
    );
    const table: MoveCosts = { usual: 6, moves: [] };
    const fit = fitTime(offers, table, 90);
    expect(fit.minutes).toBeLessThanOrEqual(90);
    expect(fit.proven).toBe(true);
    expect(fit.value).toBeGreaterThan(bestAMinute(offers, table, 90));
  }
});

test('with more positions than are tried in every way it is still no worse than the best a minute', () => {
  for (const seed of [4, 5, 6]) {
    const dice = random(seed);
    const offers = Array.from({ length: 150 }, (_, i) =>
      offer(
        `c${i}`,
        `p${i % 22}`,
        1 + Math.floor(dice.next() * 12),
        dice.next() * 300,
        i % 29 === 0,
      ),
    );
    const table: MoveCosts = { usual: 4, moves: [{ from: 'p0', to: 'p1', minutes: 1 }] };
    const fit = fitTime(offers, table, 120);
    expect(fit.proven).toBe(false);
    expect(fit.minutes).toBeLessThanOrEqual(120);
    expect(fit.value).toBeGreaterThan(bestAMinute(offers, table, 120));
  }
});

test('sixteen positions for all and no moves to pay: as good as the plain best load', () => {
  const offers = Array.from({ length: 20 }, (_, i) => offer(`c${i}`, `p${i}`, 5, i));
  const fit = fitTime(offers, { usual: 0, moves: [] }, 50);
  expect([...fit.left].sort()).toEqual(
    offers
      .slice(0, 10)
      .map((o) => o.id)
      .sort(),
  );
});
