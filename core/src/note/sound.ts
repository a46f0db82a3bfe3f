import { InputError } from '../units';

/**
 * Rate the sound is thinned out to, at least, Hz: overtones to 900 Hz are enough for a note of 200
 * Hz.
 */
const WORKING_RATE = 2000;

/**
 * The channels of a recording as one.
 * @throws InputError naming the channel or the sample
 */
export function blend(channels: readonly Float32Array[]): Float64Array {
  const [first] = channels;
  if (!first) throw new InputError('channels', 0, 'at least one channel');
  const mono = new Float64Array(first.length);
  channels.forEach((channel, c) => {
    if (channel.length !== first.length)
      throw new InputError(
        `channels.${c}`,
        channel.length,
        `${first.length} samples, as the first channel`,
      );
    for (let i = 0; i < channel.length; i += 1) {
      const x = channel[i] ?? 0;
      if (!Number.isFinite(x)) throw new InputError(`channels.${c}.${i}`, x, 'a finite sample');
      mono[i] = (mono[i] ?? 0) + x / channels.length;
    }
  });
  return mono;
}

/**
 * Low-pass by a windowed sinc and every n-th sample of it, with the mean and the slope taken off.
 */
export function thinOut(mono: Float64Array, rate: number): { signal: Float64Array; rate: number } {
  const step = Math.max(1, Math.floor(rate / WORKING_RATE));
  const half = step === 1 ? 0 : 8 * step;
  const kernel = Float64Array.from({ length: 2 * half + 1 }, (_, i) => {
    const x = (i - half) / step;
    const sinc = x === 0 ? 1 : Math.sin(Math.PI * 0.94 * x) / (Math.PI * 0.94 * x);
    return sinc * (0.5 + 0.5 * Math.cos((Math.PI * (i - half)) / (half + 1)));
  });
  const total = kernel.reduce((a, b) => a + b, 0);
  const length = Math.floor(mono.length / step);
  const signal = new Float64Array(length);
  for (let i = 0; i < length; i += 1) {
    let sum = 0;
    const middle = i * step;
    const from = Math.max(0, half - middle);
    const to = Math.min(2 * half, mono.length - 1 - middle + half);
    for (let j = from; j <= to; j += 1) sum += (kernel[j] ?? 0) * (mono[middle + j - half] ?? 0);
    signal[i] = sum / total;
  }
  return { signal: detrend(signal), rate: rate / step };
}

function detrend(signal: Float64Array): Float64Array {
  const n = signal.length;
  const middle = (n - 1) / 2;
  let [sum, slope, spread] = [0, 0, 0];
  signal.forEach((x, i) => {
    sum += x;
    slope += (i - middle) * x;
    spread += (i - middle) ** 2;
  });
  const [mean, rise] = [sum / n, spread ? slope / spread : 0];
  return signal.map((x, i) => x - mean - rise * (i - middle));
}

/**
 * Takes off mains hum: what stands at 50 or 60 Hz and its overtones in the last two fifths, when a
 * pluck has died away, is taken off all of it.
 */
export function withoutHum(signal: Float64Array, rate: number): Float64Array {
  const n = signal.length;
  const from = Math.floor(n * 0.6);
  let clean = signal;
  for (const mains of [50, 60]) {
    const power = (f: number) =>
      [1, 2, 3].reduce((sum, k) => sum + tone({ signal: clean, rate, from, to: n }, k * f).size, 0);
    const loudest = (around: number, step: number) =>
      Array.from({ length: 7 }, (_, i) => around + (i - 3) * step).reduce(
        (best, f) => (power(f) > power(best) ? f : best),
        around,
      );
    const at = loudest(loudest(mains, 0.05), 0.012);
    for (const k of [1, 2, 3, 4]) {
      const { cos, sin, size } = tone({ signal: clean, rate, from, to: n }, k * at);
      const around = [-4.5, -3, 3, 4.5]
        .map((d) => tone({ signal: clean, rate, from, to: n }, k * at + d).size)
        .sort((x, y) => x - y);
      if (size < (3 * ((around[1] ?? 0) + (around[2] ?? 0))) / 2) continue;
      const w = (2 * Math.PI * k * at) / rate;
      clean = clean.map((x, i) => x - cos * Math.cos(w * i) - sin * Math.sin(w * i));
    }
  }
  return clean;
}

/** A stretch of a recording: samples `from` to `to`. */
interface Stretch {
  readonly signal: Float64Array;
  readonly rate: number;
  readonly from: number;
  readonly to: number;
}

/** Least-squares tone at one frequency over a stretch of the signal, weighed by a Hann window. */
export function tone(
  { signal, rate, from, to }: Stretch,
  frequency: number,
): { cos: number; sin: number; size: number } {
  const w = (2 * Math.PI * frequency) / rate;
  const v = (2 * Math.PI) / (to - from);
  // both waves by rotation: a sine for every sample would take most of the time
  const [turnC, turnS, hannC, hannS] = [Math.cos(w), Math.sin(w), Math.cos(v), Math.sin(v)];
  let [c, s, hc, hs] = [Math.cos(w * from), Math.sin(w * from), Math.cos(v / 2), Math.sin(v / 2)];
  let [cos, sin, total] = [0, 0, 0];
  for (let i = from; i < to; i += 1) {
    const weight = 0.5 - 0.5 * hc;
    const x = weight * (signal[i] ?? 0);
    cos += x * c;
    sin += x * s;
    total += weight;
    const nextC = c * turnC - s * turnS;
    s = s * turnC + c * turnS;
    c = nextC;
    const nextH = hc * hannC - hs * hannS;
    hs = hs * hannC + hc * hannS;
    hc = nextH;
  }
  return {
    cos: (2 * cos) / total,
    sin: (2 * sin) / total,
    size: (2 * Math.hypot(cos, sin)) / total,
  };
}
