import type { FeelCheck, MarkCheck, Reading, ReadingValue, TakeUp } from '../contracts';
import { elongationFromTravel, takeUpPlan, type TakeUpPlan } from '../chain';
import { InputError } from '../units';
import type { Finding } from './precedence';

/** Which side of right a tension is. */
export type Tension = 'right' | 'loose' | 'tight';

/** Tension by an indicator or a feel: which side of right it is, and the numbers for its sentence. */
export function tensionOf(
  check: MarkCheck | FeelCheck,
  value: ReadingValue,
): { tension: Tension; numbers: Finding['numbers'] } | undefined {
  if (check.kind === 'mark' && value.kind === 'mark') {
    const { past, short } = check.gauge;
    const numbers = { by: value.by, stands: value.stands, past, short };
    if (value.stands === 'short')
      return { tension: value.by > 0 && value.by <= short ? 'right' : 'loose', numbers };
    return { tension: value.stands === 'past' && value.by > past ? 'tight' : 'right', numbers };
  }
  if (check.kind === 'feel' && value.kind === 'feel') {
    const numbers = { feel: value.feel, good: check.good.join(',') };
    if (check.good.includes(value.feel)) return { tension: 'right', numbers };
    const firstGood = FEELS.indexOf(check.good[0] ?? 'slidesEasily');
    return { tension: FEELS.indexOf(value.feel) < firstGood ? 'tight' : 'loose', numbers };
  }
  return undefined;
}

const FEELS = ['stuck', 'justSlides', 'slidesEasily', 'hangs'] as const;

/**
 * Tension where no travel is to be read: by its mark or feel alone. A tensioner that sets itself is looked at, never adjusted: off its mark it is faulty.
 */
export function judgeTensionAlone(
  setsItself: boolean,
  { tension, numbers }: { tension: Tension; numbers: Finding['numbers'] },
): Finding {
  if (tension === 'right') return { id: 'inside', numbers };
  return {
    id: setsItself ? 'tensionerFaulty' : tension === 'loose' ? 'loose' : 'overTight',
    numbers,
  };
}

/** What the travel of an adjuster says. */
export interface TravelJudgement {
  readonly findings: readonly Finding[];
  readonly plan: TakeUpPlan;
  readonly elongation: number;
  readonly left: number;
}

/**
 * Judges tension together with the travel left: tension is only good if travel is left.
 * @param tension by the indicator or feel; undefined where the chain is judged by its length alone
 * @param travel newest travel reading of the round
 * @param linksOutBefore pitches taken out in this life before this reading
 * @param measured elongation measured over pitches, %; else it is inferred from the travel used
 * @param inService hours since the chain was new
 * @throws InputError when more travel is left than there is
 */
export function judgeTravel(
  takeUp: TakeUp,
  tension: { tension: Tension; numbers: Finding['numbers'] } | undefined,
  travel: Extract<ReadingValue, { kind: 'travel' }> | undefined,
  linksOutBefore: number,
  measured: number | undefined,
  inService: number,
  season: number,
): TravelJudgement | Finding[] {
  const findings: Finding[] = [];
  if (tension?.tension === 'tight') findings.push({ id: 'overTight', numbers: tension.numbers });
  if (!travel)
    return [
      ...findings,
      ...(tension?.tension === 'loose'
        ? [{ id: 'loose' as const, numbers: { ...tension.numbers, left: -1 } }]
        : []),
      { id: 'travelMissing', numbers: {} },
    ];
  if (travel.left > takeUp.total + takeUp.resolution)
    throw new InputError('left', travel.left, `at most the whole travel, ${takeUp.total} mm`);
  const left = Math.min(travel.left, takeUp.total);
  const used = takeUp.total - left;
  const linksOut = linksOutBefore + travel.linksOut;
  const grown =
    measured ??
    elongationFromTravel(used, linksOut, takeUp.strandsPerTravel, takeUp.pitch, takeUp.loopPitches);
  const rate = inService > 0 ? Math.max(0, grown) / inService : 0;
  const plan = takeUpPlan({
    total: takeUp.total,
    used,
    strandsPerTravel: takeUp.strandsPerTravel,
    pitch: takeUp.pitch,
    loopPitches: takeUp.loopPitches,
    elongation: grown,
    limit: takeUp.limitPercent,
    reserve: takeUp.reserve,
    ratePerHour: rate,
  });
  const eatenInSeason =
    (rate * season * takeUp.loopPitches * takeUp.pitch) / 100 / takeUp.strandsPerTravel;
  const gone = left <= takeUp.resolution;
  const short = plan.choices.find((c) => c.action === 'shorten' && c.fits);
  const numbers = {
    left,
    total: takeUp.total,
    reserve: takeUp.reserve,
    percent: grown,
    limitPercent: takeUp.limitPercent,
    eatenInSeason,
    linksOut: short?.linksOut ?? 0,
    offset: short?.offsetLink ? 1 : 0,
    after: short?.travelLeft ?? 0,
    hoursAfter: short?.hoursLeft ?? 0,
    perHalfLink: plan.perHalfLink,
    ...(tension?.numbers ?? {}),
  };
  const loose = tension?.tension === 'loose';
  const mustGainTravel = gone || (loose && left < takeUp.reserve) || left - eatenInSeason < 0;
  if (mustGainTravel && !short) findings.push({ id: 'stretchedOut', numbers });
  if (gone && !loose) findings.push({ id: 'falseTension', numbers });
  else if (loose && left < takeUp.reserve) findings.push({ id: 'travelGone', numbers });
  else if (left - eatenInSeason < 0) findings.push({ id: 'travelEndsInSeason', numbers });
  else if (left < takeUp.reserve) findings.push({ id: 'travelLow', numbers });
  if (loose) findings.push({ id: 'loose', numbers });
  if (!findings.length) findings.push({ id: 'inside', numbers });
  return { findings, plan, elongation: grown, left };
}

/** Left against right: a finding when indicators or travel differ by more than the spec allows. */
export function sidesFinding(
  check: MarkCheck,
  sides: readonly { place: string; readings: readonly Reading[] }[],
): Finding | undefined {
  const stands = sides.map(({ place, readings }) => {
    const mark = readings.findLast((r) => r.value.kind === 'mark')?.value;
    const travel = readings.findLast((r) => r.value.kind === 'travel')?.value;
    return {
      place,
      mark:
        mark?.kind === 'mark'
          ? mark.stands === 'short'
            ? -mark.by
            : mark.stands === 'past'
              ? mark.by
              : 0
          : undefined,
      left: travel?.kind === 'travel' ? travel.left : undefined,
    };
  });
  const [a, b] = stands;
  if (!a || !b || stands.length !== 2) return undefined;
  const byMark = a.mark !== undefined && b.mark !== undefined ? Math.abs(a.mark - b.mark) : 0;
  const byTravel = a.left !== undefined && b.left !== undefined ? Math.abs(a.left - b.left) : 0;
  const difference = Math.max(byMark, byTravel);
  if (difference <= check.maxSideDifference + 1e-9) return undefined;
  return {
    id: 'sidesDiffer',
    numbers: {
      difference,
      allowed: check.maxSideDifference,
      a: a.place,
      b: b.place,
      what: byTravel >= byMark ? 'travel' : 'mark',
    },
  };
}
