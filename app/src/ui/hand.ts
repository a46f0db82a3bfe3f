import { useSyncExternalStore } from 'react';

/** The hand that holds the phone's thumb: what it needs most lies on its side. */
export type Hand = 'right' | 'left';

const KEY = 'green-tally-hand';
const listeners = new Set<() => void>();

const handNow = (): Hand => (globalThis.localStorage?.getItem(KEY) === 'left' ? 'left' : 'right');

/** Which thumb works this device. */
export function useHand(): readonly [Hand, (hand: Hand) => void] {
  const hand = useSyncExternalStore<Hand>(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    handNow,
    () => 'right',
  );
  return [hand, choose];
}

function choose(hand: Hand): void {
  globalThis.localStorage?.setItem(KEY, hand);
  listeners.forEach((l) => l());
}
