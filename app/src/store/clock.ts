const KEPT = 'green-tally-clock';

/**
 * How far the place's clock runs off this device's, ms; a demo stands on its stated day. Small
 * differences are let be.
 */
function offset(): number {
  const kept = Number(globalThis.localStorage?.getItem(KEPT) ?? 0);
  return Number.isFinite(kept) ? kept : 0;
}

/** Sets the place's clock by what the server just said. */
export function setClock(serverNow: string): void {
  const off = Date.parse(serverNow) - Date.now();
  globalThis.localStorage?.setItem(KEPT, String(Math.abs(off) > 60_000 ? off : 0));
}

/** What time it is at the place. */
export function placeNow(): Date {
  return new Date(Date.now() + offset());
}
