import { isDark, STRIP, STRIP_LENGTH } from '../photo';
import type { Random } from '../random';
import { BELOW, type Look, type Scene } from './scene';

// taken out once: looking up a global for every pixel costs more than the pixel
const { abs, cos, floor, max, min, PI, sin, sqrt } = Math;
const hypot = (x: number, y: number): number => sqrt(x * x + y * y);

/** What it all lies on: stains, a few slow waves. */
export function groundLight(dice: Random): (x: number, y: number) => number {
  const waves = Array.from({ length: 5 }, () => ({
    x: (dice.next() - 0.5) * 0.12,
    y: (dice.next() - 0.5) * 0.12,
    at: dice.next() * 6.3,
  }));
  return (x, y) => waves.reduce((sum, w) => sum + 0.02 * sin(w.x * x + w.y * y + w.at), 0.22);
}

/** The strip: white paper, its cells and the bar. */
export function stripLight(x: number, y: number): number | undefined {
  if (x < -8 || x > STRIP_LENGTH + 8 || y < -8 || y > STRIP.edge) return undefined;
  const cell = floor(x / STRIP.pitch);
  const [u, v] = [x - cell * STRIP.pitch, y];
  if (cell < 0 || cell >= STRIP.cells || u >= STRIP.side || v < 0 || v >= STRIP.side) return 0.85;
  const unit = STRIP.side / STRIP.units;
  return isDark(cell, floor(v / unit), floor(u / unit)) ? 0.04 : 0.85;
}

/** Side plates with round pin ends, dark rims about them; some with grease and a glint. */
export function chainLight(
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
export function beltLight({ width }: Scene): (x: number, y: number) => number | undefined {
  return (_x, y) => (y > BELOW - 8 && y < BELOW - 8 + width ? 0.05 : undefined);
}
