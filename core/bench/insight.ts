import { groupedWear, ratesByMachine, type InsightMember, type SeenRate } from '../src/insight';
import { random, type Random } from '../src/random';

/** How well groups of machines are told apart, over simulated fleets. Shares 0 to 1. */
export interface Insight {
  readonly fleets: number;
  /** share of true group rates inside their ranges, which promise 0.9 */
  readonly coverage: number;
  /** mean squared error against that of each group's plain mean */
  readonly error: number;
  /** of groups that do not differ at all: share told to stand out */
  readonly falseAlarms: number;
  /** of groups whose true rate lies more than half off the mean: share told to stand out */
  readonly found: number;
}

interface Fleet {
  readonly rates: readonly SeenRate[];
  /** of each group: its true rate, and the plain mean of what was seen */
  readonly truth: ReadonlyMap<string, { readonly rate: number; readonly plain: number }>;
  readonly mean: number;
}

/**
 * Simulates fleets whose groups differ by none to half of the mean, with three to thirty machines a group
 * and one to four lives a machine, and counts how the ranges hold.
 * @param seed the same seed gives the same figures
 */
export function insightAccuracy(seed: number, fleets: number): Insight {
  const dice = random(seed);
  let [groups, inside, ours, plain] = [0, 0, 0, 0];
  const alarms = { alike: 0, told: 0, far: 0, found: 0 };
  for (let i = 0; i < fleets; i += 1) {
    const differ = ((i % 6) / 10) * 0.001;
    const fleet = fleetOf(dice, differ);
    const grouped = groupedWear(
      ratesByMachine(fleet.rates),
      (machine) => machine.split(' ')[0] ?? '',
    );
    grouped.groups.forEach((name, k) => {
      const truth = fleet.truth.get(name);
      if (!truth) return;
      const { value, low, high, apart } = grouped.group(k);
      const told = grouped.maybeApart(k) && (apart.low > 0 || apart.high < 0);
      groups += 1;
      if (low <= truth.rate && truth.rate <= high) inside += 1;
      ours += (value - truth.rate) ** 2;
      plain += (truth.plain - truth.rate) ** 2;
      if (differ === 0) {
        alarms.alike += 1;
        if (told) alarms.told += 1;
      }
      if (Math.abs(truth.rate - fleet.mean) > 0.5 * fleet.mean) {
        alarms.far += 1;
        if (told) alarms.found += 1;
      }
    });
  }
  return {
    ...{ fleets, coverage: inside / groups, error: ours / plain },
    falseAlarms: alarms.told / Math.max(alarms.alike, 1),
    found: alarms.found / Math.max(alarms.far, 1),
  };
}

const MEAN = 0.001;
const NOISES = [0.00005, 0.0001, 0.0003] as const;

function fleetOf(dice: Random, differ: number): Fleet {
  const rates: SeenRate[] = [];
  const truth = new Map<string, { rate: number; plain: number }>();
  for (let g = 0; g < 6; g += 1) {
    const rate = Math.max(MEAN / 20, MEAN + differ * dice.normal());
    const seen: number[] = [];
    const machines = 3 + Math.floor(dice.next() ** 3 * 28);
    for (let m = 0; m < machines; m += 1) {
      const machine = rate + 0.2 * MEAN * dice.normal();
      const lives = 1 + Math.floor(dice.next() * 4);
      for (let l = 0; l < lives; l += 1) {
        const se = NOISES[Math.floor(dice.next() * NOISES.length)] ?? NOISES[0];
        const slope = machine + 0.15 * MEAN * dice.normal() + se * dice.normal();
        seen.push(slope);
        rates.push({ machine: `g${g} m${m}`, slope, se });
      }
    }
    truth.set(`g${g}`, { rate, plain: seen.reduce((a, b) => a + b, 0) / seen.length });
  }
  const all = [...truth.values()].map((t) => t.rate);
  return { rates, truth, mean: all.reduce((a, b) => a + b, 0) / all.length };
}

/** What each of so many machines has taught, with a hundred and twenty component classes. */
export function taughtMachines(n: number, dice: Random): InsightMember[] {
  return Array.from({ length: n }, (_, i): InsightMember => {
    const place = (c: number) => ({ key: `class-${c}`, checkId: `check-${c}`, place: 'here' });
    return {
      machine: {
        ...{ id: `m${i}`, serial: `M${i}`, model: `model ${i % 8}`, crop: `crop ${i % 5}` },
        ...{ customer: `customer ${Math.floor(i / 3)}`, branch: `branch ${i % 4}`, hours: 1800 },
      },
      slopes: Array.from({ length: 120 }, (_unused, c) => ({
        ...place(c),
        slope: 0.001 * (1 + 0.25 * dice.normal()),
        se: 0.00005 + 0.0002 * dice.next(),
      })),
      parts: Array.from({ length: 40 }, (_unused, c) => ({
        ...{ ...place(c), from: 200, to: dice.next() < 0.5 ? 700 + 300 * dice.next() : null },
        worn: 0.8,
      })),
      hands: {},
      ...{ jobs: [{ kind: `class-${i % 120} replace`, ratio: 1.1 }], stops: [], forecasts: [] },
      walks: [{ id: `w${i}`, kind: 'winter', day: '2026-01-10', minutes: 90, read: 120, found: 9 }],
    };
  });
}
