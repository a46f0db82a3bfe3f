import type { Job } from '../work';
import { pooledSpread, together, type Ranged, type Seen } from './shrink';

/** What jobs of a kind took against the sheet's minutes. */
export interface JobMinutes extends Ranged {
  readonly kind: string;
  readonly jobs: number;
}

/** One job of a kind usually lies so far from another, as a factor: e to the power of it. */
const USUAL_SPREAD = 0.25;
/** Kinds lie so far apart. */
const KIND_SCALE = 0.4;

/**
 * What jobs took against the sheet, by kind, as a factor: kinds with few jobs are drawn toward what all
 * kinds took.
 */
export function jobMinutes(jobs: readonly Job[]): JobMinutes[] {
  const byKind = new Map<string, Seen[]>();
  for (const { kind, ratio } of jobs) {
    if (!(ratio > 0)) continue;
    // how sure one job is is not known by itself: all of its scatter is between jobs
    byKind.set(kind, [...(byKind.get(kind) ?? []), { value: Math.log(ratio), se: SURE }]);
  }
  const kinds = [...byKind];
  if (!kinds.length) return [];
  const spread = pooledSpread(
    kinds.map(([, own]) => own),
    USUAL_SPREAD,
  );
  const all = together(
    kinds.map(([, own]) => ({
      value: own.reduce((sum, j) => sum + j.value, 0) / own.length,
      se: spread / Math.sqrt(own.length),
    })),
    KIND_SCALE,
  );
  return kinds.map(([kind, own], i) => {
    const { value, low, high } = all.group(i);
    return {
      ...{ kind, jobs: own.length },
      ...{ value: Math.exp(value), low: Math.exp(low), high: Math.exp(high) },
    };
  });
}

const SURE = 1e-3;
