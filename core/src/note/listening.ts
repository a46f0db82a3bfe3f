import { median } from 'simple-statistics';
import { detectNote, type BeltNote } from './detect';
import { blend, thinOut } from './sound';
import { powerOfTwo, powerSpectrum } from './spectrum';

/** The picture of a sound reaches so far, Hz, in steps of so many. */
export const PICTURE_TO = 220;
export const PICTURE_STEP = 2;
/** What lies further below the loudest than this is not drawn, dB. */
const DEPTH = 50;
/** A sample this near to full scale was cut off; a few of them are chance. */
const FULL = 0.985;
const CUT_OFF_FROM = 4;
/** Nobody hears a belt in less, of full scale. */
const SILENT_BELOW = 3e-4;

/** What came of listening for a moment. */
export interface Heard {
  readonly note: BeltNote;
  /** loudness from 0 Hz upwards, 0 to 1 of the loudest, a step of {@link PICTURE_STEP} Hz each */
  readonly picture: readonly number[];
  /** loudest sample, of full scale */
  readonly peak: number;
  /** louder than the microphone takes: its shape is lost */
  readonly clipped: boolean;
}

/**
 * Listens to a recording: its note, its picture, and whether it was too loud.
 * @param channels samples of each channel, −1 to 1
 * @param rate samples per second
 * @throws InputError as {@link detectNote}
 */
export function listen(channels: readonly Float32Array[], rate: number): Heard {
  const note = detectNote(channels, rate);
  let peak = 0;
  let full = 0;
  for (const channel of channels)
    for (const x of channel) {
      peak = Math.max(peak, Math.abs(x));
      if (Math.abs(x) >= FULL) full += 1;
    }
  const silent = peak < SILENT_BELOW;
  return {
    note: silent ? { heard: false, confidence: 0, why: 'silent' } : note,
    picture: silent ? flat() : pictureOf(channels, rate),
    peak,
    clipped: full >= CUT_OFF_FROM,
  };
}

const flat = (): number[] => Array.from({ length: PICTURE_TO / PICTURE_STEP }, () => 0);

function pictureOf(channels: readonly Float32Array[], rate: number): number[] {
  const { signal, rate: slow } = thinOut(blend(channels), rate);
  if (signal.length < 64) return flat();
  const hann = signal.map(
    (x, i) => x * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (signal.length - 1))),
  );
  const size = powerOfTwo(signal.length);
  const power = powerSpectrum(hann, size);
  const loudest = flat().map((_, i) => {
    const [from, to] = [i, i + 1].map((k) => Math.floor((k * PICTURE_STEP * size) / slow));
    let most = 0;
    for (let k = from ?? 0; k < Math.min(power.length, Math.max(to ?? 0, (from ?? 0) + 1)); k += 1)
      most = Math.max(most, power[k] ?? 0);
    return most;
  });
  const most = Math.max(...loudest);
  if (!(most > 0)) return flat();
  return loudest.map((p) => Math.max(0, 1 + (10 * Math.log10(Math.max(p / most, 1e-12))) / DEPTH));
}

/** Plucks it takes to believe them. */
export const ENOUGH_PLUCKS = 3;
/** Plucks of one span differ by no more than this share. Shop rule. */
const AGREE_WITHIN = 0.03;

/** Several plucks of one span taken together. */
export interface Plucks {
  /** median, Hz */
  readonly frequency: number;
  /** from the lowest to the highest, Hz */
  readonly spread: number;
  readonly enough: boolean;
  /** they agree: one belt, one span, one note */
  readonly agree: boolean;
}

/** The median of several plucks and how far they lie apart; undefined while there is none. */
export function pluckedTogether(notes: readonly number[]): Plucks | undefined {
  if (!notes.length) return undefined;
  const frequency = median([...notes]);
  const spread = Math.max(...notes) - Math.min(...notes);
  return {
    frequency,
    spread,
    enough: notes.length >= ENOUGH_PLUCKS,
    agree: spread <= AGREE_WITHIN * frequency,
  };
}

const WHY: Readonly<Record<Extract<BeltNote, { heard: false }>['why'], string>> = {
  silent: 'Nothing is heard. Hold the microphone nearer, or pluck harder.',
  tooShort: 'Too short to hear a note.',
  noClearNote: 'No clear note. Pluck the middle of the span, away from other noise.',
  doesNotDecay: 'This does not die away as a pluck does: an engine, a fan, the mains.',
};

/** What was heard, in words. */
export function heardWords({ note, clipped }: Pick<Heard, 'note' | 'clipped'>): string {
  if (clipped) return 'Too loud for the microphone. Hold it further away, and pluck again.';
  return note.heard
    ? `A note of ${note.frequency.toFixed(1)} Hz, ${Math.round(100 * note.confidence)} % sure.`
    : WHY[note.why];
}
