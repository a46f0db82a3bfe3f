import { takeUpOf, type Check, type TakeUp } from '../../contracts';
import { elongationFromTravel, takeUpPlan, type TakeUpPlan } from '../../chain';
import type { Finding, TravelNumbers } from '../../findings';
import { newestOf } from '../../history';
import { InputError } from '../../units';
import { shown, type MachineFacts, type Seen, type Shown } from '../kind';
import { HOLDS_CHANCE, willItLast } from '../measure/worthLeaving';
import { forecastTravel, linksOutAt } from './forecast';
import type { Tension } from './tension';

/** What an adjuster has to say: its travel and the life of its chain. Lengths mm, h. */
export interface TravelReading {
  readonly left: number;
  /** pitches taken out in this life, this reading's among them */
  readonly linksOut: number;
  /** elongation measured over pitches, %; else it is inferred from the travel used */
  readonly measured: number | undefined;
  /** hours since the chain was new; undefined when no renewal is on record */
  readonly inService: number | undefined;
  /** elongation an hour as forecast, %, where the hours in service are not known */
  readonly perHour: number;
  /** hours to be threshed until harvest ends */
  readonly season: number;
}

/** What the travel of an adjuster says. */
export interface TravelJudgement {
  readonly numbers: TravelNumbers;
  readonly plan: TakeUpPlan;
}

/** What a check has shown before its adjuster is looked at. */
export interface BesideTravel {
  readonly seen: Seen;
  readonly facts: MachineFacts;
  readonly own: Shown;
  /** by indicator or feel; undefined where the chain is judged by its length alone */
  readonly tension?: Tension | undefined;
}

/**
 * Adds what the travel left says to what its check has shown; nothing where the check has no
 * adjuster.
 * Tension is only good if travel is left: without the travel read, nothing is proven.
 */
export function withTravel(check: Check, { seen, facts, own, tension }: BesideTravel): Shown {
  const takeUp = takeUpOf(check);
  if (!takeUp) return own;
  const travel = newestOf(seen.readings, 'travel');
  const tight: readonly Finding[] =
    tension?.side === 'tight' ? [{ id: 'overTight', numbers: tension.numbers }] : [];
  if (!travel) return { ...own, findings: [...own.findings, ...tight, ...untold(tension)] };
  const linksOut = linksOutAt(seen.place.live, travel, seen.renewal);
  const forecast = forecastTravel(check, takeUp, { seen, facts, linksOut });
  const { numbers, plan } = judgeTravel(takeUp, {
    left: travel.value.left,
    linksOut,
    measured: own.elongation,
    inService:
      seen.renewedAt === undefined
        ? undefined
        : Math.max(0, (seen.readings.at(-1)?.hours ?? facts.hours) - seen.renewedAt),
    season: facts.seasonHours,
    perHour: forecast.perHour,
  });
  const lasting = willItLast(
    check,
    { wear: numbers.percent / forecast.endsAt, forecast: forecast.end, by: 'shorten' },
    seen,
    facts,
  );
  const findings = [
    ...own.findings,
    ...tight,
    ...travelFindings(takeUp, numbers, { tension, lasting, reserve: forecast.reserve }),
  ];
  return shown(findings.length ? findings : [insideFinding(numbers, tension)], {
    ...own,
    plan,
    travelLeft: numbers.left,
    elongation: numbers.percent,
  });
}

function untold(tension: Tension | undefined): readonly Finding[] {
  const missing: Finding = { id: 'travelMissing', numbers: {} };
  return tension?.side === 'loose'
    ? [{ id: 'loose', numbers: { tension: tension.numbers } }, missing]
    : [missing];
}

function insideFinding(travel: TravelNumbers, tension: Tension | undefined): Finding {
  return {
    id: 'inside',
    numbers: tension
      ? { shows: 'tension', tension: tension.numbers, travel }
      : { shows: 'travel', travel },
  };
}

/**
 * The travel left, what this harvest's stretch will eat of it, and what could be done.
 * @throws InputError when more travel is left than there is
 */
export function judgeTravel(takeUp: TakeUp, travel: TravelReading): TravelJudgement {
  if (travel.left > takeUp.total + takeUp.resolution)
    throw new InputError('left', travel.left, `at most the whole travel, ${takeUp.total} mm`);
  const left = Math.min(travel.left, takeUp.total);
  const used = takeUp.total - left;
  const percent =
    travel.measured ?? elongationFromTravel({ used, linksOut: travel.linksOut }, takeUp);
  const ratePerHour = rateOf(travel, percent);
  const plan = takeUpPlan({
    total: takeUp.total,
    used,
    strandsPerTravel: takeUp.strandsPerTravel,
    pitch: takeUp.pitch,
    loopPitches: takeUp.loopPitches - travel.linksOut,
    reserve: takeUp.reserve,
    elongation: percent,
    limit: takeUp.limitPercent,
    ratePerHour,
  });
  const stretched =
    (ratePerHour * travel.season * (takeUp.loopPitches - travel.linksOut) * takeUp.pitch) / 100;
  return {
    plan,
    numbers: {
      left,
      total: takeUp.total,
      reserve: takeUp.reserve,
      percent,
      limitPercent: takeUp.limitPercent,
      eatenInSeason: stretched / takeUp.strandsPerTravel,
      shorten: plan.choices.find((c) => c.action === 'shorten' && c.fits),
    },
  };
}

/** Elongation an hour, %: over its service where that is known, else as forecast. */
function rateOf({ inService, perHour }: TravelReading, percent: number): number {
  if (inService === undefined) return perHour;
  return inService > 0 ? Math.max(0, percent) / inService : 0;
}

/** What else bears on the travel that is left. */
interface Bearing {
  readonly tension: Tension | undefined;
  /** whether what is left lasts through harvest */
  readonly lasting: readonly Finding[];
  /** chance that the reserve is touched in season */
  readonly reserve: number;
}

/** What is wrong with the travel, loudest first; empty when enough is left. */
function travelFindings(
  { resolution, reserve }: TakeUp,
  numbers: TravelNumbers,
  { tension, lasting, reserve: touched }: Bearing,
): readonly Finding[] {
  const { left } = numbers;
  const loose = tension?.side === 'loose';
  const gone = left <= resolution;
  const looseAtTheEnd = loose && left < reserve;
  const endsInSeason = lasting.some((f) => f.id === 'notWorthLeavingLong');
  const findings: Finding[] = [];
  if ((gone || looseAtTheEnd || endsInSeason) && !numbers.shorten)
    findings.push({ id: 'stretchedOut', numbers });
  if (gone && !loose) findings.push({ id: 'falseTension', numbers });
  else if (looseAtTheEnd) findings.push({ id: 'travelGone', numbers });
  else findings.push(...lasting);
  if (!findings.length && (left < reserve || touched >= HOLDS_CHANCE))
    findings.push({ id: 'travelLow', numbers });
  if (loose) findings.push({ id: 'loose', numbers: { tension: tension.numbers, left } });
  return findings;
}
