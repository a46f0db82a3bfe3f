import { useDeferredValue, type ReactNode } from 'react';

/** What may come a moment later: what stands before it is shown first, and a tap goes before it. */
export function Soon({ children }: { readonly children: ReactNode }) {
  return useDeferredValue(true, false) ? children : null;
}
