import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { Machine, YardRow } from '@green-tally/core/contracts';

/** "30 Jun" */
export const dayWords = (day: string): string => format(parseISO(day), 'd MMM');
/** "Thu 18 Jun" */
export const weekdayWords = (day: string): string => format(parseISO(day), 'EEE d MMM');

const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** What is to be done next with a machine, in one line. */
export function nextWords({
  next,
  late,
  mustStartBy,
}: Pick<YardRow, 'next' | 'late' | 'mustStartBy'>): string {
  const visit = next.day
    ? `${weekdayWords(next.day)}${next.technician ? `, ${next.technician}` : ''}`
    : '';
  switch (next.id) {
    case 'startWalk':
      return `No walk yet: start it, ${plural(next.count, 'check')}`;
    case 'resumeWalk':
      return `Walk begun: ${plural(next.count, 'check')} to go`;
    case 'acceptWork':
      return `${plural(next.count, 'decision')} to accept into work`;
    case 'planVisit':
      return `Plan a visit: start by ${dayWords(mustStartBy)}`;
    case 'visitLate':
      return `Late: visit ${visit} ends in harvest`;
    case 'visitPlanned':
      return `Visit planned, ${visit}`;
    case 'noSheet':
      return 'No spec sheet for this model yet';
    case 'ready':
      return late ? 'Late' : 'Ready for harvest';
  }
}

/** Slack as a number and its words. */
export function slackWords(slack: number): { figure: string; words: string } {
  if (slack < 0)
    return { figure: String(-slack), words: slack === -1 ? 'day too late' : 'days too late' };
  return { figure: String(slack), words: slack === 1 ? 'day of slack' : 'days of slack' };
}

/** State of the walk in two or three words. */
export const walkWords = (row: Pick<YardRow, 'walk' | 'checks' | 'checksDue'>): string =>
  row.walk === 'done'
    ? 'walk done'
    : row.walk === 'started'
      ? `${row.checks - row.checksDue} of ${row.checks} checked`
      : `${plural(row.checks, 'check')} due`;

/** "AX7 · T118" */
export const machineName = ({ model, serial }: Pick<Machine, 'model' | 'serial'>): string =>
  `${model} · ${serial}`;

/** A machine of the Yard in one breath, for a screen reader. */
export function rowWords(row: YardRow): string {
  const { figure, words } = slackWords(row.slack);
  return `${machineName(row.machine)}, ${row.machine.customer}, ${figure} ${words}, ${nextWords(row)}`;
}
