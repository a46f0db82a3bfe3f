import { inverse, normal, solve } from './algebra';
import type { Point } from './strip';

/** A corner: where it is on the plane in mm, and where it was seen in the picture. */
export interface Seen {
  readonly mm: Point;
  readonly px: Point;
}

/**
 * How the plane of the strip lies in the picture: a homography from hundreds of millimetres to the
 * picture about its middle in half diagonals, h33 = 1, and one radial term of the lens.
 */
export interface Plane {
  /** eight of the homography, and the radial term */
  readonly params: readonly number[];
  /** of the parameters */
  readonly covariance: readonly (readonly number[])[];
  readonly middle: Point;
  readonly half: number;
  /** what the corners stray by, px */
  readonly stray: number;
  readonly used: number;
}

/** Hundreds of millimetres: parameters of about one. */
const LONG = 100;
/** A radial term is only looked for where there are so many corners. */
const FOR_LENS = 24;
/** Lenses of phones bend by less than this at the corner of the picture; one standard deviation. */
const LENS_BENDS = 0.08;
/** No corner is known better than this, px: paper is not flat, ink runs. */
const FLOOR = 0.05;
/** A corner further off than this many of what the others stray by is none. */
const TOO_FAR = 4.5;

/** From mm to the picture without its lens, in half diagonals. */
function flat(p: readonly number[], [x, y]: Point): Point {
  const X = x / LONG;
  const Y = y / LONG;
  const w = (p[6] ?? 0) * X + (p[7] ?? 0) * Y + 1;
  return [
    ((p[0] ?? 0) * X + (p[1] ?? 0) * Y + (p[2] ?? 0)) / w,
    ((p[3] ?? 0) * X + (p[4] ?? 0) * Y + (p[5] ?? 0)) / w,
  ];
}

/** What the lens makes of a point: r·(1 + k·r²) of the bent radius is the straight one. */
function bent([u, v]: Point, k: number): Point {
  if (!k) return [u, v];
  const straight = Math.hypot(u, v);
  let r = straight;
  for (let i = 0; i < 8; i += 1) {
    const slope = 1 + 3 * k * r * r;
    if (Math.abs(slope) < 0.05) break;
    r -= (r * (1 + k * r * r) - straight) / slope;
  }
  const by = straight ? r / straight : 1;
  return [u * by, v * by];
}

const unbent = ([u, v]: Point, k: number): Point => {
  const by = 1 + k * (u * u + v * v);
  return [u * by, v * by];
};

/** Where a point of the plane is in the picture, px. */
export function toPx(plane: Plane, mm: Point): Point {
  const [u, v] = bent(flat(plane.params, mm), plane.params[8] ?? 0);
  return [plane.middle[0] + u * plane.half, plane.middle[1] + v * plane.half];
}

/** Where a point of the picture is on the plane, mm; undefined beyond its horizon. */
export function toMm(plane: Plane, [x, y]: Point): Point | undefined {
  return mmWith(plane.params, [
    (x - plane.middle[0]) / plane.half,
    (y - plane.middle[1]) / plane.half,
  ]);
}

/** The same with parameters that are not the plane's own, of a point in half diagonals. */
export function mmWith(p: readonly number[], at: Point): Point | undefined {
  const of = (i: number) => p[i] ?? 0;
  const [u, v] = unbent(at, of(8));
  const found = solve(
    [
      [of(0) - u * of(6), of(1) - u * of(7)],
      [of(3) - v * of(6), of(4) - v * of(7)],
    ],
    [u - of(2), v - of(5)],
  );
  if (!found) return undefined;
  const [X = 0, Y = 0] = found;
  // behind the camera a point would be seen upside down
  return of(6) * X + of(7) * Y + 1 <= 0 ? undefined : [X * LONG, Y * LONG];
}

/** Pixels a millimetre at a place of the plane, along x and y together. */
export function scaleAt(plane: Plane, mm: Point): number {
  const [x, y] = mm;
  const [a, b] = toPx(plane, mm);
  const [c, d] = toPx(plane, [x + 0.5, y]);
  const [e, f] = toPx(plane, [x, y + 0.5]);
  return 2 * Math.sqrt(Math.abs((c - a) * (f - b) - (d - b) * (e - a)));
}

