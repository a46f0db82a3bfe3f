import { varianceAlong } from './algebra';
import { mmWith, scaleAt, toMm, type Plane } from './plane';
import type { PhotoQuantity } from '../benchFor';
import { STRIP, type Point } from './strip';
import type { Snapped } from './snap';

/** What was said beside the photo. */
export interface PhotoTaken {
  /** the bar of 100 mm as a caliper shows it on this print, mm; unmeasured where it is not known */
  readonly proof?: number | undefined;
  /**
   * how far what is measured stands nearer to the camera than the strip, mm; farther off is negative;
   * level is 0, and has to be said
   */
  readonly nearer?: number | undefined;
}

/** A length from a photo. */
export interface PhotoLength {
  /** mm */
  readonly length: number;
  /** of the length, k = 2, mm */
  readonly uncertainty: number;
  /** where it comes from, mm each: corners and taps, the print, standing off the plane */
  readonly of: { readonly picture: number; readonly print: number; readonly off: number };
  /** from the camera to the plane, mm, about */
  readonly distance: number;
}

/** Where the print was not measured it may be off by so much of a length. */
const PRINT_UNKNOWN = 0.005;
/** A caliper shows the bar within so much, mm. */
const CALIPER = 0.05;
/** Paper bends, lenses bend otherwise than by one term: of a length, one standard deviation. */
const MODEL = 0.00033;
/** The lens of a phone sees so wide: its focal length is this of the picture's diagonal, about. */
const FOCAL = 0.62;
/** How well a person says how far off something stands, mm; and how well the distance is known, of itself. */
const SAID = 0.25;
/** That it is level is felt with a finger across both, mm. */
const LEVEL = 0.15;
/** Where nobody has said how it stands it may be off by so much, mm: farther, it would look less worn than it is. */
const UNSAID = 2;
const DISTANCE_KNOWN = 0.15;
/** A print is not off by more: the figure was read of something else, mm. */
export const PROOF_RANGE = [95, 105] as const;

/**
 * The length between two taps, or from one tap to the strip's lower edge, with its uncertainty.
 * @returns undefined where a tap lies beyond the horizon of the plane
 */
export function lengthOf(
  plane: Plane,
  taps: readonly Snapped[],
  quantity: PhotoQuantity,
  { proof, nearer }: PhotoTaken,
): PhotoLength | undefined {
  const at = taps.map(({ px }): Point => [
    (px[0] - plane.middle[0]) / plane.half,
    (px[1] - plane.middle[1]) / plane.half,
  ]);
  const lengthWith = (params: readonly number[], points: readonly Point[]): number => {
    const [a, b] = points.map((p) => mmWith(params, p));
    if (!a || (quantity !== 'toStrip' && !b)) return NaN;
    if (quantity === 'toStrip' || !b) return Math.abs(a[1] - STRIP.edge);
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    if (quantity === 'between') return Math.hypot(dx, dy);
    // straight across, by the mean of what both edges say
    const across = acrossOf(taps);
    return across ? Math.abs(dx * across[0] + dy * across[1]) : Math.hypot(dx, dy);
  };
  const length = lengthWith(plane.params, at);
  const mid = middleOf(plane, taps);
  if (!Number.isFinite(length) || !mid) return undefined;
  const step = 1e-6;
  const slopes = plane.params.map(
    (_, i) =>
      (lengthWith(
        plane.params.map((v, k) => (k === i ? v + step : v)),
        at,
      ) -
        length) /
      step,
  );
  let variance = varianceAlong(plane.covariance, slopes);
  at.forEach((_, i) => {
    for (const axis of [0, 1]) {
      const moved = at.map((p, k): Point =>
        k !== i ? p : axis ? [p[0], p[1] + step] : [p[0] + step, p[1]],
      );
      const slope = (lengthWith(plane.params, moved) - length) / step;
      variance += (slope * ((taps[i]?.stray ?? 0) / plane.half)) ** 2;
    }
  });
  const picture = 2 * Math.hypot(Math.sqrt(variance), MODEL * length);
  const scaled = length * ((proof ?? STRIP.proof) / STRIP.proof);
  const print = proof === undefined ? PRINT_UNKNOWN * length : (CALIPER / STRIP.proof) * length;
  // nearer to the camera it looks larger than it is, by the distance over what is left of it
  const distance = (FOCAL * 2 * plane.half) / scaleAt(plane, mid);
  const by = (nearer ?? 0) / distance;
  const off = scaled * offPlane(nearer, distance);
  return {
    length: scaled * (1 - by),
    // what nobody has said is a bound and not a spread: it counts whole
    uncertainty:
      nearer === undefined ? Math.hypot(picture, print) + off : Math.hypot(picture, print, off),
    of: { picture, print, off },
    distance,
  };
}

/** How far a length may be off, of itself, for standing off the plane of the strip. */
const offPlane = (nearer: number | undefined, distance: number): number =>
  nearer === undefined
    ? UNSAID / distance
    : 2 * Math.hypot((nearer / distance) * DISTANCE_KNOWN, (nearer ? SAID : LEVEL) / distance);

/** Straight across both edges: the mean of their directions, turned. */
function acrossOf(taps: readonly Snapped[]): Point | undefined {
  const [a, b] = taps.map((t) => t.along);
  if (!a || !b) return undefined;
  const same = a[0] * b[0] + a[1] * b[1] < 0 ? -1 : 1;
  const [x, y] = [a[0] + same * b[0], a[1] + same * b[1]];
  const long = Math.hypot(x, y);
  return long ? [-y / long, x / long] : undefined;
}

/** How far two edges are from parallel, degrees; 0 where one of them was not found. */
export function edgesTurned(taps: readonly Snapped[]): number {
  const [a, b] = taps.map((t) => t.along);
  if (!a || !b) return 0;
  return (Math.asin(Math.min(1, Math.abs(a[0] * b[1] - a[1] * b[0]))) * 180) / Math.PI;
}

function middleOf(plane: Plane, taps: readonly Snapped[]): Point | undefined {
  const points = taps.map(({ px }) => toMm(plane, px));
  if (points.some((p) => !p)) return undefined;
  const sum = points.reduce<Point>((s, p) => [s[0] + (p?.[0] ?? 0), s[1] + (p?.[1] ?? 0)], [0, 0]);
  return [sum[0] / points.length, sum[1] / points.length];
}
