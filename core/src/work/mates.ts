import type { Check } from '../contracts';
import { needsHand } from '../findings';
import type { CheckVerdict } from '../verdict';

/** A mate that is renewed together with a part, and why. */
export interface Mate {
  readonly check: Check;
  /**
   * furthest wear of its places, of the way to its own limit; undefined when it is due for its own
   * reasons
   */
  readonly wear: number | undefined;
  readonly why: string;
}

/**
 * Mates to renew with a check that is replaced: those the sheet pairs with it that have worn past
 * the pairing threshold or are to be replaced themselves.
 * @param others verdicts of the same machine
 */
export function matesOf(verdict: CheckVerdict, others: readonly CheckVerdict[]): Mate[] {
  if (verdict.decision !== 'replace') return [];
  return verdict.check.pairs.flatMap(({ check, from, why }) => {
    const mate = others.find((o) => o.check.id === check);
    if (!mate) return [];
    const wears = mate.places.flatMap((p) => (p.wear === undefined ? [] : [p.wear]));
    const wear = wears.length ? Math.max(...wears) : undefined;
    const due = mate.decision === 'replace' && needsHand(mate.decision);
    return due || (wear !== undefined && wear >= from) ? [{ check: mate.check, wear, why }] : [];
  });
}
