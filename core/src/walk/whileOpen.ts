import type { Check } from '../contracts';
import type { WalkStop } from './order';

/** A check that is worth taking along with another, since that one is at hand. */
export interface Beside {
  readonly check: Check;
  /** behind the same cover, or worn together and renewed together */
  readonly as: 'cover' | 'mate';
  /** the cover's name, or why they go together */
  readonly why: string;
  /** the walk under way takes it anyway */
  readonly inWalk: boolean;
}

/**
 * What else there is while a check is at hand: what lies behind the cover that was opened for it, and
 * its mates; not what this walk has read already. What the machine need not be moved for comes first.
 * @param checks of the machine, those among them that the walk leaves out
 * @param stops of the walk
 */
export function whileOpen(
  check: Check,
  checks: readonly Check[],
  stops: readonly WalkStop[],
): readonly Beside[] {
  const states = new Map(stops.map((s) => [s.check.id, s.state]));
  const cover = check.labour.cover?.name;
  const mates = new Map(check.pairs.map((p) => [p.check, p.why]));
  const found = checks.flatMap((other): Beside[] => {
    const state = states.get(other.id);
    if (other.id === check.id || state === 'done') return [];
    const about = { check: other, inWalk: state !== undefined };
    if (cover !== undefined && other.labour.cover?.name === cover)
      return [{ ...about, as: 'cover', why: cover }];
    const why = mates.get(other.id);
    return why === undefined ? [] : [{ ...about, as: 'mate', why }];
  });
  const stays = ({ check: { position } }: Beside) => position === check.position;
  return [...found.filter(stays), ...found.filter((b) => !stays(b))];
}
