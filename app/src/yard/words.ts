import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { Machine, YardRow } from '@green-tally/core/contracts';

/** "30 Jun" */
export const dayWords = (day: string): string => format(parseISO(day), 'd MMM');
/** "18 Jun, 09:12" */
export const momentWords = (moment: string): string => format(new Date(moment), 'd MMM, HH:mm');
/** "Jun 2025" */
export const monthWords = (day: string): string => format(parseISO(day), 'MMM yyyy');
/** "Thu 18 Jun" */
export const weekdayWords = (day: string): string => format(parseISO(day), 'EEE d MMM');

/** Before noon or after it. */
export const halfWords = (half: 'morning' | 'noon'): string =>
  half === 'morning' ? 'morning' : 'after noon';

/** A chance in words; never as if it were certain. */
export const chanceWords = (chance: number): string =>
  chance >= 0.995 ? 'over 99 %' : chance < 0.005 ? 'under 1 %' : `${Math.round(100 * chance)} %`;

const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

type Next = Pick<YardRow, 'next' | 'late' | 'mustStartBy'> & { readonly behind?: boolean };

const visitWords = ({ next }: Next): string =>
  next.day ? `${weekdayWords(next.day)}${next.technician ? `, ${next.technician}` : ''}` : '';

const NEXT_WORDS: Readonly<Record<YardRow['next']['id'], (of: Next, count: number) => string>> = {
  noSheet: () => 'No spec sheet for this model yet',
  startWalk: (_, n) => (n ? `No walk yet: start it, ${plural(n, 'check')}` : 'No walk yet'),
  resumeWalk: (_, n) => (n ? `Walk begun: ${plural(n, 'check')} to go` : 'Walk begun: finish it'),
  readRest: (_, n) => `${plural(n, 'check')} still to read`,
  enterLimits: (_, n) => `${plural(n, 'check')} without a limit: enter them`,
  remeasure: (_, n) => `${plural(n, 'check')} in doubt: measure again`,
  acceptSkips: (_, n) => `${plural(n, 'skip')} for a planner to accept`,
  acceptWork: (_, n) => `${plural(n, 'decision')} to accept into work`,
  planVisit: ({ mustStartBy }) => `Plan a visit: start by ${dayWords(mustStartBy)}`,
  doWork: (of) => `Visit planned, ${visitWords(of)}`,
  visitPlanned: (of) => `Visit planned, ${visitWords(of)}`,
  visitLate: (of) => `Late: visit ${visitWords(of)} ends in harvest`,
  tasks: (_, n) => `${plural(n, 'task')} to tick`,
  closeUp: () => 'Close the machine up',
  ready: ({ late }) => (late ? 'Late' : 'Ready for harvest'),
};

/** What is to be done next with a machine, in one line. What is being judged anew claims nothing. */
export function nextWords(of: Next): string {
  return of.behind ? `Being judged anew. Before: ${small(stepWords(of))}` : stepWords(of);
}

const small = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

function stepWords(of: Next): string {
  const words = NEXT_WORDS[of.next.id](of, of.next.count);
  return of.next.day && !OF_VISIT.has(of.next.id) ? `${words} · visit ${visitWords(of)}` : words;
}

/** Steps whose words name the visit themselves. */
const OF_VISIT: ReadonlySet<YardRow['next']['id']> = new Set([
  'doWork',
  'visitPlanned',
  'visitLate',
]);

/** Slack as a number and its words. */
export function slackWords(slack: number): { figure: string; words: string } {
  if (slack < 0)
    return { figure: String(-slack), words: slack === -1 ? 'day too late' : 'days too late' };
  return { figure: String(slack), words: slack === 1 ? 'day of slack' : 'days of slack' };
}

/** State of the walk in two or three words. */
export const walkWords = (row: Pick<YardRow, 'walk' | 'checks' | 'checksDue'>): string =>
  row.walk === 'done' && row.checksDue === 0
    ? 'walk done'
    : row.walk !== 'none'
      ? `${row.checks - row.checksDue} of ${row.checks} checked`
      : `${plural(row.checks, 'check')} due`;

/** "Ouzel 7 · T118" */
export const machineName = ({ model, serial }: Pick<Machine, 'model' | 'serial'>): string =>
  `${model} · ${serial}`;

/** A machine of the Yard in one breath, for a screen reader. */
export function rowWords(row: YardRow): string {
  const { figure, words } = slackWords(row.slack);
  return `${machineName(row.machine)}, ${row.machine.customer}, ${figure} ${words}, ${nextWords(row)}`;
}
