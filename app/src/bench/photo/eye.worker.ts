import {
  greyOf,
  seeStrip,
  snap,
  type Grey,
  type Mark,
  type Plane,
  type Point,
} from '@green-tally/core/photo';
import { answerApart } from '../../store/apart';

/*
 * Looks at a photo on a thread of its own: first for the strip, then where each tap came to lie. The
 * photo stays here as grey until the next one.
 */

/** No phone's picture is looked at larger than this, px; larger ones are made smaller first. */
const LARGEST = 4200;

/** What is asked: a photo to look at, or a tap on the one that is looked at. */
export type Asked =
  | { readonly photo: Blob }
  | {
      readonly tap: Point;
      readonly plane: Plane;
      readonly by: { mark: Mark; perPx: number };
    };

let grey: Grey | undefined;

async function answer(asked: Asked): Promise<unknown> {
  if ('tap' in asked) {
    if (!grey) throw new Error('Choose the photo again.');
    return snap(grey, asked.plane, asked.tap, asked.by);
  }
  grey = undefined;
  const picture = await createImageBitmap(asked.photo).catch(() => {
    throw new Error('This file is no picture that can be read here. Choose a photo.');
  });
  try {
    const scale = Math.min(1, LARGEST / Math.max(picture.width, picture.height));
    const [width, height] = [picture.width, picture.height].map((s) =>
      Math.max(1, Math.round(s * scale)),
    ) as [number, number];
    const context = new OffscreenCanvas(width, height).getContext('2d', {
      willReadFrequently: true,
    });
    if (!context) throw new Error('This browser cannot look at a photo.');
    context.drawImage(picture, 0, 0, width, height);
    grey = greyOf(context.getImageData(0, 0, width, height).data, width, height);
    return { width, height, strip: seeStrip(grey) };
  } finally {
    picture.close();
  }
}

answerApart(answer);
