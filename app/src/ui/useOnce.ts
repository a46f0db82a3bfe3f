import { useRef } from 'react';

/** The same action, but a second tap while the first is still under way does nothing. */
export function useOnce<A extends unknown[]>(
  action: (...args: A) => Promise<unknown>,
): (...args: A) => Promise<void> {
  const busy = useRef(false);
  return async (...args: A) => {
    if (busy.current) return;
    busy.current = true;
    try {
      await action(...args);
    } finally {
      busy.current = false;
    }
  };
}
