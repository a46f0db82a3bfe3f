import type { Check, Decision, Reading } from '../contracts';
import { decide, loudest, type Finding } from '../findings';
import {
  byCheck,
  isMain,
  lifeOf,
  newestOf,
  ofThisHeader,
  placesOf,
  sincePutRight,
  type PlaceHistory,
} from '../history';
import { lastDoneOf, nextDue, type DueFacts, type LastDone, type UseRate } from '../intervals';
import {
  atPlace,
  kindOf,
  refuseNonsense,
  shown,
  type MachineFacts,
  type Shown,
  type StripTick,
} from '../kinds';
import { zeroOrMore } from '../units';

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

/**
 * Judges all checks of a machine in one pass over its readings.
 * @returns a verdict for each check that has been read, in the order of the checks
 * @throws InputError when a reading cannot belong to its check
 */
export function judgeMachine(
  checks: readonly Check[],
  readings: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict[] {
  checked(facts);
  const own = byCheck(readings);
  return checks.flatMap((check) => judgeOwn(check, own.get(check.id) ?? [], facts) ?? []);
}

function checked(facts: MachineFacts): MachineFacts {
  zeroOrMore('hours', facts.hours);
  zeroOrMore('seasonHours', facts.seasonHours);
  return facts;
}

function judgeOwn(
  check: Check,
  all: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict | undefined {
  const own = ofThisHeader(check, all, facts.headerSerial);
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

/**
 * Whether what was read still counts, by the one rule of intervals: lapsed, or a new part's early
 * look still to come.
 */
function whenRead(check: Check, place: PlaceHistory, facts: MachineFacts): readonly Finding[] {
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
  { hours, today, use, crop, headerSerial: header }: MachineFacts,
  last: LastDone,
): DueFacts {
  const known = today !== undefined && use !== undefined;
  return {
    now: Math.max(hours, last.hours),
    today: known ? today : last.on,
    use: known ? use : NO_SEASON,
    nextCrop: crop,
    header,
  };
}

const NO_SEASON: UseRate = {
  seasonStart: '1970-01-01',
  seasonEnd: '9000-12-31',
  inSeason: 0,
  outOfSeason: 0,
};

const NO_TICKS: readonly StripTick[] = [];

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

/** What is wrong with the readings themselves, whatever they say. */
function aboutReadings(
  check: Check,
  readings: readonly Reading[],
  main: Reading | undefined,
): readonly Finding[] {
  const findings: Finding[] = [];
  if (readings.some((r) => !r.positionConfirmed))
    findings.push({ id: 'positionNotConfirmed', numbers: { position: check.position } });
  findings.push(...lookedAt(readings, main), ...cannotBe(check, readings));
  const left = readings.some((r) => r.state === 'asLeft');
  if (check.runsToSettle && left && !readings.some((r) => r.settled))
    findings.push({ id: 'notSettled', numbers: {} });
  return findings;
}

/** What cannot well be was kept with a word of why: it proves nothing. */
function cannotBe(check: Check, readings: readonly Reading[]): readonly Finding[] {
  const kind = kindOf(check);
  for (const r of readings) {
    const numbers = kind.implausible?.(check, r.value);
    if (numbers) return [{ id: 'implausible', numbers }];
  }
  return [];
}

/** A look may damn, it never passes; without a reading there is a reason, or none. */
function lookedAt(readings: readonly Reading[], main: Reading | undefined): readonly Finding[] {
  const look = newestOf(readings, 'look')?.value;
  const skip = main ? undefined : newestOf(readings, 'skip')?.value;
  const fitted = main || skip ? undefined : newestOf(readings, 'renewal');
  const findings: Finding[] = [];
  if (look?.seen === 'damaged') findings.push({ id: 'damaged', numbers: { found: look.found } });
  else if (look && !main) findings.push({ id: 'looksFineOnly', numbers: {} });
  if (skip) findings.push({ id: 'skipped', numbers: { why: skip.why } });
  else if (fitted)
    findings.push({
      id: 'fittedUnread',
      numbers: { atHours: fitted.hours, fittedBy: fitted.value.fittedBy },
    });
  else if (!main && !look)
    findings.push({
      id: 'notMeasured',
      numbers: { travelOnly: newestOf(readings, 'travel') !== undefined },
    });
  return findings;
}
