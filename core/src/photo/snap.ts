import { solve } from './algebra';
import { lineThrough } from './cells';
import { lightAt, riseIn, type Grey } from './image';
import { scaleAt, toMm, toPx, type Plane } from './plane';
import type { Point } from './strip';

// taken out once: looking up a global for every pixel costs more than the pixel
const { abs, floor, max, min, round, sqrt, hypot, exp, cos, sin } = Math;

/** What is measured between: the middles of round things, or edges. */
export type Mark = 'pin' | 'edge';

/** Where a tap came to lie. */
export interface Snapped {
  /** in the picture, px */
  readonly px: Point;
  /** how far it may be off in each direction, one standard deviation, px */
  readonly stray: number;
  /** whether something was found there to hold on to */
  readonly found: boolean;
  /** of a pin its radius, mm */
  readonly radius?: number;
  /** of an edge: which way it runs on the plane, length one */
  readonly along?: Point;
}

/** A tap with a loupe under the finger that found nothing to hold on to is this good, px on the screen. */
const BY_EYE = 3;
/** A middle that comes to lie further from where it was looked for is another's, mm. */
const FURTHEST = 7;
/** The rim of a pin is between these from its middle, mm. */
const PIN = [1.2, 6.5] as const;
/** A tap under the loupe means nothing that is farther off, mm: at least, and where the photo is shown small. */
const MEANT = [3, 6] as const;
/** No rim and no edge is known better than this, px. */
const FLOOR = 0.12;

/**
 * A tap moved onto the pin or the edge it meant.
 * @param perPx how many of the picture's pixels a pixel of the screen shows, where it was tapped
 */
export function snap(
  grey: Grey,
  plane: Plane,
  tap: Point,
  { mark, perPx }: { mark: Mark; perPx: number },
): Snapped {
  const asTapped: Snapped = { px: tap, stray: max(1, BY_EYE * perPx), found: false };
  const at = toMm(plane, tap);
  if (!at) return asTapped;
  // where the whole photo is shown small, a finger means more of it
  const meant = min(MEANT[1], max(MEANT[0], (BY_EYE * perPx) / scaleAt(plane, at)));
  return (mark === 'pin' ? pinAt : edgeAt)({ grey, plane, meant }, at) ?? asTapped;
}

/** Light of the plane: as if looked at from straight above. */
const above = (grey: Grey, plane: Plane) => (x: number, y: number) => {
  const [u, v] = toPx(plane, [x, y]);
  return lightAt(grey, u, v);
};

type Light = (x: number, y: number) => number;

/** The photo, its plane, and how far from the tap what it meant may lie, mm. */
interface Where {
  readonly grey: Grey;
  readonly plane: Plane;
  readonly meant: number;
}

/** The middle of the round thing near a tap: first where its slopes point, then by its rim. */
function pinAt({ grey, plane, meant }: Where, tap: Point): Snapped | undefined {
  const light = above(grey, plane);
  const scale = scaleAt(plane, tap);
  const step = max(0.2, 1 / scale);
  const slopes = slopesAround(light, tap, { step, reach: meant + PIN[1] });
  let best: { rim: Rim; worth: number } | undefined;
  // a tap may be on the pin's rim: its middle is looked for from several places about it
  const half = meant / 2;
  for (const [dx, dy] of [
    [0, 0],
    [half, 0],
    [-half, 0],
    [0, half],
    [0, -half],
  ] as const) {
    const middle = pointedAt(slopes, [tap[0] + dx, tap[1] + dy]);
    const rim = middle && rimAbout(light, middle, step);
    const off = rim ? hypot(rim.middle[0] - tap[0], rim.middle[1] - tap[1]) : meant;
    if (!rim || off >= meant) continue;
    const worth = rim.worth * exp(-((off / meant) ** 2));
    if (!best || worth > best.worth) best = { rim, worth };
  }
  if (!best) return undefined;
  const again = rimAbout(light, best.rim.middle, step);
  const rim = again && again.worth >= best.rim.worth ? again : best.rim;
  return {
    px: toPx(plane, rim.middle),
    stray: max(FLOOR, rim.stray * scale),
    found: true,
    radius: rim.radius,
  };
}

interface Slope {
  readonly at: Point;
  /** which way it gets lighter, length one */
  readonly to: Point;
  readonly size: number;
}

