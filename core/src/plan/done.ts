import type { Reading, WorkItem } from '../contracts';
import { needsHand } from '../findings';
import { isMain, live, roundOf } from '../history';
import type { CheckVerdict } from '../verdict';
import type { Task } from './tasks';

/**
 * A work item is done when its check was read again after it was accepted and no longer needs a
 * hand, and what was fitted was read; one that was only to be looked at, when it was; a task, when it
 * is ticked.
 */
export function isDone(
  item: WorkItem,
  verdicts: readonly CheckVerdict[],
  tasks: readonly Task[],
): boolean {
  if (item.from === 'task') return tasks.some((t) => t.key === item.task?.key && t.done);
  const verdict = verdicts.find((v) => v.check.id === item.checkId);
  if (!verdict || verdict.takenAt <= item.acceptedAt) return false;
  if (item.from !== 'verdict')
    return verdict.decision !== 'due' && verdict.decision !== 'remeasure';
  const unread = verdict.places.some((p) => p.findings[0]?.id === 'fittedUnread');
  // what has lapsed since it was put right was put right all the same
  return !unread && !needsHand(verdict.decision);
}

/**
 * Whether all places of an item were read as left after it was accepted, and as found in a later
 * round: then it is closed, however it was found. What that calls for is work of its own.
 */
export function wasPutRight(
  { from, checkId, places, acceptedAt }: WorkItem,
  all: readonly Reading[],
): boolean {
  if (from !== 'verdict') return false;
  const own = live(all).filter((r) => r.checkId === checkId && r.takenAt > acceptedAt && isMain(r));
  return places.every((place) => {
    const here = own.filter((r) => r.place === place);
    const left = here.find((r) => r.state === 'asLeft');
    return (
      left !== undefined &&
      here.some(
        (r) => r.state === 'asFound' && r.takenAt > left.takenAt && roundOf(r) !== roundOf(left),
      )
    );
  });
}
