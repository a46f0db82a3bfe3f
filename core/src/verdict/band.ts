import type { BandLimit, MeasuredCheck, Reading } from '../contracts';
import type { Finding, FindingId } from './precedence';
import { finite } from '../units';
import { ENOUGH_REPEATS, judgeRepeats } from './uncertainty';

/** Where one reading lies against its band; values in the core's own unit of the quantity. */
export interface BandJudgement {
  readonly value: number;
  readonly expandedLength: number;
  readonly findings: readonly Finding[];
}

/**
 * Judges a clearance, gap, tension, voltage or speed against its band by ISO 14253-1: proven outside only when the whole ±U is, in
 * doubt when an edge lies within it. After three repeats nothing better can be had: then the side the median lies on counts, and
 * the edge itself is inside.
 * @param inService hours since the part was new: a new belt has its own band until it is run in
 */
export function judgeBand(
  check: MeasuredCheck,
  limit: BandLimit,
  values: readonly number[],
  tool: Reading['tool'],
  inService: number | undefined,
): BandJudgement {
  const repeats = judgeRepeats(values, tool ?? check.tool, false, true);
  const running =
    limit.whenNew && inService !== undefined && inService < limit.whenNew.hours
      ? limit.whenNew
      : limit;
  const { low, high } = running;
  if (low !== undefined) finite('low', low);
  if (high !== undefined) finite('high', high);
  const { value, expanded, count, spread } = repeats;
  const numbers = {
    value,
    expanded,
    count,
    spread,
    ...(low === undefined ? {} : { low }),
    ...(high === undefined ? {} : { high }),
  };
  const findings: Finding[] = [];
  if (repeats.scattered) findings.push({ id: 'scatter', numbers });
  const below = low !== undefined && value < low;
  const above = high !== undefined && value > high;
  const nearest =
    low !== undefined && (high === undefined || Math.abs(value - low) <= Math.abs(value - high))
      ? low
      : (high ?? value);
  const doubtful = Math.abs(value - nearest) < expanded - 1e-12 && count < ENOUGH_REPEATS;
  if (doubtful)
    findings.push({
      id: 'bandInDoubt',
      numbers: { ...numbers, limit: nearest, edge: nearest === low ? 'lowest' : 'highest' },
    });
  else if (below || above)
    findings.push({
      id: OUTSIDE[below ? limit.below : limit.above],
      numbers: { ...numbers, side: below ? 'below' : 'above' },
    });
  if (!findings.length) findings.push({ id: 'inside', numbers });
  return { value, expandedLength: expanded, findings };
}

const OUTSIDE: Readonly<Record<BandLimit['below'], FindingId>> = {
  adjust: 'bandAdjust',
  replace: 'bandReplace',
  turn: 'bandTurn',
};

/** Places that must agree, such as the four corners of a concave: a finding when two of them differ by more than the sheet allows. */
export function placesFinding(
  allowed: number,
  places: readonly { readonly place: string; readonly value: number | undefined }[],
): Finding | undefined {
  let [least, most]: [(typeof places)[number] | undefined, (typeof places)[number] | undefined] = [
    undefined,
    undefined,
  ];
  for (const p of places) {
    if (p.value === undefined) continue;
    if (least?.value === undefined || p.value < least.value) least = p;
    if (most?.value === undefined || p.value > most.value) most = p;
  }
  if (least?.value === undefined || most?.value === undefined) return undefined;
  const difference = most.value - least.value;
  return difference > allowed + 1e-9
    ? {
        id: 'placesDiffer',
        numbers: {
          a: least.place,
          b: most.place,
          atA: least.value,
          atB: most.value,
          difference,
          allowed,
        },
      }
    : undefined;
}
