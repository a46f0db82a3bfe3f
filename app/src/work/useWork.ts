import { v7 as uuidv7 } from 'uuid';
import type {
  OwnerAnswer,
  Reading,
  Tick,
  WorkedEntry,
  WorkItem,
} from '@green-tally/core/contracts';
import { deferKey, leftKey, ownerKey, type Until } from '@green-tally/core/plan';
import { accepted, type ProposedWork } from '@green-tally/core/work';
import { newTick, put, useAction, useClock, useSession } from '../store';

/** Work to be accepted: on which machine, and how it was proposed where a person changed it. */
export interface ToAccept {
  readonly machineId: string;
  readonly work: ProposedWork;
  readonly proposed?: WorkItem['proposed'];
}

/** Work that something is said of. */
export interface Of {
  readonly machineId: string;
  readonly work: Pick<ProposedWork, 'subjects'>;
}

/** What is said of it; a note is why, or who said it. */
export type Said =
  | { readonly what: 'leave'; readonly note: string; readonly done?: boolean }
  | { readonly what: 'defer'; readonly until: Until; readonly note: string }
  | { readonly what: 'decideNow' }
  | { readonly what: 'owner'; readonly answer: OwnerAnswer; readonly note: string };

/** What a person does with work; kept on this device, and sent in its own time. */
export function useWork() {
  const { data: session } = useSession();
  const clock = useClock();
  const by = session?.person?.name ?? '';
  const accept = useAction((items: readonly ToAccept[]) => {
    const acceptedAt = clock().toISOString();
    return put(
      items.map(({ machineId, work, proposed = null }) => ({
        kind: 'work' as const,
        body: accepted(work, { id: uuidv7(), machineId, proposed, acceptedBy: by, acceptedAt }),
      })),
    );
  });
  const say = useAction((of: readonly Of[], said: Said) =>
    put(
      of.flatMap(({ machineId, work }) =>
        work.subjects.map((subject) => ({
          kind: 'tick' as const,
          body: newTick({ machineId, by, ...tickOf(subject, said) }, clock()),
        })),
      ),
    ),
  );
  const withdraw = useAction(async (item: WorkItem) => {
    await put([{ kind: 'withdrawal', body: { ...item, withdrawnAt: clock().toISOString() } }]);
  });
  const worked = useAction(
    (
      item: Pick<WorkItem, 'id' | 'machineId'>,
      done: Omit<WorkedEntry, 'id' | 'at' | 'by'>,
      renewals: readonly Reading[],
    ) =>
      put([
        ...renewals.map((body) => ({ kind: 'reading' as const, body })),
        {
          kind: 'worked' as const,
          workId: item.id,
          machineId: item.machineId,
          body: { ...done, id: uuidv7(), at: clock().toISOString(), by },
        },
      ]),
  );
  return { accept, say, withdraw, worked, by };
}

export type Work = ReturnType<typeof useWork>;

function tickOf(subject: string, said: Said): Pick<Tick, 'key' | 'done' | 'note'> & Partial<Tick> {
  switch (said.what) {
    case 'leave':
      return { key: leftKey(subject), done: said.done ?? true, note: said.note.trim() };
    case 'defer':
      return { key: deferKey(subject), done: true, note: said.note.trim(), until: said.until };
    case 'decideNow':
      return { key: deferKey(subject), done: false, note: '' };
    case 'owner':
      return { key: ownerKey(subject), done: true, note: said.note.trim(), answer: said.answer };
  }
}
