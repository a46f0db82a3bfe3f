import { useRef } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Tick } from '@green-tally/core/contracts';
import { useClock, useSession } from './hooks';
import { put } from './outbox';
import { useAction, type Action } from './useAction';

type NewTick = Omit<Tick, 'id' | 'at' | 'until' | 'answer'> &
  Partial<Pick<Tick, 'until' | 'answer'>>;

/** A tick made now, with an id of its own. */
export const newTick = (said: NewTick, now: Date): Tick => ({
  until: null,
  answer: null,
  ...said,
  id: uuidv7(),
  at: now.toISOString(),
});

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
        body: newTick(
          { machineId, key, done, by: session?.person?.name ?? '', note: note.trim() },
          clock(),
        ),
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
