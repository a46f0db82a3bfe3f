import { useEffect, useState, useSyncExternalStore } from 'react';
import { worstPlace, type CheckVerdict } from '@green-tally/core/verdict';
import { painted } from '../store';
import { Over } from '../ui';
import { CheckTitle } from './CheckParts';
import { VerdictBanner } from './VerdictCard';

/** A verdict on its way to its screen: whoever shows it hears of it, and nothing else is drawn. */
export interface Coming {
  readonly now: () => CheckVerdict | undefined;
  readonly hear: (listener: () => void) => () => void;
  /**
   * Shows what is judged, and resolves when it has been painted. One that cannot be judged is kept all
   * the same: its screen says what is wrong with it.
   */
  readonly glimpse: (judge: () => CheckVerdict | undefined) => Promise<void>;
  readonly over: () => void;
}

function coming(): Coming {
  let verdict: CheckVerdict | undefined;
  const listeners = new Set<() => void>();
  const show = (next: CheckVerdict | undefined) => {
    verdict = next;
    listeners.forEach((l) => l());
  };
  return {
    now: () => verdict,
    hear: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    glimpse: async (judge) => {
      try {
        show(judge());
      } catch (error) {
        console.error('glimpse', error);
        return;
      }
      await painted();
    },
    over: () => show(undefined),
  };
}

export const useComing = (): Coming => useState(coming)[0];

/**
 * The word, the number and why, at the place where the verdict's screen has them, over the entry
 * until that screen is drawn: to keep the reading and to work out what follows takes a slow phone
 * longer than to judge it.
 */
export function Glimpse({ of }: { readonly of: Coming }) {
  const verdict = useSyncExternalStore(of.hear, of.now, of.now);
  useEffect(() => of.over, [of]);
  const worst = verdict && worstPlace(verdict);
  if (!worst) return null;
  return (
    // said aloud by the screen that follows
    <Over>
      <CheckTitle check={verdict.check} />
      <VerdictBanner verdict={verdict} worst={worst} coming />
    </Over>
  );
}
