import { useCallback, useSyncExternalStore } from 'react';

/*
 * Which answers on the screen are from this device for want of signal, and since when. What is shown
 * of them says so: a machine that was ready then need not be now.
 */
const since = new Map<string, string>();
let listeners: (() => void)[] = [];

/** Notes that the answer of a path was kept here, when it was given (ISO), or that it is fresh. */
export function noteKept(path: string, at: string | undefined): void {
  if (since.get(path) === at) return;
  if (at === undefined) since.delete(path);
  else since.set(path, at);
  listeners.forEach((l) => l());
}

function onKept(listener: () => void): () => void {
  listeners.push(listener);
  return () => {
    listeners = listeners.filter((l) => l !== listener);
  };
}

/** When the answer of a path was given, where it is from this device; undefined where it is fresh. */
export function useKeptSince(path: string): string | undefined {
  const now = useCallback(() => since.get(path), [path]);
  return useSyncExternalStore(onKept, now, now);
}
