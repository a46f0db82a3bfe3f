import {
  massFromHeight,
  permissibleUnbalance,
  unbalance,
  type HungKnife,
  type KnifePlan,
  type Rotor,
} from '../knives';
import { InputError } from '../units';
import type { BenchPlan } from './byPlan';
import {
  givenOf,
  whereGiven,
  type Bench,
  type BenchField,
  type BenchOutcome,
  type BenchResult,
  type BenchTexts,
  type Given,
} from './bench';
import { count, millimetres, plain, rpm } from './fields';
import { amount, n, named } from './numbers';

/** What may be said of a knife, by the sign it is kept under. */
export const KNIFE_STATES = {
  '.': { title: 'Sound', spent: false },
  m: { title: 'Missing', spent: true },
  d: { title: 'Bent or cracked', spent: true },
  '1': { title: 'Worn on one edge', spent: false },
  '2': { title: 'Worn on both edges', spent: true },
  n: { title: 'Renewed', spent: false },
} as const;
export type KnifeState = keyof typeof KNIFE_STATES;
const isState = (sign: string): sign is KnifeState => Object.hasOwn(KNIFE_STATES, sign);

/** No rotor has more. */
const MOST_KNIVES = 240;

const fields = {
  rows: count('Rows of hangers', 'rows', '4', { low: 2, high: 12, step: 2 }),
  along: count('Places along', 'places', '12', { high: 40 }),
  newMass: plain('g', 'A new knife weighs', 'm₀', '180', { low: 10, high: 5000, step: 5 }),
  newHeight: millimetres('A new knife is high', 'h₀', '60', { high: 500 }),
  leftHeight: millimetres('Height left of worn ones', 'h', '52', { low: 0, high: 500 }),
  radius: millimetres('Knives hang at a radius of', 'r', '260', { low: 20, high: 2000 }),
  first: millimetres('First place from the left bearing', 'z₁', '120', { low: -2000, high: 5000 }),
  spacing: millimetres('From place to place', 'Δz', '105', { high: 1000 }),
  bearings: millimetres('Between the bearings', 'b', '1400', { low: 50, high: 5000 }),
  mass: plain('kg', 'The rotor weighs', 'M', '118', { low: 1, high: 5000, step: 1 }),
  rpm: rpm('It turns at', 'n', '3100', { low: 100, step: 50 }),
  grade: plain('mm/s', 'Balance grade', 'G', '16', {
    ...{ low: 1, high: 100, step: 1, rule: true },
    hint: 'G 16 is usual for farm rotors',
  }),
  set: count('Sold in sets of', 'set', '4', { high: 48 }),
} satisfies Record<string, BenchField>;

type F = keyof typeof fields;

/** How many knives hang, as rows and places along. @throws InputError where mates cannot hang opposite */
function sizeOf({ need }: Pick<Given<F>, 'need'>): { rows: number; along: number } {
  const [rows, along] = [need('rows'), need('along')];
  if (rows % 2)
    throw new InputError('rows', rows, 'an even number of rows: each has its mate opposite');
  if (rows * along > MOST_KNIVES)
    throw new InputError('along', along, `at most ${Math.floor(MOST_KNIVES / rows)} places`);
  return { rows, along };
}

/** The state of every place, row by row; what nobody said is sound. */
export function statesOf(text: string, count: number): KnifeState[] {
  return Array.from({ length: count }, (_, i) => {
    const sign = text[i] ?? '.';
    return isState(sign) ? sign : '.';
  });
}

/** What was weighed, g by place. Kept as "5:172.5,17:160". */
export function weightsOf(text: string): ReadonlyMap<number, number> {
  return new Map(
    text.split(',').flatMap((pair) => {
      const [place, grams] = pair.split(':');
      const [i, g] = [Number(place), Number(grams)];
      return pair && Number.isInteger(i) && i >= 0 && g >= 0 && g <= 10_000 ? [[i, g]] : [];
    }),
  );
}

/** Weights as they are kept. */
export const weightsText = (weights: ReadonlyMap<number, number>): string =>
  [...weights].map(([i, g]) => `${i}:${n(g, 1)}`).join(',');

/** Whether anything is said of any knife. */
export const saysSomething = (states: string, weights: string): boolean =>
  /[^.]/.test(states) || weights !== '';

/** The rotor that stands on the bench. @throws InputError naming the field */
export function rotorOf(given: Given<F>): Rotor {
  const { need } = given;
  const { rows, along } = sizeOf(given);
  const newMass = need('newMass');
  // asked for only where something is worn that was not weighed
  const worn = () =>
    named(() => massFromHeight(need('leftHeight'), need('newHeight'), newMass), {
      height: 'leftHeight',
    });
  const states = statesOf(given.text('states'), rows * along);
  const weights = weightsOf(given.text('weights'));
  const knives = states.map((state, i): HungKnife => {
    const [row, place] = [Math.floor(i / along), i % along];
    const byState = () => (state === '1' || state === '2' ? worn() : newMass);
    return {
      radius: need('radius'),
      angle: (2 * Math.PI * row) / rows,
      axial: need('first') + place * need('spacing'),
      mass: state === 'm' ? 0 : (weights.get(i) ?? byState()),
      spent: KNIFE_STATES[state].spent,
      oneEdge: state === '1',
      opposite: ((row + rows / 2) % rows) * along + place,
    };
  });
  return {
    knives,
    planes: { a: 0, b: need('bearings') },
    newMass,
    mass: need('mass'),
    rpm: need('rpm'),
    grade: need('grade'),
  };
}

/** Where a place is, in words. @example placeWords(17, 12) // "row 2, place 6" */
export const placeWords = (i: number, along: number): string =>
  `row ${Math.floor(i / along) + 1}, place ${(i % along) + 1}`;

