import { useMemo, useSyncExternalStore } from 'react';
import { z } from 'zod';

/**
 * A value kept on this device under a key while it is being entered; survives a reload.
 * What is kept there and does not fit its schema any more was written by an older app: it counts as
 * nothing entered.
 * @param empty what is there before anything is entered; entering it forgets the draft
 */
export function useDraft<T>(
  key: string,
  schema: z.ZodType<T>,
  empty: T,
): readonly [T, (next: Changed<T>) => void] {
  const text = useSyncExternalStore(
    onDraft,
    () => globalThis.localStorage?.getItem(key) ?? '',
    () => '',
  );
  const emptyText = JSON.stringify(empty);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the text of `empty` tells whether it changed
  const value = useMemo(() => readDraft(text, schema) ?? empty, [text, schema, emptyText]);
  const change = (next: Changed<T>) => {
    // two taps before the next drawing: the second is laid over the first, not over what was drawn
    const now = () => readDraft(globalThis.localStorage?.getItem(key) ?? '', schema) ?? empty;
    const written = JSON.stringify(isChange(next) ? next(now()) : next);
    if (written === emptyText) globalThis.localStorage?.removeItem(key);
    else globalThis.localStorage?.setItem(key, written);
    draftListeners.forEach((l) => l());
  };
  return [value, change] as const;
}

/** What is entered next: itself, or what comes of what is there now. */
type Changed<T> = T | ((now: T) => T);
const isChange = <T>(next: Changed<T>): next is (now: T) => T => typeof next === 'function';

/** A line of text kept while it is being typed. */
export const useTextDraft = (key: string): readonly [string, (next: string) => void] =>
  useDraft(key, Text, '');

const Text = z.string();

/** What is kept under a key, read into its schema; undefined when nothing is or it does not fit. */
function readDraft<T>(text: string, schema: z.ZodType<T>): T | undefined {
  if (text === '') return undefined;
  const read = schema.safeParse(jsonOf(text));
  return read.success ? read.data : schema.safeParse(text).data;
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // kept by an app that wrote plain text
    return text;
  }
}

const draftListeners = new Set<() => void>();
function onDraft(listener: () => void): () => void {
  draftListeners.add(listener);
  return () => void draftListeners.delete(listener);
}