/** The first guess: the homography that makes the equations hold as they stand. */
function firstGuess(seen: readonly { mm: Point; at: Point }[]): number[] | undefined {
  const slopes: number[][] = [];
  const wanted: number[] = [];
  for (const { mm, at } of seen) {
    const [X, Y] = [mm[0] / LONG, mm[1] / LONG];
    const [u, v] = at;
    slopes.push([X, Y, 1, 0, 0, 0, -u * X, -u * Y], [0, 0, 0, X, Y, 1, -v * X, -v * Y]);
    wanted.push(u, v);
  }
  const { a, b } = normal(slopes, wanted);
  return solve(a, b);
}

interface Fitted {
  readonly params: number[];
  readonly a: readonly (readonly number[])[];
  readonly residuals: readonly Point[];
}

/** Least squares by Levenberg and Marquardt, with slopes by small steps. */
function refined(
  seen: readonly { mm: Point; at: Point }[],
  first: number[],
  lens: boolean,
): Fitted {
  const count = lens ? 9 : 8;
  // so that the prior of the lens weighs as one corner would that is seen within its floor
  const prior = 1e-4 / LENS_BENDS;
  const residualsOf = (p: readonly number[]): number[] => [
    ...seen.flatMap(({ mm, at }) => {
      const [u, v] = bent(flat(p, mm), p[8] ?? 0);
      return [at[0] - u, at[1] - v];
    }),
    ...(lens ? [-(p[8] ?? 0) * prior] : []),
  ];
  const sizeOf = (r: readonly number[]) => r.reduce((sum, v) => sum + v * v, 0);
  let params = [...first, 0].slice(0, 9);
  let residuals = residualsOf(params);
  let damp = 1e-4;
  let a: number[][] = [];
  for (let round = 0; round < 40; round += 1) {
    const columns = Array.from({ length: count }, (_, i) => {
      const step = 1e-6;
      const moved = params.map((v, k) => (k === i ? v + step : v));
      return residualsOf(moved).map((r, k) => ((residuals[k] ?? 0) - r) / step);
    });
    const slopes = residuals.map((_, k) => columns.map((c) => c[k] ?? 0));
    const equations = normal(slopes, residuals);
    a = equations.a;
    const damped = a.map((row, i) => row.map((v, j) => (i === j ? v * (1 + damp) : v)));
    const step = solve(damped, equations.b);
    if (!step) break;
    const next = params.map((v, i) => v + (step[i] ?? 0));
    const after = residualsOf(next);
    if (sizeOf(after) > sizeOf(residuals)) {
      damp *= 10;
      if (damp > 1e6) break;
      continue;
    }
    const gained = sizeOf(residuals) - sizeOf(after);
    params = next;
    residuals = after;
    damp = Math.max(1e-9, damp / 10);
    if (gained <= 1e-12 * sizeOf(residuals)) break;
  }
  const points = seen.map((_, i): Point => [residuals[2 * i] ?? 0, residuals[2 * i + 1] ?? 0]);
  return { params, a, residuals: points };
}

/**
 * How the plane lies, by least squares over all corners; those that stray far are left out and the
 * rest fitted again.
 * @param size of the picture, px
 * @returns undefined where the corners do not decide it
 */
export function fitPlane(corners: readonly Seen[], size: Point): Plane | undefined {
  const middle: Point = [(size[0] - 1) / 2, (size[1] - 1) / 2];
  const half = Math.hypot(...size) / 2;
  let seen = corners.map(({ mm, px }) => ({
    mm,
    at: [(px[0] - middle[0]) / half, (px[1] - middle[1]) / half] as Point,
  }));
  for (let round = 0; round < 4; round += 1) {
    if (seen.length < 8) return undefined;
    const first = firstGuess(seen);
    if (!first) return undefined;
    const lens = seen.length >= FOR_LENS;
    const { params, a, residuals } = refined(seen, first, lens);
    const far = residuals.map((r) => Math.hypot(...r));
    const usual = Math.max(FLOOR / half, 1.2 * median(far));
    const near = seen.filter((_, i) => (far[i] ?? 0) <= TOO_FAR * usual);
    if (near.length < seen.length && round < 3) {
      seen = near;
      continue;
    }
    const free = Math.max(1, 2 * seen.length - (lens ? 9 : 8));
    const variance = Math.max((FLOOR / half) ** 2, far.reduce((sum, r) => sum + r * r, 0) / free);
    const inverted = inverse(a);
    if (!inverted) return undefined;
    const covariance = Array.from({ length: 9 }, (_, i) =>
      Array.from({ length: 9 }, (_v, j) => variance * (inverted[i]?.[j] ?? 0)),
    );
    return {
      params,
      covariance,
      middle,
      half,
      stray: Math.sqrt(variance) * half,
      used: seen.length,
    };
  }
  return undefined;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
