import { median } from 'simple-statistics';
import { takeUpOf, type Check, type Day, type Decision, type Reading } from '../contracts';
import { elongation, type TakeUpPlan } from '../chain';
import { zeroOrMore } from '../units';
import { placesFinding, judgeBand } from './band';
import { judgeCondition, judgeGauge, judgeLevel, judgeService, judgeSetting } from './kinds';
import { judgeCount } from './knives';
import { decide, loudest, type Finding } from './precedence';
import { judgeTensionAlone, judgeTravel, sidesFinding, tensionOf } from './tension';
import {
  forecastWear,
  judgeWear,
  shrinkFinding,
  WATCH_CHANCE,
  wearLimitsOf,
  wearFraction,
  type StripTick,
  type WearForecast,
  type WearLimits,
} from './wear';

/** What the machine brings to a verdict. Hours: separator hours. */
export interface MachineFacts {
  readonly hours: number;
  /** hours to be threshed until harvest ends */
  readonly seasonHours: number;
  /** the crop coming up, for settings */
  readonly crop?: string;
  /** model of the header on it, for settings */
  readonly header?: string;
  /** for services that fall due by the calendar */
  readonly today?: Day;
}

/** The judgement of one place in its newest round. */
export interface PlaceVerdict {
  readonly place: string;
  readonly decision: Decision;
  readonly findings: readonly Finding[];
  /** as found when an as-left reading has been judged since */
  readonly asFound?:
    { readonly decision: Decision; readonly findings: readonly Finding[] } | undefined;
  readonly state: 'asFound' | 'asLeft';
  /** wear fraction and its expanded uncertainty, where the check measures wear */
  readonly wear?: number | undefined;
  readonly expanded?: number | undefined;
  /** median reading, mm */
  readonly value?: number | undefined;
  readonly ticks: readonly StripTick[];
  readonly forecast?: WearForecast | undefined;
  readonly travelLeft?: number | undefined;
  readonly elongation?: number | undefined;
  readonly plan?: TakeUpPlan | undefined;
  readonly renew?: number | undefined;
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

/** Readings of one round belong together: one walk, or one day when imported without a walk. */
export function roundOf(reading: Pick<Reading, 'walkId' | 'takenAt'>): string {
  return reading.walkId ?? reading.takenAt.slice(0, 10);
}

/**
 * Judges a check from its readings: a pure function of (check, readings, machine facts), the same on phone and server.
 * Struck-through readings are shown on the strip but not judged. Each place is judged in its newest round; an as-left reading,
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
  return judgeOwn(
    check,
    readings.filter((r) => r.checkId === check.id),
    checked(facts),
  );
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
  const byCheck = new Map<string, Reading[]>();
  for (const r of readings) {
    const own = byCheck.get(r.checkId);
    if (own) own.push(r);
    else byCheck.set(r.checkId, [r]);
  }
  return checks.flatMap((check) => judgeOwn(check, byCheck.get(check.id) ?? [], facts) ?? []);
}

function checked(facts: MachineFacts): MachineFacts {
  zeroOrMore('hours', facts.hours);
  zeroOrMore('seasonHours', facts.seasonHours);
  return facts;
}

/** Oldest first; ids settle readings of one moment. ISO moments in UTC sort as text, and plain comparison is many times faster than localeCompare. */
const byTime = (a: Reading, b: Reading): number =>
  a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

function judgeOwn(
  check: Check,
  own: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict | undefined {
  if (own.length === 0) return undefined;
  const sorted = own.length > 1 ? [...own].sort(byTime) : own;
  const struck = sorted.some((r) => r.strikes)
    ? new Set(sorted.flatMap((r) => r.strikes ?? []))
    : NONE_STRUCK;
  const byPlace = new Map<string, Reading[]>();
  for (const place of check.places) byPlace.set(place, []);
  for (const r of sorted) byPlace.get(r.place)?.push(r);
  const judged: { place: string; own: PlaceReadings }[] = [];
  const unmeasured: string[] = [];
  for (const [place, all] of byPlace) {
    const live = struck.size ? all.filter((r) => !struck.has(r.id)) : all;
    const newest = live.at(-1);
    if (!newest) {
      unmeasured.push(place);
      continue;
    }
    const key = roundOf(newest);
    const round = live.length > 1 ? live.filter((r) => roundOf(r) === key) : live;
    judged.push({ place, own: { all, live, round, struck, key } });
  }
  if (judged.length === 0) return undefined;
  const limits =
    check.kind === 'measure' || check.kind === 'series' ? wearLimitsOf(check) : undefined;
  const shared =
    check.kind === 'mark'
      ? sidesFinding(
          check,
          judged.map((j) => ({ place: j.place, readings: inForce(j.own.round) })),
        )
      : (check.kind === 'measure' || check.kind === 'series') && check.maxDifference !== undefined
        ? placesFinding(
            check.maxDifference,
            judged.map((j) => ({ place: j.place, value: valueInForce(j.own.round) })),
          )
        : undefined;
  const places = judged.map((j) => judgePlace(check, limits, j.place, j.own, facts, shared));
  let takenAt = '';
  for (const p of places) if (p.takenAt > takenAt) takenAt = p.takenAt;
  return {
    check,
    decision:
      places.length === 1
        ? (places[0]?.decision ?? 'holds')
        : loudest(places.map((p) => p.decision)),
    places,
    unmeasured,
    takenAt,
  };
}

/** The state that counts: as left when there is one newer than the last as found, else as found. */
function inForce(round: readonly Reading[]): readonly Reading[] {
  if (round.length === 1) return round;
  const lastFound = round.findLastIndex((r) => r.state === 'asFound');
  const left = round.slice(lastFound + 1);
  return left.length ? left : round.filter((r) => r.state === 'asFound');
}

/** Median of what was measured in the state that counts; undefined when nothing was. */
function valueInForce(round: readonly Reading[]): number | undefined {
  const counted = inForce(round);
  const last = counted.findLast((r) => r.value.kind === 'measure')?.value;
  return last?.kind === 'measure' ? median([...repeatsOf(counted, last.values)]) : undefined;
}

interface PlaceReadings {
  readonly all: readonly Reading[];
  readonly live: readonly Reading[];
  readonly round: readonly Reading[];
  readonly struck: ReadonlySet<string>;
  readonly key: string;
}

function judgePlace(
  check: Check,
  limits: WearLimits | undefined,
  place: string,
  own: PlaceReadings,
  facts: MachineFacts,
  shared: Finding | undefined,
): PlaceVerdict {
  const counted = inForce(own.round);
  const last = counted.at(-1);
  const state = last?.state ?? 'asFound';
  const judged = judgeState(check, limits, counted, own, facts);
  const { decision, findings } = decide(
    shared && concerns(shared, place)
      ? [...judged.findings.filter((f) => f.id !== 'inside'), shared]
      : judged.findings,
  );
  const found = state === 'asLeft' ? own.round.filter((r) => r.state === 'asFound') : [];
  // every verdict has all its fields: objects of one shape are made and read many times faster
  return {
    place,
    decision,
    findings,
    asFound: found.length
      ? decide(judgeState(check, limits, found, own, facts).findings)
      : undefined,
    state,
    wear: judged.wear,
    expanded: judged.expanded,
    value: judged.value,
    forecast: judged.forecast,
    travelLeft: judged.travelLeft,
    elongation: judged.elongation,
    plan: judged.plan,
    renew: judged.renew,
    ticks: limits ? ticksOf(limits, own) : NO_TICKS,
    takenAt: last?.takenAt ?? '',
    round: own.key,
    readingIds: counted.map((r) => r.id),
  };
}

const NONE_STRUCK: ReadonlySet<string> = new Set();
const NO_TICKS: readonly StripTick[] = [];

/** Sides concern both of them; places that differ concern the two furthest apart. */
const concerns = (shared: Finding, place: string): boolean =>
  shared.id !== 'placesDiffer' || shared.numbers['a'] === place || shared.numbers['b'] === place;

type StateJudgement = Pick<
  PlaceVerdict,
  | 'findings'
  | 'wear'
  | 'expanded'
  | 'value'
  | 'forecast'
  | 'travelLeft'
  | 'elongation'
  | 'plan'
  | 'renew'
>;
type Building = { -readonly [K in keyof StateJudgement]: StateJudgement[K] } & {
  findings: Finding[];
};

function judgeState(
  check: Check,
  limits: WearLimits | undefined,
  readings: readonly Reading[],
  own: PlaceReadings,
  facts: MachineFacts,
): StateJudgement {
  const findings: Finding[] = [];
  const result: Building = {
    findings,
    wear: undefined,
    expanded: undefined,
    value: undefined,
    forecast: undefined,
    travelLeft: undefined,
    elongation: undefined,
    plan: undefined,
    renew: undefined,
  };
  if (readings.some((r) => !r.positionConfirmed))
    findings.push({ id: 'positionNotConfirmed', numbers: { position: check.position } });
  const main = newest(readings, isMain);
  const look = newest(readings, (v) => v.kind === 'look')?.value;
  if (look?.kind === 'look' && look.seen === 'damaged')
    findings.push({ id: 'damaged', numbers: { found: look.found } });
  else if (look && !main) findings.push({ id: 'looksFineOnly', numbers: NOTHING });
  if (!main) {
    const skip = newest(readings, (v) => v.kind === 'skip')?.value;
    if (skip?.kind === 'skip') findings.push({ id: 'skipped', numbers: { why: skip.why } });
    else if (!look) findings.push({ id: 'notMeasured', numbers: NOTHING });
  }
  if (
    check.runsToSettle &&
    readings.some((r) => r.state === 'asLeft') &&
    !readings.some((r) => r.settled)
  )
    findings.push({ id: 'notSettled', numbers: NOTHING });
  if (!main) return result;

  const renewal = lifeStart(own.live, readings);
  const now = Math.max(facts.hours, main.hours);
  judgeMain(check, limits, main, readings, own, renewal?.hours, facts, now, result);
  judgeTakeUp(check, main, readings, own, renewal?.hours ?? 0, facts, result);
  const early = renewal && 'early' in check.interval ? check.interval.early : undefined;
  if (renewal && early !== undefined && now < renewal.hours + early)
    findings.push({ id: 'earlyRecheck', numbers: { lookAgain: renewal.hours + early } });
  return result;
}

const NOTHING = {};
const isMain = ({ kind }: Reading['value']): boolean =>
  kind !== 'travel' && kind !== 'look' && kind !== 'skip';

function newest(
  readings: readonly Reading[],
  test: (value: Reading['value']) => boolean,
): Reading | undefined {
  for (let i = readings.length - 1; i >= 0; i -= 1) {
    const r = readings[i];
    if (r && test(r.value)) return r;
  }
  return undefined;
}

/** What the main reading says by the kind of its check; adds to `result`. */
function judgeMain(
  check: Check,
  limits: WearLimits | undefined,
  main: Reading,
  readings: readonly Reading[],
  own: PlaceReadings,
  renewedAt: number | undefined,
  facts: MachineFacts,
  now: number,
  result: Building,
): void {
  const { findings } = result;
  const { value } = main;
  switch (check.kind) {
    case 'measure':
    case 'series': {
      if (value.kind !== 'measure') return;
      const repeats = repeatsOf(readings, value.values);
      if (!limits) {
        if (check.limit.type !== 'band') return;
        const band = judgeBand(
          check,
          check.limit,
          repeats,
          main.tool,
          renewedAt === undefined ? undefined : Math.max(0, main.hours - renewedAt),
        );
        findings.push(...band.findings);
        result.value = band.value;
        return;
      }
      const worn = judgeWear(check, limits, repeats, main.tool);
      findings.push(...worn.findings);
      const life = ticksOf(limits, own, main.takenAt).filter((t) => !t.struck);
      const shrunk = shrinkFinding(life, worn.expanded);
      if (shrunk) findings.push(shrunk);
      result.wear = worn.wear;
      result.expanded = worn.expanded;
      result.value = worn.value;
      if (check.limit.type === 'elongation')
        result.elongation = elongation(worn.value, check.limit.pitches, check.limit.pitch);
      if (!check.wearRate) return;
      const forecast = forecastWear(
        check.wearRate,
        life,
        worn.expanded,
        renewedAt ?? 0,
        now,
        facts.seasonHours,
      );
      result.forecast = forecast;
      if (worn.wear < 1 && forecast.chance >= WATCH_CHANCE) {
        findings.push({
          id: 'reachesLimit',
          numbers: {
            chance: forecast.chance,
            hours10: forecast.hours10,
            hours90: forecast.hours90,
            season: facts.seasonHours,
            lookAgain: now + forecast.hours10,
          },
        });
      }
      return;
    }
    case 'mark':
    case 'feel': {
      if (check.kind === 'feel' && value.kind === 'feel' && value.play)
        findings.push({ id: 'play', numbers: { feel: value.feel } });
      const tension = check.takeUp ? undefined : tensionOf(check, value);
      if (tension)
        findings.push(judgeTensionAlone(check.kind === 'mark' && check.setsItself, tension));
      return;
    }
    case 'count': {
      if (value.kind !== 'count') return;
      const counted = judgeCount(check, value);
      findings.push(...counted.findings);
      result.renew = counted.renew;
      return;
    }
    case 'gonogo':
      if (value.kind === 'gonogo') findings.push(judgeGauge(check, value));
      return;
    case 'condition':
      if (value.kind === 'condition') findings.push(judgeCondition(check, value));
      return;
    case 'level':
      if (value.kind === 'level') findings.push(...judgeLevel(check, value));
      return;
    case 'setting':
      if (value.kind === 'setting')
        findings.push(judgeSetting(check, value, facts.crop, facts.header));
      return;
    case 'service':
      if (value.kind === 'service')
        findings.push(
          ...judgeService(check, value, {
            doneOn: main.takenAt.slice(0, 10),
            doneHours: main.hours,
            newPart: main.renewed,
            hours: now,
            seasonHours: facts.seasonHours,
            today: facts.today,
          }),
        );
  }
}

/** What the travel left adds, where the check has an adjuster; adds to `result`. */
function judgeTakeUp(
  check: Check,
  main: Reading,
  readings: readonly Reading[],
  own: PlaceReadings,
  since: number,
  facts: MachineFacts,
  result: Building,
): void {
  const takeUp = takeUpOf(check);
  if (!takeUp) return;
  const travel = newest(readings, (v) => v.kind === 'travel');
  const inService = Math.max(0, (readings.at(-1)?.hours ?? facts.hours) - since);
  const tension =
    check.kind === 'mark' || check.kind === 'feel' ? tensionOf(check, main.value) : undefined;
  const judged = judgeTravel(
    takeUp,
    tension,
    travel?.value.kind === 'travel' ? travel.value : undefined,
    linksOutBefore(own.live, travel, since),
    result.elongation,
    inService,
    facts.seasonHours,
  );
  if (Array.isArray(judged)) {
    result.findings.push(...judged);
    return;
  }
  const sound = result.findings.some((f) => f.id === 'inside');
  result.findings.push(...judged.findings.filter((f) => !(sound && f.id === 'inside')));
  result.plan = judged.plan;
  result.travelLeft = judged.left;
  result.elongation = judged.elongation;
}

/** As-found readings of one place in one round are repeats of each other; of as-left ones only the last attempt counts. */
function repeatsOf(readings: readonly Reading[], last: readonly number[]): readonly number[] {
  return readings.length === 1 || readings.at(-1)?.state === 'asLeft'
    ? last
    : readings.flatMap((r) => (r.value.kind === 'measure' ? r.value.values : []));
}

/** The newest renewal before or within these readings: the machine hours at which the part in them was new. */
function lifeStart(live: readonly Reading[], readings: readonly Reading[]): Reading | undefined {
  const until = readings.at(-1)?.takenAt ?? '';
  return live.findLast((r) => r.renewed && r.takenAt <= until);
}

function linksOutBefore(
  live: readonly Reading[],
  newestTravel: Reading | undefined,
  since: number,
): number {
  let sum = 0;
  for (const r of live)
    if (
      r.value.kind === 'travel' &&
      r.hours >= since &&
      newestTravel !== undefined &&
      r.takenAt < newestTravel.takenAt
    )
      sum += r.value.linksOut;
  return sum;
}

/** Ticks of the life that runs at `until`, struck ones among them. */
function ticksOf({ nominal, limit }: WearLimits, own: PlaceReadings, until = '9999'): StripTick[] {
  const start = own.live.findLast((r) => r.renewed && r.takenAt <= until)?.takenAt ?? '';
  const ticks: StripTick[] = [];
  for (const r of own.all) {
    if (r.value.kind !== 'measure' || r.takenAt < start || r.takenAt > until) continue;
    const { values } = r.value;
    ticks.push({
      readingId: r.id,
      wear: wearFraction(
        values.length === 1 ? (values[0] ?? 0) : median([...values]),
        nominal,
        limit,
      ),
      hours: r.hours,
      takenAt: r.takenAt,
      struck: own.struck.has(r.id),
      state: r.state,
    });
  }
  return ticks;
}
