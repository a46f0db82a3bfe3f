import { zeroOrMore } from '../units';

/** How long a part ran; one that is not ended runs still. */
export interface Ran {
  readonly hours: number;
  readonly ended: boolean;
}

/** What share of parts was still running after some hours. */
export interface SurvivalStep {
  readonly hours: number;
  readonly share: number;
  readonly low: number;
  readonly high: number;
  readonly atRisk: number;
}

/** How long parts of a class live. */
export interface Survival {
  readonly lives: number;
  readonly ended: number;
  readonly steps: readonly SurvivalStep[];
  /** hours by which half had ended, and its range nine times of ten; null where it was not reached */
  readonly median: number | null;
  readonly low: number | null;
  readonly high: number | null;
}

/** of a standard normal, nine tenths within ± */
const Z = 1.6448536;

/**
 * The share of parts that still run, by hours, where some run still (Kaplan–Meier), with its range by
 * Greenwood's variance on the log-minus-log scale; the median's range is where those pass a half.
 * @throws InputError for hours that are none
 * @see Kaplan and Meier 1958; Brookmeyer and Crowley 1982
 */
export function survivalOf(ran: readonly Ran[]): Survival {
  ran.forEach((r, i) => zeroOrMore(`ran.${i}.hours`, r.hours));
  const ends = [...new Set(ran.filter((r) => r.ended).map((r) => r.hours))].sort((a, b) => a - b);
  let [share, variance] = [1, 0];
  const steps = ends.map((hours): SurvivalStep => {
    const atRisk = ran.filter((r) => r.hours >= hours).length;
    const ended = ran.filter((r) => r.ended && r.hours === hours).length;
    share *= 1 - ended / atRisk;
    variance += ended === atRisk ? Infinity : ended / (atRisk * (atRisk - ended));
    return { hours, share, atRisk, ...within(share, variance) };
  });
  const passes = (of: (s: SurvivalStep) => number) =>
    steps.find((s) => of(s) <= 0.5)?.hours ?? null;
  return {
    ...{ lives: ran.length, ended: ran.filter((r) => r.ended).length, steps },
    ...{ median: passes((s) => s.share), low: passes((s) => s.low), high: passes((s) => s.high) },
  };
}

function within(share: number, variance: number): { low: number; high: number } {
  if (share >= 1) return { low: 1, high: 1 };
  if (share <= 0) return { low: 0, high: 0 };
  const off = (Z * Math.sqrt(variance)) / Math.abs(Math.log(share));
  return { low: share ** Math.exp(off), high: share ** Math.exp(-off) };
}
