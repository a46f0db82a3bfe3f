import { median, standardDeviation } from 'simple-statistics';
import type { Tool } from '../contracts';
import { InputError, positive, zeroOrMore } from '../units';

/** Repeats boiled down: their median and how far it can be trusted. mm. */
export interface Repeats {
  readonly value: number;
  readonly count: number;
  /** expanded, k = 2 */
  readonly expanded: number;
  /** the tool's own standard uncertainty */
  readonly toolUncertainty: number;
  /** spread of the repeats is beyond the tool's own */
  readonly scattered: boolean;
  readonly spread: number;
}

/** Median of repeats, at least one; most often there is just the one. */
export function middleOf(values: readonly number[]): number {
  return values.length === 1 ? (values[0] ?? NaN) : median([...values]);
}

/**
 * Standard uncertainty of a tool: its own figure, at least resolution/√12; twice over in square when both
 * ends of a length count.
 * @returns mm
 * @see GUM (JCGM 100), uniform distribution over one scale division
 */
export function toolUncertainty(
  tool: Pick<Tool, 'resolution' | 'uncertainty'>,
  bothEnds: boolean,
): number {
  const scale = positive('resolution', tool.resolution) / Math.sqrt(12);
  // nobody reads surer than the scale is divided, whatever the tool's papers say
  const single = Math.max(tool.uncertainty ?? 0, scale);
  return bothEnds ? single * Math.SQRT2 : single;
}

/**
 * Median of repeats and its expanded uncertainty U = 2·√(u_tool² + s²/n).
 * Scattered when they lie further apart than six of the tool's own standard uncertainties (±3).
 * @param values repeats, mm, at least one
 * @throws InputError
 * @example judgeRepeats([35.1], { resolution: 0.1 }, false).expanded // 0.0577
 */
export function judgeRepeats(
  values: readonly number[],
  tool: Pick<Tool, 'resolution' | 'uncertainty'>,
  bothEnds: boolean,
  zeroAllowed = false,
): Repeats {
  const n = values.length;
  if (n === 0) throw new InputError('values', '[]', 'at least one reading');
  for (const v of values)
    if (zeroAllowed) zeroOrMore('values', v);
    else positive('values', v);
  const u = toolUncertainty(tool, bothEnds);
  if (n === 1)
    return {
      value: values[0] ?? 0,
      count: 1,
      expanded: 2 * u,
      toolUncertainty: u,
      scattered: false,
      spread: 0,
    };
  const kept = withoutOdd(values, 6 * u);
  const m = kept.length;
  const s = standardDeviation([...kept]) * Math.sqrt(m / (m - 1));
  const spread = Math.max(...kept) - Math.min(...kept);
  return {
    value: middleOf(values),
    count: n,
    expanded: 2 * Math.sqrt(u * u + (s * s) / m),
    toolUncertainty: u,
    scattered: spread > 6 * u + 1e-9,
    spread,
  };
}

/** One odd value among at least so many may be set aside. */
const MANY_REPEATS = 5;

/**
 * Repeats without the odd one: a slip of the hand must not keep a place in doubt for ever. Set aside
 * is only what lies further from the median than the tool explains, at most one in five, and only
 * where the others agree.
 */
function withoutOdd(values: readonly number[], explained: number): readonly number[] {
  if (values.length < MANY_REPEATS) return values;
  const middle = middleOf(values);
  const kept = values.filter((v) => Math.abs(v - middle) <= explained);
  return kept.length >= values.length * (1 - 1 / MANY_REPEATS) - 1e-9 ? kept : values;
}

/** Repeats from which nothing better can be had with the tool at hand. */
export const ENOUGH_REPEATS = 3;

/**
 * Where a wear fraction stands against its limit, 1, by ISO 14253-1: proven only when the whole ±U
 * is on one side.
 */
export function againstLimit(wear: number, expanded: number): 'inside' | 'doubt' | 'out' {
  if (wear - expanded >= 1 - 1e-12) return 'out';
  return wear + expanded < 1 - 1e-12 ? 'inside' : 'doubt';
}
