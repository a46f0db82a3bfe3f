/** No belt's note tells more partials than this. */
const MOST_HARMONICS = 90;

/** A candidate with the run of partials that speaks for it most. */
export interface Comb {
  readonly f: number;
  readonly stiffness: number;
  readonly score: number;
  /** first and last partial of the run */
  readonly from: number;
  readonly to: number;
}

/** Power below which nothing counts, of that of the loudest line: the skirts of loud lines. */
export const FAINTEST = 1e-4;

/** What each partial of a run must say for it at least, on average. */
const LEAST_EACH = 2;

/** A run may begin late: a microphone is deaf to the lowest. */
const LATEST_BEGIN = 6;

/**
 * The run of partials, one after the other, that speaks for a candidate most. All of a rich note's
 * partials speak for it and only every m-th for its multiples; a dull note's run ends where its
 * partials do, and half of a note misses every other one.
 * @see largest sum of a contiguous run (Kadane)
 */
export function bestRun(
  f: number,
  partials: readonly number[],
  { bin, top, says }: { bin: number; top: number; says: Float64Array },
): { score: number; from: number; to: number } {
  let [score, from, to] = [-Infinity, 1, 1];
  let [sum, begun] = [0, 1];
  for (let k = 1; k <= partials.length; k += 1) {
    const x = (f * (partials[k - 1] ?? 0)) / bin;
    if (x > top) break;
    if (sum < 0 && k <= LATEST_BEGIN) [sum, begun] = [0, k];
    sum += says[(x + 0.5) | 0] ?? 0;
    // a long run of partials that hardly stand out is the skirts of louder ones, not a note
    if (sum > score && sum >= LEAST_EACH * (k - begun + 1)) [score, from, to] = [sum, begun, k];
  }
  return { score, from, to };
}

/** Notes that share partials with a note: its multiples and parts. */
const RELATED = [2, 3, 4, 5, 6, 7, 8, 9]
  .flatMap((m) => [m, 1 / m])
  .concat([1.5, 2 / 3, 4 / 3, 3 / 4]);

export function rivalOf(best: Comb, candidates: readonly { f: number; score: number }[]): number {
  let most = -Infinity;
  for (const { f, score } of candidates)
    if (score > most && RELATED.some((m) => Math.abs(f / best.f / m - 1) < 0.012)) most = score;
  return most;
}

/** Partials of a stiff string in multiples of its fundamental. */
export const partialsOf = (stiffness: number): number[] =>
  Array.from(
    { length: MOST_HARMONICS },
    (_, i) => (i + 1) * Math.sqrt((1 + stiffness * (i + 1) ** 2) / (1 + stiffness)),
  );

/** Climbs to the top of the score, one percent at most. */
export function finest(from: number, score: (f: number) => number): number {
  let [f, step] = [from, from * 0.0004];
  for (let i = 0; i < 24 && Math.abs(f / from - 1) < 0.01; i += 1) {
    const [low, here, high] = [score(f - step), score(f), score(f + step)];
    if (low > here && low >= high) f -= step;
    else if (high > here) f += step;
    else step /= 2;
  }
  return f;
}

/** Standard uncertainty from how sharply the score, a log likelihood, falls to either side. */
export function spreadOf(f: number, score: (f: number) => number): number {
  const step = f * 0.002;
  const curve = (2 * score(f) - score(f - step) - score(f + step)) / step ** 2;
  return curve > 0 ? Math.min(0.02 * f, 1 / Math.sqrt(curve)) : 0.02 * f;
}
