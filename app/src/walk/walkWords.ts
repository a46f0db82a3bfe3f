import type { WalkKind } from '@green-tally/core/contracts';
import type { Candidate, FittedWalk, Must } from '@green-tally/core/choose';
import { counted, printAmount, printNumber } from '@green-tally/core/units';

/** Kinds of walk as they are called; `whole` is everything there is to read. */
export const KIND_WORDS: Readonly<Record<WalkKind | 'whole', string>> = {
  beforeHarvest: 'Before harvest',
  afterHarvest: 'After harvest',
  winter: 'Winter',
  storageIn: 'Into storage',
  storageOut: 'Out of storage',
  daily: 'Daily',
  changeover: 'Changeover',
  recheck: 'Recheck',
  symptom: 'By what was noticed',
  whole: 'Everything',
};

const MUST_WORDS: Readonly<Record<Must, string>> = {
  safety: 'for safety',
  service: 'late services',
  recheck: 'rechecks',
  doubt: 'in doubt',
  noticed: 'by what was noticed',
};

/** "2 h 5 min" from 100 minutes on, "88 min" below. */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 100) return `${whole} min`;
  const rest = whole % 60;
  return rest ? `${Math.floor(whole / 60)} h ${rest} min` : `${whole / 60} h`;
}

/** "41 checks: 79 min of reading, 9 min of moving the machine" */
export function fitWords({ taken, minutes, moving }: FittedWalk): string {
  const moves = moving > 0 ? `, ${minutesWords(moving)} of moving the machine` : '';
  return `${counted(taken.length, 'check')}: ${minutesWords(minutes - moving)} of reading${moves}`;
}

/** What is in whatever the time: "9 are in whatever the time: 6 for safety, 3 rechecks"; '' for none */
export function mustWords(candidates: readonly Candidate[]): string {
  const musts = candidates.flatMap((c) => c.must ?? []);
  const parts = (Object.keys(MUST_WORDS) as Must[]).flatMap((must) => {
    const n = musts.filter((m) => m === must).length;
    return n ? [`${n} ${MUST_WORDS[must]}`] : [];
  });
  return parts.length
    ? `${musts.length} ${musts.length === 1 ? 'is' : 'are'} in whatever the time: ${parts.join(', ')}.`
    : '';
}

/**
 * What leaving out may cost: "31 checks not walked: about 190 crowns of expected loss, most of it the
 * tailings chain."
 * @param currency of the branch; undefined where it has not said what a stop costs: hours then
 */
export function leftOutWords({ leftOut, leftValue }: FittedWalk, currency?: string): string {
  if (!leftOut.length) return '';
  const [first] = leftOut;
  const loss =
    currency === undefined
      ? `${printNumber(leftValue, leftValue < 10 ? 1 : 0)} h of standing still`
      : `${printAmount(Number(leftValue.toPrecision(3)))} ${currency} of expected loss`;
  const share = first && leftValue > 0 ? first.worth / leftValue : 0;
  const most =
    first && share > 0
      ? `, ${share >= 0.5 ? 'most of it' : 'first of it'} ${first.check.component.toLowerCase()}`
      : '';
  return `${counted(leftOut.length, 'check')} not walked: about ${loss}${most}.`;
}
