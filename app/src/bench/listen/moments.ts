/** Seconds looked at at once: a pluck has died away by then. */
const MOMENT = 2.5;
/** Seconds from one look to the next. */
const EVERY = 0.6;
/** Nothing shorter is looked at, seconds. */
const SHORTEST = 0.5;
/** Seconds kept: so late may a slow device come back to a pluck. */
const KEPT = 10;

/** What is to be looked at next: on as it comes, the same moment a little later, or only what follows. */
export type Next = 'on' | 'again' | 'after';

/** The moments a slow device looks at, whatever a look takes. */
export interface Moments {
  /** takes the next samples of the microphone */
  readonly take: (samples: Float32Array) => void;
}

/**
 * Cuts what a microphone hears into moments, one looked at at a time. They lie on the sound's own
 * time: a device that takes seconds for a look sees a pluck twice as a fast one does, only later.
 * @param rate samples per second
 * @param look is given a moment, and says what it wants next
 */
export function momentsOf(rate: number, look: (samples: Float32Array) => Promise<Next>): Moments {
  const [moment, every, shortest, most] = [MOMENT, EVERY, SHORTEST, KEPT].map((s) =>
    Math.round(s * rate),
  ) as [number, number, number, number];
  /** what is kept, and where the first of it lies in all that was heard */
  let kept: Float32Array[] = [];
  let start = 0;
  let heard = 0;
  /** nothing before it is looked at again */
  let from = 0;
  let looked = 0;
  let next: Next = 'on';
  let busy = false;

  const drop = () => {
    const oldest = Math.max(from, heard - most);
    while (kept[0] && start + kept[0].length <= oldest) {
      start += kept[0].length;
      kept = kept.slice(1);
    }
  };
  const cut = (begin: number, end: number): Float32Array => {
    const samples = new Float32Array(end - begin);
    let at = start;
    for (const piece of kept) {
      const [a, b] = [Math.max(begin, at), Math.min(end, at + piece.length)];
      if (a < b) samples.set(piece.subarray(a - at, b - at), a - begin);
      at += piece.length;
    }
    return samples;
  };
  const lookIfDue = () => {
    if (busy || heard < looked + every) return;
    const beginOf = (end: number) => Math.max(from, start, end - moment);
    const soon = looked + every;
    const end = next === 'again' && soon - beginOf(soon) >= shortest ? soon : heard;
    const begin = beginOf(end);
    if (end - begin < shortest) return;
    [busy, looked] = [true, end];
    void look(cut(begin, end))
      .catch((): Next => 'on')
      .then((wanted) => {
        [busy, next] = [false, wanted];
        if (wanted === 'after') from = end;
        drop();
        lookIfDue();
      });
  };
  return {
    take: (samples) => {
      kept.push(samples);
      heard += samples.length;
      drop();
      lookIfDue();
    },
  };
}
