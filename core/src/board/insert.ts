import { daysLate, type Shift } from './ground';
import type { BoardState, Spotted } from './state';

/** The best place of a visit, and the next best with another crew or another beginning. */
export interface Best {
  readonly best: Spotted | undefined;
  readonly next: number;
}

const SAME = 1e-9;

/**
 * Looks for the cheapest place of a visit on a board; of those that cost alike the earliest. Lateness
 * never falls with time, so that it is not looked further than where that alone costs too much; and
 * what costs no more than a visit ever must is taken at once.
 * @param wantsNext whether the next best is wanted too, which takes longer
 */
export function bestPlace(state: BoardState, i: number, wantsNext: boolean): Best {
  const { ground } = state;
  const visit = ground.problem.visits[i];
  const found: { best: Spotted | undefined; next: number } = { best: undefined, next: Infinity };
  if (!visit) return found;
  const least = (ground.added[i] ?? 0) + SAME;
  const look = (shift: Shift, from: number): void => {
    if (!state.isFree(i, shift, from)) return;
    const cost = state.costAt(i, shift, from);
    const earlier =
      found.best !== undefined &&
      Math.abs(cost - found.best.cost) <= SAME &&
      (shift.slots[from] ?? 0) < (found.best.shift.slots[found.best.from] ?? 0);
    if (!found.best || cost < found.best.cost - SAME || earlier) {
      if (found.best) found.next = Math.min(found.next, found.best.cost);
      found.best = { shift, from, cost };
    } else found.next = Math.min(found.next, cost);
  };
  const enough = () =>
    found.best !== undefined &&
    (wantsNext ? found.next <= found.best.cost + SAME : true) &&
    found.best.cost <= least;
  const shifts = ground.shifts[i] ?? [];
  if (visit.pinned) {
    for (const shift of shifts) look(shift, shift.at[visit.pinned.start] ?? -1);
    return found;
  }
  const { published, earliest, halfDays } = visit;
  if (published) {
    for (const shift of shifts) look(shift, shift.at[published.start] ?? -1);
    if (enough()) return found;
  }
  for (const shift of shifts) {
    const begin = shift.at[Math.min(earliest, ground.problem.slots)] ?? 0;
    for (let from = begin; from + halfDays <= shift.slots.length; from += 1) {
      const last = shift.slots[from + halfDays - 1] ?? 0;
      const late = daysLate(visit, last) * visit.perDayLate;
      if (found.best && late > (wantsNext ? found.next : found.best.cost) + SAME) break;
      look(shift, from);
      // later in this shift it may be cheaper by the way only
      if (enough() && (found.best?.shift === shift || !wantsNext)) break;
    }
  }
  return found;
}
