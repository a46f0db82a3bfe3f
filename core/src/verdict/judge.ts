import { median } from 'simple-statistics';
import type { Check, Decision, Reading } from '../contracts';
import { elongation, type TakeUpPlan } from '../chain';
import { zeroOrMore } from '../units';
import { judgeCount } from './knives';
import { decide, loudest, type Finding } from './precedence';
import { judgeTravel, sidesFinding, tensionOf } from './tension';
import { forecastWear, judgeWear, shrinkFinding, WATCH_CHANCE, limitsOf, wearFraction, type StripTick, type WearForecast } from './wear';

/** What the machine brings to a verdict. Hours: separator hours. */
export interface MachineFacts {
  readonly hours: number;
  /** hours to be threshed until harvest ends */
  readonly seasonHours: number;
}

/** The judgement of one place in its newest round. */
export interface PlaceVerdict {
  readonly place: string;
  readonly decision: Decision;
  readonly findings: readonly Finding[];
  /** as found when an as-left reading has been judged since */
  readonly asFound?: { readonly decision: Decision; readonly findings: readonly Finding[] };
  readonly state: 'asFound' | 'asLeft';
  /** wear fraction and its expanded uncertainty, where the check measures wear */
  readonly wear?: number;
  readonly expanded?: number;
  /** median reading, mm */
  readonly value?: number;
  readonly ticks: readonly StripTick[];
  readonly forecast?: WearForecast;
  readonly travelLeft?: number;
  readonly elongation?: number;
  readonly plan?: TakeUpPlan;
  readonly renew?: number;
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
export function judgeCheck(check: Check, readings: readonly Reading[], facts: MachineFacts): CheckVerdict | undefined {
  zeroOrMore('hours', facts.hours);
  zeroOrMore('seasonHours', facts.seasonHours);
  const own = readings.filter((r) => r.checkId === check.id).sort((a, b) => a.takenAt.localeCompare(b.takenAt) || a.id.localeCompare(b.id));
  if (own.length === 0) return undefined;
  const struck = new Set(own.map((r) => r.strikes));
  const byPlace = new Map<string, Reading[]>(check.places.map((place) => [place, []]));
  for (const r of own) byPlace.get(r.place)?.push(r);
  const rounds = [...byPlace].map(([place, all]) => {
    const live = all.filter((r) => !struck.has(r.id));
    const newest = live.at(-1);
    return { place, all, live, round: newest ? live.filter((r) => roundOf(r) === roundOf(newest)) : [] };
  });
  const current = rounds.map(({ place, round }) => ({ place, readings: inForce(round) }));
  const sides = check.kind === 'mark' ? sidesFinding(check, current) : undefined;
  const places = rounds.flatMap(({ place, all, live, round }) => (round.length ? [judgePlace(check, place, { all, live, round, struck }, facts, sides)] : []));
  if (places.length === 0) return undefined;
  return {
    check,
    decision: loudest(places.map((p) => p.decision)),
    places,
    unmeasured: rounds.filter((r) => r.round.length === 0).map((r) => r.place),
    takenAt: places.map((p) => p.takenAt).sort().at(-1) ?? '',
  };
}

/** The state that counts: as left when there is one newer than the last as found, else as found. */
function inForce(round: readonly Reading[]): readonly Reading[] {
  const lastFound = round.findLastIndex((r) => r.state === 'asFound');
  const left = round.slice(lastFound + 1);
  return left.length ? left : round.filter((r) => r.state === 'asFound');
}

interface PlaceReadings {
  readonly all: readonly Reading[];
  readonly live: readonly Reading[];
  readonly round: readonly Reading[];
  readonly struck: ReadonlySet<string | null>;
}

function judgePlace(check: Check, place: string, own: PlaceReadings, facts: MachineFacts, sides: Finding | undefined): PlaceVerdict {
  const counted = inForce(own.round);
  const last = counted.at(-1);
  const state = last?.state ?? 'asFound';
  const judged = judgeState(check, counted, own, facts);
  const ownFindings = sides ? [...judged.findings.filter((f) => f.id !== 'inside'), sides] : judged.findings;
  const decided = decide(ownFindings);
  const found = own.round.filter((r) => r.state === 'asFound');
  return {
    ...judged,
    place,
    ...decided,
    ...(state === 'asLeft' && found.length ? { asFound: decide(judgeState(check, found, own, facts).findings) } : {}),
    state,
    ticks: ticksOf(check, own),
    takenAt: last?.takenAt ?? '',
    round: last ? roundOf(last) : '',
    readingIds: counted.map((r) => r.id),
  };
}

type StateJudgement = Pick<PlaceVerdict, 'findings' | 'wear' | 'expanded' | 'value' | 'forecast' | 'travelLeft' | 'elongation' | 'plan' | 'renew'>;

function judgeState(check: Check, readings: readonly Reading[], own: PlaceReadings, facts: MachineFacts): StateJudgement {
  const findings: Finding[] = [];
  const valueOf = <K extends Reading['value']['kind']>(kind: K) => {
    const reading = readings.findLast((r) => r.value.kind === kind);
    return reading ? { reading, value: reading.value as Extract<Reading['value'], { kind: K }> } : undefined;
  };
  if (readings.some((r) => !r.positionConfirmed)) findings.push({ id: 'positionNotConfirmed', numbers: { position: check.position } });
  const main = valueOf('measure') ?? valueOf('mark') ?? valueOf('feel') ?? valueOf('count');
  const look = valueOf('look');
  if (look?.value.seen === 'damaged') findings.push({ id: 'damaged', numbers: { found: look.value.found } });
  else if (look && !main) findings.push({ id: 'looksFineOnly', numbers: {} });
  const skip = valueOf('skip');
  if (!main && !look && !skip) findings.push({ id: 'notMeasured', numbers: {} });
  if (skip && !main) findings.push({ id: 'skipped', numbers: { why: skip.value.why } });
  if (check.runsToSettle && readings.some((r) => r.state === 'asLeft') && !readings.some((r) => r.settled)) findings.push({ id: 'notSettled', numbers: {} });

  const lifeStart = lifeStartOf(own.live, readings);
  const inService = Math.max(0, (readings.at(-1)?.hours ?? facts.hours) - lifeStart);
  let result: StateJudgement = { findings };

  if ((check.kind === 'measure' || check.kind === 'series') && main?.value.kind === 'measure') {
    const worn = judgeWear(check, repeatsOf(readings, main.value.values), main.reading.tool);
    findings.push(...worn.findings);
    const life = ticksOf(check, own, main.reading.takenAt).filter((t) => !t.struck);
    const shrunk = shrinkFinding(life, worn.expanded);
    if (shrunk) findings.push(shrunk);
    result = { ...result, wear: worn.wear, expanded: worn.expanded, value: worn.value };
    if (check.limit.type === 'elongation') result = { ...result, elongation: elongation(worn.value, check.limit.pitches, check.limit.pitch) };
    if (check.wearRate) {
      const forecast = forecastWear(check.wearRate, life, worn.expanded, lifeStart, Math.max(facts.hours, main.reading.hours), facts.seasonHours);
      if (worn.wear < 1 && forecast.chance >= WATCH_CHANCE) {
        findings.push({ id: 'reachesLimit', numbers: { chance: forecast.chance, hours10: forecast.hours10, hours90: forecast.hours90, season: facts.seasonHours, lookAgain: Math.max(facts.hours, main.reading.hours) + forecast.hours10 } });
      }
      result = { ...result, forecast };
    }
  }

  if (check.kind === 'count' && main?.value.kind === 'count') {
    const counted = judgeCount(check, main.value);
    findings.push(...counted.findings);
    result = { ...result, renew: counted.renew };
  }

  const takeUp = check.kind === 'count' ? undefined : check.takeUp;
  if (takeUp && main) {
    const tension = check.kind === 'mark' || check.kind === 'feel' ? tensionOf(check, main.value) : undefined;
    const travel = valueOf('travel');
    const judged = judgeTravel(takeUp, tension, travel?.value, linksOutBefore(own.live, travel?.reading, lifeStart), result.elongation, inService, facts.seasonHours);
    if (Array.isArray(judged)) findings.push(...judged);
    else {
      const sound = (f: Finding) => f.id === 'inside' && findings.some((other) => other.id === 'inside');
      findings.push(...judged.findings.filter((f) => !sound(f)));
      result = { ...result, plan: judged.plan, travelLeft: judged.left, elongation: judged.elongation };
    }
  }
  return result;
}

/** As-found readings of one place in one round are repeats of each other; of as-left ones only the last attempt counts. */
function repeatsOf(readings: readonly Reading[], last: readonly number[]): readonly number[] {
  return readings.at(-1)?.state === 'asLeft' ? last : readings.flatMap((r) => (r.value.kind === 'measure' ? r.value.values : []));
}

/** Machine hours at which the part in these readings was new: the newest renewal before or within them, else 0. */
function lifeStartOf(live: readonly Reading[], readings: readonly Reading[]): number {
  const until = readings.at(-1)?.takenAt ?? '';
  return live.findLast((r) => r.renewed && r.takenAt <= until)?.hours ?? 0;
}

function linksOutBefore(live: readonly Reading[], newest: Reading | undefined, lifeStart: number): number {
  return live
    .filter((r) => r.hours >= lifeStart && newest !== undefined && r.takenAt < newest.takenAt)
    .reduce((sum, r) => sum + (r.value.kind === 'travel' ? r.value.linksOut : 0), 0);
}

/** Ticks of the life that runs at `until`, struck ones among them. */
function ticksOf(check: Check, own: Pick<PlaceReadings, 'all' | 'live' | 'struck'>, until = '9999'): StripTick[] {
  if (check.kind !== 'measure' && check.kind !== 'series') return [];
  const { nominal, limit } = limitsOf(check);
  const lifeStart = own.live.findLast((r) => r.renewed && r.takenAt <= until)?.takenAt ?? '';
  return own.all.flatMap((r) => {
    if (r.value.kind !== 'measure' || r.takenAt < lifeStart || r.takenAt > until) return [];
    return [{ readingId: r.id, wear: wearFraction(median(r.value.values), nominal, limit), hours: r.hours, takenAt: r.takenAt, struck: own.struck.has(r.id), state: r.state }];
  });
}
