import type { BandLimit, Tool } from '../../contracts';
import {
  ENOUGH_REPEATS,
  judgeRepeats,
  OUTSIDE_BAND,
  type BandNumbers,
  type Finding,
  type Repeats,
} from '../../findings';
import { finite } from '../../units';

/** Where one reading lies against its band; values in the core's own unit of the quantity. */
export interface BandJudgement {
  readonly value: number;
  readonly expandedValue: number;
  readonly findings: readonly Finding[];
}

/** What was measured against a band. */
export interface BandReading {
  /** repeats, in the core's own unit */
  readonly values: readonly number[];
  readonly tool: Pick<Tool, 'resolution' | 'uncertainty'>;
  /**
   * hours since the part was new: a new belt has its own band until it is run in; undefined when
   * not known
   */
  readonly inService: number | undefined;
}

/**
 * Judges a clearance, gap, tension, voltage or speed against its band by ISO 14253-1: proven
 * outside only when the whole ±U is,
 * in doubt when an edge lies within it. After three repeats nothing better can be had: then the
 * side the median lies on counts,
 * and the edge itself is inside; an edge at which the part is renewed is a wear limit, and counts as
 * reached.
 */
export function judgeBand(limit: BandLimit, reading: BandReading): BandJudgement {
  const repeats = judgeRepeats(reading.values, reading.tool, false, true);
  const { low, high } = bandInForce(limit, reading.inService);
  const { value, expanded, count, spread } = repeats;
  const numbers: BandNumbers = { value, expanded, count, spread, low, high };
  const against = againstBand(limit, numbers, repeats);
  const findings: Finding[] = [
    ...(repeats.scattered ? [{ id: 'scatter', numbers } as const] : []),
    ...(against ? [against] : []),
  ];
  return {
    value,
    expandedValue: expanded,
    findings: findings.length
      ? findings
      : [{ id: 'inside', numbers: { shows: 'band', ...numbers } }],
  };
}

function bandInForce(
  limit: BandLimit,
  inService: number | undefined,
): { low: number | undefined; high: number | undefined } {
  const runIn = limit.whenNew;
  const { low, high } = runIn && inService !== undefined && inService < runIn.hours ? runIn : limit;
  if (low !== undefined) finite('low', low);
  if (high !== undefined) finite('high', high);
  return { low, high };
}

/** A finding when the reading is outside its band or too near an edge to tell; undefined inside. */
function againstBand(
  limit: BandLimit,
  numbers: BandNumbers,
  { value, expanded, count }: Repeats,
): Finding | undefined {
  const { low, high } = numbers;
  const nearest = nearestEdge(value, low, high);
  if (Math.abs(value - nearest) < expanded - 1e-12 && count < ENOUGH_REPEATS)
    return {
      id: 'bandInDoubt',
      numbers: { ...numbers, limit: nearest, edge: nearest === low ? 'lowest' : 'highest' },
    };
  const near = Math.abs(value - nearest) < expanded - 1e-12;
  if (low !== undefined && (value < low || (near && nearest === low && limit.below === 'replace')))
    return { id: OUTSIDE_BAND[limit.below], numbers: { ...numbers, side: 'below' } };
  if (
    high !== undefined &&
    (value > high || (near && nearest === high && limit.above === 'replace'))
  )
    return { id: OUTSIDE_BAND[limit.above], numbers: { ...numbers, side: 'above' } };
  return undefined;
}

function nearestEdge(value: number, low: number | undefined, high: number | undefined): number {
  if (low === undefined) return high ?? value;
  return high === undefined || Math.abs(value - low) <= Math.abs(value - high) ? low : high;
}

/**
 * Places that must agree, such as the four corners of a concave: a finding when two of them differ
 * by more than the sheet allows.
 */
export function placesFinding(
  allowed: number,
  places: readonly { readonly place: string; readonly value: number | undefined }[],
): Finding<'placesDiffer'> | undefined {
  const read = places.flatMap(({ place, value }) =>
    value === undefined ? [] : [{ place, value }],
  );
  const least = read.reduce((a, b) => (b.value < a.value ? b : a), read[0] ?? NOWHERE);
  const most = read.reduce((a, b) => (b.value > a.value ? b : a), read[0] ?? NOWHERE);
  const difference = most.value - least.value;
  if (difference <= allowed + 1e-9) return undefined;
  const numbers = {
    a: least.place,
    b: most.place,
    atA: least.value,
    atB: most.value,
    difference,
    allowed,
  };
  return { id: 'placesDiffer', numbers };
}

const NOWHERE = { place: '', value: 0 };
