import { lightAt, riseIn, shrunk, type Grey } from './image';
import { cellCorners, cellOfCode, STRIP, type Point } from './strip';
import type { Seen } from './plane';

// taken out once: looking up a global for every pixel costs more than the pixel
const { abs, floor, max, min, round, sqrt, hypot, cos, sin } = Math;

/** A cell of the strip that was found in a picture: its corners, upper left first, px. */
export interface FoundCell {
  readonly cell: number;
  readonly corners: readonly Point[];
}

/** Darker than so much of what lies around is dark: in linear light a shadow changes nothing of it. */
const DARK = 0.62;
/** The picture is first searched about so large, then larger, px; a strip far off needs the larger. */
const SEARCHED = [1000, 1800, 640];
/** So many edge profiles a side; their ends are left out, where the corners are round. */
const PROFILES = 40;
const FROM_END = 0.12;

/** Every cell of the strip that can be read in a picture, with its corners to a fraction of a pixel. */
export function findCells(grey: Grey): readonly FoundCell[] {
  let best: readonly FoundCell[] = [];
  for (const size of SEARCHED) {
    const by = max(1, round(max(grey.width, grey.height) / size));
    const found = cellsIn(grey, by);
    if (found.length > best.length) best = found;
    if (best.length >= STRIP.cells - 3) break;
  }
  return best;
}

/** What was found, as corners on the plane and in the picture. */
export const cornersOf = (cells: readonly FoundCell[]): readonly Seen[] =>
  cells.flatMap(({ cell, corners }) =>
    cellCorners(cell).flatMap((mm, i) => {
      const px = corners[i];
      return px ? [{ mm, px }] : [];
    }),
  );

function cellsIn(grey: Grey, by: number): readonly FoundCell[] {
  const small = shrunk(grey, by);
  const found = new Map<number, FoundCell & { readonly size: number }>();
  for (const rough of darkSquares(small)) {
    const full = rough.map(([x, y]): Point => [x * by + (by - 1) / 2, y * by + (by - 1) / 2]);
    const once = refinedCorners(grey, full, max(3, 2.5 * by));
    const corners = once && refinedCorners(grey, once, 4);
    const read = corners && codeIn(grey, corners);
    if (!corners || !read) continue;
    // the code turned so many times: its upper left corner is so many further on
    const upright = corners.map((_, i) => corners[(i + 4 - read.turns) % 4] as Point);
    const size = areaOf(upright);
    const before = found.get(read.cell);
    if (!before || before.size < size)
      found.set(read.cell, { cell: read.cell, corners: upright, size });
  }
  return [...found.values()].map(({ cell, corners }) => ({ cell, corners }));
}

/** Which pixels are darker than their neighbourhood. */
function darkIn({ width, height, data }: Grey): Uint8Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    for (let x = 0; x < width; x += 1) {
      row += data[y * width + x] ?? 0;
      sums[(y + 1) * (width + 1) + x + 1] = (sums[y * (width + 1) + x + 1] ?? 0) + row;
    }
  }
  const reach = max(6, round(max(width, height) / 28));
  const dark = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1) {
    const [top, low] = [max(0, y - reach), min(height, y + reach + 1)];
    for (let x = 0; x < width; x += 1) {
      const [left, right] = [max(0, x - reach), min(width, x + reach + 1)];
      const at = (yy: number, xx: number) => sums[yy * (width + 1) + xx] ?? 0;
      const sum = at(low, right) - at(top, right) - at(low, left) + at(top, left);
      const mean = sum / ((low - top) * (right - left));
      if ((data[y * width + x] ?? 0) < DARK * mean) dark[y * width + x] = 1;
    }
  }
  return dark;
}

/** Four corners, clockwise in the picture, of each dark patch that is about a square seen askew. */
function darkSquares(small: Grey): Point[][] {
  const { width, height } = small;
  const dark = darkIn(small);
  const squares: Point[][] = [];
  const stack: number[] = [];
  for (let start = 0; start < dark.length; start += 1) {
    if (dark[start] !== 1) continue;
    const patch: number[] = [];
    let rim = false;
    dark[start] = 2;
    stack.push(start);
    for (let i = stack.pop(); i !== undefined; i = stack.pop()) {
      patch.push(i);
      const x = i % width;
      const y = (i - x) / width;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) {
        rim = true;
        continue;
      }
      for (const next of [i - 1, i + 1, i - width, i + width])
        if (dark[next] === 1) {
          dark[next] = 2;
          stack.push(next);
        }
    }
    if (rim || patch.length < 40 || patch.length > (width * height) / 12) continue;
    const corners = cornersOfPatch(patch, width);
    if (corners) squares.push(corners);
  }
  return squares;
}

