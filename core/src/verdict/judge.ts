import type { Check, Decision, Reading } from '../contracts';
import { decide, loudest, type Finding } from '../findings';
import {
  isMain,
  lifeOf,
  ofThisHeader,
  placesOf,
  sincePutRight,
  type PlaceHistory,
} from '../history';
import {
  atPlace,
  kindOf,
  refuseNonsense,
  shown,
  toEnter,
  type MachineFacts,
  type Shown,
  type StripTick,
} from '../kinds';
import { zeroOrMore } from '../units';
import { aboutReadings } from './aboutReadings';
import { whenRead } from './whenRead';

/** What findings lead to, and the findings in order of weight. */
export type Judged = ReturnType<typeof decide>;

/** The judgement of one place in its newest round. */
export interface PlaceVerdict extends Shown, Judged {
  readonly findings: readonly Finding[];
  readonly place: string;
  /** as found when an as-left reading has been judged since */
  readonly asFound: Judged | undefined;
  readonly state: Reading['state'];
  readonly ticks: readonly StripTick[];
  readonly takenAt: string;
  readonly round: string;
  readonly readingIds: readonly string[];
}

/** The judgement of a check over all its places. */
export interface CheckVerdict {
  readonly check: Check;
  readonly decision: Decision;
  readonly places: readonly PlaceVerdict[];
  /** places with no reading at all */
  readonly unmeasured: readonly string[];
  /** said of the check when places are unread: such a check is not done, whatever the others say */
  readonly lacks: Finding<'notRead'> | undefined;
  readonly takenAt: string;
}

/**
 * Judges a check from its readings: a pure function of (check, readings, machine facts), the same
 * on phone and server.
 * Struck-through readings are shown on the strip but not judged. Each place is judged in its newest
 * round; an as-left reading,
 * once there, decides.
 * @param readings of this machine; those of other checks are passed over
 * @returns undefined when nothing has been read
 * @throws InputError when a reading cannot belong to the check
 */
export function judgeCheck(
  check: Check,
  readings: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict | undefined {
  const own = readings.filter((r) => r.checkId === check.id);
  return judgeOwn(check, own, checked(facts));
}

/** @throws InputError */
export function checked(facts: MachineFacts): MachineFacts {
  zeroOrMore('hours', facts.hours);
  zeroOrMore('seasonHours', facts.seasonHours);
  return facts;
}

/** Judges a check from readings of its own. */
export function judgeOwn(
  check: Check,
  all: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict | undefined {
  const own = ofThisHeader(check, all, {
    serial: facts.headerSerial,
    since: facts.headerSince,
  });
  if (own.length === 0) return undefined;
  const { read, unread } = placesOf(check.places, own);
  if (read.length === 0) return undefined;
  const shared = kindOf(check).between?.(check, read);
  const places = read.map((place) => judgePlace(atPlace(check, place.place), place, facts, shared));
  const lacks: Finding<'notRead'> | undefined = unread.length
    ? { id: 'notRead', numbers: { places: unread } }
    : undefined;
  return {
    check,
    decision: loudest([...places.map((p) => p.decision), ...(lacks ? (['due'] as const) : [])]),
    places,
    unmeasured: unread,
    lacks,
    takenAt: places.reduce((last, p) => (p.takenAt > last ? p.takenAt : last), ''),
  };
}

function judgePlace(
  check: Check,
  place: PlaceHistory,
  facts: MachineFacts,
  shared: Finding | undefined,
): PlaceVerdict {
  const { inForce, round } = place;
  const last = inForce.at(-1);
  const state = last?.state ?? 'asFound';
  const judged = judgeState(check, place, inForce, facts);
  const also = [
    ...lasting(check, place, judged.findings),
    ...whenRead(check, place, facts),
    ...withoutLimit(check),
    ...(shared && concerns(shared, place.place) ? [shared] : []),
  ];
  const { decision, findings } = decide(
    also.length ? [...judged.findings.filter((f) => f.id !== 'inside'), ...also] : judged.findings,
  );
  const found = state === 'asLeft' ? round.filter((r) => r.state === 'asFound') : [];
  // written out: spreading an object here costs ten times the whole rest
  return {
    wear: judged.wear,
    expanded: judged.expanded,
    value: judged.value,
    expandedValue: judged.expandedValue,
    forecast: judged.forecast,
    travelLeft: judged.travelLeft,
    elongation: judged.elongation,
    plan: judged.plan,
    renew: judged.renew,
    place: place.place,
    decision,
    findings,
    asFound: found.length ? decide(judgeState(check, place, found, facts).findings) : undefined,
    state,
    ticks: kindOf(check).strip?.(check, place) ?? NO_TICKS,
    takenAt: last?.takenAt ?? '',
    round: place.roundKey,
    readingIds: inForce.map((r) => r.id),
  };
}

/**
 * What was found wrong before and only a new part, a turn or a repair puts right: neither a later
 * look nor the noise of a later reading undoes it.
 */
function lasting(
  check: Check,
  { live, inForce }: PlaceHistory,
  now: readonly Finding[],
): readonly Finding[] {
  const kind = kindOf(check);
  const life = sincePutRight(live);
  // repeats of a measure are judged together; of all else only the newest is
  const judged = new Set(
    inForce.filter((r) => r.value.kind === 'measure' || r === inForce.findLast(isMain)),
  );
  for (let i = life.length - 1; i >= 0; i -= 1) {
    const r = life[i];
    if (!r || judged.has(r)) continue;
    const found = lookDamaged(r) ?? kind.spoilt?.(check, r);
    if (!found) continue;
    const known = now.some((f) => f.id === found.id || f.id === 'pastLimit' || f.id === 'shrunk');
    return known ? [] : [found];
  }
  return [];
}

function lookDamaged({ value }: Reading): Finding | undefined {
  return value.kind === 'look' && value.seen === 'damaged'
    ? { id: 'damaged', numbers: { found: value.found } }
    : undefined;
}

const NO_TICKS: readonly StripTick[] = [];

/** Nothing holds by a limit that nobody has entered. */
function withoutLimit(check: Check): readonly Finding[] {
  const wants = toEnter(check);
  return wants.length ? [{ id: 'noLimit', numbers: { wants } }] : NO_FINDINGS;
}
const NO_FINDINGS: readonly Finding[] = [];

/** Sides concern both of them; places that differ concern the two furthest apart. */
const concerns = (shared: Finding, place: string): boolean =>
  shared.id !== 'placesDiffer' || shared.numbers.a === place || shared.numbers.b === place;

/** One place in one state: what is so whatever the kind, then what its kind reads out of it. */
function judgeState(
  check: Check,
  place: PlaceHistory,
  readings: readonly Reading[],
  facts: MachineFacts,
): Shown {
  for (const r of readings) refuseNonsense(r.value);
  const main = readings.findLast(isMain);
  const about = aboutReadings(check, readings, main);
  if (!main) return shown(about);
  const renewal = lifeOf(place.live, readings.at(-1)?.takenAt);
  const now = Math.max(facts.hours, main.hours);
  const own = kindOf(check).judge(
    check,
    { place, readings, main, renewedAt: renewal?.hours, renewal, now },
    facts,
  );
  return about.length ? { ...own, findings: [...about, ...own.findings] } : own;
}
