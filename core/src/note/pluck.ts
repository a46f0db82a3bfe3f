import type { Random } from '../random';
import { positive, zeroOrMore } from '../units';
import { powerOfTwo, transformOf } from './spectrum';

/** A belt span as it sounds when plucked once. */
export interface Pluck {
  /** fundamental, Hz */
  readonly frequency: number;
  /** seconds until the fundamental has fallen to 1/e; overtones fall faster */
  readonly decay: number;
  /** where it is plucked, as a share of the span, 0 to 0.5: decides which overtones are missing */
  readonly at: number;
  /** B of f_k = k·f·√(1 + B·k²)/√(1 + B): stiffness sharpens the overtones */
  readonly inharmonicity: number;
}

/** What else the microphone hears. */
export interface Surroundings {
  /** signal to pink noise over the whole recording, dB; Infinity for silence around it */
  readonly snr: number;
  /** mains hum: 50, 60 or 0 Hz for none */
  readonly mains: 0 | 50 | 60;
  /** hum against the pluck, both RMS over the recording, dB */
  readonly humLevel: number;
}

/**
 * How long a recording is, and at how many samples per second; a pluck comes after a tenth of it.
 */
export interface Recording {
  readonly rate: number;
  readonly seconds: number;
}

/**
 * A plucked span as a recording: decaying, slightly inharmonic partials with mains hum and pink
 * noise; the same dice give the same recording.
 * @returns samples about −1 to 1
 * @throws InputError naming the field
 * @see partials of an ideal string plucked at p: amplitude sin(kπp)/k
 * @example pluck({ frequency: 42, decay: 0.5, at: 0.2, inharmonicity: 1e-4 }, { snr: 0, mains: 50, humLevel: -6 }, { rate: 44_100, seconds: 2 }, random(1))
 */
export function pluck(
  span: Pluck,
  around: Surroundings,
  { rate, seconds }: Recording,
  dice: Random,
): Float32Array {
  positive('frequency', span.frequency);
  positive('decay', span.decay);
  zeroOrMore('inharmonicity', span.inharmonicity);
  const length = Math.round(positive('rate', rate) * positive('seconds', seconds));
  const signal = new Float64Array(length);
  const from = Math.round(length * 0.1);
  const partials = Math.max(1, Math.min(16, Math.floor((0.45 * rate) / span.frequency)));
  for (let k = 1; k <= partials; k += 1) {
    const f =
      k * span.frequency * Math.sqrt((1 + span.inharmonicity * k * k) / (1 + span.inharmonicity));
    const amplitude = Math.sin(k * Math.PI * span.at) / k;
    const decay = span.decay / (1 + 0.15 * (k - 1));
    const phase = 2 * Math.PI * dice.next();
    const keeps = Math.exp(-1 / (decay * rate));
    addTone(signal.subarray(from), { amplitude, turns: f / rate, phase, keeps });
  }
  const level = rms(signal);
  const mixed = mix(
    signal,
    hum(around.mains, length, rate, dice),
    level * 10 ** (around.humLevel / 20),
  );
  return normal(
    mix(
      mixed,
      pinkNoise(length, dice),
      around.snr === Infinity ? 0 : level * 10 ** (-around.snr / 20),
    ),
  );
}

/** Hum and pink noise with no pluck in them; `humLevel`: hum against the noise, dB. */
export function roomNoise(
  { mains, humLevel }: Pick<Surroundings, 'mains' | 'humLevel'>,
  { rate, seconds }: Recording,
  dice: Random,
): Float32Array {
  const length = Math.round(positive('rate', rate) * positive('seconds', seconds));
  return normal(
    mix(pinkNoise(length, dice), hum(mains, length, rate, dice), 10 ** (humLevel / 20)),
  );
}

/** Noise of RMS 1 whose power falls as 1/f, above 5 Hz as a microphone hears it. */
export function pinkNoise(length: number, dice: Random): Float64Array {
  const size = powerOfTwo(length);
  const fft = transformOf(size);
  const spectrum = new Float64Array(2 * size);
  for (let i = 1; i < size / 2; i += 1) {
    const level = 1 / Math.sqrt(Math.max(i, size / 8192));
    const [re, im] = [level * dice.normal(), level * dice.normal()];
    spectrum[2 * i] = re;
    spectrum[2 * i + 1] = im;
    spectrum[2 * (size - i)] = re;
    spectrum[2 * (size - i) + 1] = -im;
  }
  const out = new Float64Array(2 * size);
  fft.inverseTransform(out, spectrum);
  const noise = Float64Array.from({ length }, (_, i) => out[2 * i] ?? 0);
  const level = rms(noise);
  return noise.map((x) => x / level);
}

/**
 * Mains hum of RMS 1: the fundamental, a tenth of a hertz off at most, with its second and third
 * overtones.
 */
function hum(mains: 0 | 50 | 60, length: number, rate: number, dice: Random): Float64Array {
  const signal = new Float64Array(length);
  if (mains === 0) return signal;
  const f = mains + 0.2 * (dice.next() - 0.5);
  for (const [k, amplitude] of [
    [1, 1],
    [2, 0.5],
    [3, 0.35],
  ] as const) {
    const phase = 2 * Math.PI * dice.next();
    addTone(signal, { amplitude, turns: (k * f) / rate, phase, keeps: 1 });
  }
  const level = rms(signal);
  return signal.map((x) => x / level);
}

/** A tone: turns per sample, and what it keeps of its size from one sample to the next. */
interface Tone {
  readonly amplitude: number;
  readonly turns: number;
  readonly phase: number;
  readonly keeps: number;
}

/**
 * Adds a tone. The wave is turned on from sample to sample, many times faster than a sine for each.
 */
function addTone(signal: Float64Array, { amplitude, turns, phase, keeps }: Tone): void {
  const [turnC, turnS] = [
    keeps * Math.cos(2 * Math.PI * turns),
    keeps * Math.sin(2 * Math.PI * turns),
  ];
  let [c, s] = [amplitude * Math.cos(phase), amplitude * Math.sin(phase)];
  for (let i = 0; i < signal.length; i += 1) {
    signal[i] = (signal[i] ?? 0) + s;
    const next = c * turnC - s * turnS;
    s = s * turnC + c * turnS;
    c = next;
  }
}

const rms = (signal: Float64Array): number =>
  Math.sqrt(signal.reduce((sum, x) => sum + x * x, 0) / signal.length) || 1;
const mix = (a: Float64Array, b: Float64Array, level: number): Float64Array =>
  a.map((x, i) => x + level * (b[i] ?? 0));

function normal(signal: Float64Array): Float32Array {
  const most = signal.reduce((m, x) => Math.max(m, Math.abs(x)), 0) || 1;
  return Float32Array.from(signal, (x) => (0.9 * x) / most);
}
