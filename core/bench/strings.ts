import { detectNote, pinkNoise } from '../src/note';
import { random, type Random } from '../src/random';

/** How a detector does on plucks that the shipped generator did not make. Shares 0 to 1. */
export interface StringTable {
  readonly cases: number;
  /** right within 1 % */
  readonly right: number;
  /** heard, and not right */
  readonly wrong: number;
  readonly lowRight: number;
  readonly lowWrong: number;
}

/** Below this a span is low, Hz. */
const LOW = 30;
const RATE = 8000;
const SECONDS = 2;

/**
 * Plucks by a model of its own: up to ninety damped partials, from dull to so rich that the
 * fundamental is not the loudest, a microphone deaf below its corner, stiffness, pink noise.
 * @param snr signal to noise over the whole recording, dB
 */
export function stringAccuracy(seed: number, cases: number, snr: number): StringTable {
  const dice = random(seed);
  let [right, wrong, low, lowRight, lowWrong] = [0, 0, 0, 0, 0];
  for (let i = 0; i < cases; i += 1) {
    const frequency = 10 * 20 ** dice.next();
    const note = detectNote([recording(frequency, snr, dice)], RATE);
    const good = note.heard && Math.abs(note.frequency / frequency - 1) <= 0.01;
    const bad = note.heard && !good;
    right += Number(good);
    wrong += Number(bad);
    if (frequency >= LOW) continue;
    low += 1;
    lowRight += Number(good);
    lowWrong += Number(bad);
  }
  return {
    cases,
    right: right / cases,
    wrong: wrong / cases,
    lowRight: lowRight / Math.max(1, low),
    lowWrong: lowWrong / Math.max(1, low),
  };
}

function recording(frequency: number, snr: number, dice: Random): Float32Array {
  const length = RATE * SECONDS;
  const slope = 2 * dice.next();
  const at = 0.08 + 0.4 * dice.next();
  const corner = [0, 20, 40, 60][Math.floor(4 * dice.next())] ?? 0;
  const stiffness = 3e-4 * dice.next();
  const decay = 0.25 + 0.65 * dice.next();
  const damping = 0.3 * dice.next();
  const from = Math.floor(length * (0.05 + 0.2 * dice.next()));
  const signal = new Float64Array(length);
  for (let k = 1; k <= 90; k += 1) {
    const f = k * frequency * Math.sqrt((1 + stiffness * k * k) / (1 + stiffness));
    if (f > 900) break;
    const heard = f ** 2 / (f ** 2 + corner ** 2);
    const size = heard * k ** -slope * Math.abs(Math.sin(k * Math.PI * at));
    const phase = 2 * Math.PI * dice.next();
    const fade = decay / (1 + damping * (k - 1));
    for (let n = from; n < length; n += 1) {
      const t = (n - from) / RATE;
      const now = size * Math.exp(-t / fade);
      if (now < 1e-5) break;
      signal[n] = (signal[n] ?? 0) + now * Math.sin(2 * Math.PI * f * t + phase);
    }
  }
  const level = Math.sqrt(signal.reduce((s, x) => s + x * x, 0) / length) || 1;
  const noise = pinkNoise(length, dice);
  const share = level * 10 ** (-snr / 20);
  return Float32Array.from(signal, (x, n) => x + share * (noise[n] ?? 0));
}
