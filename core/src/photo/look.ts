import { cornersOf, findCells } from './cells';
import type { Grey } from './image';
import { fitPlane, type Plane } from './plane';
import type { Point } from './strip';

/** What a photo shows of the strip. */
export type StripSeen =
  | {
      readonly found: true;
      readonly plane: Plane;
      readonly cells: number;
      /** of the corners that were used, px */
      readonly corners: readonly Point[];
      readonly doubts: readonly string[];
    }
  | { readonly found: false; readonly why: string };

/** With fewer cells the plane is not decided well enough. */
const FEWEST = 4;
/** Corners that stray by more say that the strip is not flat, px. */
const FLAT = 0.8;

/** Looks for the strip in a photo, and how its plane lies. Never throws for what a photo shows. */
export function seeStrip(grey: Grey): StripSeen {
  const { width, height } = grey;
  if (Math.min(width, height) < 200)
    return {
      found: false,
      why: 'This picture is too small to measure in. Take it anew, as large as the camera can.',
    };
  const cells = findCells(grey);
  if (cells.length === 0)
    return {
      found: false,
      why: 'No strip is seen in this photo. Lay it flat beside what is measured, all of it in the picture and sharp.',
    };
  const corners = cornersOf(cells);
  const plane = cells.length < FEWEST ? undefined : fitPlane(corners, [width, height]);
  if (!plane)
    return {
      found: false,
      why: `Only ${cells.length} of the strip’s 13 cells can be read. Free it of dirt and glare, go nearer, and hold still.`,
    };
  const doubts = [
    ...(cells.length < 8
      ? [
          `Only ${cells.length} of 13 cells were read: the rest is covered, in glare, or out of the picture.`,
        ]
      : []),
    ...(plane.stray > FLAT ? ['The strip does not lie flat: press it against the plates.'] : []),
  ];
  return { found: true, plane, cells: cells.length, corners: corners.map((c) => c.px), doubts };
}
