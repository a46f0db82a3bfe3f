import { median } from 'simple-statistics';
import type { Check, JobTime, WorkItem } from '../contracts';
import { workedOn } from './worked';

/** So many jobs of a kind are needed before their median takes the place of the sheet's minutes. Shop rule. */
export const JOBS_ENOUGH = 3;

/** The kind of a job: its component class, and what is done to it. */
export const jobKey = (
  { wearClass, id }: Pick<Check, 'wearClass' | 'id'>,
  decision: WorkItem['decision'],
): string => `${wearClass ?? id} ${decision}`;

/** One job that was done: its kind, and its minutes against those of the sheet. */
export interface Job {
  readonly kind: string;
  readonly ratio: number;
}

/**
 * The jobs that some work items tell of: worked on, not withdrawn, with minutes in the sheet to hold
 * them against.
 */
export function jobsOf(
  checks: readonly Pick<Check, 'wearClass' | 'id'>[],
  items: readonly WorkItem[],
): Job[] {
  const checkOf = new Map(checks.map((c) => [c.id, c]));
  return items.flatMap((item) => {
    const check = checkOf.get(item.checkId);
    const minutes = workedOn(item).reduce((sum, w) => sum + w.minutes, 0);
    const sheet = item.learnt?.sheet ?? item.proposed?.minutes ?? item.minutes;
    return check && item.from !== 'task' && !item.withdrawnAt && minutes > 0 && sheet > 0
      ? [{ kind: jobKey(check, item.decision), ratio: minutes / sheet }]
      : [];
  });
}

/** So many jobs are needed before their spread takes the place of the shop rule. */
const SPREAD_ENOUGH = 8;

/**
 * How far jobs take longer or shorter than their kind does, relative: the coefficient of variation of
 * a log-normal.
 * @returns undefined where there are too few
 */
export function spreadOf(jobs: readonly Job[]): number | undefined {
  if (jobs.length < SPREAD_ENOUGH) return undefined;
  const usual = timesOf(jobs);
  const logs = jobs.map(({ kind, ratio }) => Math.log(ratio / (usual[kind]?.ratio ?? ratio)));
  const variance = logs.reduce((sum, l) => sum + l * l, 0) / (logs.length - 1);
  return Math.sqrt(Math.exp(variance) - 1);
}

/** What jobs have taken against the sheet, by kind: the median, which one bad day does not move. */
export function timesOf(jobs: readonly Job[]): Record<string, JobTime> {
  const byKind = new Map<string, number[]>();
  for (const { kind, ratio } of jobs) byKind.set(kind, [...(byKind.get(kind) ?? []), ratio]);
  return Object.fromEntries(
    [...byKind].map(([kind, ratios]) => [kind, { ratio: median(ratios), jobs: ratios.length }]),
  );
}
