import { useEffect } from 'react';
import { entersFocused, isTyped } from '../../ui/keys';

/** A key and what it does, in words. */
export interface Shortcut {
  readonly key: string;
  readonly does: string;
  readonly run: () => void;
}

/** Shortcuts of the screens that are shown, by who has them; `?` lists them. */
const shown = new Set<readonly Shortcut[]>();

/** What every key does just now. */
export const shortcutsNow = (): readonly Shortcut[] => [
  ...new Map([...shown].flat().map((s) => [s.key, s])).values(),
];

/** Shortcuts of a screen, heard while nothing is being typed. */
export function useKeys(shortcuts: readonly Shortcut[]): void {
  useEffect(() => {
    shown.add(shortcuts);
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isTyped(event) || entersFocused(event)) return;
      const found = shortcuts.find((s) => s.key === event.key);
      if (!found) return;
      event.preventDefault();
      found.run();
    };
    globalThis.addEventListener?.('keydown', onKey);
    return () => {
      shown.delete(shortcuts);
      globalThis.removeEventListener?.('keydown', onKey);
    };
  });
}
