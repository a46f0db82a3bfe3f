import { defaultElongationLimit, nominalLength } from '../chain';
import {
  takeUpOf,
  type Check,
  type MeasuredCheck,
  type Reading,
  type ReadingValue,
} from '../contracts';
import { atPlace } from '../kinds/varying';
import { reading } from './sheet';

/** Nothing amiss at any place: how each kind reads on a machine in order. For tests only. */
export const soundReadings = (check: Check, change: Partial<Reading> = {}): Reading[] =>
  check.places.flatMap((place) =>
    soundValues(atPlace(check, place)).map((value) => reading(check.id, place, value, change)),
  );

/** What is read at one place in order: the travel left first, where there is an adjuster. */
export function soundValues(check: Check): readonly ReadingValue[] {
  const takeUp = takeUpOf(check);
  const main = soundMain(check);
  return takeUp ? [travelLeft(0.95 * takeUp.total), main] : [main];
}

export const travelLeft = (left: number): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut: 0,
  typed: '',
  unit: 'mm',
});

function soundMain(check: Check): ReadingValue {
  switch (check.kind) {
    case 'measure':
    case 'series':
      return wornTo(check, 0.03);
    case 'mark':
      return { kind: 'mark', stands: 'at', by: 0 };
    case 'feel':
      return { kind: 'feel', feel: check.good[0]!, ...(check.asksPlay ? { play: false } : {}) };
    case 'gonogo':
      return { kind: 'gonogo', fits: check.good === 'fits' };
    case 'count':
      return { kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 };
    case 'condition':
      return { kind: 'condition', grade: 'sound', seen: [], found: '' };
    case 'level':
      return { kind: 'level', level: 'right', colour: '', product: '', toppedUp: null };
    case 'setting':
      return { kind: 'setting', option: check.expected[0]?.option ?? check.options[0]! };
    case 'service':
      return { kind: 'service', amount: check.amount ?? null, product: '' };
  }
}

/** A measure so far on its way from new (0) to its limit (1); of a band from its middle to an edge. */
export function wornTo(check: MeasuredCheck, part: number): ReadingValue {
  return {
    kind: 'measure',
    values: Array.from({ length: check.repeats }, () => lengthAt(check, part)),
    typed: [],
    unit: check.unit,
  };
}

function lengthAt({ limit }: MeasuredCheck, part: number): number {
  switch (limit.type) {
    case 'wear':
      return limit.nominal + part * (limit.limit - limit.nominal);
    case 'elongation': {
      const most = limit.limitPercent ?? defaultElongationLimit(limit.largerSprocketTeeth, true);
      return nominalLength(limit.pitches, limit.pitch) * (1 + (part * most) / 100);
    }
    case 'band': {
      const low = limit.low ?? 0;
      const high = limit.high ?? 2 * low;
      const middle = limit.nominal ?? (low + high) / 2;
      return limit.high === undefined
        ? middle - part * (middle - low)
        : middle + part * (high - middle);
    }
    case 'open':
      return 10;
  }
}
