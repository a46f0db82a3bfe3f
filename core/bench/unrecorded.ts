import { forecastWear, HOLDS_CHANCE, PROCESS_NOISE } from '../src/kinds';
import { random, type Random } from '../src/random';

/** How well parts of unknown age are forecast. Shares 0 to 1. */
export interface Unrecorded {
  readonly parts: number;
  /** share of true wear at harvest's end inside the 80 % interval */
  readonly inside: number;
  /** of those that hold, the share that reached the limit in season */
  readonly heldAndReached: number;
  readonly held: number;
  /** share of all that reached the limit in season */
  readonly reached: number;
}

const CLASSES = [
  { mu: 0.0016, tau: 0.0005 },
  { mu: 0.0011, tau: 0.0003 },
  { mu: 0.0008, tau: 0.00025 },
] as const;
const PRIOR_A = { a0: 0.02, sa: 0.03 };
/** expanded uncertainty of a reading, wear fraction */
const EXPANDED = 0.04;

/**
 * Parts of machines that came with no papers: each was renewed by its owner whenever it was near its
 * limit, and nobody wrote it down. Read once a season for one to three seasons, then forecast over
 * the next by the class's wear alone.
 * @param seed the same seed gives the same figures
 */
export function unrecordedRenewals(seed: number, parts: number): Unrecorded {
  const dice = random(seed);
  let [inside, held, heldAndReached, reached, counted] = [0, 0, 0, 0, 0];
  while (counted < parts) {
    const kind = CLASSES[counted % CLASSES.length] ?? CLASSES[0];
    const season = 80 + 60 * dice.next();
    const now = 500 + 2500 * dice.next();
    const looks = 1 + Math.floor(3 * dice.next());
    const wearAt = livedThrough(kind, now + season, dice);
    if (wearAt(now).wear >= 1) continue;
    const ticks = Array.from({ length: looks }, (_, i) => {
      const hours = now - (looks - 1 - i) * season;
      const noise = Math.hypot(EXPANDED / 2, PROCESS_NOISE) * dice.normal();
      return { hours, wear: wearAt(hours).wear + noise, round: String(i) };
    });
    counted += 1;
    const forecast = forecastWear({ ...PRIOR_A, mu: kind.mu, tau: kind.tau }, ticks, {
      expanded: EXPANDED,
      newAt: undefined,
      now,
      season,
    });
    const end = wearAt(now).atEnd(now + season);
    if (end >= forecast.low && end <= forecast.high) inside += 1;
    if (end >= 1) reached += 1;
    if (forecast.chance >= HOLDS_CHANCE) continue;
    held += 1;
    if (end >= 1) heldAndReached += 1;
  }
  return {
    parts: counted,
    inside: inside / counted,
    held: held / counted,
    heldAndReached: heldAndReached / Math.max(1, held),
    reached: reached / counted,
  };
}

interface Then {
  readonly wear: number;
  /** the same part, run on to an hour */
  atEnd(hours: number): number;
}

/** The lives of one place from new to `until`: each part is renewed between 0.6 and 1 of its way. */
function livedThrough(
  { mu, tau }: (typeof CLASSES)[number],
  until: number,
  dice: Random,
): (hours: number) => Then {
  const lives: { from: number; alpha: number; beta: number }[] = [];
  let from = 0;
  while (from < until) {
    const alpha = Math.max(0, PRIOR_A.a0 + PRIOR_A.sa * dice.normal());
    const beta = Math.max(mu / 5, mu + tau * dice.normal());
    lives.push({ from, alpha, beta });
    from += (0.6 + 0.4 * dice.next() - alpha) / beta;
  }
  return (hours) => {
    const life = lives.findLast((l) => l.from <= hours) ?? lives[0];
    const line = (h: number) => (life ? life.alpha + life.beta * (h - life.from) : 0);
    return { wear: line(hours), atEnd: line };
  };
}
