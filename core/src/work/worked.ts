import type { UsedPart, WorkedEntry, WorkItem } from '../contracts';

/** The entries of an item that stand: none that was taken back. */
export function workedOn({ worked }: Pick<WorkItem, 'worked'>): readonly WorkedEntry[] {
  const struck = new Set(worked.flatMap((w) => w.strikes ?? []));
  return worked.filter((w) => w.strikes === null && !struck.has(w.id));
}

/** All parts that were fitted in some work, each number once. */
export function partsUsed(item: Pick<WorkItem, 'worked'>): UsedPart[] {
  const used = new Map<string, UsedPart>();
  for (const part of workedOn(item).flatMap((w) => w.parts))
    used.set(part.number, {
      ...part,
      quantity: part.quantity + (used.get(part.number)?.quantity ?? 0),
    });
  return [...used.values()].filter((p) => p.quantity > 0);
}

/** What a machine has open once only: a verdict's work, a service, a recheck of one check, a task. */
export const workKey = ({
  from,
  checkId,
  task,
}: Pick<WorkItem, 'from' | 'checkId' | 'task'>): string =>
  from === 'verdict' ? checkId : `${from} ${task?.key ?? checkId}`;
