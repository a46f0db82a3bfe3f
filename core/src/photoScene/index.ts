import { byteOf, isDark, STRIP, STRIP_LENGTH, toPx, type Plane, type Point } from '../photo';
import { random, type Random } from '../random';

/*
 * Photos that were never taken: the strip and a chain or a belt beside it, drawn as a phone would see
 * them, with every true place known. For the calibration of what is measured in photos, and for tests.
 */

// taken out once: looking up a global for every pixel costs more than the pixel
const { abs, cos, exp, floor, max, min, PI, sin, sqrt } = Math;
const hypot = (x: number, y: number): number => sqrt(x * x + y * y);

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
const BELOW = 44;
/** Focal length in diagonals of the picture. */
const FOCAL = 0.62;

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

/** Draws a scene. @param seed of the noise and the stains */
export function photograph(scene: Scene, look: Look, seed: number): Photographed {
  const dice = random(seed);
  const ends = endsOf(scene);
  const plane = planeOf(look, ends);
  const raised = planeOf(look, ends, look.nearer);
  const ground = groundLight(dice);
  const beside = scene.kind === 'chain' ? chainLight(scene, look, dice) : beltLight(scene);
  const { width, height } = look;
  const linear = new Float32Array(width * height);
  const inverse = inversePlane(plane);
  const above = look.nearer ? inversePlane(raised) : inverse;
  const { print } = look;
  const thing = (x: number, y: number) => beside(x * print, y * print);
  const level = above === inverse;
  const light = (x: number, y: number): number =>
    inverse(x, y, (u, v) => {
      const strip = stripLight(u, v);
      if (strip !== undefined) return strip;
      return (level ? thing(u, v) : above(x, y, thing)) ?? ground(u, v);
    }) ?? 0.2;
  // where the light falls by halves
  const fall = dice.next() * width;
  const lean = (dice.next() - 0.5) * 1.2;
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let sum = 0;
      for (const [dx, dy] of SAMPLES) sum += light(x + dx, y + dy);
      const shade = 1 - look.shadow / (1 + exp(-(x - fall + lean * (y - height / 2)) / 14));
      linear[y * width + x] = (sum / SAMPLES.length) * shade * (0.92 - 0.12 * (x / width));
    }
  const soft = blurred(linear, look);
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < soft.length; i += 1) {
    const l = soft[i] ?? 0;
    // light comes in grains: more of it is noisier, but less so for its size
    const grain = look.noise * sqrt(0.15 + l) * dice.normal();
    const byte = byteOf(l + grain);
    rgba.fill(byte, 4 * i, 4 * i + 3);
    rgba[4 * i + 3] = 255;
  }
  return {
    width,
    height,
    rgba,
    ends: [toPx(raised, scaledFor(look, ends[0])), toPx(raised, scaledFor(look, ends[1]))],
    length: hypot(ends[1][0] - ends[0][0], ends[1][1] - ends[0][1]),
    plane,
  };
}

const SAMPLES = [
  [-0.25, -0.25],
  [0.25, -0.25],
  [-0.25, 0.25],
  [0.25, 0.25],
] as const;

/** True places of both ends, mm. */
function endsOf({ kind, pitch, pitches, width }: Scene): readonly [Point, Point] {
  if (kind === 'belt')
    return [
      [130, BELOW - 8],
      [130, BELOW - 8 + width],
    ];
  const long = pitch * pitches;
  const from = STRIP_LENGTH / 2 - long / 2;
  return [
    [from, BELOW],
    [from + long, BELOW],
  ];
}

/** The plane is told in the strip's own millimetres: a print that is larger makes all else smaller in them. */
const scaledFor = ({ print }: Look, [x, y]: Point): Point => [x / print, y / print];

