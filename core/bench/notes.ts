import { detectNote, pluck, roomNoise } from '../src/note';
import { random } from '../src/random';

/**
 * How often a note is right within ±1 %, by loudness and by frequency; and how often one is heard
 * where there is none. Shares 0 to 1.
 */
export interface NoteTable {
  readonly cases: number;
  readonly right: number;
  readonly missed: number;
  readonly octave: number;
  readonly byBand: readonly {
    readonly from: number;
    readonly to: number;
    readonly right: number;
  }[];
}

const BANDS = [
  [10, 20],
  [20, 40],
  [40, 80],
  [80, 140],
  [140, 200],
] as const;

/**
 * Plucks with hum at one signal to noise ratio, detected.
 * @param seed the same seed gives the same recordings
 */
export function noteAccuracy(seed: number, cases: number, snr: number, rate = 8000): NoteTable {
  const dice = random(seed);
  const seen = Array.from({ length: cases }, () => {
    const frequency = 10 * 20 ** dice.next();
    const mains = dice.next() < 0.5 ? 50 : 60;
    const sound = pluck(
      {
        frequency,
        decay: 0.3 + 0.6 * dice.next(),
        at: 0.12 + 0.3 * dice.next(),
        inharmonicity: 3e-4 * dice.next(),
      },
      { snr, mains, humLevel: -6 },
      { rate, seconds: 2 },
      dice,
    );
    const note = detectNote([sound], rate);
    return { frequency, heard: note.heard, off: note.heard ? note.frequency / frequency : 0 };
  });
  const right = (s: (typeof seen)[number]) => s.heard && Math.abs(s.off - 1) <= 0.01;
  const share = (list: typeof seen, test: (s: (typeof seen)[number]) => boolean) =>
    list.filter(test).length / Math.max(1, list.length);
  return {
    cases,
    right: share(seen, right),
    missed: share(seen, (s) => !s.heard),
    octave: share(
      seen,
      (s) => s.heard && [0.5, 2, 1 / 3, 3].some((m) => Math.abs(s.off / m - 1) < 0.02),
    ),
    byBand: BANDS.map(([from, to]) => ({
      from,
      to,
      right: share(
        seen.filter((s) => s.frequency >= from && s.frequency < to),
        right,
      ),
    })),
  };
}

/** Share of recordings of noise and hum alone in which a note is heard. */
export function falseNotes(seed: number, cases: number, rate = 8000): number {
  const dice = random(seed);
  let heard = 0;
  for (let i = 0; i < cases; i += 1) {
    const mains = ([0, 50, 60] as const)[i % 3] ?? 0;
    if (
      detectNote(
        [roomNoise({ mains, humLevel: -12 + 12 * dice.next() }, { rate, seconds: 2 }, dice)],
        rate,
      ).heard
    )
      heard += 1;
  }
  return heard / cases;
}
