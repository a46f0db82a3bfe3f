import type { Check, Reading, ReadingValue } from '../contracts';
import type { MachineFacts } from '../kinds';
import { headSentence, judgeCheck } from '../verdict';
import { reading } from './sheet';

/** A header on it, a crop in the field, a day before harvest. */
export const facts: MachineFacts = {
  hours: 1284,
  seasonHours: 108.87,
  crop: 'Lentils',
  header: 'Merle 10',
  today: '2026-06-09',
};
/** A measured value in mm; several are repeats. */
export const measured = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: [],
  unit: 'mm',
});
/** The verdict of a check on values by place; throws when there is none. */
export const verdictOf = (
  check: Check,
  values: Readonly<Record<string, ReadingValue | readonly ReadingValue[]>>,
  change: Partial<Reading> = {},
  at: MachineFacts = facts,
) => {
  const verdict = judgeCheck(
    check,
    Object.entries(values).flatMap(([place, v]) =>
      (Array.isArray(v) ? (v as ReadingValue[]) : [v as ReadingValue]).map((one) =>
        reading(check.id, place, one, change),
      ),
    ),
    at,
  );
  if (!verdict) throw new Error('nothing judged');
  return verdict;
};
/** Decision and head sentence of one value at the first place. */
export const said = (
  check: Check,
  value: ReadingValue,
  change: Partial<Reading> = {},
  at: MachineFacts = facts,
) => {
  const verdict = verdictOf(check, { [check.places[0]!]: value }, change, at);
  return [verdict.decision, headSentence(check, verdict.places[0]!.findings)] as const;
};
