import { finite, InputError, positive, zeroOrMore } from '../units';
import type { WearPrior } from './posterior';

/** A wear slope seen on one component, with its standard error; per hour. */
export interface SeenSlope {
  readonly slope: number;
  readonly se: number;
}

/**
 * What a fleet says of a component class: mean slope, spread between components, and the
 * heterogeneity it came from.
 */
export interface FleetSlope {
  readonly mu: number;
  /** spread between components, standard deviation */
  readonly tau: number;
  readonly q: number;
  /** standard error of `mu` */
  readonly se: number;
}

/**
 * Pools slopes of a component class over a fleet: DerSimonian–Laird random effects.
 * @param slopes at least one
 * @see DerSimonian and Laird, Meta-analysis in clinical trials, 1986
 * @example slopes .0010 .0014 .0011 .0019 .0012 with se .0002 .0002 .0003 .0003 .00015: Q 7.1746, τ .00019113, μ .00128054
 */
export function fleetSlope(slopes: readonly SeenSlope[]): FleetSlope {
  if (slopes.length === 0) throw new InputError('slopes', 0, 'at least one slope');
  slopes.forEach((s, i) => {
    finite(`slopes.${i}.slope`, s.slope);
    positive(`slopes.${i}.se`, s.se);
  });
  const weights = slopes.map((s) => 1 / s.se ** 2);
  const total = sum(weights);
  const fixed = sum(slopes.map((s, i) => s.slope * (weights[i] ?? 0))) / total;
  const q = sum(slopes.map((s, i) => (weights[i] ?? 0) * (s.slope - fixed) ** 2));
  const spare = total - sum(weights.map((w) => w * w)) / total;
  const tau2 = slopes.length > 1 && spare > 0 ? Math.max(0, (q - (slopes.length - 1)) / spare) : 0;
  const random = slopes.map((s) => 1 / (s.se ** 2 + tau2));
  return {
    mu: sum(slopes.map((s, i) => s.slope * (random[i] ?? 0))) / sum(random),
    tau: Math.sqrt(tau2),
    q,
    se: Math.sqrt(1 / sum(random)),
  };
}

/**
 * Slope of one component's readings with its standard error: straight line through its own start,
 * weighted by reading noise.
 * @param points hours in service and wear fraction, with the noise of each; at least two at
 *   different hours
 */
export function slopeOf(
  points: readonly { readonly hours: number; readonly y: number; readonly sigma: number }[],
): SeenSlope {
  points.forEach((p, i) => {
    finite(`points.${i}.hours`, p.hours);
    finite(`points.${i}.y`, p.y);
  });
  const weights = points.map((p, i) => 1 / positive(`points.${i}.sigma`, p.sigma) ** 2);
  const total = sum(weights);
  const meanH = sum(points.map((p, i) => p.hours * (weights[i] ?? 0))) / total;
  const meanY = sum(points.map((p, i) => p.y * (weights[i] ?? 0))) / total;
  const spread = sum(points.map((p, i) => (weights[i] ?? 0) * (p.hours - meanH) ** 2));
  if (points.length < 2 || !(spread > 0))
    throw new InputError('points', points.length, 'at least two readings at different hours');
  return {
    slope:
      sum(points.map((p, i) => (weights[i] ?? 0) * (p.hours - meanH) * (p.y - meanY))) / spread,
    se: Math.sqrt(1 / spread),
  };
}

/**
 * Members of a class differ by at least this share of its mean slope. Model assumption: few noisy
 * slopes often show no spread at all, and taking that as none makes forecasts overconfident.
 */
const LEAST_SPREAD = 0.25;

/**
 * Prior of a component class from its fleet: the pooled slope, with the spread between components
 * and what is not yet known of the mean.
 * @param a0 expected wear fraction when new
 * @param sa its standard deviation
 * @example priorFromFleet(fleetSlope(slopes), .02, .03)
 */
export function priorFromFleet(fleet: FleetSlope, a0: number, sa: number): WearPrior {
  finite('mu', fleet.mu);
  zeroOrMore('tau', fleet.tau);
  zeroOrMore('se', fleet.se);
  finite('a0', a0);
  positive('sa', sa);
  return {
    a0,
    sa,
    mu: fleet.mu,
    tau: Math.hypot(Math.max(fleet.tau, LEAST_SPREAD * Math.abs(fleet.mu)), fleet.se),
  };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
