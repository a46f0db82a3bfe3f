import { InputError, positive } from '../units';
import { bestRun, FAINTEST, finest, partialsOf, rivalOf, spreadOf, type Comb } from './comb';
import { blend, thinOut, withoutHum, tone } from './sound';
import { autocorrelation, noiseFloor, powerOfTwo, powerSpectrum } from './spectrum';

/** What was heard: a note, or no clear one and why. */
export type BeltNote =
  | {
      readonly heard: true;
      /** fundamental, Hz */
      readonly frequency: number;
      /** 0 to 1: how far above what noise alone would give */
      readonly confidence: number;
      /** standard uncertainty of the frequency, Hz */
      readonly uncertainty: number;
      /** harmonics that stand out of the noise */
      readonly harmonics: number;
      /** how alike the sound is one period on, −1 to 1 */
      readonly periodicity: number;
    }
  | {
      readonly heard: false;
      readonly confidence: number;
      readonly why: 'silent' | 'tooShort' | 'noClearNote' | 'doesNotDecay';
    };

/** Lowest and highest note of a belt span on a combine, Hz. */
export const LOWEST_NOTE = 10;
export const HIGHEST_NOTE = 200;

/** A pluck has died away by then. */
const LISTEN_SECONDS = 2.5;
const SHORTEST_SECONDS = 0.25;
const HIGHEST_OVERTONE = 900;
/**
 * Expected power of a harmonic against the noise where there is one; decides what a missing
 * harmonic costs.
 */
const HARMONIC_TO_NOISE = 12;
/** One harmonic counts no more than this, so that a single whistle is no note. */
const MOST_FROM_ONE = 14;
/**
 * Score from which a note is called. Set on 2,000 recordings of noise and hum without a note: fewer
 * than 2 in 100 reach it (`npm run calibrate -w core`).
 */
const CALLED_FROM = 13.8;
/**
 * What hum leaves behind when it is taken off looks like a note of the mains: such a one must stand
 * out by this much more.
 */
const MORE_AT_MAINS = 12;
/**
 * Harmonics must fall to this share of their power from the first part of the sound to the last.
 */
const MUST_FALL_TO = 0.6;
/** By how much a note must be likelier than its multiples and parts, as a log likelihood. */
const CLEAR_OF_RIVALS = 1;
const STIFFNESSES = [0, 5e-5, 1e-4, 2e-4, 3e-4, 4.5e-4, 6e-4] as const;

/**
 * The note of a plucked belt span. Thins the sound out, takes off mains hum that does not decay,
 * weighs every candidate by its harmonics
 * against the noise floor around them (a missing harmonic counts against it, which resists octave
 * errors), lets stiffness sharpen the
 * overtones, and checks the winner by its period in time and by its decay.
 * @param channels samples of each channel, one or more of the same length, any scale
 * @param rate samples per second, 1,000 to 400,000
 * @throws InputError when there is no channel, they differ in length, a sample is no number, or the
 *   rate is out of range
 * @see harmonic summation with a Gaussian amplitude prior; Wiener–Khinchin autocorrelation
 * @example detectNote([pluck({ frequency: 42, decay: 0.5, at: 0.2, inharmonicity: 0 }, { snr: 10, mains: 50, humLevel: -6 }, { rate: 44_100, seconds: 2 }, random(1))], 44_100) // heard, 42.0 Hz
 */
export function detectNote(channels: readonly Float32Array[], rate: number): BeltNote {
  if (!(positive('rate', rate) >= 1000 && rate <= 400_000))
    throw new InputError('rate', rate, 'from 1,000 to 400,000 samples a second');
  const mono = blend(channels);
  if (mono.length < SHORTEST_SECONDS * rate)
    return { heard: false, confidence: 0, why: 'tooShort' };
  const { signal, rate: slow } = thinOut(mono, rate);
  const level = Math.sqrt(signal.reduce((sum, x) => sum + x * x, 0) / signal.length);
  if (!(level > 1e-7)) return { heard: false, confidence: 0, why: 'silent' };
  const heard = signal.map((x) => x / level);
  const clean = withoutHum(heard, slow);
  const upTo = Math.round(LISTEN_SECONDS * slow);
  const listened = onsets(clean, slow).map((from) =>
    analyse(clean.subarray(from, from + upTo), heard.subarray(from, from + upTo), slow),
  );
  const [best] = [...listened].sort((a, b) => b.score - a.score);
  if (!best || best.score < CALLED_FROM)
    return { heard: false, confidence: confidenceOf(best?.score ?? 0), why: 'noClearNote' };
  // a multiple of the note, or a part of it, explains the sound nearly as well: which is it?
  if (best.score - best.rival < CLEAR_OF_RIVALS)
    return { heard: false, confidence: confidenceOf(best.score) / 2, why: 'noClearNote' };
  // from its loudest moment on a pluck dies away, however long it was silent before
  const same = listened.filter((l) => Math.abs(l.frequency / best.frequency - 1) < 0.01);
  if (Math.min(...same.map((l) => l.falls)) > MUST_FALL_TO)
    return { heard: false, confidence: confidenceOf(best.score) / 2, why: 'doesNotDecay' };
  return {
    heard: true,
    frequency: best.frequency,
    confidence: confidenceOf(best.score),
    uncertainty: best.uncertainty,
    harmonics: best.harmonics,
    periodicity: best.periodicity,
  };
}

/** Near the mains, its overtones or half of it: there, what is left of hum looks like a note. */
const atMains = (f: number): boolean => [50, 60].some((mains) => Math.abs(f / mains - 1) < 0.008);

