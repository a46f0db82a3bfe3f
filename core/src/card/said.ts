import type { Check, OperatorSaid, Tick } from '../contracts';
import { standsOf } from '../plan';

/** The key of the tick by which somebody of the shop says that they have heard of it. */
export const heardKey = (id: string): string => `heard|${id}`;

/** What operators said and nobody of the shop has heard of yet, newest first. */
export function unheard(
  said: readonly OperatorSaid[],
  ticks: readonly Tick[],
): readonly OperatorSaid[] {
  return said
    .filter(({ id }) => !standsOf(ticks, heardKey(id))?.done)
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

/**
 * What an operator said in one text, as it begins a symptom walk: what was noticed, and what did not
 * look right.
 */
export function saidWords(
  { noticed, answers }: Pick<OperatorSaid, 'noticed' | 'answers'>,
  checks: readonly Pick<Check, 'id' | 'component'>[],
): string {
  const names = new Map(checks.map((c) => [c.id, c.component]));
  const wrong = answers.flatMap(({ checkId, is, said }) =>
    is === 'notFine'
      ? [`${names.get(checkId) ?? checkId} not right${said ? `: ${said}` : ''}`]
      : [],
  );
  return [...(noticed.trim() ? [noticed.trim()] : []), ...wrong].join('; ');
}

/** Checks that an operator named as not right, to be walked whatever the words point to. */
export const namedWrong = ({ answers }: Pick<OperatorSaid, 'answers'>): readonly string[] =>
  answers.flatMap((a) => (a.is === 'notFine' ? [a.checkId] : []));
