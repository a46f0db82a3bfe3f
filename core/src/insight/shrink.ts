import { errorFunction } from 'simple-statistics';
import { positive } from '../units';

/** A figure seen, with its standard error. */
export interface Seen {
  readonly value: number;
  readonly se: number;
}

/** A figure with the range it lies in, nine times of ten. */
export interface Ranged {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** One of several groups, drawn toward the others as far as it is not sure. */
export interface Drawn extends Ranged {
  /** how far it lies from the mean of the others; 0 where there are none */
  readonly apart: Ranged;
}

/** What several groups show together. */
export interface Together extends Ranged {
  /** how far groups differ, standard deviation; its mean over what is likely */
  readonly spread: number;
  /** one of the groups, in the order they were given; worked out when asked for */
  group(i: number): Drawn;
  /** how many of its own standard deviations a group lies off the others: whether to ask further */
  off(i: number): number;
}

const STEPS = 32;
/** of the scale: beyond it the prior holds less than one in a thousand */
const FARTHEST = 3.5;
const TAIL = 0.05;
/** of a standard normal, above its other tail */
const Z = 1.6448536;

/**
 * Draws groups toward their common mean, each as far as its own figure is uncertain against how much
 * groups differ: few readings do not shout. How much they differ is not known either; it is integrated
 * over, with a half-normal prior.
 * @param seen one a group, at least one; standard errors above 0
 * @param scale of the prior of how far groups differ: twice that is unlikely
 * @see Gelman et al., Bayesian Data Analysis, normal hierarchical model
 */
export function together(seen: readonly Seen[], scale: number): Together {
  positive('scale', scale);
  seen.forEach((s, i) => positive(`seen.${i}.se`, s.se));
  const likely = spreadsOf(seen, scale);
  const sums = likely.map((l) => sumsOf(seen, l));
  const own = (i: number): readonly Part[] => likely.map((l) => posterior(at(seen, i), l));
  const apart = (i: number): readonly Part[] =>
    likely.map((l, k) => apartOf(at(seen, i), l, { ...NONE, ...sums[k], n: seen.length }));
  const alone = seen.length < 2;
  // as if groups differed by what is likeliest: enough to tell whether to ask further
  const usual = likely.reduce((a, b) => (a.share > b.share ? a : b));
  const middle = sumsOf(seen, usual);
  return {
    ...mixed(likely.map(({ share, mu, variance }) => ({ share, mean: mu, variance }))),
    spread: sum(likely.map((l) => l.share * l.tau)) / sum(likely.map((l) => l.share)),
    group: (i) => ({ ...mixed(own(i)), apart: alone ? AT_IT : mixed(apart(i)) }),
    off: (i) => {
      if (alone) return 0;
      const { mean, variance } = apartOf(at(seen, i), usual, { ...middle, n: seen.length });
      return mean / Math.sqrt(variance);
    },
  };
}

const AT_IT: Ranged = { value: 0, low: 0, high: 0 };

const at = (seen: readonly Seen[], i: number): Seen => {
  const one = seen[i];
  if (!one) throw new RangeError(`no group ${i}`);
  return one;
};

/** How much of its own figure a group keeps, if groups differ so far. */
const kept = ({ se }: Seen, { tau }: Likely): number => tau ** 2 / (tau ** 2 + se ** 2);

/** A group's figure, if groups differ so far. */
function posterior(group: Seen, likely: Likely): Part {
  const own = kept(group, likely);
  return {
    share: likely.share,
    mean: own * group.value + (1 - own) * likely.mu,
    variance: own * group.se ** 2 + (1 - own) ** 2 * likely.variance,
  };
}

/** Over all groups: their figures, how unsure each is by itself, and how far they lean on the mean. */
interface Sums {
  readonly means: number;
  readonly own: number;
  readonly leaning: number;
}
const NONE: Sums = { means: 0, own: 0, leaning: 0 };

function sumsOf(seen: readonly Seen[], likely: Likely): Sums {
  let [means, own, leaning] = [0, 0, 0];
  for (const group of seen) {
    const share = kept(group, likely);
    means += share * group.value + (1 - share) * likely.mu;
    own += share * group.se ** 2;
    leaning += 1 - share;
  }
  return { means, own, leaning };
}

/** How far a group lies from the mean of the others, if groups differ so far. */
function apartOf(group: Seen, likely: Likely, all: Sums & { readonly n: number }): Part {
  const share = kept(group, likely);
  const [mean, own] = [posterior(group, likely).mean, share * group.se ** 2];
  const others = all.n - 1;
  const leaning = 1 - share - (all.leaning - (1 - share)) / others;
  return {
    share: likely.share,
    mean: mean - (all.means - mean) / others,
    variance: own + (all.own - own) / others ** 2 + leaning ** 2 * likely.variance,
  };
}

/** How far groups may differ, how likely that is, and what their mean would be then. */
interface Likely {
  readonly tau: number;
  readonly share: number;
  readonly mu: number;
  readonly variance: number;
}

function spreadsOf(seen: readonly Seen[], scale: number): Likely[] {
  const found = Array.from({ length: STEPS }, (_, i) => {
    const tau = ((i + 0.5) / STEPS) * FARTHEST * scale;
    let [total, weighted, squares, logs] = [0, 0, 0, 0];
    for (const { value, se } of seen) {
      const w = 1 / (se * se + tau * tau);
      total += w;
      weighted += w * value;
      squares += w * value * value;
      logs += Math.log(w);
    }
    const mu = weighted / total;
    const misfit = Math.max(0, squares - total * mu * mu);
    const log = -0.5 * (tau / scale) ** 2 - 0.5 * Math.log(total) + 0.5 * logs - 0.5 * misfit;
    return { tau, log, mu, variance: 1 / total };
  });
  const most = Math.max(...found.map((f) => f.log));
  const all = sum(found.map((f) => Math.exp(f.log - most)));
  return found
    .map(({ tau, log, mu, variance }) => ({
      ...{ tau, mu, variance },
      share: Math.exp(log - most) / all,
    }))
    .filter((l) => l.share > LEAST_SHARE);
}

interface Part {
  readonly share: number;
  readonly mean: number;
  readonly variance: number;
}

/** Mean and middle nine tenths of a mixture of normal distributions. */
function mixed(all: readonly Part[]): Ranged {
  const parts = all.filter((p) => p.share > LEAST_SHARE);
  const { mean: value, sd } = momentsOf(parts);
  return {
    value,
    low: quantile(parts, TAIL, value - Z * sd),
    high: quantile(parts, 1 - TAIL, value + Z * sd),
  };
}

/** What is less likely than this moves no figure that is shown. */
const LEAST_SHARE = 1e-4;

function momentsOf(parts: readonly Part[]): { mean: number; sd: number } {
  let [total, mean] = [0, 0];
  for (const p of parts) {
    total += p.share;
    mean += p.share * p.mean;
  }
  mean /= total;
  let variance = 0;
  for (const p of parts) variance += p.share * (p.variance + (p.mean - mean) ** 2);
  return { mean, sd: Math.sqrt(variance / total) };
}

/** A quantile of a mixture, by Newton's way from a guess that is near it. */
function quantile(parts: readonly Part[], q: number, guess: number): number {
  let x = guess;
  for (let i = 0; i < STEPS_TO_QUANTILE; i += 1) {
    let [under, density, total] = [0, 0, 0];
    for (const { share, mean, variance } of parts) {
      const z = (x - mean) / Math.sqrt(2 * variance);
      under += share * 0.5 * (1 + errorFunction(z));
      density += (share * Math.exp(-z * z)) / Math.sqrt(2 * Math.PI * variance);
      total += share;
    }
    const off = under / total - q;
    if (Math.abs(off) < NEAR) break;
    // a share of the way, so that a thin tail throws it nowhere
    x -= Math.sign(off) * Math.min(Math.abs(off), MOST_OFF) * (total / Math.max(density, 1e-300));
  }
  return x;
}

const STEPS_TO_QUANTILE = 40;
const NEAR = 1e-6;
const MOST_OFF = 0.03;

/** Clusters are taken to have shown the usual spread as often as this before they show their own. */
const USUAL = 4;

/**
 * How far members of a cluster differ, pooled over clusters: by moments, with the usual spread weighed
 * in, for few noisy members often show none at all.
 * @param clusters members seen, by cluster
 * @param usual the spread that is usual, standard deviation
 * @returns standard deviation
 * @see DerSimonian and Laird 1986, within clusters
 */
export function pooledSpread(clusters: readonly (readonly Seen[])[], usual: number): number {
  let [q, free, scale] = [0, 0, 0];
  for (const members of clusters) {
    let [total, weighted, squares, weights] = [0, 0, 0, 0];
    for (const { value, se } of members) {
      const w = 1 / (se * se);
      total += w;
      weighted += w * value;
      squares += w * value * value;
      weights += w * w;
    }
    q += Math.max(0, squares - (weighted * weighted) / total);
    free += members.length - 1;
    scale += total - weights / total;
  }
  const own = free > 0 && scale > 0 ? Math.max(0, (q - free) / scale) : 0;
  return Math.sqrt((free * own + USUAL * usual ** 2) / (free + USUAL));
}

/**
 * The mean of a cluster whose members differ by a spread.
 * @param members at least one
 */
export function clusterMean(members: readonly Seen[], spread: number): Seen {
  let [total, weighted] = [0, 0];
  for (const { value, se } of members) {
    const w = 1 / (se * se + spread * spread);
    total += w;
    weighted += w * value;
  }
  return { value: weighted / total, se: Math.sqrt(1 / total) };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