const confidenceOf = (score: number): number => 1 / (1 + Math.exp(-(score - CALLED_FROM) / 5));

/** Where to listen from: the start, and where the sound rises most. */
function onsets(signal: Float64Array, rate: number): number[] {
  const block = Math.max(1, Math.round(0.05 * rate));
  const energy = Array.from({ length: Math.floor(signal.length / block) }, (_, b) =>
    signal.subarray(b * block, (b + 1) * block).reduce((sum, x) => sum + x * x, 0),
  );
  let loudest = 0;
  let most = -Infinity;
  energy.forEach((_, b) => {
    const after = (energy[b] ?? 0) + (energy[b + 1] ?? 0) + (energy[b + 2] ?? 0);
    const before = b < 3 ? 0 : (energy[b - 1] ?? 0) + (energy[b - 2] ?? 0) + (energy[b - 3] ?? 0);
    if (after - before > most && (energy.length - b) * block > 0.3 * rate)
      [loudest, most] = [b, after - before];
  });
  return [...new Set([0, loudest * block])];
}

interface Heard {
  readonly frequency: number;
  readonly score: number;
  /** best score of a note that the sound could be a multiple or a part of */
  readonly rival: number;
  readonly harmonics: number;
  readonly periodicity: number;
  readonly uncertainty: number;
  readonly falls: number;
}

/**
 * @param sound without hum, from the onset on
 * @param asHeard the same with the hum: whether it dies away is asked of what was heard
 */
function analyse(sound: Float64Array, asHeard: Float64Array, rate: number): Heard {
  const shaped = sound.map(
    (x, i) => x * Math.min(1, i / (0.01 * rate)) * Math.exp(-i / (0.6 * rate)),
  );
  const size = powerOfTwo(8 * Math.min(sound.length, Math.round(2.2 * rate)));
  const power = powerSpectrum(shaped.subarray(0, size), size);
  const bin = rate / size;
  const loudest = power.reduce((most, p) => Math.max(most, p), 0);
  const floor = noiseFloor(power, Math.round(3 / bin)).map((level) =>
    Math.max(level, FAINTEST * loudest),
  );
  const gain = HARMONIC_TO_NOISE / (1 + HARMONIC_TO_NOISE);
  const cost = Math.log(1 + HARMONIC_TO_NOISE);
  // what one harmonic at each bin would say
  const says = power.map((p, i) => Math.min(MOST_FROM_ONE, (gain * p) / (floor[i] || 1)) - cost);
  const highest = Math.min(HIGHEST_OVERTONE, 0.45 * rate);
  const comb = { bin, top: highest / bin, says };
  let best: Comb = { f: LOWEST_NOTE, stiffness: 0, score: -Infinity, from: 1, to: 1 };
  /** best score of each candidate, whatever the stiffness: what the winner is held against */
  const candidates: { f: number; score: number }[] = [];
  for (const stiffness of STIFFNESSES) {
    const partials = partialsOf(stiffness);
    let n = 0;
    for (let f = LOWEST_NOTE * 0.985; f <= HIGHEST_NOTE * 1.015; f *= 1.0008, n += 1) {
      const run = bestRun(f, partials, comb);
      if (atMains(f)) run.score -= MORE_AT_MAINS;
      const there = candidates[n];
      if (!there) candidates.push({ f, score: run.score });
      else if (run.score > there.score) there.score = run.score;
      if (run.score > best.score) best = { f, stiffness, ...run };
    }
  }
  /** the winner's own partials, weighed without looking for a better run */
  const scorer = (stiffness: number, told = says) => {
    const partials = partialsOf(stiffness);
    return (f: number): number => {
      let sum = 0;
      for (let k = best.from; k <= best.to; k += 1)
        sum += told[((f * (partials[k - 1] ?? 0)) / bin + 0.5) | 0] ?? 0;
      return sum;
    };
  };
  // the cap that keeps one whistle from being a note blunts the peak: the last step climbs without
  // it
  const sharp = power.map((p, i) => p / (floor[i] || 1));
  const finer = STIFFNESSES.map((stiffness) => ({
    stiffness,
    at: finest(best.f, scorer(stiffness, sharp)),
  }))
    .map((c) => ({ ...c, score: scorer(c.stiffness, sharp)(c.at) }))
    .reduce((a, b) => (b.score > a.score ? b : a));
  const frequency = finer.at;
  const score = scorer(finer.stiffness);
  const near = Math.round(rate / frequency);
  const period = autocorrelation(shaped, near + 3);
  const partials = partialsOf(finer.stiffness)
    .map((m) => m * frequency)
    .filter((f) => f <= highest);
  return {
    frequency,
    score: best.score,
    rival: rivalOf(best, candidates),
    harmonics: partials.filter((f) => (says[Math.round(f / bin)] ?? 0) > 0.5 * cost).length,
    periodicity: Math.max(period[near - 1] ?? -1, period[near] ?? -1, period[near + 1] ?? -1),
    uncertainty: spreadOf(frequency, score),
    falls: fallOf(asHeard, partials.slice(0, 6), rate),
  };
}

/**
 * Power of the partials in the last third of the sound against the first: a plucked span dies away,
 * hum and machines do not.
 */
function fallOf(sound: Float64Array, partials: readonly number[], rate: number): number {
  const third = Math.floor(sound.length / 3);
  const within = (from: number, to: number) =>
    partials.reduce((sum, f) => sum + tone({ signal: sound, rate, from, to }, f).size ** 2, 0);
  return within(2 * third, sound.length) / (within(0, third) || 1);
}
