import { edgesTurned, greyOf, lengthOf, seeStrip, snap } from '../src/photo';
import { lookBy, photograph, type Scene } from '../src/photoScene';
import { random, type Random } from '../src/random';

/** What lengths from photos came to. */
export interface PhotoTable {
  readonly cases: number;
  /** a length was given */
  readonly measured: number;
  /** of them, the truth lay within ± U */
  readonly inside: number;
  /** of the lengths, by rank: the error and U, of the length */
  readonly error: { readonly middle: number; readonly most95: number };
  readonly uncertainty: { readonly middle: number; readonly most95: number };
}

/** A person who looks through the loupe taps this well, px, one standard deviation. */
const TAPS = 1.5;

/** Of the photos: the strip, and what was said of it. */
export interface Taken {
  readonly cases: number;
  readonly width: number;
  /** good light, square on, the print measured, level with the strip, twenty pitches */
  readonly good?: boolean;
}

/** A chain of any standard pitch, or the width of a belt. */
function anyScene(dice: Random, good: boolean): Scene {
  const pitch = [12.7, 15.875, 19.05, 25.4][Math.floor(dice.next() * 4)] ?? 19.05;
  return {
    kind: good || dice.next() < 0.75 ? 'chain' : 'belt',
    pitch: (good ? 19.05 : pitch) * (1 + 0.03 * dice.next()),
    pitches: good ? 20 : 6 + Math.floor(dice.next() * 15),
    width: 14 + 40 * dice.next(),
  };
}

/** One photo: how long it was said to be, ± so much, and how long it is, mm; null: not measured. */
export type Measured = {
  readonly error: number;
  readonly uncertainty: number;
  readonly truth: number;
} | null;

/** Photos by the dice, measured as the bench measures them. @param seed the same gives the same photos */
export function photosMeasured(seed: number, { cases, width, good = false }: Taken): Measured[] {
  const dice = random(seed);
  return Array.from({ length: cases }, (_, i) => {
    const scene = anyScene(dice, good);
    const said = !good && dice.next() < 0.3 ? Math.round(dice.next() * 6) : 0;
    const print = 1 + 0.008 * (dice.next() - 0.5);
    const proof = good || dice.next() < 0.7 ? 100 * print + 0.02 * dice.normal() : undefined;
    const look = {
      ...lookBy(dice, [width, Math.round((width * 2) / 3)], !good),
      print,
      nearer: said && said + 0.25 * dice.normal(),
    };
    const photo = photograph(scene, look, seed + i);
    const grey = greyOf(photo.rgba, photo.width, photo.height);
    const strip = seeStrip(grey);
    const taps = photo.ends.map(
      ([x, y]) => [x + TAPS * dice.normal(), y + TAPS * dice.normal()] as const,
    );
    if (!strip.found) return null;
    const chain = scene.kind === 'chain';
    const ends = taps.map((t) =>
      snap(grey, strip.plane, t, { mark: chain ? 'pin' : 'edge', perPx: 0.5 }),
    );
    // edges that do not run alike are seen on the screen, and tapped again
    if (edgesTurned(ends) > 5) return null;
    const length = lengthOf(strip.plane, ends, chain ? 'between' : 'edges', {
      proof,
      nearer: said,
    });
    if (!length) return null;
    const error = Math.abs(length.length - photo.length);
    return { error, uncertainty: length.uncertainty, truth: photo.length };
  });
}

/** What photos came to, together. */
export function photoTable(seen: readonly Measured[]): PhotoTable {
  const measured = seen.filter((s) => s !== null);
  const ranked = (of: (s: (typeof measured)[number]) => number) => {
    const sorted = measured.map(of).sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))] ?? NaN;
    return { middle: at(0.5), most95: at(0.95) };
  };
  return {
    cases: seen.length,
    measured: measured.length,
    inside: measured.filter((s) => s.error <= s.uncertainty).length,
    error: ranked((s) => s.error / s.truth),
    uncertainty: ranked((s) => s.uncertainty / s.truth),
  };
}

/** @param seed the same gives the same photos */
export const photoAccuracy = (seed: number, taken: Taken): PhotoTable =>
  photoTable(photosMeasured(seed, taken));
