import { takeUpOf, type Check, type MeasuredCheck, type Reading } from '../contracts';
import { slopeOf, shrinkages, type SeenSlope, type WearPoint } from '../forecast';
import { byCheck, ofThisHeader, placesOf, type HeaderOn, type PlaceHistory } from '../history';
import {
  AT_NEW,
  atPlace,
  byRound,
  classKey,
  driftLimitsOf,
  implausibleMeasure,
  isSetting,
  PROCESS_NOISE,
  ticksOf,
  TRAVEL_AT_NEW,
  travelTicks,
  travelUncertainty,
  wearLimitsOf,
  type WearLimits,
} from '../kinds';
import { toolUncertainty } from '../findings';

/** How fast one part wore in its life, of the way to its limit an hour, by its class. */
export interface LifeSlope extends SeenSlope {
  readonly key: string;
  readonly checkId: string;
  readonly place: string;
}

type Slope = Pick<LifeSlope, 'key' | 'slope' | 'se'>;

export interface Ticked {
  readonly wear: number;
  readonly hours: number;
  readonly round: string;
}

/** One life of one place: since when, and what was read. */
interface Lived {
  readonly newAt: number | undefined;
  readonly ticks: readonly Ticked[];
}

/**
 * How fast every part of a machine has worn, drifted or used up its travel, life by life. A life
 * that says nothing of its slope is left out; so is one that seems to hide a new part.
 * @param readings of the machine
 * @param header the header on it
 */
export function slopesOf(
  checks: readonly Check[],
  readings: readonly Reading[],
  header: HeaderOn,
): LifeSlope[] {
  const own = byCheck(readings);
  return checks.flatMap((check) => {
    const { read } = placesOf(check.places, ofThisHeader(check, own.get(check.id) ?? [], header));
    return read.flatMap((place) => {
      const here = atPlace(check, place.place);
      return [
        ...(isMeasured(here) ? [...wearSlopes(here, place), ...driftSlopes(here, place)] : []),
        ...travelSlopes(here, place),
      ].map((slope) => ({ ...slope, checkId: check.id, place: place.place }));
    });
  });
}

export const isMeasured = (check: Check): check is MeasuredCheck =>
  check.kind === 'measure' || check.kind === 'series';

function wearSlopes(check: MeasuredCheck, place: PlaceHistory): Slope[] {
  const limits = wearLimitsOf(check);
  if (!limits) return [];
  const lives = spans(place.live, (r) => r.renewed).map((span) => ({
    newAt: span.begins?.hours,
    ticks: measuredTicks(check, limits, place, span),
  }));
  const anchor = check.wearRate ? { a0: check.wearRate.atNew, sa: check.wearRate.atNewSd } : AT_NEW;
  const key = classKey(check, 'wear');
  return slopes(key, lives, { sigma: sigmaOf(check, limits), anchor });
}

function driftSlopes(check: MeasuredCheck, place: PlaceHistory): Slope[] {
  const limits = driftLimitsOf(check);
  if (!limits) return [];
  const lives = spans(place.live, isSetting).map((span) => ({
    newAt: span.begins?.hours,
    ticks: measuredTicks(check, limits, place, span),
  }));
  // how it was set is read, not expected
  return slopes(classKey(check, 'drift'), lives, {
    sigma: sigmaOf(check, limits),
    anchor: undefined,
  });
}

function travelSlopes(check: Check, { live }: PlaceHistory): Slope[] {
  const takeUp = takeUpOf(check);
  if (!takeUp) return [];
  const lives = spans(live, (r) => r.renewed).map(({ begins, ends }) => ({
    newAt: begins?.hours,
    ticks: travelTicks(takeUp, live, { renewal: begins, before: ends?.takenAt }),
  }));
  return slopes(classKey(check, 'travel'), lives, {
    sigma: Math.hypot(travelUncertainty(takeUp) / 2, PROCESS_NOISE),
    anchor: TRAVEL_AT_NEW,
  });
}

/** A stretch of time between two readings that begin something anew. */
export interface Span {
  readonly begins: Reading | undefined;
  readonly ends: Reading | undefined;
}

export function spans(live: readonly Reading[], begins: (r: Reading) => boolean): Span[] {
  const starts = live.filter(begins);
  return [undefined, ...starts].map((start, i) => ({ begins: start, ends: starts[i] }));
}

/** The readings of a place in a span as shares of the way to the limit; none that cannot be. */
export function measuredTicks(
  check: MeasuredCheck,
  limits: WearLimits,
  place: PlaceHistory,
  { begins, ends }: Span,
): readonly Ticked[] {
  const cannotBe = new Set(
    place.live.flatMap((r) => (implausibleMeasure(check, r.value) ? [r.id] : [])),
  );
  const span = { since: begins?.takenAt ?? '', before: ends?.takenAt };
  return ticksOf(limits, place, span).filter((t) => !t.struck && !cannotBe.has(t.readingId));
}

const sigmaOf = (check: MeasuredCheck, { nominal, limit }: WearLimits): number =>
  Math.hypot(
    toolUncertainty(check.tool, check.limit.type === 'elongation') / Math.abs(nominal - limit),
    PROCESS_NOISE,
  );

interface Noise {
  readonly sigma: number;
  /** what a new part is expected to read, where that is a point of its line */
  readonly anchor: { readonly a0: number; readonly sa: number } | undefined;
}

function slopes(key: string, lives: readonly Lived[], { sigma, anchor }: Noise): Slope[] {
  return lives.flatMap(({ newAt, ticks }) => {
    const read: WearPoint[] = byRound(ticks).map((t) => ({
      hours: t.hours - (newAt ?? 0),
      y: t.wear,
      sigma,
    }));
    if (shrinkages(read).length) return [];
    const points =
      newAt !== undefined && anchor
        ? [{ hours: 0, y: anchor.a0, sigma: anchor.sa }, ...read]
        : read;
    const [first] = points;
    const apart = points.some((p) => Math.abs(p.hours - (first?.hours ?? 0)) >= LEAST_APART);
    return apart ? [{ key, ...slopeOf(points) }] : [];
  });
}

/** Readings closer together than this say nothing of how fast it wears, h. */
const LEAST_APART = 10;
