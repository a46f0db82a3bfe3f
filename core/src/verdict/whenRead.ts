import type { Check } from '../contracts';
import type { Finding } from '../findings';
import { isMain, lifeOf, type PlaceHistory } from '../history';
import { lastDoneOf, nextDue, type DueFacts, type LastDone, type UseRate } from '../intervals';
import type { MachineFacts } from '../kinds';

/**
 * Whether what was read still counts, by the one rule of intervals: lapsed, or a new part's early
 * look still to come.
 */
export function whenRead(
  check: Check,
  place: PlaceHistory,
  facts: MachineFacts,
): readonly Finding[] {
  const main = place.inForce.findLast(isMain);
  if (!main) return [];
  const last = lastDoneOf(main, lifeOf(place.live, main.takenAt)?.hours);
  const due = nextDue(check.interval, last, dueFactsOf(facts, last));
  if (!due.lapsed)
    return due.by === 'early' && due.atHours !== null
      ? [{ id: 'earlyRecheck', numbers: { lookAgain: due.atHours } }]
      : [];
  // a service that is over says so itself, with its amount and product
  if (check.kind === 'service' && check.interval.kind === 'every') return [];
  const numbers = {
    on: last.on,
    atHours: last.hours,
    interval: check.interval,
    dueAt: due.atHours,
    early: due.by === 'early' || due.by === 'once',
  };
  return [{ id: 'lapsed', numbers }];
}

/** Where the day or the season is not known nothing lapses by them, only by hours. */
function dueFactsOf(
  { hours, today, use, crop, cropSince, headerSerial: header }: MachineFacts,
  last: LastDone,
): DueFacts {
  const known = today !== undefined && use !== undefined;
  return {
    now: Math.max(hours, last.hours),
    today: known ? today : last.on,
    use: known ? use : NO_SEASON,
    nextCrop: crop,
    cropSince,
    header,
  };
}

const NO_SEASON: UseRate = {
  seasonStart: '1970-01-01',
  seasonEnd: '9000-12-31',
  inSeason: 0,
  outOfSeason: 0,
};
