import { errorFunction, probit } from 'simple-statistics';
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
    // surer than a millionth, the sums below would cancel to nothing; no reading is
    if (!(point.sigma >= 1e-6))
      throw new InputError('sigma', point.sigma, 'a standard deviation of at least 0.000001');
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

/** @throws InputError naming the part of the posterior that is no number */
function checked(posterior: WearPosterior): WearPosterior {
  finite('alpha', posterior.alpha);
  finite('beta', posterior.beta);
  zeroOrMore('varAlpha', posterior.varAlpha);
  zeroOrMore('varBeta', posterior.varBeta);
  finite('cov', posterior.cov);
  return posterior;
}

/** Mean and standard deviation of the wear fraction at `hours` in service. */
export function wearAt(posterior: WearPosterior, hours: number): { mean: number; sd: number } {
  zeroOrMore('hours', hours);
  checked(posterior);
  const variance =
    posterior.varAlpha + 2 * hours * posterior.cov + hours * hours * posterior.varBeta;
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

/** No component is forecast further than this, h. */
const HORIZON = 20_000;

/**
 * Hours in service by which the limit is reached with chance `q`, from `from` up to 20,000 h. In
 * closed form: the chance is q where
 * mean(h) − 1 = z·sd(h), a quadratic in h; of its roots the first at which the chance rises through
 * q.
 * @returns hours; `from` when the chance is there already, Infinity when it is not reached by
 *   20,000 h
 * @example hoursToLimit(wearPosterior({ a0: .02, sa: .03, mu: .0012, tau: .0005 }, []), .137, 0) // 560, near enough
 */
export function hoursToLimit(posterior: WearPosterior, q: number, from = 0): number {
  if (!(q > 0 && q < 1)) throw new InputError('q', q, 'a chance between 0 and 1');
  return hoursAtDeviate(posterior, deviateOf(q), zeroOrMore('from', from));
}

/** As {@link hoursToLimit}, for the standard normal deviate `z` of the chance. */
export function hoursAtDeviate(posterior: WearPosterior, z: number, from: number): number {
  const { alpha, beta, varAlpha, varBeta, cov } = checked(posterior);
  finite('z', z);
  zeroOrMore('from', from);
  const reached = (h: number): boolean => {
    const sd = Math.sqrt(Math.max(varAlpha + 2 * h * cov + h * h * varBeta, 0));
    return alpha + beta * h - 1 >= z * sd - 1e-12;
  };
  if (reached(from)) return from;
  if (z === 0) return beta > 0 && (1 - alpha) / beta <= HORIZON ? (1 - alpha) / beta : Infinity;
  // (α − 1 + βh)² = z²·(varα + 2h·cov + h²·varβ)
  const z2 = z * z;
  const a = beta * beta - z2 * varBeta;
  const b = beta * (alpha - 1) - z2 * cov;
  const c = (alpha - 1) * (alpha - 1) - z2 * varAlpha;
  const root = Math.sqrt(b * b - a * c);
  if (Number.isNaN(root)) return Infinity;
  // the numerically steady pair of roots; a zero of the squared equation counts only where the
  // chance is truly there
  const s = -(b + (b >= 0 ? root : -root));
  const [r1, r2] = [s / a, c / s];
  const [low, high] = r1 <= r2 ? [r1, r2] : [r2, r1];
  for (const h of [low, high])
    if (h > from && h <= HORIZON && reached(h * (1 + 1e-9) + 1e-9)) return h;
  return Infinity;
}

/**
 * Standard normal deviate of a chance: the library's first guess (good to 0.002), brought home by
 * Newton's steps.
 */
function deviateOf(q: number): number {
  let z = probit(q);
  for (let i = 0; i < 4; i += 1)
    z -=
      ((0.5 * (1 + errorFunction(z / Math.SQRT2)) - q) * Math.sqrt(2 * Math.PI)) /
      Math.exp((-z * z) / 2);
  return Math.abs(z) < 1e-6 ? 0 : z;
}
