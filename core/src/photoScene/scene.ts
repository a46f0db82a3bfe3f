import type { Plane, Point } from '../photo';
import type { Random } from '../random';

/** How a scene is seen. */
export interface Look {
  /** of the picture, px */
  readonly width: number;
  readonly height: number;
  /** the plane is tilted against the picture, degrees, and turned in it */
  readonly tilt: number;
  readonly tiltTowards: number;
  readonly turn: number;
  /** radial term of the lens: a straight radius is r·(1 + k·r²) of the bent one, in half diagonals */
  readonly lens: number;
  /** of the image, px, one standard deviation */
  readonly blur: number;
  /** of the light, one standard deviation */
  readonly noise: number;
  /** how dark a shadow across the scene is, 0 to 1 */
  readonly shadow: number;
  /** the strip as printed against as drawn */
  readonly print: number;
  /** what lies beside the strip stands so much nearer to the camera, mm */
  readonly nearer: number;
  /** how many of ten pins have grease on their rim, and a glint beside their middle */
  readonly greasy: number;
}

/** What lies beside the strip. */
export interface Scene {
  readonly kind: 'chain' | 'belt';
  /** true, mm: from pin to pin, and how many; or the belt's width */
  readonly pitch: number;
  readonly pitches: number;
  readonly width: number;
}

/** A picture as a browser gives it, and where things truly are in it. */
export interface Photographed {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
  /** where to tap: the first and the last pin, or both edges of the belt, px */
  readonly ends: readonly [Point, Point];
  /** between them, mm */
  readonly length: number;
  /** how the plane truly lies */
  readonly plane: Plane;
}

/** The chain runs so far below the strip, and this far from the belt's upper edge to it, mm. */
export const BELOW = 44;

/** How a scene may be seen: by the dice, within what a person would take. */
export function lookBy(dice: Random, size: Point, hard = true): Look {
  const between = (low: number, high: number) => low + (high - low) * dice.next();
  return {
    width: size[0],
    height: size[1],
    tilt: between(0, hard ? 35 : 12),
    tiltTowards: between(0, 360),
    turn: between(-12, 12),
    lens: between(-0.08, 0.08) * (hard ? 1 : 0.4),
    blur: between(0.5, hard ? 1.8 : 0.9),
    noise: between(0.002, hard ? 0.025 : 0.008),
    shadow: hard ? between(0, 0.7) : between(0, 0.2),
    print: 1,
    nearer: 0,
    greasy: hard ? 5 : 1,
  };
}
