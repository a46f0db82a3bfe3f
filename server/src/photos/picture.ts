import sharp from 'sharp';
import { invalidField } from '../errors';

/** The longer side of a small picture, pixels. */
const SMALL = 320;
/** No more pixels are unpacked, however few bytes they come in. */
const MOST_PIXELS = 40_000_000;

/** A picture as it is kept. */
export interface Picture {
  readonly full: Uint8Array;
  readonly small: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/**
 * Looks a photo through before it is kept: a JPEG that can be read to its end. What else it carries
 * (place, time, camera) is left out; a small one is made.
 * @throws Invalid when it is no JPEG, or broken
 */
export async function pictureOf(data: Uint8Array): Promise<Picture> {
  try {
    const opened = sharp(data, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format, exif, xmp, iptc, orientation = 1, width, height } = await opened.metadata();
    if (format !== 'jpeg') throw new Error(format);
    // unpacked whole: a file cut short is found here
    const small = await opened
      .clone()
      .rotate()
      .resize({ width: SMALL, height: SMALL, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 70 })
      .toBuffer();
    if (!exif && !xmp && !iptc && orientation === 1) return { full: data, small, width, height };
    const clean = await opened
      .clone()
      .rotate()
      .jpeg({ quality: 85 })
      .toBuffer({ resolveWithObject: true });
    return { full: clean.data, small, width: clean.info.width, height: clean.info.height };
  } catch {
    throw invalidField('photo', 'This is no photo that can be read.', 'a whole JPEG picture');
  }
}
