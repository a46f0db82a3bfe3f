import type { Check, Reading } from '../contracts';
import { byCheck, ofThisHeader, placesOf, type HeaderOn, type PlaceHistory } from '../history';
import { atPlace, classKey, wearLimitsOf } from '../kinds';
import { isMeasured, measuredTicks, spans } from './lines';

/** One part in its place, from the hour it was fitted. */
export interface PartLife {
  /** component class */
  readonly key: string;
  readonly checkId: string;
  readonly place: string;
  /** machine hours when it was fitted, and when it was taken out; null while it still runs */
  readonly from: number;
  readonly to: number | null;
  /** of the way to its limit when it was last read; null where wear is not measured or was not read */
  readonly worn: number | null;
}

/**
 * The lives of the parts of a machine whose beginning is on record: each renewal begins one and ends
 * the one before. A part that was there before anything was renewed has no known age and is none.
 * @param readings of the machine
 * @param header the header on it
 */
export function partLivesOf(
  checks: readonly Check[],
  readings: readonly Reading[],
  header: HeaderOn,
): PartLife[] {
  const own = byCheck(readings);
  return checks.flatMap((check) => {
    if (check.kind === 'service') return [];
    const { read } = placesOf(check.places, ofThisHeader(check, own.get(check.id) ?? [], header));
    return read.flatMap((place) => livesAt(check, place));
  });
}

function livesAt(check: Check, place: PlaceHistory): PartLife[] {
  const here = atPlace(check, place.place);
  const limits = isMeasured(here) ? wearLimitsOf(here) : undefined;
  return spans(place.live, (r) => r.renewed).flatMap((span): PartLife[] => {
    const { begins, ends } = span;
    // hours that run backwards are asked about elsewhere; a life of less than nothing is none
    if (!begins || (ends && ends.hours < begins.hours)) return [];
    const worn =
      limits && isMeasured(here)
        ? measuredTicks(here, limits, place, span).at(-1)?.wear
        : undefined;
    return [
      {
        ...{ key: classKey(check, 'wear'), checkId: check.id, place: place.place },
        ...{ from: begins.hours, to: ends?.hours ?? null, worn: worn ?? null },
      },
    ];
  });
}
