/** A photo as it is kept: whole but not too large, and small. JPEG, without place and camera. */
export interface Shrunk {
  readonly full: ArrayBuffer;
  readonly small: ArrayBuffer;
  readonly width: number;
  readonly height: number;
}

/** A crack can be seen in so many pixels; more is only slower to send. */
const LONGER_SIDE = 2400;
const SMALL_SIDE = 240;
/** What a photo may take on the phone and on its way, bytes. */
const MOST_BYTES = 400_000;
const QUALITIES = [0.85, 0.75, 0.65, 0.5, 0.35];

/**
 * Draws a photo anew, smaller: upright, and with nothing in it but what it shows.
 * @throws Error in words when it is no picture
 */
export async function shrink(file: Blob): Promise<Shrunk> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('This file is no picture that can be read here. Choose a photo.');
  });
  try {
    let side = LONGER_SIDE;
    for (;;) {
      const drawn = draw(picture, side);
      const blob = await lightest(drawn);
      if (blob.size <= MOST_BYTES || side < SMALL_SIDE * 2) {
        const small = await draw(picture, SMALL_SIDE).convertToBlob(asJpeg(0.6));
        return {
          full: await blob.arrayBuffer(),
          small: await small.arrayBuffer(),
          width: drawn.width,
          height: drawn.height,
        };
      }
      side = Math.round(side * 0.75);
    }
  } finally {
    picture.close();
  }
}

const asJpeg = (quality: number): ImageEncodeOptions => ({ type: 'image/jpeg', quality });

/** As good as it can be within what a photo may take. */
async function lightest(drawn: OffscreenCanvas): Promise<Blob> {
  let blob = await drawn.convertToBlob(asJpeg(QUALITIES[0] ?? 0.8));
  for (const quality of QUALITIES.slice(1)) {
    if (blob.size <= MOST_BYTES) break;
    blob = await drawn.convertToBlob(asJpeg(quality));
  }
  return blob;
}

function draw(picture: ImageBitmap, longer: number): OffscreenCanvas {
  const scale = Math.min(1, longer / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser cannot draw a photo.');
  // white, where a picture is see-through
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.drawImage(picture, 0, 0, width, height);
  return canvas;
}
