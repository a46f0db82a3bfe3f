import { useRef } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { useClock, useSession } from './hooks';
import { put } from './outbox';
import { useAction, type Action } from './useAction';

/**
 * Ticks something of a machine, or takes the tick back; kept here and sent in its own time. Whoever
 * ticks quickly, one after the other, has each of them; the same twice is one.
 */
export function useTick(machineId: string): Action<[key: string, done: boolean, note?: string]> {
  const { data: session } = useSession();
  const clock = useClock();
  const last = useRef<Promise<boolean>>(Promise.resolve(true));
  const waiting = useRef(new Set<string>());
  const action = useAction((key: string, done: boolean, note: string = '') =>
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
  const run = (...args: [key: string, done: boolean, note?: string]): Promise<boolean> => {
    const same = JSON.stringify(args);
    if (waiting.current.has(same)) return last.current;
    waiting.current.add(same);
    const next = last.current.then(() => action.run(...args));
    last.current = next.finally(() => waiting.current.delete(same));
    return last.current;
  };
  return { ...action, run };
}
