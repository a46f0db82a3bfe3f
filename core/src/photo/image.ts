// taken out once: looking up a global for every pixel costs more than the pixel
const { floor, max, min, round } = Math;

/** A picture in grey: linear light, 0 dark to 1 white, row by row; the middle of the first pixel is (0, 0). */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/** What a byte of a picture stands for in linear light (sRGB, IEC 61966-2-1). */
const LINEAR = Float32Array.from({ length: 256 }, (_, i) => {
  const v = i / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
});

/** A byte for linear light. */
export const byteOf = (light: number): number => {
  const l = min(1, max(0, light));
  return round(255 * (l <= 0.0031308 ? 12.92 * l : 1.055 * l ** (1 / 2.4) - 0.055));
};

/** Grey of a picture as a browser gives it: four bytes a pixel. */
export function greyOf(rgba: ArrayLike<number>, width: number, height: number): Grey {
  const data = new Float32Array(width * height);
  for (let i = 0, o = 0; i < data.length; i += 1, o += 4)
    data[i] =
      0.2126 * (LINEAR[rgba[o] ?? 0] ?? 0) +
      0.7152 * (LINEAR[rgba[o + 1] ?? 0] ?? 0) +
      0.0722 * (LINEAR[rgba[o + 2] ?? 0] ?? 0);
  return { width, height, data };
}

/** The picture smaller by a whole number: each pixel the mean of a square. */
export function shrunk({ width, height, data }: Grey, by: number): Grey {
  if (by <= 1) return { width, height, data };
  const w = floor(width / by);
  const h = floor(height / by);
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      let sum = 0;
      for (let dy = 0; dy < by; dy += 1) {
        const row = (y * by + dy) * width + x * by;
        for (let dx = 0; dx < by; dx += 1) sum += data[row + dx] ?? 0;
      }
      out[y * w + x] = sum / (by * by);
    }
  return { width: w, height: h, data: out };
}

/** Light between the pixels, by their four neighbours; the rim goes on outside. */
export function lightAt({ width, height, data }: Grey, x: number, y: number): number {
  const [right, low] = [width - 1.001, height - 1.001];
  const cx = x < 0 ? 0 : x > right ? right : x;
  const cy = y < 0 ? 0 : y > low ? low : y;
  const ix = floor(cx);
  const iy = floor(cy);
  const fx = cx - ix;
  const fy = cy - iy;
  const i = iy * width + ix;
  const above = (data[i] ?? 0) * (1 - fx) + (data[i + 1] ?? 0) * fx;
  const below = (data[i + width] ?? 0) * (1 - fx) + (data[i + width + 1] ?? 0) * fx;
  return above * (1 - fy) + below * fy;
}

/**
 * Where light rises along a line, as the centroid of the rise about its steepest place.
 * @param profile light at even steps, from dark to light
 * @returns steps from the first, and how much it rises; undefined where it does not
 */
export function riseIn(profile: readonly number[]): { at: number; rise: number } | undefined {
  let steepest = 0;
  let most = 0;
  for (let i = 0; i + 1 < profile.length; i += 1) {
    const rise = (profile[i + 1] ?? 0) - (profile[i] ?? 0);
    if (rise > most) [steepest, most] = [i, rise];
  }
  if (most <= 0) return undefined;
  // out from the steepest while it still rises: what lies beyond belongs to something else
  const rises = (i: number) => (profile[i + 1] ?? 0) - (profile[i] ?? 0);
  let from = steepest;
  let to = steepest;
  while (from > 0 && rises(from - 1) > 0.05 * most) from -= 1;
  while (to + 2 < profile.length && rises(to + 1) > 0.05 * most) to += 1;
  let sum = 0;
  let weighted = 0;
  for (let i = from; i <= to; i += 1) {
    sum += rises(i);
    weighted += rises(i) * (i + 0.5);
  }
  return { at: weighted / sum, rise: sum };
}
