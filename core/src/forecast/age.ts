import { errorFunction } from 'simple-statistics';
import { finite, InputError, positive, zeroOrMore } from '../units';
import {
  hoursAtDeviate,
  wearAt,
  type WearPoint,
  type WearPosterior,
  type WearPrior,
} from './posterior';

/** One guess of when the part now in place was new, how likely it is, and the wear line it gives. */
export interface AgedLine {
  /** machine hours at which the part was new; 0: it came with the machine */
  readonly newAt: number;
  readonly weight: number;
  readonly line: WearPosterior;
}

/** Guesses of the age of a part whose renewal is not on record, all weights together 1. */
export interface AgeGuess {
  readonly lines: readonly AgedLine[];
  /** chance that it came with the machine */
  readonly original: number;
  /** machine hours between which it was new, with chance 80 % */
  readonly from: number;
  readonly to: number;
}

/** Between how many moments a renewal that nobody recorded may lie. More changes nothing. */
const CELLS = 16;
/** Guesses less likely than this are left out. */
const LEAST_WEIGHT = 2e-3;

/**
 * The age of a part when no renewal is on record: it may have come with the machine, or have been
 * fitted at any time since by somebody who did not write it down. Parts are renewed about once in
 * the hours their class takes to its limit; the readings then tell which ages explain them.
 * Readings from before a guessed renewal are those of the part before.
 * @param prior of the component class, hours in service
 * @param points readings on the machine's hour meter, oldest first
 * @param now machine hours
 * @throws InputError naming the field
 * @see Bayesian model averaging over the change point of a linear model
 */
export function ageGuess(prior: WearPrior, points: readonly WearPoint[], now: number): AgeGuess {
  const until = zeroOrMore('now', now);
  const life = prior.mu > 0 ? 1 / prior.mu : Infinity;
  const cells = until > 0 && Number.isFinite(life) ? CELLS : 0;
  const width = cells ? until / cells : 0;
  const guesses = [
    { newAt: 0, chance: Number.isFinite(life) ? Math.exp(-until / life) : 1 },
    ...Array.from({ length: cells }, (_, i) => ({
      newAt: (i + 0.5) * width,
      chance: Math.exp(-(until - (i + 1) * width) / life) - Math.exp(-(until - i * width) / life),
    })),
  ];
  // how well the part before is explained by having come with the machine, up to each reading
  const before: number[] = [0];
  follow(prior, points, { newAt: 0, from: 0 }, before);
  const weighed = guesses.map(({ newAt, chance }) => {
    const split = points.findIndex((p) => p.hours >= newAt);
    const at = split < 0 ? points.length : split;
    const since = follow(prior, points, { newAt, from: at });
    return { newAt, line: since.line, log: Math.log(chance) + (before[at] ?? 0) + since.log };
  });
  const most = Math.max(...weighed.map((g) => g.log));
  const likely = weighed
    .map((g) => ({ newAt: g.newAt, line: g.line, weight: Math.exp(g.log - most) }))
    .filter((g) => g.weight > LEAST_WEIGHT);
  const all = likely.reduce((sum, g) => sum + g.weight, 0);
  const lines = likely.map((g) => ({ ...g, weight: g.weight / all }));
  return {
    lines,
    original: lines.find((g) => g.newAt === 0)?.weight ?? 0,
    from: reachedBy(lines, 0.1),
    to: reachedBy(lines, 0.9),
  };
}

const reachedBy = (lines: readonly AgedLine[], share: number): number => {
  let sum = 0;
  for (const { newAt, weight } of lines) {
    sum += weight;
    if (sum >= share) return newAt;
  }
  return lines.at(-1)?.newAt ?? 0;
};

/**
 * A wear line followed reading by reading from one on, with the logarithm of how well it foresaw
 * them.
 * @param told gets that logarithm after each reading
 */
