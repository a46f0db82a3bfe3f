import type { Random } from '../random';
import type { Shift } from './ground';
import { SLOTS_A_DAY, type BoardVisit } from './problem';
import type { BoardState, Spotted } from './state';

/** The best place of a visit, and the next best with another crew or another beginning. */
export interface Best {
  readonly best: Spotted | undefined;
  readonly next: number;
}

const SAME = 1e-9;
const BOTH_HALVES = 3;

/**
 * Looks for the cheapest place of a visit on a board; of those that cost alike the earliest. Lateness
 * never falls with time, so that it is not looked further than where that alone costs too much; and
 * what costs no more than a visit ever must is taken at once.
 * @param wantsNext whether the next best is wanted too, which takes longer
 * @param overlook overlooks a place now and then, so that not always the same is found
 */
export function bestPlace(
  state: BoardState,
  i: number,
  wantsNext: boolean,
  overlook?: Overlook,
): Best {
  const visit = state.ground.problem.visits[i];
  if (!visit) return { best: undefined, next: Infinity };
  const search = new Search(state, i, visit, { wantsNext, overlook });
  const at = visit.pinned ?? visit.published;
  for (const shift of state.ground.shifts[i] ?? [])
    if (at) search.look(shift, shift.at[at.start] ?? -1);
  if (!visit.pinned && !search.isEnough())
    for (const shift of state.ground.shifts[i] ?? []) search.through(shift);
  return { best: search.best, next: search.next };
}

/** How often a place is overlooked, by chance. */
export interface Overlook {
  readonly dice: Random;
  readonly share: number;
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
    private readonly how: {
      readonly wantsNext: boolean;
      readonly overlook: Overlook | undefined;
    },
  ) {
    this.least = (state.ground.added[i] ?? 0) + SAME;
  }

  look(shift: Shift, from: number): void {
    if (this.state.isFree(this.i, shift, from)) this.weigh(shift, from);
  }

  /** Holds a free place against the best so far. */
  private weigh(shift: Shift, from: number): void {
    const { overlook } = this.how;
    if (overlook && overlook.dice.next() < overlook.share) return;
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
    return !this.how.wantsNext || next <= best.cost + SAME;
  }

  /** Looks through a shift from its first half day on. */
  through(shift: Shift): void {
    // nobody works over time for what is not late anyway
    if (shift.overTime && this.best && !this.how.wantsNext && !this.isLate(this.best)) return;
    const { earliest, halfDays, farm } = this.visit;
    if (farm) this.besideCalls(shift);
    // a way that is shared with nobody costs alike whenever it is driven, but for noon or morning
    let seen = 0;
    let from = shift.at[Math.min(earliest, this.state.ground.problem.slots)] ?? 0;
    while (from + halfDays <= shift.slots.length && !this.isFurtherOff(shift, from)) {
      const half = farm ? 1 << (this.begins(shift, from) % SLOTS_A_DAY) : 0;
      const step = seen & half ? 1 : this.state.stepOn(this.i, shift, from);
      if (step === 0) this.weigh(shift, from);
      if (step === 0) seen |= half;
      if (seen === BOTH_HALVES) return;
      from += Math.max(1, step);
    }
  }

  /** Whether it costs too much from there on, or can be had earlier for as little as ever. */
  private isFurtherOff(shift: Shift, from: number): boolean {
    if (this.lateAt(shift, from) > this.most() + SAME) return true;
    return this.isEnough() && this.begins(shift, from) >= this.bestBegins();
  }

  /** Looks at the beginnings that share a day with another call. */
  private besideCalls(shift: Shift): void {
    const { halfDays, earliest } = this.visit;
    for (const k of shift.crew)
      for (const slot of this.state.besideCalls(k)) {
        const first = shift.at[slot] ?? 0;
        if (shift.slots[first] !== slot) continue;
        for (const from of [first, first - halfDays + 1])
          if (
            from >= 0 &&
            this.begins(shift, from) >= earliest &&
            this.lateAt(shift, from) <= this.most() + SAME
          )
            this.look(shift, from);
      }
  }

  private most = (): number => (this.how.wantsNext ? this.next : (this.best?.cost ?? Infinity));
  private lateAt = (shift: Shift, from: number): number =>
    this.state.ground.lateness[this.i]?.[shift.slots[from + this.visit.halfDays - 1] ?? 0] ?? 0;

  private isLate = ({ shift, from }: Spotted): boolean => this.lateAt(shift, from) > 0;

  private begins = (shift: Shift, from: number): number => shift.slots[from] ?? 0;
  private bestBegins = (): number => (this.best ? this.begins(this.best.shift, this.best.from) : 0);
}

function isBetter(a: Spotted, b: Spotted): boolean {
  if (Math.abs(a.cost - b.cost) > SAME) return a.cost < b.cost;
  return (a.shift.slots[a.from] ?? 0) < (b.shift.slots[b.from] ?? 0);
}
