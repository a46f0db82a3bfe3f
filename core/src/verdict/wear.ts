import type { MeasuredCheck, Reading, WearRate } from '../contracts';
import { defaultElongationLimit, elongation, nominalLength, pitchesNeeded } from '../chain';
import {
  chanceReached,
  hoursAtDeviate,
  shrinkages,
  wearAt,
  wearPosterior,
  type WearPoint,
} from '../forecast';
import { finite, InputError } from '../units';
import type { Finding } from './precedence';
import { againstLimit, ENOUGH_REPEATS, judgeRepeats } from './uncertainty';

/** Chance of reaching the limit in season from which a component is to be watched. Shop rule. */
export const WATCH_CHANCE = 0.2;
/** Standard deviation of a wear fraction that no tool sees: where round the belt, dirt, temperature. Model assumption. */
const PROCESS_NOISE = 0.03;
/** A reading on the tally strip: wear fraction, 0 new, 1 limit. */
export interface StripTick {
  readonly readingId: string;
  readonly wear: number;
  readonly hours: number;
  readonly takenAt: string;
  readonly struck: boolean;
  readonly state: 'asFound' | 'asLeft';
}

/** What is expected at harvest's end. Wear fractions; hours from now. */
export interface WearForecast {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  readonly chance: number;
  /** hours from now to the limit with chance 10, 50 and 90 % */
  readonly hours10: number;
  readonly hours50: number;
  readonly hours90: number;
}

/** New size and limit of a check that wears, in the core's own unit; elongation limits turned into lengths. */
export interface WearLimits {
  readonly nominal: number;
  readonly limit: number;
  readonly limitPercent?: number;
}

/** New size and limit of a measured check; undefined for a band, which is set and does not wear. */
export function wearLimitsOf(check: MeasuredCheck): WearLimits | undefined {
  const { limit } = check;
  if (limit.type === 'band') return undefined;
  if (limit.type === 'wear') return limit;
  const limitPercent =
    limit.limitPercent ??
    defaultElongationLimit(limit.largerSprocketTeeth, check.takeUp !== undefined);
  const nominal = nominalLength(limit.pitches, limit.pitch);
  return { nominal, limit: nominal * (1 + limitPercent / 100), limitPercent };
}

/**
 * Wear fraction: 0 new, 1 at the limit, signed for the worn side.
 * @param x reading, mm
 * @example wearFraction(35.5, 38, 35) // 0.8333
 */
export function wearFraction(x: number, nominal: number, limit: number): number {
  if (nominal === limit)
    throw new InputError('limit', limit, 'a limit that differs from the new size');
  finite('reading', x);
  finite('nominal', nominal);
  finite('limit', limit);
  return (nominal - x) / (nominal - limit);
}

/** Judges the wear of one measured place: findings, the wear fraction and its expanded uncertainty. */
export function judgeWear(
  check: MeasuredCheck,
  { nominal, limit, limitPercent }: WearLimits,
  values: readonly number[],
  tool: Reading['tool'],
): { wear: number; expanded: number; value: number; expandedLength: number; findings: Finding[] } {
  const trusted = tool ?? check.tool;
  // nothing left of a knife or no play at all is a reading; a belt or chain of no length is not
  const repeats = judgeRepeats(
    values,
    trusted,
    check.limit.type === 'elongation',
    check.limit.type === 'wear' && (nominal === 0 || limit === 0),
  );
  const wear = wearFraction(repeats.value, nominal, limit);
  const expanded = repeats.expanded / Math.abs(nominal - limit);
  const numbers = {
    value: repeats.value,
    nominal,
    limit,
    expanded: repeats.expanded,
    count: repeats.count,
    spread: repeats.spread,
    wear,
    ...(check.limit.type === 'elongation' && limitPercent !== undefined
      ? {
          percent: elongation(repeats.value, check.limit.pitches, check.limit.pitch),
          limitPercent,
          pitches: check.limit.pitches,
          pitchesNeeded: pitchesNeeded(repeats.expanded, check.limit.pitch, limitPercent),
        }
      : {}),
  };
  const findings: Finding[] = [];
  if (repeats.scattered) findings.push({ id: 'scatter', numbers });
  const stand = againstLimit(wear, expanded);
  if (stand === 'out') findings.push({ id: 'pastLimit', numbers });
  else if (stand === 'doubt')
    findings.push({
      id: repeats.count >= ENOUGH_REPEATS ? 'limitReached' : 'limitInDoubt',
      numbers,
    });
  else findings.push({ id: 'inside', numbers });
  return { wear, expanded, value: repeats.value, expandedLength: repeats.expanded, findings };
}

/**
 * Forecast of a place's wear to harvest's end, from this life's readings and the spec's wear rate.
 * @param ticks this life's readings, none struck, hours of the machine
 * @param lifeStart machine hours at which this part was new
 */
export function forecastWear(
  rate: WearRate,
  ticks: readonly StripTick[],
  expanded: number,
  lifeStart: number,
  now: number,
  season: number,
): WearForecast {
  const points: WearPoint[] = ticks.map((t) => ({
    hours: Math.max(0, t.hours - lifeStart),
    y: t.wear,
    sigma: Math.hypot(expanded / 2, PROCESS_NOISE),
  }));
  const posterior = wearPosterior(
    { a0: rate.atNew, sa: rate.atNewSd, mu: rate.perHour, tau: rate.sd },
    points,
  );
  const inService = Math.max(0, now - lifeStart);
  const { mean, sd } = wearAt(posterior, inService + season);
  const hours = (z: number) => hoursAtDeviate(posterior, z, inService) - inService;
  return {
    low: mean - TEN_PERCENT * sd,
    middle: mean,
    high: mean + TEN_PERCENT * sd,
    chance: chanceReached(posterior, inService + season),
    hours10: hours(-TEN_PERCENT),
    hours50: hours(0),
    hours90: hours(TEN_PERCENT),
  };
}

/** Standard normal deviate of the 90 % point. */
const TEN_PERCENT = 1.2815515655;

/** Wear cannot shrink: a finding when the newest reading lies below an earlier one by more than both can explain. */
export function shrinkFinding(ticks: readonly StripTick[], expanded: number): Finding | undefined {
  if (ticks.length < 2) return undefined;
  const found = shrinkages(
    ticks.map((t) => ({ hours: t.hours, y: t.wear, sigma: PROCESS_NOISE })),
    Math.hypot(expanded, 2 * PROCESS_NOISE),
  ).at(-1);
  const [newest, most] = [ticks.at(-1), ticks[found?.before ?? -1]];
  return found?.index === ticks.length - 1 && newest && most
    ? { id: 'shrunk', numbers: { before: most.wear, wear: newest.wear, beforeHours: most.hours } }
    : undefined;
}