/** The plane as a camera sees it that holds the whole scene. */
function planeOf(look: Look, ends: readonly [Point, Point], nearer = 0): Plane {
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
function inversePlane({
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

/** What it all lies on: stains, a few slow waves. */
function groundLight(dice: Random): (x: number, y: number) => number {
  const waves = Array.from({ length: 5 }, () => ({
    x: (dice.next() - 0.5) * 0.12,
    y: (dice.next() - 0.5) * 0.12,
    at: dice.next() * 6.3,
  }));
  return (x, y) => waves.reduce((sum, w) => sum + 0.02 * sin(w.x * x + w.y * y + w.at), 0.22);
}

/** The strip: white paper, its cells and the bar. */
function stripLight(x: number, y: number): number | undefined {
  if (x < -8 || x > STRIP_LENGTH + 8 || y < -8 || y > STRIP.edge) return undefined;
  const cell = floor(x / STRIP.pitch);
  const [u, v] = [x - cell * STRIP.pitch, y];
  if (cell < 0 || cell >= STRIP.cells || u >= STRIP.side || v < 0 || v >= STRIP.side) return 0.85;
  const unit = STRIP.side / STRIP.units;
  return isDark(cell, floor(v / unit), floor(u / unit)) ? 0.04 : 0.85;
}

/** Side plates with round pin ends, dark rims about them; some with grease and a glint. */
function chainLight(
  { pitch, pitches }: Scene,
  { greasy }: Look,
  dice: Random,
): (x: number, y: number) => number | undefined {
  const from = STRIP_LENGTH / 2 - (pitch * pitches) / 2;
  const pin = min(4.5, pitch * 0.16);
  const plate = min(9, pitch * 0.42);
  const dirt = Array.from({ length: pitches + 3 }, () => {
    const angle = dice.next() * 6.3;
    return dice.next() * 10 < greasy
      ? { x: cos(angle) * pin, y: sin(angle) * pin, r: pin * (0.3 + 0.5 * dice.next()) }
      : undefined;
  });
  return (x, y) => {
    const along = x - from;
    const nearest = max(-1, min(pitches + 1, Math.round(along / pitch)));
    const [dx, dy] = [along - nearest * pitch, y - BELOW];
    const spot = dirt[nearest + 1];
    if (spot && hypot(dx - spot.x, dy - spot.y) < spot.r) return 0.09;
    if (spot && hypot(dx + 0.4 * spot.x, dy + 0.4 * spot.y) < 0.25 * pin) return 0.95;
    const r = hypot(dx, dy);
    if (r < pin) return 0.55;
    if (r < pin * 1.18) return 0.06;
    // plates are waisted between the pins
    const between = abs(abs(dx) / pitch);
    const inside = abs(dy) < plate * (1 - 0.35 * sin(PI * between) ** 2);
    if (inside && along > -pitch && along < (pitches + 1) * pitch) return 0.3;
    return undefined;
  };
}

/** A belt from its back: dark, with a frayed middle. */
function beltLight({ width }: Scene): (x: number, y: number) => number | undefined {
  return (_x, y) => (y > BELOW - 8 && y < BELOW - 8 + width ? 0.05 : undefined);
}

/** Blurred as a lens does, by a bell in both directions. */
function blurred(from: Float32Array, { width, height, blur }: Look): Float32Array {
  const reach = Math.ceil(3 * blur);
  const bell = Array.from({ length: 2 * reach + 1 }, (_, i) =>
    exp(-0.5 * ((i - reach) / blur) ** 2),
  );
  const all = bell.reduce((a, b) => a + b, 0);
  // every line on its own: along the rows, then along the columns
  const pass = (source: Float32Array, length: number, [step, next]: readonly [number, number]) => {
    const out = new Float32Array(source.length);
    const line = new Float32Array(length + 2 * reach);
    for (let start = 0, n = source.length / length; n > 0; n -= 1, start += next) {
      for (let i = 0; i < line.length; i += 1)
        line[i] = source[start + step * max(0, min(length - 1, i - reach))] ?? 0;
      for (let i = 0; i < length; i += 1) {
        let sum = 0;
        for (let k = 0; k < bell.length; k += 1) sum += (bell[k] ?? 0) * (line[i + k] ?? 0);
        out[start + step * i] = sum / all;
      }
    }
    return out;
  };
  return pass(pass(from, width, [1, width]), height, [width, 1]);
}
