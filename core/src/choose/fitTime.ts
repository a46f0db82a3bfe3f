import { InputError, zeroOrMore } from '../units';
import { bestLoad, type Offer } from './fitSearch';
import type { MoveCosts } from '../walk';

export type { Offer } from './fitSearch';

/** What is walked in the time there is. */
export interface TimeFit {
  /** ids, in the order they were offered */
  readonly taken: readonly string[];
  /** ids left out, most worth first */
  readonly left: readonly string[];
  /** minutes of the checks and of moving the machine between their positions */
  readonly minutes: number;
  readonly moving: number;
  /** worth of what is taken, and of what is left */
  readonly value: number;
  readonly leftValue: number;
  /** minutes by which what must be walked is more than the time; 0 otherwise */
  readonly over: number;
  /** no choice is worth more; false where there were too many positions to try all */
  readonly proven: boolean;
}

/**
 * Chooses the checks that are worth most in the time there is: those that must be walked, and of the
 * rest the best choice, each position of the machine being taken up once. Exact for up to twelve
 * positions beside those that must be, sixteen in all: for every set of positions the shortest way
 * through them, and within the time left the best load of checks. With more of them positions are
 * added, dropped and exchanged as long as that gains.
 * @param costs minutes from position to position
 * @param minutes time there is
 * @param start position the machine stands in; undefined: the first one costs no move
 * @throws InputError naming the field
 * @see knapsack under a shortest path through a set; grows with 2^positions × checks × minutes
 */
export function fitTime(
  offers: readonly Offer[],
  costs: MoveCosts,
  minutes: number,
  start?: string,
): TimeFit {
  zeroOrMore('minutes', minutes);
  zeroOrMore('usual', costs.usual);
  if (new Set(offers.map((o) => o.id)).size !== offers.length)
    throw new InputError('offers', offers.length, 'checks with ids of their own');
  offers.forEach((o, i) => {
    zeroOrMore(`offers.${i}.minutes`, o.minutes);
    zeroOrMore(`offers.${i}.value`, o.value);
  });
  const best = bestLoad(offers, { costs, minutes, start });
  const ids = new Set(best.taken.map((o) => o.id));
  const left = offers.filter((o) => !ids.has(o.id));
  const total = sum(best.taken, 'minutes') + best.moving;
  return {
    taken: offers.filter((o) => ids.has(o.id)).map((o) => o.id),
    left: left.sort((a, b) => b.value - a.value).map((o) => o.id),
    minutes: total,
    moving: best.moving,
    value: sum(best.taken, 'value'),
    leftValue: sum(left, 'value'),
    over: Math.max(0, total - minutes),
    proven: best.proven,
  };
}

const sum = (offers: readonly Offer[], what: 'minutes' | 'value'): number =>
  offers.reduce((total, o) => total + o[what], 0);
