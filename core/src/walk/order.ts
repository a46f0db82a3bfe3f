import { takeUpOf, type Check, type Reading, type ReadingKind, type Walk } from '../contracts';
import { byCheck, byPlace, isMain, isWork, live, newestOf } from '../history';

/** Where one check stands in a walk. `again`: a later adjustment elsewhere has loosened it. */
export interface WalkStop {
  readonly check: Check;
  readonly state: 'due' | 'begun' | 'done' | 'again';
  readonly because?: { readonly component: string; readonly why: string } | undefined;
}

/** The checks a walk is over: all of the machine, or those of a short walk. */
export const checksOfWalk = <C extends Pick<Check, 'id'>>(
  checks: readonly C[],
  { checks: only }: Pick<Walk, 'checks'>,
): readonly C[] => (only ? checks.filter((c) => only.includes(c.id)) : checks);

/**
 * The stops of a walk, in its order, with what this walk's readings have already settled.
 * A check is begun while one of its places is unread, and due again when work on another check
 * knocks on to it.
 */
export function walkStops(
  /** in the order of the walk */
  checks: readonly Check[],
  walk: Pick<Walk, 'id'>,
  readings: readonly Reading[],
): WalkStop[] {
  const own = byCheck(live(readings).filter((r) => r.walkId === walk.id));
  return checks.map((check) => {
    const mine = own.get(check.id) ?? [];
    if (mine.length === 0) return { check, state: 'due' };
    const because = knockedBy(check, mine, checks, own);
    if (because) return { check, state: 'again', because };
    return { check, state: unreadPlaces(check, mine).length ? 'begun' : 'done' };
  });
}

/** The check whose adjustment in this walk has loosened this one since it was read. */
function knockedBy(
  check: Check,
  mine: readonly Reading[],
  checks: readonly Check[],
  own: ReadonlyMap<string, readonly Reading[]>,
): WalkStop['because'] {
  for (const other of checks)
    for (const k of other.knockOns) {
      if (!('check' in k) || k.check !== check.id) continue;
      const changed = lastLeft(own.get(other.id) ?? []);
      if (changed && mine.every((r) => r.takenAt < changed))
        return { component: other.component, why: k.why };
    }
  return undefined;
}

/** When a check was last worked on among these readings; empty when it was not. */
const lastLeft = (readings: readonly Reading[]): string =>
  readings.reduce((last, r) => (isWork(r) && r.takenAt > last ? r.takenAt : last), '');

/** Places of a check still without a main reading, or without the travel left that it needs. */
export function unreadPlaces(check: Check, readings: readonly Reading[]): string[] {
  const own = byPlace(readings.filter((r) => r.checkId === check.id));
  return check.places.filter((place) => !isRead(check, own.get(place) ?? []));
}

/**
 * A place is read by its main reading, with the travel where there is an adjuster; or set aside by
 * a skip or a mere look.
 */
export function isRead(check: Check, readings: readonly Reading[]): boolean {
  const has = (kind: ReadingKind) => newestOf(readings, kind) !== undefined;
  if (has('skip') || (has('look') && !has('measure'))) return true;
  return readings.some(isMain) && (takeUpOf(check) === undefined || has('travel'));
}

/**
 * The stop to go to next: the first not done, after `from` when given, wrapping round; undefined
 * when the walk is done.
 */
export function nextStop(stops: readonly WalkStop[], from?: string): WalkStop | undefined {
  const at = stops.findIndex((s) => s.check.id === from);
  return [...stops.slice(at + 1), ...stops.slice(0, at + 1)].find((s) => s.state !== 'done');
}

/**
 * Where to go on in a walk: first what can be taken as the machine stands, then the first not done;
 * undefined when the walk is done.
 */
export const goOn = (
  stops: readonly WalkStop[],
  position: string | undefined,
): WalkStop | undefined =>
  stops.find((s) => s.state !== 'done' && s.check.position === position) ?? nextStop(stops);

/** What is walked while the machine stands one way: the checks still to do, one after the other. */
export interface StandGroup {
  readonly position: string;
  readonly stops: readonly WalkStop[];
}

/**
 * What is still to do, gathered by how the machine has to stand for it, in the order of the walk; as
 * it stands now first, all of it.
 */
export function groupsOf(
  stops: readonly WalkStop[],
  stands?: string | undefined,
): readonly StandGroup[] {
  const open = stops.filter((s) => s.state !== 'done');
  const here = open.filter((s) => s.check.position === stands);
  const groups: { position: string; stops: WalkStop[] }[] = [];
  if (stands !== undefined && here.length) groups.push({ position: stands, stops: here });
  for (const stop of open) {
    if (stop.check.position === stands) continue;
    const last = groups.at(-1);
    if (last && last.position === stop.check.position) last.stops.push(stop);
    else groups.push({ position: stop.check.position, stops: [stop] });
  }
  return groups;
}

/**
 * Checks that a look answers and that may be called sound together once they were looked at: by eye
 * only, at rest, not begun, and nobody is hurt by them. What is measured, counted or gauged never is;
 * nor what was not sound when it was last looked at: that is looked at by itself.
 * @param readings of the machine
 */
export const mayBeSoundTogether = (
  { check, state }: WalkStop,
  readings: readonly Reading[],
): boolean =>
  state === 'due' &&
  check.kind === 'condition' &&
  check.method === 'look' &&
  !check.guardsPeople &&
  check.places.every((place) => wasSound(check, place, readings));

/** Whether nothing but sound was seen of a place when it was last looked at; never looked at is none. */
function wasSound({ id }: Check, place: string, readings: readonly Reading[]): boolean {
  const own = live(readings.filter((r) => r.checkId === id && r.place === place));
  const last = newestOf(own, 'condition');
  return last === undefined || last.value.grade === 'sound';
}
