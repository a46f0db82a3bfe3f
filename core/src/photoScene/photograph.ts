import { byteOf, STRIP_LENGTH, toPx, type Point } from '../photo';
import { random } from '../random';
import { inversePlane, planeOf, scaledFor } from './camera';
import { beltLight, chainLight, groundLight, stripLight } from './light';
import { BELOW, type Look, type Photographed, type Scene } from './scene';

// taken out once: looking up a global for every pixel costs more than the pixel
const { exp, max, min, sqrt } = Math;
const hypot = (x: number, y: number): number => sqrt(x * x + y * y);

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
