import {
  chanceReached,
  fleetSlope,
  priorFromFleet,
  slopeOf,
  wearAt,
  wearPosterior,
  type WearPoint,
} from '../src/forecast';
import { random, type Random } from '../src/random';

/**
 * A component class: how fast its members wear, and how unlike they are. Wear fraction per hour.
 */
interface WearClass {
  readonly name: string;
  readonly mu: number;
  readonly tau: number;
  /** standard deviation of one reading of the wear fraction */
  readonly sigma: number;
}

const CLASSES: readonly WearClass[] = [
  { name: 'fan belts', mu: 0.0016, tau: 0.0004, sigma: 0.035 },
  { name: 'gathering chains', mu: 0.0014, tau: 0.0003, sigma: 0.045 },
  { name: 'conveyor chains', mu: 0.0009, tau: 0.0002, sigma: 0.05 },
  { name: 'rasp bars', mu: 0.0006, tau: 0.0002, sigma: 0.04 },
  { name: 'knives', mu: 0.0035, tau: 0.0009, sigma: 0.06 },
];
const PRIOR_A = { a0: 0.02, sa: 0.03 };
/** Two-sided standard normal deviates of the intervals. */
const INTERVALS = [
  [50, 0.67449],
  [80, 1.28155],
  [90, 1.64485],
] as const;

/** How well a simulated fleet is forecast. Shares 0 to 1. */
export interface Calibration {
  readonly components: number;
  /** share of true wear inside the 50, 80, 90 % intervals */
  readonly coverage: Readonly<Record<number, number>>;
  /**
   * Brier scores of "limit reached by harvest's end": ours, everybody at the base rate, plain least
   * squares
   */
  readonly brier: {
    readonly ours: number;
    readonly baseRate: number;
    readonly leastSquares: number;
  };
}

/**
 * Simulates fleets of each class, learns the fleet prior from one part, forecasts the other a
 * season ahead and counts.
 * @param seed the same seed gives the same figures
 * @param each components forecast per class
 */
export function calibrate(seed: number, each: number): Calibration {
  const dice = random(seed);
  let components = 0;
  const inside: Record<number, number> = { 50: 0, 80: 0, 90: 0 };
  const outcomes: { chance: number; straight: number; reached: number }[] = [];
  for (const kind of CLASSES) {
    const fleet = fleetSlope(
      Array.from({ length: 80 }, () => slopeOf([...member(kind, dice).points])),
    );
    const prior = priorFromFleet(fleet, PRIOR_A.a0, PRIOR_A.sa);
    for (let i = 0; i < each; i += 1) {
      const { points, wear, until } = member(kind, dice);
      const posterior = wearPosterior(prior, points);
      const { mean, sd } = wearAt(posterior, until);
      const truth = wear(until);
      for (const [percent, z] of INTERVALS)
        if (Math.abs(truth - mean) <= z * sd) inside[percent] = (inside[percent] ?? 0) + 1;
      const { slope } = slopeOf(points);
      const last = points.at(-1);
      outcomes.push({
        chance: chanceReached(posterior, until),
        straight: last && last.y + slope * (until - last.hours) >= 1 ? 1 : 0,
        reached: truth >= 1 ? 1 : 0,
      });
      components += 1;
    }
  }
  const rate = mean(outcomes.map((o) => o.reached));
  return {
    components,
    coverage: Object.fromEntries(
      INTERVALS.map(([percent]) => [percent, (inside[percent] ?? 0) / components]),
    ),
    brier: {
      ours: mean(outcomes.map((o) => (o.chance - o.reached) ** 2)),
      baseRate: mean(outcomes.map((o) => (rate - o.reached) ** 2)),
      leastSquares: mean(outcomes.map((o) => (o.straight - o.reached) ** 2)),
    },
  };
}

/**
 * One component as walks would see it: two to six readings, a season of 60 to 140 h apart, and the
 * season ahead.
 */
function member(
  kind: WearClass,
  dice: Random,
): { points: WearPoint[]; wear: (hours: number) => number; until: number } {
  const alpha = PRIOR_A.a0 + PRIOR_A.sa * dice.normal();
  const beta = Math.max(0, kind.mu + kind.tau * dice.normal());
  const wear = (hours: number) => alpha + beta * hours;
  const season = 60 + 80 * dice.next();
  const readings = 2 + Math.floor(5 * dice.next());
  const first = (dice.next() * 0.35) / kind.mu;
  const points = Array.from({ length: readings }, (_, i) => {
    const hours = first + (i * season) / 2;
    return { hours, y: wear(hours) + kind.sigma * dice.normal(), sigma: kind.sigma };
  });
  return { points, wear, until: (points.at(-1)?.hours ?? 0) + season };
}

const mean = (numbers: readonly number[]): number =>
  numbers.reduce((a, b) => a + b, 0) / Math.max(1, numbers.length);
