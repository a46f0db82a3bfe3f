import type { ClassHands } from '../contracts';
import { InputError } from '../units';

/** What is expected before anything was seen: one look in twenty. Shop rule. */
const BEFORE = { hands: 1, others: 19 } as const;

/**
 * Chance that a component needs a hand when it is next looked at, by what the fleet's looks at its
 * class have shown.
 * @throws InputError naming the field
 * @see Beta–binomial: mean of Beta(1 + hands, 19 + other looks)
 * @example handChance({ looks: 42, hands: 6 }) // 7 / 62
 */
export function handChance({ looks, hands }: ClassHands = { looks: 0, hands: 0 }): number {
  if (!(Number.isInteger(looks) && looks >= 0))
    throw new InputError('looks', looks, 'a whole number, 0 or more');
  if (!(Number.isInteger(hands) && hands >= 0 && hands <= looks))
    throw new InputError('hands', hands, 'a whole number of the looks');
  return (BEFORE.hands + hands) / (BEFORE.hands + BEFORE.others + looks);
}
