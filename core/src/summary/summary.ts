import type { Check, Decision, Reading, Walk } from '../contracts';
import { saidOf } from '../earlier';
import { byCheck, live, struckIds } from '../history';
import type { CheckVerdict } from '../verdict';
import { unreadPlaces } from '../walk';

/** A place that was set aside, and why. */
export interface SetAside {
  readonly check: Check;
  readonly place: string;
  readonly why: string;
}

/** A reading that was struck, and what it had said. */
export interface Struck {
  readonly check: Check;
  readonly place: string;
  readonly said: string;
  readonly by: string;
}

/** What a walk came to, for who ends it and signs for it. */
export interface WalkSummary {
  /** checks read in this walk by what they came to, what needs a hand first */
  readonly decisions: readonly {
    readonly decision: Decision;
    readonly verdicts: readonly CheckVerdict[];
  }[];
  /** put right in this walk and read as left */
  readonly putRight: readonly CheckVerdict[];
  /** not measured, with why */
  readonly setAside: readonly SetAside[];
  /** of this walk and not read: it stays due */
  readonly undone: readonly { readonly check: Check; readonly places: readonly string[] }[];
  /** read while the machine did not stand as wanted: worth nothing */
  readonly worthless: readonly { readonly check: Check; readonly places: readonly string[] }[];
  readonly struck: readonly Struck[];
  readonly photos: number;
  /** who read something, in the order they came */
  readonly people: readonly string[];
}

/** As they are told at the end: what needs a hand, what is in doubt, what stands. */
const LOUDEST_FIRST: readonly Decision[] = [
  'replace',
  'turn',
  'shorten',
  'adjust',
  'remeasure',
  'due',
  'watch',
  'holds',
];

/** What a walk is summed up from. */
export interface Walked {
  readonly walk: Pick<Walk, 'id'>;
  /** of the walk, in its order */
  readonly checks: readonly Check[];
  readonly readings: readonly Reading[];
  readonly photos: readonly { readonly walkId: string | null; readonly dropped: unknown }[];
  readonly verdicts: readonly CheckVerdict[];
}

/** Sums up a walk: what was found, what was not, and what does not count. */
export function summaryOf({ walk, checks, readings, photos, verdicts }: Walked): WalkSummary {
  const all = readings.filter((r) => r.walkId === walk.id);
  const struck = struckIds(readings);
  const own = byCheck(live(all, readings));
  const of = (check: Check) => own.get(check.id) ?? [];
  const read = verdicts.filter(({ check, places }) =>
    places.some((p) => p.round === walk.id && of(check).length > 0),
  );
  const byId = new Map(checks.map((c) => [c.id, c]));
  const places = (check: Check, wanted: (r: Reading) => boolean) => ({
    check,
    places: [
      ...new Set(
        of(check)
          .filter(wanted)
          .map((r) => r.place),
      ),
    ],
  });
  return {
    decisions: LOUDEST_FIRST.map((decision) => ({
      decision,
      verdicts: read.filter((v) => v.decision === decision),
    })).filter((d) => d.verdicts.length > 0),
    putRight: read.filter(({ check }) => of(check).some((r) => r.state === 'asLeft')),
    setAside: checks.flatMap((check) =>
      of(check).flatMap(({ place, value }) =>
        value.kind === 'skip' ? [{ check, place, why: value.why }] : [],
      ),
    ),
    undone: checks
      .map((check) => ({ check, places: unreadPlaces(check, of(check)) }))
      .filter((u) => u.places.length > 0),
    worthless: checks
      .map((check) => places(check, (r) => !r.positionConfirmed))
      .filter((v) => v.places.length > 0),
    struck: all.flatMap((r) => {
      const check = byId.get(r.checkId);
      return check && struck.has(r.id)
        ? [{ check, place: r.place, said: saidOf(check, r), by: r.by }]
        : [];
    }),
    photos: photos.filter((p) => p.walkId === walk.id && !p.dropped).length,
    people: [
      ...new Set([...all].sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1)).map((r) => r.by)),
    ],
  };
}
