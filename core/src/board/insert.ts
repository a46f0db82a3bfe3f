import { daysLate, type Shift } from './ground';
import type { BoardVisit } from './problem';
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
  const visit = state.ground.problem.visits[i];
  if (!visit) return { best: undefined, next: Infinity };
  const search = new Search(state, i, visit, wantsNext);
  const at = visit.pinned ?? visit.published;
  for (const shift of state.ground.shifts[i] ?? [])
    if (at) search.look(shift, shift.at[at.start] ?? -1);
  if (!visit.pinned && !search.isEnough())
    for (const shift of state.ground.shifts[i] ?? []) search.through(shift);
  return { best: search.best, next: search.next };
}

class Search {
  best: Spotted | undefined;
  next = Infinity;
  /** it cannot be had for less */
  private readonly least: number;

  constructor(
    private readonly state: BoardState,
    private readonly i: number,
    private readonly visit: BoardVisit,
    private readonly wantsNext: boolean,
  ) {
    this.least = (state.ground.added[i] ?? 0) + SAME;
  }

  look(shift: Shift, from: number): void {
    if (!this.state.isFree(this.i, shift, from)) return;
    const cost = this.state.costAt(this.i, shift, from);
    const { best } = this;
    if (best && !isBetter({ shift, from, cost }, best)) {
      this.next = Math.min(this.next, cost);
      return;
    }
    if (best) this.next = Math.min(this.next, best.cost);
    this.best = { shift, from, cost };
  }

  isEnough(): boolean {
    const { best, next } = this;
    if (!best || best.cost > this.least) return false;
    return !this.wantsNext || next <= best.cost + SAME;
  }

  /** Looks through a shift from its first half day on. */
  through(shift: Shift): void {
    const { earliest, halfDays, perDayLate } = this.visit;
    const begin = shift.at[Math.min(earliest, this.state.ground.problem.slots)] ?? 0;
    for (let from = begin; from + halfDays <= shift.slots.length; from += 1) {
      const late = daysLate(this.visit, shift.slots[from + halfDays - 1] ?? 0) * perDayLate;
      const most = this.wantsNext ? this.next : (this.best?.cost ?? Infinity);
      if (late > most + SAME) return;
      // what begins later than the best so far can be had for as much at the least
      if (this.isEnough() && this.begins(shift, from) >= this.bestBegins()) return;
      this.look(shift, from);
    }
  }

  private begins = (shift: Shift, from: number): number => shift.slots[from] ?? 0;
  private bestBegins = (): number => (this.best ? this.begins(this.best.shift, this.best.from) : 0);
}

function isBetter(a: Spotted, b: Spotted): boolean {
  if (Math.abs(a.cost - b.cost) > SAME) return a.cost < b.cost;
  return (a.shift.slots[a.from] ?? 0) < (b.shift.slots[b.from] ?? 0);
}
