import type { BandLimit, MeasuredCheck, Reading } from '../../contracts';
import type { MachineFacts, Seen } from '../kind';
import { forecastWear } from './forecast';
import { priorFor, type SheetRate } from './prior';
import { implausibleMeasure } from './plausible';
import { ticksOf, type WearLimits } from './wear';
import type { Lasting } from './worthLeaving';

/** A setting lies so far from the middle of its band when it is left. Model assumption. */
const AS_SET = { a0: 0, sa: 0.25 } as const;

/**
 * A band and the edge that a setting drifts to, as if it wore: 0 in the middle, 1 at the edge.
 * @returns undefined where the sheet gives no drift, or no edge that way
 */
export function driftLimitsOf({ limit, drift }: MeasuredCheck): WearLimits | undefined {
  if (limit.type !== 'band' || !drift) return undefined;
  const edge = drift.perHour < 0 ? limit.low : limit.high;
  const middle = middleOfBand(limit, edge);
  return edge === undefined || middle === undefined || middle === edge
    ? undefined
    : { nominal: middle, limit: edge };
}

/** The best value; else the middle; of a band with one edge alone nobody knows it. */
function middleOfBand({ nominal, low, high }: BandLimit, edge: number | undefined) {
  if (nominal !== undefined) return nominal;
  if (low !== undefined && high !== undefined) return (low + high) / 2;
  // with one edge: as far inside as a tenth of it, so that some way is left to drift
  return edge === undefined ? undefined : edge + (edge === low ? 0.1 : -0.1) * edge;
}

/** Drift of the sheet, of the way from the middle of its band to the edge. */
export function driftRate(check: MeasuredCheck, limits: WearLimits): SheetRate | undefined {
  if (!check.drift) return undefined;
  const way = limits.limit - limits.nominal;
  return { ...AS_SET, mu: check.drift.perHour / way, tau: check.drift.sd / Math.abs(way) };
}

/** The reading with which a setting was last left, or its part renewed or repaired. */
export const lastSet = (live: readonly Reading[], until: string): Reading | undefined =>
  live.findLast((r) => isSetting(r) && r.takenAt <= until);

/** Whether a reading begins a setting anew. */
export const isSetting = (r: Reading): boolean =>
  r.renewed || r.repaired || (r.state === 'asLeft' && r.value.kind === 'measure');

/** A setting forecast to the edge of its band; undefined where the sheet gives no drift. */
export function forecastDrift(
  check: MeasuredCheck,
  { place, main, now }: Seen,
  { facts, expandedValue }: { readonly facts: MachineFacts; readonly expandedValue: number },
): Lasting | undefined {
  const limits = driftLimitsOf(check);
  const prior =
    limits &&
    priorFor(check, 'drift', {
      sheet: driftRate(check, limits),
      rates: facts.rates,
      atNew: AS_SET,
    });
  if (!limits || !prior || check.limit.type !== 'band') return undefined;
  const set = lastSet(place.live, main.takenAt);
  const doubtful = new Set(
    place.live.flatMap((r) => (implausibleMeasure(check, r.value) ? [r.id] : [])),
  );
  const ticks = ticksOf(limits, place, { until: main.takenAt, since: set?.takenAt ?? '' }).filter(
    (t) => !t.struck && !doubtful.has(t.readingId),
  );
  const forecast = forecastWear(prior, ticks, {
    expanded: expandedValue / Math.abs(limits.limit - limits.nominal),
    newAt: set?.hours,
    now,
    season: facts.seasonHours,
  });
  const edge = limits.limit < limits.nominal ? check.limit.below : check.limit.above;
  return {
    wear: ticks.at(-1)?.wear ?? 0,
    forecast,
    by: edge === 'replace' ? 'replace' : 'adjust',
  };
}
