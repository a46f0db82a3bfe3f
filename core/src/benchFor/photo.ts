import type { Check, MeasuredCheck, Method } from '../contracts';

/** What is measured in a photo: from pin to pin, across from edge to edge, or down from the strip's edge. */
export type PhotoQuantity = 'between' | 'edges' | 'toStrip';

/** How the length of a method is seen in a photo. */
const OF_METHOD: Partial<Readonly<Record<Method, PhotoQuantity>>> = {
  'chain-pitches': 'between',
  sag: 'toStrip',
  'belt-width': 'edges',
  'sheave-gap': 'edges',
  'knife-edge': 'edges',
  'rasp-bar': 'edges',
  tooth: 'edges',
};

/** What of a check can be measured in a photo, where anything can. */
export function photoFor(check: Check): PhotoQuantity | undefined {
  return isMeasured(check) && check.quantity === 'length' ? OF_METHOD[check.method] : undefined;
}

/** Whether a check is a measure, at one place or at many. */
export const isMeasured = (check: Check): check is MeasuredCheck =>
  check.kind === 'measure' || check.kind === 'series';
