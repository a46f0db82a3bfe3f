import type { DueLine, DueState } from '@green-tally/core/contracts';
import { intervalWords } from '@green-tally/core/intervals';
import { printHours } from '@green-tally/core/units';
import { dayWords, weekdayWords } from '../yard/words';

/** How near something is, as a heading. */
export const STATE_WORDS: Readonly<Record<DueState, string>> = {
  overdue: 'Overdue',
  now: 'To do now',
  beforeHarvest: 'Before harvest',
  inSeason: 'In harvest',
  later: 'Later',
};

export const KIND_WORDS: Readonly<Record<DueLine['kind'], string>> = {
  check: 'Check',
  service: 'Service',
  recheck: 'Look again',
  task: 'Task',
  deferred: 'Put off',
};

/** When it falls due: its day, and its hours where they decide. */
export function whenWords({ on, atHours, kind }: DueLine): string {
  if (kind === 'task') return 'open';
  const hours = atHours === null ? '' : `at ${printHours(atHours)}`;
  if (on === null) return hours || 'day not foreseen';
  return hours ? `${weekdayWords(on)}, ${hours}` : weekdayWords(on);
}

/** Why it is due: its rule, and the last time. */
export function whyWords({ interval, by, last, kind }: DueLine): string {
  if (kind === 'task') return last ? `since ${dayWords(last.on)}` : '';
  const rule =
    by === 'early' || by === 'once'
      ? 'first look after it was new'
      : by === 'watch'
        ? 'may reach its limit by then'
        : interval
          ? intervalWords(interval)
          : '';
  const before = last
    ? `last ${dayWords(last.on)} ${last.on.slice(0, 4)}${last.hours ? ` at ${printHours(last.hours)}` : ''}`
    : 'never read';
  return [rule, before].filter(Boolean).join(' · ');
}

/** A due line in one breath, for a screen reader. */
export const lineWords = (line: DueLine): string =>
  `${line.component}: ${line.what}, ${STATE_WORDS[line.state].toLowerCase()}, ${whenWords(line)}`;
