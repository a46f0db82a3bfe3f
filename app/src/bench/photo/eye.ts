import type { Mark, Plane, Point, Snapped, StripSeen } from '@green-tally/core/photo';
import { askApart } from '../../store/apart';

/** A photo that was looked at. */
export interface Looked {
  readonly width: number;
  readonly height: number;
  readonly strip: StripSeen;
}

/** The thread that looks; one for as long as somebody measures. */
export interface Eye {
  /** @throws Error in words: too large, no picture */
  readonly look: (photo: Blob) => Promise<Looked>;
  readonly tap: (plane: Plane, tap: Point, by: { mark: Mark; perPx: number }) => Promise<Snapped>;
  readonly end: () => void;
}

/** No camera's photo is larger, bytes. */
const LARGEST_FILE = 40_000_000;

/** Starts the thread that looks. */
export function openEye(): Eye {
  const apart = askApart(
    new Worker(new URL('./eye.worker', import.meta.url)),
    'Looking broke off: the photo may be too large. Try again.',
  );
  return {
    look: async (photo) => {
      if (photo.size > LARGEST_FILE)
        throw new Error('This file is too large for a photo. Choose one below 40 MB.');
      return apart.ask<Looked>({ photo });
    },
    tap: (plane, tap, by) => apart.ask<Snapped>({ plane, tap, by }),
    end: apart.end,
  };
}