function follow(
  prior: WearPrior,
  points: readonly WearPoint[],
  { newAt, from }: { readonly newAt: number; readonly from: number },
  told?: number[],
): { readonly line: WearPosterior; readonly log: number } {
  let alpha = finite('a0', prior.a0);
  let beta = finite('mu', prior.mu);
  let varAlpha = positive('sa', prior.sa) ** 2;
  let varBeta = positive('tau', prior.tau) ** 2;
  let cov = 0;
  let log = 0;
  for (let i = from; i < points.length; i += 1) {
    const { hours, y, sigma } = points[i] ?? NOTHING;
    if (!(sigma >= 1e-6))
      throw new InputError('sigma', sigma, 'a standard deviation of at least 0.000001');
    const h = Math.max(0, zeroOrMore('hours', hours) - newAt);
    const [ca, cb] = [varAlpha + h * cov, cov + h * varBeta];
    const s = ca + h * cb + sigma * sigma;
    // so unsure that it says nothing
    if (s === Infinity) {
      told?.push(log);
      continue;
    }
    const off = finite('y', y) - (alpha + beta * h);
    alpha += (ca / s) * off;
    beta += (cb / s) * off;
    varAlpha -= (ca * ca) / s;
    cov -= (ca * cb) / s;
    varBeta -= (cb * cb) / s;
    log -= 0.5 * (Math.log(2 * Math.PI * s) + (off * off) / s);
    told?.push(log);
  }
  return {
    line: { alpha, beta, varAlpha: Math.max(varAlpha, 0), varBeta: Math.max(varBeta, 0), cov },
    log,
  };
}

const NOTHING: WearPoint = { hours: 0, y: 0, sigma: 1 };

const below = (z: number): number => 0.5 * (1 + errorFunction(z / Math.SQRT2));

/** Chance that the limit (wear fraction 1) is reached by a machine hour, over all guesses. */
export function agedChance(lines: readonly AgedLine[], machineHours: number): number {
  return lines.reduce((sum, { newAt, weight, line }) => {
    const { mean, sd } = wearAt(line, Math.max(0, machineHours - newAt));
    return (
      sum + zeroOrMore('weight', weight) * (sd > 0 ? below((mean - 1) / sd) : Number(mean >= 1))
    );
  }, 0);
}

/** Wear fraction at a machine hour below which it lies with chance `q`, over all guesses. */
export function agedWear(lines: readonly AgedLine[], machineHours: number, q: number): number {
  const at = lines.map(({ newAt, weight, line }) => ({
    weight: zeroOrMore('weight', weight),
    ...wearAt(line, Math.max(0, machineHours - newAt)),
  }));
  const low = Math.min(...at.map((a) => a.mean - 6 * a.sd));
  const high = Math.max(...at.map((a) => a.mean + 6 * a.sd));
  return solve(
    low,
    high,
    (y) =>
      at.reduce(
        (sum, { weight, mean, sd }) =>
          sum + weight * (sd > 0 ? below((y - mean) / sd) : Number(y >= mean)),
        0,
      ) - q,
  );
}

/**
 * Machine hours by which the limit is reached with chance `z` (a standard normal deviate), over all
 * guesses.
 * @param now machine hours; never before them
 */
export function agedHours(lines: readonly AgedLine[], z: number, now: number): number {
  const each = lines.map(
    ({ newAt, line }) => newAt + hoursAtDeviate(line, z, Math.max(0, now - newAt)),
  );
  const [soonest, latest] = [Math.min(...each), Math.max(...each)];
  if (soonest === latest || !Number.isFinite(soonest)) return soonest;
  const top = Number.isFinite(latest) ? latest : soonest + 20_000;
  const q = below(z);
  if (agedChance(lines, top) < q) return Infinity;
  return solve(soonest, top, (h) => agedChance(lines, h) - q);
}

/** Where a rising function crosses 0, by halving; good to a ten-thousandth of the span. */
function solve(from: number, to: number, rising: (x: number) => number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 14; i += 1) {
    const middle = (low + high) / 2;
    if (rising(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
