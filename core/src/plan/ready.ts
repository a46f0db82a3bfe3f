import type { Check, Interval, MissingStep, Tick } from '../contracts';
import { decisionOf, needsHand } from '../findings';
import { atPlace, toEnter } from '../kinds';
import type { CheckVerdict } from '../verdict';
import { subjectOf } from '../work';
import { leftKey } from './answers';
import { standsOf, type Task } from './tasks';

/** What is known of a machine when it is asked whether it is ready. */
export interface Evidence {
  readonly checks: readonly Check[];
  readonly verdicts: readonly CheckVerdict[];
  readonly walkState: 'none' | 'started' | 'done';
  /** checks to take again since another was worked on */
  readonly disturbed: ReadonlyMap<string, unknown>;
  /** accepted work not done, and whether a visit holds it */
  readonly openWork: readonly { readonly checkId: string; readonly planned: boolean }[];
  readonly tasks: readonly Task[];
  readonly ticks: readonly Tick[];
  /** checks whose work was put off, with a reason, to when harvest has begun */
  readonly putOff?: ReadonlySet<string>;
}

/** Key under which a planner accepts that a check is left unread in a walk. */
export const skipKey = (checkId: string, readingIds: readonly string[]): string =>
  `skip|${checkId}|${readingIds.at(-1) ?? ''}`;

/** Key under which a person decides to leave what a verdict calls for; a new reading asks anew. */
export const leaveKey = (checkId: string, readingIds: readonly string[]): string =>
  leftKey(subjectOf(checkId, readingIds));

const BEFORE_HARVEST: Readonly<Record<Interval['kind'], boolean>> = {
  season: true,
  every: true,
  perCrop: true,
  perHeader: true,
  storageOut: true,
  once: false,
  daily: false,
  afterHarvest: false,
  storageIn: false,
};

/** Whether a check belongs to the walk before harvest. */
export const belongsBeforeHarvest = ({ interval }: Pick<Check, 'interval'>): boolean =>
  BEFORE_HARVEST[interval.kind];

/**
 * What a machine lacks to be ready for harvest, in the order to do it; nothing when it is ready.
 * Ready is earned: every check of this season's walk was read and holds or is watched, or a planner
 * accepted that it was skipped, or a person decided with a reason to leave it; work is closed, tasks
 * are ticked, and the machine was closed up. Taking any evidence away never makes it readier.
 */
export function missingFor(evidence: Evidence): MissingStep[] {
  const { checks, walkState, openWork, tasks } = evidence;
  if (checks.length === 0) return [step('noSheet', [])];
  const sorted = sortOut(evidence);
  const walk =
    walkState === 'none'
      ? step('startWalk', sorted.unread)
      : step(walkState === 'started' ? 'resumeWalk' : 'readRest', sorted.unread);
  const unplanned = openWork.filter((w) => !w.planned).map((w) => w.checkId);
  const planned = openWork.filter((w) => w.planned).map((w) => w.checkId);
  const open = tasks.filter((t) => !t.done);
  const closing = open.filter((t) => !t.check);
  return [
    ...(walkState === 'done' ? [] : [walk]),
    ...(walkState === 'done' && sorted.unread.length ? [walk] : []),
    ...some(
      'enterLimits',
      checks.filter(wantsLimit).map((c) => c.id),
    ),
    ...some('remeasure', sorted.remeasure),
    ...some('acceptSkips', sorted.skips),
    ...some('acceptWork', sorted.decide),
    ...some('planVisit', unplanned),
    ...some('doWork', planned),
    ...counted('tasks', open.length - closing.length),
    ...counted('closeUp', closing.length),
  ];
}

const step = (id: MissingStep['id'], checks: readonly string[], count = checks.length) => ({
  id,
  count,
  checks: [...checks],
});
const some = (id: MissingStep['id'], checks: readonly string[]): MissingStep[] =>
  checks.length ? [step(id, checks)] : [];
const counted = (id: MissingStep['id'], count: number): MissingStep[] =>
  count ? [step(id, [], count)] : [];

interface Sorted {
  readonly unread: string[];
  readonly remeasure: string[];
  readonly skips: string[];
  readonly decide: string[];
}

function sortOut({ checks, verdicts, disturbed, openWork, ticks, putOff }: Evidence): Sorted {
  const sorted: Sorted = { unread: [], remeasure: [], skips: [], decide: [] };
  const verdictOf = new Map(verdicts.map((v) => [v.check.id, v]));
  const inWork = new Set(openWork.map((w) => w.checkId));
  for (const check of checks) {
    const where = lackOf(check, verdictOf.get(check.id), {
      disturbed,
      inWork,
      ticks,
      putOff,
    });
    if (where) sorted[where].push(check.id);
  }
  return sorted;
}

interface Beside {
  readonly disturbed: ReadonlyMap<string, unknown>;
  readonly inWork: ReadonlySet<string>;
  readonly ticks: readonly Tick[];
  readonly putOff: Evidence['putOff'];
}

/** Where a check falls short; undefined when it does not. */
function lackOf(
  check: Check,
  verdict: CheckVerdict | undefined,
  { disturbed, inWork, ticks, putOff }: Beside,
): keyof Sorted | undefined {
  const required = belongsBeforeHarvest(check);
  const unread =
    verdict === undefined ||
    (verdict.decision === 'due' && !lacksOnlyLimit(verdict)) ||
    disturbed.has(check.id);
  if (!verdict) return required ? 'unread' : undefined;
  if (needsHand(verdict.decision)) {
    if (verdict.decision === 'remeasure') return required ? doubtOf(verdict, ticks) : undefined;
    if (inWork.has(check.id)) return undefined;
    if (!isLeft(verdict, ticks) && !putOff?.has(check.id)) return 'decide';
  }
  return required && unread ? 'unread' : undefined;
}

/** Whether a check of the walk before harvest is judged by something that nobody has entered yet. */
const wantsLimit = (check: Check): boolean =>
  belongsBeforeHarvest(check) &&
  check.places.some((place) => toEnter(atPlace(check, place)).length > 0);

/** Whether a check was read in full, and is due for its limit's sake alone. */
const lacksOnlyLimit = ({ lacks, places }: CheckVerdict): boolean =>
  lacks === undefined &&
  places.every((p) => p.findings.every((f) => f.id === 'noLimit' || decisionOf(f.id) !== 'due'));

/**
 * Whether a person decided, with a reason, to leave what a verdict calls for. What guards people is
 * never left.
 */
export function isLeft({ check, places }: CheckVerdict, ticks: readonly Tick[]): boolean {
  if (check.guardsPeople) return false;
  const needy = places.filter((p) => needsHand(p.decision));
  return needy.length > 0 && needy.every((p) => standsOf(ticks, leaveKey(check.id, p.readingIds)));
}

/** In doubt, or skipped: a skip can be accepted by a planner. */
function doubtOf(
  { check, places }: CheckVerdict,
  ticks: readonly Tick[],
): keyof Sorted | undefined {
  const doubtful = places.filter((p) => p.decision === 'remeasure');
  const skipped = doubtful.filter((p) => p.findings.some((f) => f.id === 'skipped'));
  if (skipped.length < doubtful.length) return 'remeasure';
  const accepted = skipped.every((p) => standsOf(ticks, skipKey(check.id, p.readingIds)));
  return accepted ? undefined : 'skips';
}
