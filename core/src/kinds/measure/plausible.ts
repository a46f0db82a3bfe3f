import type { MeasuredCheck, Reading, ReadingValue } from '../../contracts';
import {
  againstLimit,
  judgeRepeats,
  middleOf,
  OUTSIDE_BAND,
  toolUncertainty,
  type Finding,
  type ImplausibleNumbers,
} from '../../findings';
import { wearFraction, wearLimitsOf } from './wear';

/** A new part may be better than the book by so much of the way to its limit. Shop rule. */
const NEW_TOLERANCE = 0.1;
/** Nobody runs a part to more than so many times its way to the limit. Shop rule. */
const FURTHEST = 2.5;

/** What can be read at all, in the core's own unit: better than new at one end, gone at the other. */
export interface PlausibleRange {
  readonly low: number;
  readonly high: number;
  /** the end at which a new part lies; undefined where nothing wears */
  readonly newEnd: 'low' | 'high' | undefined;
}

/**
 * What a reading can be: not better than new by more than the tool and the new part's tolerance
 * explain, nor further gone than a part can run, nor outside what the sheet calls plausible.
 */
export function plausibleRange(check: MeasuredCheck): PlausibleRange {
  const { low = -Infinity, high = Infinity } = check.plausible ?? {};
  const limits = wearLimitsOf(check);
  if (!limits) return { low, high, newEnd: undefined };
  const range = Math.abs(limits.nominal - limits.limit);
  const expanded = 2 * toolUncertainty(check.tool, check.limit.type === 'elongation');
  const better = (check.newTolerance ?? NEW_TOLERANCE * range) + expanded;
  const smaller = limits.limit < limits.nominal;
  return smaller
    ? {
        low: Math.max(low, limits.nominal - FURTHEST * range),
        high: Math.min(high, limits.nominal + better),
        newEnd: 'high',
      }
    : {
        low: Math.max(low, limits.nominal - better),
        high: Math.min(high, limits.nominal + FURTHEST * range),
        newEnd: 'low',
      };
}

/** Which of several values cannot well be, and how; undefined when all can. */
export function implausibleMeasure(
  check: MeasuredCheck,
  value: ReadingValue,
): ImplausibleNumbers | undefined {
  if (value.kind !== 'measure') return undefined;
  const { low, high, newEnd } = plausibleRange(check);
  for (const v of value.values) {
    if (v < low - 1e-9)
      return { value: v, edge: low, side: newEnd === 'low' ? 'betterThanNew' : 'tooFar' };
    if (v > high + 1e-9)
      return { value: v, edge: high, side: newEnd === 'high' ? 'betterThanNew' : 'tooFar' };
  }
  return undefined;
}

/** A limit proven passed, or a band that cannot be set proven left: a look later does not undo it. */
export function spoiltMeasure(check: MeasuredCheck, reading: Reading): Finding | undefined {
  const { value } = reading;
  if (value.kind !== 'measure' || implausibleMeasure(check, value)) return undefined;
  const tool = reading.tool ?? check.tool;
  const limits = wearLimitsOf(check);
  const repeats = judgeRepeats(value.values, tool, check.limit.type === 'elongation', true);
  if (repeats.scattered) return undefined;
  if (limits) {
    const { nominal, limit } = limits;
    const wear = wearFraction(repeats.value, nominal, limit);
    if (againstLimit(wear, repeats.expanded / Math.abs(nominal - limit)) !== 'out')
      return undefined;
    const { expanded, count, spread } = repeats;
    return {
      id: 'limitWasReached',
      numbers: {
        value: middleOf(value.values),
        expanded,
        count,
        spread,
        nominal,
        limit,
        wear,
        on: reading.takenAt.slice(0, 10),
        atHours: reading.hours,
      },
    };
  }
  return check.limit.type === 'band' ? leftBand(check.limit, repeats) : undefined;
}

function leftBand(
  limit: Extract<MeasuredCheck['limit'], { type: 'band' }>,
  { value, expanded, count, spread }: ReturnType<typeof judgeRepeats>,
): Finding | undefined {
  const { low, high } = limit;
  const below = low !== undefined && value + expanded < low;
  const above = high !== undefined && value - expanded > high;
  if (!below && !above) return undefined;
  const does = below ? limit.below : limit.above;
  if (does === 'adjust') return undefined;
  const numbers = { value, expanded, count, spread, low, high };
  return { id: OUTSIDE_BAND[does], numbers: { ...numbers, side: below ? 'below' : 'above' } };
}
