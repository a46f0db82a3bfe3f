import { useEffect, useState } from 'react';
import { Press } from './Press';

/** Asks for the rest of a list; nothing when it is all there. */
export function More({ more }: { more: (() => void) | undefined }) {
  return more ? <Press title="Show more" small onPress={more} testID="show more" /> : null;
}

/** How long nothing has to be typed before it is asked for. */
const SETTLED_MS = 250;

/** A text once it has not been changed for a moment. */
export function useSettled(text: string): string {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [text]);
  return settled;
}