const against = (
  size: number,
  perPlane: number,
  said: boolean,
): Pick<BenchResult, 'says' | 'tone'> =>
  !said
    ? { says: 'as if all were new: nothing is said of any knife yet', tone: 'doubt' }
    : size <= perPlane
      ? { says: 'inside what is permitted', tone: 'good' }
      : { says: `${n(size / perPlane, size < 10 * perPlane ? 1 : 0)} times too much`, tone: 'bad' };

/** Rotating knives: what hangs where, and the unbalance of it. */
export const KNIFE_BENCH: Bench<F> = {
  id: 'knives',
  title: 'Knife balance',
  about: 'The rotor unrolled: what is missing or worn, how it shakes, the fewest new knives.',
  fields,
  extras: { states: MOST_KNIVES, weights: 2000 },
  sections: [
    {
      id: 'balance',
      short: 'Balance',
      title: 'The rotor unrolled',
      about: 'Tap a knife and say how it is. Sound ones count as new unless they are weighed.',
      fields: Object.keys(fields) as F[],
      work: (given) => {
        const rotor = rotorOf(given);
        const deviations = rotor.knives.map((k) => k.mass - rotor.newMass);
        const names = { b: 'bearings' };
        const { left, right } = named(
          () => unbalance(deviations, rotor.knives, rotor.planes),
          names,
        );
        const grade = rotor.grade ?? 16;
        const { perPlane } = permissibleUnbalance(grade, rotor.mass, rotor.rpm);
        const other = deviations.filter((d) => d !== 0).length;
        const said = saysSomething(given.text('states'), given.text('weights'));
        const plane = (label: string, size: number, share: string) =>
          amount(label, size, 'g·mm', {
            ...{ decimals: 0, formula: `|Σ Δm·r·e^(iθ)·${share}|` },
            numbers: `${other} of ${rotor.knives.length} knives differ from a new one`,
            ...against(size, perPlane, said),
          });
        return [
          plane('Left bearing', left.size, '(b − z)/b'),
          plane('Right bearing', right.size, 'z/b'),
          amount('Permitted at each', perPlane, 'g·mm', {
            ...{ decimals: 0, formula: '9549·G·M / n / 2 (ISO 21940-11)' },
            numbers: `9549 · ${n(grade)} · ${n(rotor.mass)} / ${n(rotor.rpm)} / 2`,
          }),
        ];
      },
    },
  ],
};

/** The rotor of what was typed; undefined while something is missing or wrong. */
export const rotorOnBench = (texts: BenchTexts, outcome: BenchOutcome): Rotor | undefined =>
  whereGiven(() => rotorOf(givenOf(texts, outcome)));

/** How the knives hang and what is said of each; undefined while nobody has said how many there are. */
export const hangingOnBench = (
  texts: BenchTexts,
  outcome: BenchOutcome,
): { readonly along: number; readonly states: readonly KnifeState[] } | undefined =>
  whereGiven(() => {
    const { rows, along } = sizeOf(givenOf(texts, outcome));
    return { along, states: statesOf(texts['states'] ?? '', rows * along) };
  });

/** A plan in words: what is renewed, what is moved, what to order. */
export function planWords(plan: KnifePlan, set: number): { head: string; text: string } {
  const { renew, swap, turn, inside, fewest, oppositeRule } = plan;
  const many = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`;
  const order = Math.ceil(renew.length / set) * set;
  const head = renew.length
    ? `${many(renew.length, 'new knife', 'new knives')}${swap.length ? `, ${many(swap.length, 'swap', 'swaps')}` : ''}`
    : swap.length
      ? many(swap.length, 'swap', 'swaps')
      : inside
        ? 'Nothing to renew'
        : 'No plan brings it inside';
  const parts = [
    renew.length
      ? `Order ${many(order / set, 'set', 'sets')} of ${set}${order > renew.length ? ` (${order - renew.length} left for stock)` : ''}.`
      : '',
    turn.length ? `${many(turn.length, 'knife is', 'knives are')} turned to the other edge.` : '',
    inside
      ? 'Both bearings are inside what is permitted.'
      : 'It stays outside what is permitted: renew the whole set, or weigh each knife.',
    renew.length && renew.length < oppositeRule
      ? `Renewing each with its mate would take ${oppositeRule}.`
      : '',
    renew.length && fewest ? 'Proven fewest.' : '',
  ];
  return { head, text: parts.filter(Boolean).join(' ') };
}

/** A plan's moves, one after the other, in words. */
export const planMoves = (
  { renew, swap, turn }: Pick<KnifePlan, 'renew' | 'swap' | 'turn'>,
  along: number,
): string[] => [
  ...renew.map((i) => `New knife in ${placeWords(i, along)}`),
  ...swap.map(([a, b]) => `Swap ${placeWords(a, along)} with ${placeWords(b, along)}`),
  ...turn.map((i) => `Turn the one in ${placeWords(i, along)} to its other edge`),
];

/** A plan as work; undefined where it asks for nothing, or does not bring the rotor inside. */
export function knifeWork(plan: KnifePlan, along: number): BenchPlan | undefined {
  const moves = planMoves(plan, along);
  if (!plan.inside || !moves.length) return undefined;
  const { length } = plan.renew;
  return length ? { decision: 'replace', moves, fits: length } : { decision: 'turn', moves };
}

/** What was tapped, as the check counts it: each knife once, under the worst that is wrong with it. */
export function countsOf(states: readonly KnifeState[]) {
  const of = (sign: KnifeState) => states.filter((s) => s === sign).length;
  return { missing: of('m'), damaged: of('d'), oneEdge: of('1'), bothEdges: of('2') };
}
