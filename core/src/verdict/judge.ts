import type { Check, Decision, Reading } from '../contracts';
import { decide, loudest, type Finding } from '../findings';
import { byCheck, isMain, lifeOf, newestOf, placesOf, type PlaceHistory } from '../history';
import { kindOf, shown, type MachineFacts, type Shown, type StripTick } from '../kinds';
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
  own: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict | undefined {
  if (own.length === 0) return undefined;
  const { read, unread } = placesOf(check.places, own);
  if (read.length === 0) return undefined;
  const shared = kindOf(check).between?.(check, read);
  const places = read.map((place) => judgePlace(check, place, facts, shared));
  return {
    check,
    decision: loudest(places.map((p) => p.decision)),
    places,
    unmeasured: unread,
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
  const { decision, findings } = decide(
    shared && concerns(shared, place.place)
      ? [...judged.findings.filter((f) => f.id !== 'inside'), shared]
      : judged.findings,
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
  const main = readings.findLast(isMain);
  const about = aboutReadings(check, readings, main);
  if (!main) return shown(about);
  const renewal = lifeOf(place.live, readings.at(-1)?.takenAt);
  const now = Math.max(facts.hours, main.hours);
  const own = kindOf(check).judge(
    check,
    { place, readings, main, renewedAt: renewal?.hours, now },
    facts,
  );
  const early = renewal ? earlyRecheck(check, renewal.hours, now) : [];
  return about.length || early.length
    ? { ...own, findings: [...about, ...own.findings, ...early] }
    : own;
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
  findings.push(...lookedAt(readings, main));
  const left = readings.some((r) => r.state === 'asLeft');
  if (check.runsToSettle && left && !readings.some((r) => r.settled))
    findings.push({ id: 'notSettled', numbers: {} });
  return findings;
}

/** A look may damn, it never passes; without a reading there is a reason, or none. */
function lookedAt(readings: readonly Reading[], main: Reading | undefined): readonly Finding[] {
  const look = newestOf(readings, 'look')?.value;
  const skip = main ? undefined : newestOf(readings, 'skip')?.value;
  const findings: Finding[] = [];
  if (look?.seen === 'damaged') findings.push({ id: 'damaged', numbers: { found: look.found } });
  else if (look && !main) findings.push({ id: 'looksFineOnly', numbers: {} });
  if (skip) findings.push({ id: 'skipped', numbers: { why: skip.why } });
  else if (!main && !look)
    findings.push({
      id: 'notMeasured',
      numbers: { travelOnly: newestOf(readings, 'travel') !== undefined },
    });
  return findings;
}

function earlyRecheck({ interval }: Check, renewedAt: number, now: number): readonly Finding[] {
  const early = 'early' in interval ? interval.early : undefined;
  return early !== undefined && now < renewedAt + early
    ? [{ id: 'earlyRecheck', numbers: { lookAgain: renewedAt + early } }]
    : [];
}
