import type { ClosedForecast, ForecastScore } from '../contracts';

/** A chance is never taken for certain: what was said to be certain and was not would cost without end. */
const LEAST = 0.005;
const DECILES = 10;

/**
 * How good forecasts were: by decile what was said and what happened, the Brier score against always
 * saying the share that happened, and the mean log score.
 * @see Brier 1950; a forecast is calibrated where said and happened agree in every decile
 */
export function scoreOf(
  closed: readonly Pick<ClosedForecast, 'chance' | 'happened'>[],
): ForecastScore {
  const n = closed.length;
  const happened = closed.filter((c) => c.happened).length;
  const share = n ? happened / n : 0;
  const mean = (of: (c: (typeof closed)[number]) => number): number | null =>
    n ? closed.reduce((sum, c) => sum + of(c), 0) / n : null;
  const as = (c: (typeof closed)[number]): number => (c.happened ? 1 : 0);
  return {
    n,
    happened,
    said: closed.reduce((sum, c) => sum + c.chance, 0),
    brier: mean((c) => (c.chance - as(c)) ** 2),
    base: mean((c) => (share - as(c)) ** 2),
    log: mean((c) => {
      const p = Math.min(1 - LEAST, Math.max(LEAST, c.chance));
      return -Math.log(c.happened ? p : 1 - p);
    }),
    deciles: Array.from({ length: DECILES }, (_, d) => {
      const [from, to] = [d / DECILES, (d + 1) / DECILES];
      const own = closed.filter((c) => decileOf(c.chance) === d);
      const of = (f: (c: (typeof closed)[number]) => number) =>
        own.length ? own.reduce((sum, c) => sum + f(c), 0) / own.length : 0;
      return { from, to, n: own.length, said: of((c) => c.chance), happened: of(as) };
    }),
  };
}

const decileOf = (chance: number): number =>
  Math.min(DECILES - 1, Math.max(0, Math.floor(chance * DECILES + 1e-9)));
