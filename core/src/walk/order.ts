import { takeUpOf, type Check, type Reading, type Walk } from '../contracts';

/** Where one check stands in a walk. `again`: a later adjustment elsewhere has loosened it. */
export interface WalkStop {
  readonly check: Check;
  readonly state: 'due' | 'begun' | 'done' | 'again';
  readonly because?: { readonly component: string; readonly why: string };
}

/**
 * The stops of a walk, front to back, with what this walk's readings have already settled.
 * A check is begun while one of its places is unread, and due again when work on another check knocks on to it.
 */
export function walkStops(
  checks: readonly Check[],
  walk: Pick<Walk, 'id'>,
  readings: readonly Reading[],
): WalkStop[] {
  const struck = new Set(readings.map((r) => r.strikes));
  const own = readings.filter((r) => r.walkId === walk.id && !struck.has(r.id));
  return [...checks]
    .sort((a, b) => a.station - b.station)
    .map((check) => {
      const mine = own.filter((r) => r.checkId === check.id);
      if (mine.length === 0) return { check, state: 'due' };
      const knocked = checks.flatMap((other) =>
        other.knockOns.flatMap((k) => {
          if (!('check' in k) || k.check !== check.id) return [];
          const changed = own
            .filter((r) => r.checkId === other.id && r.state === 'asLeft')
            .map((r) => r.takenAt)
            .sort()
            .at(-1);
          return changed && mine.every((r) => r.takenAt < changed)
            ? [{ component: other.component, why: k.why }]
            : [];
        }),
      )[0];
      if (knocked) return { check, state: 'again', because: knocked };
      return { check, state: unreadPlaces(check, mine).length ? 'begun' : 'done' };
    });
}

/** Places of a check still without a main reading, or without the travel left that it needs. */
export function unreadPlaces(check: Check, readings: readonly Reading[]): string[] {
  const needsTravel = takeUpOf(check) !== undefined;
  return check.places.filter((place) => {
    const own = readings.filter((r) => r.checkId === check.id && r.place === place);
    if (
      own.some(
        (r) =>
          r.value.kind === 'skip' ||
          (r.value.kind === 'look' && !own.some((o) => o.value.kind === 'measure')),
      )
    )
      return false;
    const main = own.some((r) => r.value.kind !== 'travel' && r.value.kind !== 'look');
    return !main || (needsTravel && !own.some((r) => r.value.kind === 'travel'));
  });
}

/** The stop to go to next: the first not done, after `from` when given, wrapping round; undefined when the walk is done. */
export function nextStop(stops: readonly WalkStop[], from?: string): WalkStop | undefined {
  const at = stops.findIndex((s) => s.check.id === from);
  return [...stops.slice(at + 1), ...stops.slice(0, at + 1)].find((s) => s.state !== 'done');
}
