import { v7 as uuidv7 } from 'uuid';
import { useClock, useSession } from './hooks';
import { put } from './outbox';
import { useAction, type Action } from './useAction';

/** Ticks something of a machine, or takes the tick back; kept here and sent in its own time. */
export function useTick(machineId: string): Action<[key: string, done: boolean, note?: string]> {
  const { data: session } = useSession();
  const clock = useClock();
  return useAction((key: string, done: boolean, note = '') =>
    put([
      {
        kind: 'tick',
        body: {
          id: uuidv7(),
          machineId,
          key,
          done,
          at: clock().toISOString(),
          by: session?.person?.name ?? '',
          note: note.trim(),
        },
      },
    ]),
  );
}
