import type { MeasuredCheck, Tool } from '../../contracts';
import { defaultElongationLimit, elongation, nominalLength, pitchesNeeded } from '../../chain';
import { shrinkages } from '../../forecast';
import {
  againstLimit,
  ENOUGH_REPEATS,
  judgeRepeats,
  middleOf,
  type Finding,
  type WearNumbers,
} from '../../findings';
import { END_OF_TIME, lifeOf, roundOf, type PlaceHistory } from '../../history';
import { finite, InputError } from '../../units';

/**
 * Standard deviation of a wear fraction that no tool sees: where round the belt, dirt, temperature.
 * Model assumption.
 */
export const PROCESS_NOISE = 0.03;
/** A reading on the tally strip: wear fraction, 0 new, 1 limit. */
export interface StripTick {
  readonly readingId: string;
  readonly wear: number;
  readonly hours: number;
  readonly takenAt: string;
  readonly struck: boolean;
  readonly state: 'asFound' | 'asLeft';
  /** readings of one round share what no tool sees */
  readonly round: string;
}

/**
 * New size and limit of a check that wears, in the core's own unit; elongation limits turned into
 * lengths.
 */
export interface WearLimits {
  readonly nominal: number;
  readonly limit: number;
  readonly limitPercent?: number;
}

/**
 * New size and limit of a measured check; undefined for a band, which is set and does not wear, and
 * where nobody has entered them.
 */
export function wearLimitsOf(check: MeasuredCheck): WearLimits | undefined {
  const { limit } = check;
  if (limit.type === 'band' || limit.type === 'open') return undefined;
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

/**
 * A measured place against its wear limit. `expanded`: of the wear fraction; `expandedValue`: of
 * the reading.
 */
export interface WearJudgement {
  readonly wear: number;
  readonly expanded: number;
  readonly value: number;
  readonly expandedValue: number;
  readonly findings: readonly Finding[];
}

/**
 * Judges the wear of one measured place: findings, the wear fraction and its expanded uncertainty.
 */
export function judgeWear(
  check: MeasuredCheck,
  limits: WearLimits,
  values: readonly number[],
  tool: Tool,
): WearJudgement {
  const { nominal, limit } = limits;
  const chain = check.limit.type === 'elongation';
  // nothing left of a knife or no play at all is a reading; a belt or chain of no length is not
  const zeroAllowed = check.limit.type === 'wear' && (nominal === 0 || limit === 0);
  const repeats = judgeRepeats(values, tool, chain, zeroAllowed);
  const { value, count, spread } = repeats;
  const wear = wearFraction(value, nominal, limit);
  const expanded = repeats.expanded / Math.abs(nominal - limit);
  const numbers: WearNumbers = {
    value,
    nominal,
    limit,
    expanded: repeats.expanded,
    count,
    spread,
    wear,
    chain: chainNumbers(check, limits, repeats),
  };
  const against = againstFinding(numbers, againstLimit(wear, expanded));
  return {
    wear,
    expanded,
    value,
    expandedValue: repeats.expanded,
    findings: repeats.scattered ? [{ id: 'scatter', numbers }, against] : [against],
  };
}

function againstFinding(numbers: WearNumbers, stand: ReturnType<typeof againstLimit>): Finding {
  switch (stand) {
    case 'out':
      return { id: 'pastLimit', numbers };
    case 'doubt':
      return numbers.count >= ENOUGH_REPEATS
        ? { id: 'limitReached', numbers }
        : { id: 'limitInDoubt', numbers };
    case 'inside':
      return { id: 'inside', numbers: { shows: 'wear', ...numbers } };
  }
}

function chainNumbers(
  { limit }: MeasuredCheck,
  { limitPercent }: WearLimits,
  { value, expanded }: { readonly value: number; readonly expanded: number },
): WearNumbers['chain'] {
  if (limit.type !== 'elongation' || limitPercent === undefined) return undefined;
  return {
    percent: elongation(value, limit.pitches, limit.pitch),
    limitPercent,
    pitches: limit.pitches,
    pitchesNeeded: pitchesNeeded(expanded, limit.pitch, limitPercent),
  };
}

/** Which readings are ticks. Moments. */
export interface TickSpan {
  /** the last that counts */
  readonly until?: string;
  /** when the life began; its last renewal unless said */
  readonly since?: string;
  /** when the next life began */
  readonly before?: string | undefined;
}

/**
 * Ticks of the life that runs at `until`, struck ones among them.
 */
export function ticksOf(
  { nominal, limit }: WearLimits,
  place: PlaceHistory,
  { until = END_OF_TIME, since, before = END_OF_TIME }: TickSpan = {},
): StripTick[] {
  const start = since ?? lifeOf(place.live, until)?.takenAt ?? '';
  const ticks: StripTick[] = [];
  for (const r of place.all) {
    if (r.value.kind !== 'measure' || r.takenAt < start) continue;
    if (r.takenAt > until || r.takenAt >= before) continue;
    ticks.push({
      readingId: r.id,
      wear: wearFraction(middleOf(r.value.values), nominal, limit),
      hours: r.hours,
      takenAt: r.takenAt,
      struck: place.struck.has(r.id),
      state: r.state,
      round: roundOf(r),
    });
  }
  return ticks;
}

/** Readings of one round boiled down to one: their median, at the hours of the first. */
export function byRound<T extends Pick<StripTick, 'wear' | 'hours' | 'round'>>(
  ticks: readonly T[],
): readonly T[] {
  const rounds = new Map<string, T[]>();
  for (const t of ticks) {
    const own = rounds.get(t.round);
    if (own) own.push(t);
    else rounds.set(t.round, [t]);
  }
  return rounds.size === ticks.length
    ? ticks
    : [...rounds.values()].flatMap(([first, ...rest]) =>
        first ? { ...first, wear: middleOf([first, ...rest].map((t) => t.wear)) } : [],
      );
}

/**
 * Wear cannot shrink: a finding when the newest round lies below an earlier one by more than both
 * can explain.
 */
export function shrinkFinding(read: readonly StripTick[], expanded: number): [Finding] | undefined {
  const ticks = byRound(read);
  if (ticks.length < 2) return undefined;
  const found = shrinkages(
    ticks.map((t) => ({ hours: t.hours, y: t.wear, sigma: PROCESS_NOISE })),
    Math.hypot(expanded, 2 * PROCESS_NOISE),
  ).at(-1);
  const [newest, most] = [ticks.at(-1), ticks[found?.before ?? -1]];
  if (found?.index !== ticks.length - 1 || !newest || !most) return undefined;
  const numbers = { before: most.wear, wear: newest.wear, beforeHours: most.hours };
  return [{ id: 'shrunk', numbers }];
}