/** The corners of a patch, where four of them hold nearly all of it. */
function cornersOfPatch(patch: readonly number[], width: number): Point[] | undefined {
  const points = patch.map((i): Point => [i % width, floor(i / width)]);
  const mean: Point = [
    points.reduce((s, [x]) => s + x, 0) / points.length,
    points.reduce((s, [, y]) => s + y, 0) / points.length,
  ];
  const furthest = (score: (p: Point) => number): Point => {
    let best: Point = mean;
    let most = -Infinity;
    for (const p of points) {
      const s = score(p);
      if (s > most) [best, most] = [p, s];
    }
    return best;
  };
  const apart = (a: Point, b: Point) => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2;
  const a = furthest((p) => apart(p, mean));
  const c = furthest((p) => apart(p, a));
  const side = (p: Point) => (c[0] - a[0]) * (p[1] - a[1]) - (c[1] - a[1]) * (p[0] - a[0]);
  const b = furthest((p) => -side(p));
  const d = furthest(side);
  const corners = [a, b, c, d];
  const area = areaOf(corners);
  // a rim with a code in it fills a third of its square at least, and never more than all
  const fill = points.length / (area + 2 * sqrt(area) + 1);
  if (area < 60 || fill < 0.3 || fill > 1.1) return undefined;
  const sides = corners.map((p, i) => sqrt(apart(p, corners[(i + 1) % 4] ?? p)));
  if (min(...sides) < 6 || max(...sides) > 4 * min(...sides)) return undefined;
  // clockwise as the picture is looked at
  return b === d || area <= 0 ? undefined : side(b) < 0 ? corners : [a, d, c, b];
}

function areaOf(corners: readonly Point[]): number {
  return abs(
    corners.reduce((sum, [x, y], i) => {
      const [u, v] = corners[(i + 1) % corners.length] ?? [0, 0];
      return sum + x * v - u * y;
    }, 0) / 2,
  );
}

/** A straight line: through a point, along a direction of length one. */
interface Line {
  readonly at: Point;
  readonly along: Point;
}

/**
 * Corners as the crossings of lines laid through the edges of the four sides.
 * @param reach how far from the corners so far an edge may lie, px
 */
function refinedCorners(grey: Grey, corners: readonly Point[], reach: number): Point[] | undefined {
  const lines = corners.map((from, i) =>
    edgeLine(grey, [from, corners[(i + 1) % 4] as Point], reach),
  );
  const crossed = lines.map((line, i) => {
    const before = lines[(i + 3) % 4];
    return line && before && crossing(before, line);
  });
  return crossed.every((p): p is Point => Boolean(p)) ? crossed : undefined;
}

/** The line of one side, where it gets lighter outwards. */
function edgeLine(
  grey: Grey,
  [from, to]: readonly [Point, Point],
  reach: number,
): Line | undefined {
  const length = hypot(to[0] - from[0], to[1] - from[1]);
  if (length < 5) return undefined;
  const along: Point = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  // the sides go clockwise: outside is to the left of the way
  const out: Point = [along[1], -along[0]];
  // not into the code, nor over the white to the next cell
  const far = min(reach, (0.9 * length) / STRIP.units);
  const step = 0.5;
  const count = max(4, round((2 * far) / step));
  const points: Point[] = [];
  for (let i = 0; i < PROFILES; i += 1) {
    const t = length * (FROM_END + ((1 - 2 * FROM_END) * i) / (PROFILES - 1));
    const [x, y] = [from[0] + along[0] * t, from[1] + along[1] * t];
    const profile = Array.from({ length: count + 1 }, (_, k) => {
      const d = -far + k * step;
      return lightAt(grey, x + out[0] * d, y + out[1] * d);
    });
    const rise = riseIn(profile);
    if (!rise || rise.rise < 0.03) continue;
    const d = -far + rise.at * step;
    points.push([x + out[0] * d, y + out[1] * d]);
  }
  return points.length < PROFILES / 3 ? undefined : lineThrough(points);
}