function slopesAround(
  light: Light,
  [x, y]: Point,
  { step, reach }: { readonly step: number; readonly reach: number },
): Slope[] {
  const slopes: Slope[] = [];
  for (let dy = -reach; dy <= reach; dy += step)
    for (let dx = -reach; dx <= reach; dx += step) {
      const [u, v] = [x + dx, y + dy];
      const gx = light(u + step, v) - light(u - step, v);
      const gy = light(u, v + step) - light(u, v - step);
      const size = hypot(gx, gy);
      if (size > 0.01) slopes.push({ at: [u, v], to: [gx / size, gy / size], size });
    }
  return slopes;
}

/** The point that the slopes about it point at or away from: lines along them cross there. */
function pointedAt(slopes: readonly Slope[], from: Point): Point | undefined {
  let middle = from;
  for (let round = 0; round < 8; round += 1) {
    let [xx, xy, yy, x, y] = [0, 0, 0, 0, 0];
    for (const { at, to, size } of slopes) {
      const [dx, dy] = [at[0] - middle[0], at[1] - middle[1]];
      const far = hypot(dx, dy);
      if (far < PIN[0] * 0.7 || far > PIN[1]) continue;
      // off the line along the slope by so much
      const off = dx * -to[1] + dy * to[0];
      const w = size * size * exp(-((off / (round < 3 ? 1.5 : 0.5)) ** 2)) * exp(-((far / 4) ** 2));
      const [nx, ny] = [-to[1], to[0]];
      xx += w * nx * nx;
      xy += w * nx * ny;
      yy += w * ny * ny;
      const along = nx * at[0] + ny * at[1];
      x += w * nx * along;
      y += w * ny * along;
    }
    const found = solve(
      [
        [xx, xy],
        [xy, yy],
      ],
      [x, y],
    );
    if (!found) return undefined;
    const next: Point = [found[0] ?? 0, found[1] ?? 0];
    const moved = hypot(next[0] - middle[0], next[1] - middle[1]);
    if (hypot(next[0] - from[0], next[1] - from[1]) > FURTHEST) return undefined;
    middle = next;
    if (moved < 0.005) break;
  }
  return middle;
}

interface Rim {
  readonly middle: Point;
  readonly radius: number;
  /** how much speaks for it: in how many directions a rim was found, and how plain it is */
  readonly worth: number;
  readonly stray: number;
}

const DIRECTIONS = 72;
/** A rim of which only half is seen may lean by half of this, mm, one standard deviation. */
const LEANS = 0.3;

/** The rim about a middle: the steepest rise or fall at one radius all around, and the circle through it. */
function rimAbout(light: Light, [cx, cy]: Point, step: number): Rim | undefined {
  const fine = step / 2;
  const count = Math.ceil((PIN[1] + 1 - PIN[0] / 2) / fine);
  const profiles = Array.from({ length: DIRECTIONS }, (_, i) => {
    const angle = (2 * Math.PI * i) / DIRECTIONS;
    const [ux, uy] = [cos(angle), sin(angle)];
    return Array.from({ length: count + 1 }, (_v, k) => {
      const r = PIN[0] / 2 + k * fine;
      return light(cx + ux * r, cy + uy * r);
    });
  });
  // how much the mean light changes at each radius, rising and falling
  const mean = Array.from(
    { length: count + 1 },
    (_, k) => profiles.reduce((s, p) => s + (p[k] ?? 0), 0) / DIRECTIONS,
  );
  const wide = max(1, round(0.3 / fine));
  let ring = 0;
  let most = 0;
  for (let k = wide; k + wide < mean.length; k += 1) {
    const change = (mean[k + wide] ?? 0) - (mean[k - wide] ?? 0);
    if (abs(change) > abs(most)) [ring, most] = [k, change];
  }
  if (abs(most) < 0.012) return undefined;
  const sign = Math.sign(most);
  const reach = max(3, round(0.9 / fine));
  const points = profiles.flatMap((profile, i): Point[] => {
    const from = max(0, ring - reach);
    const part = profile.slice(from, ring + reach + 1).map((l) => sign * l);
    const rise = riseIn(part);
    if (!rise || rise.rise < 0.35 * abs(most)) return [];
    const r = PIN[0] / 2 + (from + rise.at) * fine;
    const angle = (2 * Math.PI * i) / DIRECTIONS;
    return [[cx + cos(angle) * r, cy + sin(angle) * r]];
  });
  return circleThrough(points, abs(most));
}

