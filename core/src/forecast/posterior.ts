import { errorFunction } from 'simple-statistics';
import { finite, InputError, positive, zeroOrMore } from '../units';

/** What is expected of a component before it is measured: wear fraction y = α + β·h. */
export interface WearPrior {
  readonly a0: number;
  readonly sa: number;
  readonly mu: number;
  readonly tau: number;
}

/** A wear fraction `y` read at `hours` in service, with its standard deviation. */
export interface WearPoint {
  readonly hours: number;
  readonly y: number;
  readonly sigma: number;
}

/** Normal distribution of (α, β). */
export interface WearPosterior {
  readonly alpha: number;
  readonly beta: number;
  readonly varAlpha: number;
  readonly varBeta: number;
  readonly cov: number;
}

/**
 * Posterior of a straight wear line under Gaussian priors and known reading noise, in closed form.
 * @throws InputError naming the field
 * @see Bayesian linear regression, conjugate normal with known variance
 * @example wearPosterior({ a0: .02, sa: .03, mu: .0012, tau: .0005 }, []).beta // .0012
 */
export function wearPosterior(prior: WearPrior, points: readonly WearPoint[]): WearPosterior {
  positive('sa', prior.sa);
  positive('tau', prior.tau);
  let p11 = 1 / prior.sa ** 2;
  let p12 = 0;
  let p22 = 1 / prior.tau ** 2;
  let b1 = finite('a0', prior.a0) * p11;
  let b2 = finite('mu', prior.mu) * p22;
  for (const point of points) {
    const w = 1 / positive('sigma', point.sigma) ** 2;
    const h = zeroOrMore('hours', point.hours);
    p11 += w;
    p12 += w * h;
    p22 += w * h * h;
    b1 += w * finite('y', point.y);
    b2 += w * h * point.y;
  }
  const det = p11 * p22 - p12 * p12;
  return {
    alpha: (p22 * b1 - p12 * b2) / det,
    beta: (p11 * b2 - p12 * b1) / det,
    varAlpha: p22 / det,
    varBeta: p11 / det,
    cov: -p12 / det,
  };
}

/** Mean and standard deviation of the wear fraction at `hours` in service. */
export function wearAt(posterior: WearPosterior, hours: number): { mean: number; sd: number } {
  zeroOrMore('hours', hours);
  const variance = posterior.varAlpha + 2 * hours * posterior.cov + hours * hours * posterior.varBeta;
  return { mean: posterior.alpha + posterior.beta * hours, sd: Math.sqrt(Math.max(variance, 0)) };
}

/**
 * Chance that the limit (wear fraction 1) is reached by `hours` in service.
 * @example with α .02±.03, β .0012±.0005 and no readings, chanceReached(…, 560) // .1370
 */
export function chanceReached(posterior: WearPosterior, hours: number): number {
  const { mean, sd } = wearAt(posterior, hours);
  if (sd === 0) return mean >= 1 ? 1 : 0;
  return 0.5 * (1 + errorFunction((mean - 1) / sd / Math.SQRT2));
}

/**
 * Hours in service by which the limit is reached with chance `q`, searched from `from` up to 20,000 h.
 * @returns hours, or Infinity when it is not reached by then
 */
export function hoursToLimit(posterior: WearPosterior, q: number, from = 0): number {
  if (!(q > 0 && q < 1)) throw new InputError('q', q, 'a chance between 0 and 1');
  let low = zeroOrMore('from', from);
  let high = 20_000;
  if (chanceReached(posterior, low) >= q) return low;
  if (chanceReached(posterior, high) < q) return Infinity;
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (chanceReached(posterior, middle) >= q) high = middle;
    else low = middle;
  }
  return high;
}
