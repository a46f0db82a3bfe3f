import type { OwnerAnswer, WorkLine, WorkSums } from '@green-tally/core/contracts';
import type { Labour, Until } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { dayWords } from '../yard/words';
import { labourText, partLine } from './partWords';

export const ANSWER_WORDS: Readonly<Record<OwnerAnswer, string>> = {
  yes: 'Yes, do it',
  notNow: 'Not now',
  callMe: 'Call me first',
};

export const FROM_WORDS: Readonly<Record<WorkLine['work']['from'], string>> = {
  verdict: 'verdict',
  service: 'service due',
  recheck: 'look again',
  task: 'task',
};

/** "20 Jul", "640 h" */
export const untilWords = (until: Until): string =>
  'on' in until ? dayWords(until.on) : `${printNumber(until.atHours, 0)} h`;

const money = (amount: number, currency: string): string => `${printNumber(amount, 0)} ${currency}`;

/** Both sums in one line: what it costs now, what it costs when it goes, and the chance of that. */
export function sumsWords(sums: WorkSums | null): string {
  if (!sums) return 'No sums: the branch has not said its costs.';
  const { now, sooner, unpriced, ifItGoes, chance, left, currency } = sums;
  const doing =
    now === null
      ? `Now: no price for ${unpriced.join(', ')}`
      : `Now ${money(now, currency)}${sooner === null ? '' : `, ${printNumber(sooner, 0)} of it for doing it early`}`;
  const goes = `if it goes in harvest about ${money(ifItGoes, currency)}`;
  return chance === null || left === null
    ? `${doing}; ${goes}.`
    : `${doing}; left about ${money(left, currency)} (${goes}, chance ${printNumber(100 * chance, 0)}\u00a0%).`;
}

/** What the owner said, by whom it was noted, and when. */
export const ownerWords = ({ answer, note, by, at }: NonNullable<WorkLine['owner']>): string =>
  `Owner: ${ANSWER_WORDS[answer].toLowerCase()}${note ? `, "${note}"` : ''} (noted by ${by}, ${dayWords(at.slice(0, 10))})`;

/** Places, labour and parts of some work in one line. */
export function labourWords({ places, minutes, cover, parts, learnt }: WorkLine['work']): string {
  const labour = labourText((minutes + (cover?.minutes ?? 0)) / 60);
  return [
    ...(places.length > 1 ? [`${places.length} places`] : []),
    ...(labour ? [`${labour}${cover ? ` with ${cover.name}` : ''}`] : []),
    ...(learnt ? [`median of ${learnt.jobs} jobs here; the sheet says ${learnt.sheet} min`] : []),
    ...(parts.length ? [parts.map(partLine).join(', ')] : []),
  ].join(' · ');
}

/** What a visit's labour is made of: "2.5 h: 120 min of work, left side shields 15, setting it 2 ways 6". */
export function visitLabour({ work, covers, positions, hours }: Labour): string {
  const set = positions.reduce((sum, p) => sum + p.minutes, 0);
  return [
    `${printNumber(hours, 2)} h: ${printNumber(work, 0)} min of work`,
    ...covers.map((c) => `${c.name} ${c.minutes} min, once`),
    ...(positions.length
      ? [
          `setting the machine ${positions.length} way${positions.length === 1 ? '' : 's'} ${set} min`,
        ]
      : []),
  ].join(', ');
}
