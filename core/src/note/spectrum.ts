import FFT from 'fft.js';

/** Smallest power of two that holds `length` samples. */
export function powerOfTwo(length: number): number {
  return 2 ** Math.max(3, Math.ceil(Math.log2(Math.max(1, length))));
}

/** Transforms by size: their tables take longer to make than a transform takes. */
const transforms = new Map<number, FFT>();

/** The transform of a size, a power of two. */
export function transformOf(size: number): FFT {
  const made = transforms.get(size) ?? new FFT(size);
  transforms.set(size, made);
  return made;
}

/**
 * Power spectrum of a real signal, zero-padded to `size`.
 * @param size a power of two, at least the signal's length
 * @returns size/2 values; bin i stands at i·rate/size
 */
export function powerSpectrum(signal: Float64Array, size: number): Float64Array {
  const fft = transformOf(size);
  const padded = new Float64Array(size);
  padded.set(signal);
  const out = new Float64Array(2 * size);
  fft.realTransform(out, padded);
  const power = new Float64Array(size / 2);
  for (let i = 0; i < power.length; i += 1)
    power[i] = (out[2 * i] ?? 0) ** 2 + (out[2 * i + 1] ?? 0) ** 2;
  return power;
}

/**
 * Autocorrelation of a real signal by way of its spectrum (Wiener–Khinchin), 1 at lag 0.
 * @returns as many lags as asked for, in samples
 */
export function autocorrelation(signal: Float64Array, lags: number): Float64Array {
  const size = powerOfTwo(2 * signal.length);
  const fft = transformOf(size);
  const power = powerSpectrum(signal, size);
  const full = new Float64Array(2 * size);
  for (let i = 0; i < size / 2; i += 1) {
    full[2 * i] = power[i] ?? 0;
    if (i > 0) full[2 * (size - i)] = power[i] ?? 0;
  }
  const out = new Float64Array(2 * size);
  fft.inverseTransform(out, full);
  const zero = out[0] || 1;
  return Float64Array.from({ length: lags }, (_, lag) => (out[2 * lag] ?? 0) / zero);
}

/** Samples a median is taken of: more would cost time and change little. */
const MEDIAN_OF = 65;

/**
 * Noise floor under a spectrum: the median over a third of an octave to either side (never fewer
 * than `least` bins), turned into the mean
 * of the exponential distribution that noise power has, at knots a twelfth of an octave apart and
 * straight between. A few narrow peaks do
 * not lift it.
 */
export function noiseFloor(power: Float64Array, least: number): Float64Array {
  const floor = new Float64Array(power.length);
  let from = 0;
  let before = 0;
  for (
    let knot = 1;
    from < power.length;
    knot = Math.min(power.length, Math.max(knot + Math.ceil(least / 4), Math.round(knot * 1.06)))
  ) {
    const here = medianAround(
      power,
      Math.min(knot, power.length - 1),
      Math.max(least, Math.round(knot * 0.26)),
    );
    for (let j = from; j < knot; j += 1)
      floor[j] = from === 0 ? here : before + ((here - before) * (j - from)) / (knot - from);
    [from, before] = [knot, here];
  }
  return floor;
}

function medianAround(power: Float64Array, middle: number, half: number): number {
  const [from, to] = [Math.max(1, middle - half), Math.min(power.length - 1, middle + half)];
  const count = Math.min(MEDIAN_OF, to - from + 1);
  const some = Array.from(
    { length: count },
    (_, i) => power[from + Math.round((i * (to - from)) / Math.max(1, count - 1))] ?? 0,
  ).sort((a, b) => a - b);
  return (some[count >> 1] ?? 0) / Math.LN2;
}
