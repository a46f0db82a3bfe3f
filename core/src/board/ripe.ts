import type { RipeWhen } from './problem';

/** Steps by which a spread of days is added up. */
const STEPS = 2000;

/**
 * Days on which a crop may be ripe, so many of them and each as likely as the next, rising.
 * @see PERT: a beta with λ = 4 between the earliest and the latest day
 */
export function ripeDays({ earliest, likely, latest }: RipeWhen, count: number): number[] {
  const width = latest - earliest;
  if (width <= 0) return Array.from({ length: count }, () => likely);
  const { a, b } = pertShape({ earliest, likely, latest });
  const sums: number[] = [];
  let sum = 0;
  for (let n = 0; n < STEPS; n += 1) {
    const x = (n + 0.5) / STEPS;
    sum += x ** (a - 1) * (1 - x) ** (b - 1);
    sums.push(sum);
  }
  let at = 0;
  return Array.from({ length: count }, (_, k) => {
    const share = ((k + 0.5) / count) * sum;
    while (at < STEPS - 1 && (sums[at] ?? 0) < share) at += 1;
    return earliest + (width * (at + 0.5)) / STEPS;
  });
}

/** Both shapes of the beta that an earliest, a likeliest and a latest day stand for; each at least 1. */
export function pertShape({ earliest, likely, latest }: RipeWhen): { a: number; b: number } {
  const width = latest - earliest;
  return {
    a: 1 + (4 * (likely - earliest)) / width,
    b: 1 + (4 * (latest - likely)) / width,
  };
}