/** The line through points, those that stray left out. */
export function lineThrough(points: readonly Point[]): Line | undefined {
  let kept = points;
  for (let round = 0; round < 3; round += 1) {
    if (kept.length < 4) return undefined;
    const line = lineOf(kept);
    const off = kept.map((p) => abs(offLine(line, p)));
    const sorted = [...off].sort((a, b) => a - b);
    const limit = max(0.15, 3.5 * (sorted[floor(sorted.length / 2)] ?? 0));
    const near = kept.filter((_, i) => (off[i] ?? 0) <= limit);
    if (near.length === kept.length || round === 2) return line;
    kept = near;
  }
  return undefined;
}

/** How far a point is from a line; to one side positive. */
export const offLine = ({ at, along }: Line, [x, y]: Point): number =>
  (x - at[0]) * along[1] - (y - at[1]) * along[0];

function lineOf(points: readonly Point[]): Line {
  const n = points.length;
  const x = points.reduce((s, p) => s + p[0], 0) / n;
  const y = points.reduce((s, p) => s + p[1], 0) / n;
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    xx += (p[0] - x) ** 2;
    xy += (p[0] - x) * (p[1] - y);
    yy += (p[1] - y) ** 2;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  return { at: [x, y], along: [cos(angle), sin(angle)] };
}

function crossing(a: Line, b: Line): Point | undefined {
  const turn = a.along[0] * b.along[1] - a.along[1] * b.along[0];
  if (abs(turn) < 0.2) return undefined;
  const t = ((b.at[0] - a.at[0]) * b.along[1] - (b.at[1] - a.at[1]) * b.along[0]) / turn;
  return [a.at[0] + a.along[0] * t, a.at[1] + a.along[1] * t];
}

/** The code inside four corners: which cell, and how it is turned. */
function codeIn(grey: Grey, corners: readonly Point[]): ReturnType<typeof cellOfCode> {
  const n = STRIP.units;
  const lightOf = lightInside(grey, corners);
  if (!lightOf) return undefined;
  const units = Array.from({ length: n * n }, (_, i) => {
    const [row, col] = [floor(i / n), i % n];
    let sum = 0;
    for (const du of [0.3, 0.5, 0.7])
      for (const dv of [0.3, 0.5, 0.7]) sum += lightOf((col + du) / n, (row + dv) / n);
    return sum / 9;
  });
  const light = max(...units);
  const dark = min(...units);
  if (light < 2 * dark + 0.01) return undefined;
  const middle = (light + dark) / 2;
  let seen = 0;
  let rim = 0;
  units.forEach((unit, i) => {
    const [row, col] = [floor(i / n), i % n];
    const inside = row > 0 && col > 0 && row < n - 1 && col < n - 1;
    if (!inside) rim += unit < middle ? 0 : 1;
    else if (unit < middle) seen |= 1 << ((row - 1) * (n - 2) + (col - 1));
  });
  return rim > 1 ? undefined : cellOfCode(seen);
}

/** Light inside four corners, by shares of their sides: a homography of the unit square. */
function lightInside(
  grey: Grey,
  [a, b, c, d]: readonly Point[],
): ((u: number, v: number) => number) | undefined {
  if (!a || !b || !c || !d) return undefined;
  const [dx1, dy1] = [b[0] - c[0], b[1] - c[1]];
  const [dx2, dy2] = [d[0] - c[0], d[1] - c[1]];
  const [sx, sy] = [a[0] - b[0] + c[0] - d[0], a[1] - b[1] + c[1] - d[1]];
  const det = dx1 * dy2 - dx2 * dy1;
  if (!det) return undefined;
  const g = (sx * dy2 - dx2 * sy) / det;
  const h = (dx1 * sy - sx * dy1) / det;
  return (u, v) => {
    const w = g * u + h * v + 1;
    return lightAt(
      grey,
      ((b[0] - a[0] + g * b[0]) * u + (d[0] - a[0] + h * d[0]) * v + a[0]) / w,
      ((b[1] - a[1] + g * b[1]) * u + (d[1] - a[1] + h * d[1]) * v + a[1]) / w,
    );
  };
}