/** The circle through points of a rim, those that stray left out. */
function circleThrough(points: readonly Point[], plain: number): Rim | undefined {
  let kept = points;
  for (let round = 0; round < 5; round += 1) {
    if (kept.length < DIRECTIONS / 2.5) return undefined;
    const circle = circleOf(kept);
    if (!circle) return undefined;
    const off = kept.map(
      ([x, y]) => hypot(x - circle.middle[0], y - circle.middle[1]) - circle.radius,
    );
    const sorted = off.map(Math.abs).sort((a, b) => a - b);
    const limit = max(0.04, 3 * (sorted[floor(sorted.length / 2)] ?? 0));
    const near = kept.filter((_, i) => abs(off[i] ?? 0) <= limit);
    if (near.length < kept.length && round < 4) {
      kept = near;
      continue;
    }
    const spread = sqrt(off.reduce((s, v) => s + v * v, 0) / max(1, kept.length - 3));
    return {
      ...circle,
      worth: (kept.length / DIRECTIONS) * sqrt(plain),
      // where grease hides the rim, what is left of it may lean
      stray: hypot(spread * sqrt(2 / kept.length), LEANS * (1 - kept.length / DIRECTIONS)),
    };
  }
  return undefined;
}

function circleOf(points: readonly Point[]): { middle: Point; radius: number } | undefined {
  const n = points.length;
  const mx = points.reduce((s, p) => s + p[0], 0) / n;
  const my = points.reduce((s, p) => s + p[1], 0) / n;
  let [xx, xy, yy, xr, yr, rr] = [0, 0, 0, 0, 0, 0];
  for (const p of points) {
    const [x, y] = [p[0] - mx, p[1] - my];
    const r = x * x + y * y;
    xx += x * x;
    xy += x * y;
    yy += y * y;
    xr += x * r;
    yr += y * r;
    rr += r;
  }
  const found = solve(
    [
      [xx, xy],
      [xy, yy],
    ],
    [xr / 2, yr / 2],
  );
  if (!found) return undefined;
  const [x = 0, y = 0] = found;
  return { middle: [mx + x, my + y], radius: sqrt(x * x + y * y + rr / n) };
}

/** An edge is followed so far to either side of a tap, mm. */
const FOLLOWED = 3;

/** The strongest edge near a tap, as a line through what is found along it; the tap moves straight onto it. */
function edgeAt({ grey, plane, meant }: Where, tap: Point): Snapped | undefined {
  const light = above(grey, plane);
  const scale = scaleAt(plane, tap);
  const step = max(0.1, 0.6 / scale);
  let best: Slope | undefined;
  let most = 0.02;
  for (const slope of slopesAround(light, tap, { step: max(0.15, 1 / scale), reach: meant })) {
    const far = hypot(slope.at[0] - tap[0], slope.at[1] - tap[1]);
    if (far > meant) continue;
    const score = slope.size * exp(-((far / (0.55 * meant)) ** 2));
    if (score > most) [best, most] = [slope, score];
  }
  if (!best) return undefined;
  const [nx, ny] = best.to;
  const points: Point[] = [];
  const reach = 1.5;
  const count = round((2 * reach) / step);
  for (let t = -FOLLOWED; t <= FOLLOWED; t += 0.2) {
    const [x, y] = [best.at[0] - ny * t, best.at[1] + nx * t];
    const rise = riseIn(
      Array.from({ length: count + 1 }, (_, k) => {
        const d = -reach + k * step;
        return light(x + nx * d, y + ny * d);
      }),
    );
    if (!rise || rise.rise < 0.03) continue;
    const d = -reach + rise.at * step;
    points.push([x + nx * d, y + ny * d]);
  }
  const line = points.length < 10 ? undefined : lineThrough(points);
  if (!line) return undefined;
  const t = (tap[0] - line.at[0]) * line.along[0] + (tap[1] - line.at[1]) * line.along[1];
  const on: Point = [line.at[0] + line.along[0] * t, line.at[1] + line.along[1] * t];
  return { px: toPx(plane, on), stray: max(2 * FLOOR, 0.25), found: true, along: line.along };
}
