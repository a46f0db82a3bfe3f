import { STRIP_LENGTH, type Plane, type Point } from '../photo';
import type { Look } from './scene';

// taken out once: looking up a global for every pixel costs more than the pixel
const { abs, cos, max, min, PI, sin, sqrt } = Math;
const hypot = (x: number, y: number): number => sqrt(x * x + y * y);

/** Focal length in diagonals of the picture. */
const FOCAL = 0.62;

/** The plane is told in the strip's own millimetres: a print that is larger makes all else smaller in them. */
export const scaledFor = ({ print }: Look, [x, y]: Point): Point => [x / print, y / print];

/** The plane as a camera sees it that holds the whole scene. */
export function planeOf(look: Look, ends: readonly [Point, Point], nearer = 0): Plane {
  const { width, height, print } = look;
  const half = hypot(width, height) / 2;
  const left = min(0, ends[0][0], ends[1][0]) - 14;
  const right = max(STRIP_LENGTH, ends[0][0], ends[1][0]) + 14;
  const low = max(ends[0][1], ends[1][1]) + 16;
  const centre: Point = [(left + right) / 2, (low - 14) / 2];
  const [t, d, r] = [look.tilt, look.tiltTowards, look.turn].map((a) => (a * PI) / 180) as [
    number,
    number,
    number,
  ];
  // turned in the picture, then tilted about an axis in it
  const [ax, ay] = [cos(d), sin(d)];
  const [c, s] = [cos(t), sin(t)];
  const rotated = (x: number, y: number): readonly [number, number, number] => {
    const u = x * cos(r) - y * sin(r);
    const v = x * sin(r) + y * cos(r);
    const along = u * ax + v * ay;
    return [u * c + ax * along * (1 - c), v * c + ay * along * (1 - c), (u * ay - v * ax) * s];
  };
  const focal = FOCAL * 2;
  // as near as it still holds all of it
  const corners: Point[] = [
    [left, -14],
    [right, -14],
    [right, low],
    [left, low],
  ];
  let distance = 200;
  const holds = (far: number) =>
    corners.every(([x, y]) => {
      const [u, v, w] = rotated(x - centre[0], y - centre[1]);
      const depth = far + w;
      return (
        depth > 60 &&
        abs((focal * u) / depth) * half < width / 2.15 &&
        abs((focal * v) / depth) * half < height / 2.15
      );
    });
  while (!holds(distance) && distance < 4000) distance *= 1.02;
  // X, Y in hundreds of the strip's own mm
  const unit = 100 * print;
  const [xu, xv, xw] = rotated(unit, 0);
  const [yu, yv, yw] = rotated(0, unit);
  const middle = rotated(-centre[0], -centre[1]);
  // nearer is against the way the camera looks, straight up from the plane
  const ou = middle[0] + ay * s * nearer;
  const ov = middle[1] - ax * s * nearer;
  const far = distance + middle[2] - c * nearer;
  const params = [
    (focal * xu) / far,
    (focal * yu) / far,
    (focal * ou) / far,
    (focal * xv) / far,
    (focal * yv) / far,
    (focal * ov) / far,
    xw / far,
    yw / far,
    look.lens,
  ];
  return {
    params,
    covariance: [],
    middle: [(width - 1) / 2, (height - 1) / 2],
    half,
    stray: 0,
    used: 0,
  };
}

/** From the picture to the strip's mm, with all that is the same for every pixel worked out once; not beyond the horizon. */
export function inversePlane({
  params,
  middle,
  half,
}: Plane): <T>(x: number, y: number, then: (x: number, y: number) => T) => T | undefined {
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, k = 0] = params;
  const [m0, m1, m2] = [e - f * h, c * h - b, b * f - c * e];
  const [m3, m4, m5] = [f * g - d, a - c * g, c * d - a * f];
  const [m6, m7, m8] = [d * h - e * g, b * g - a * h, a * e - b * d];
  const [mx, my] = middle;
  return (x, y, then) => {
    const bu = (x - mx) / half;
    const bv = (y - my) / half;
    const by = 1 + k * (bu * bu + bv * bv);
    const u = bu * by;
    const v = bv * by;
    const w = (m6 * u + m7 * v + m8) / 100;
    return w <= 0 ? undefined : then((m0 * u + m1 * v + m2) / w, (m3 * u + m4 * v + m5) / w);
  };
}
