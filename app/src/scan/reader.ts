import { askApart } from '../store/apart';

/** The thread that looks for codes; one for as long as somebody scans. */
export interface Reader {
  /** what the code in a picture holds; null where there is none. @throws Error in words */
  readonly read: (
    picture: CanvasImageSource,
    size: readonly [number, number],
  ) => Promise<string | null>;
  readonly end: () => void;
}

/** A code is found in so many pixels across; more is only slower. */
const LOOKED_AT = 900;

/** Starts the thread that looks. @throws Error in words where this browser cannot draw */
export function openReader(): Reader {
  const apart = askApart(
    new Worker(new URL('./scan.worker', import.meta.url)),
    'Looking for a code broke off. Try again.',
  );
  const canvas = globalThis.document.createElement('canvas');
  const drawn = canvas.getContext('2d', { willReadFrequently: true });
  if (!drawn) throw new Error('This browser cannot look at pictures.');
  return {
    read: (seen, [wide, high]) => {
      const scale = Math.min(1, LOOKED_AT / Math.max(wide, high, 1));
      canvas.width = Math.max(1, Math.round(wide * scale));
      canvas.height = Math.max(1, Math.round(high * scale));
      drawn.drawImage(seen, 0, 0, canvas.width, canvas.height);
      const picture = drawn.getImageData(0, 0, canvas.width, canvas.height);
      return apart.ask<string | null>({ picture });
    },
    end: apart.end,
  };
}
