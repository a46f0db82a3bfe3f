import type { MachineFile, WorkedEntry, WorkItem } from '@green-tally/core/contracts';
import type { Outgoing } from './local';
import { isOwn } from './owner';

/** A machine's file with what is still on this device laid over it. */
export function withOutgoing(file: MachineFile, outgoing: readonly Outgoing[]): MachineFile {
  const own = outgoing.filter(
    (o) => o.state === 'waiting' && o.machineId === file.machine.id && isOwn(o),
  );
  if (own.length === 0) return file;
  return {
    ...file,
    walks: lay(
      file.walks,
      own.flatMap((o) => (o.kind === 'walk' ? [o.body] : [])),
    ),
    readings: lay(
      file.readings,
      own.flatMap((o) => (o.kind === 'reading' ? [o.body] : [])),
    ),
    work: own
      .flatMap((o) => (o.kind === 'worked' ? [o] : []))
      .reduce(
        (items, o) => items.map((w) => (w.id === o.workId ? withEntry(w, o.body) : w)),
        lay(
          lay(
            file.work,
            own.flatMap((o) => (o.kind === 'work' ? [whole(o.body)] : [])),
          ),
          own.flatMap((o) => (o.kind === 'withdrawal' ? [whole(o.body)] : [])),
        ),
      ),
    photos: lay(
      file.photos,
      own.flatMap((o) => (o.kind === 'photo' ? [o.body] : [])),
    ),
    ticks: lay(
      file.ticks,
      own.flatMap((o) => (o.kind === 'tick' ? [o.body] : [])),
    ),
  };
}

/** A work item with all it has now: one kept here by an earlier edition says less. */
export const whole = (item: WorkItem): WorkItem => ({
  ...{ from: 'verdict' as const, task: null, mates: [], learnt: null, proposed: null, worked: [] },
  ...item,
});

/** A work item with an entry of what was done of it, once. */
export function withEntry(item: WorkItem, entry: WorkedEntry): WorkItem {
  const { worked } = whole(item);
  return worked.some((w) => w.id === entry.id) ? item : { ...item, worked: [...worked, entry] };
}

function lay<T extends { readonly id: string }>(there: readonly T[], over: readonly T[]): T[] {
  const ids = new Set(over.map((o) => o.id));
  return [...there.filter((t) => !ids.has(t.id)), ...over];
}
