/** Hands rest when nothing was touched, and nothing came of it, for so long, ms. */
const REST = 700;
/** Nothing waits longer for them, ms. */
const AT_MOST = 2500;

let touched = -Infinity;

/** Notes when something is touched or typed on this page. Returns how to stop. */
export function watchHands(): () => void {
  const note = () => (touched = performance.now());
  const events = ['pointerdown', 'keydown'];
  events.forEach((e) => globalThis.addEventListener?.(e, note, { capture: true, passive: true }));
  return () => events.forEach((e) => globalThis.removeEventListener?.(e, note, { capture: true }));
}

/**
 * Resolves when hands rest, or after 2.5 s: what nobody waits for takes no time from the next tap
 * then. At once where nothing was touched.
 */
export async function handsRest(): Promise<void> {
  const asked = performance.now();
  if (asked - touched > AT_MOST) return;
  for (;;) {
    // what was asked for is drawn first, however long ago the tap was
    const left = Math.min(Math.max(touched, asked) + REST, asked + AT_MOST) - performance.now();
    if (left <= 0) return;
    await new Promise((resolve) => setTimeout(resolve, left));
  }
}
