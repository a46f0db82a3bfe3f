import type { Random } from '../random';
import { sameCrew, type Shift } from './ground';
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
  const shifts = state.ground.shifts[i] ?? [];
  for (const shift of shifts) search.asPlanned(shift);
  if (!visit.pinned && !search.isEnough()) {
    if (visit.farm) for (const shift of shifts) search.besideCalls(shift);
    for (const shift of shifts) search.through(shift);
  }
  return { best: search.best, next: search.next };
}

/** How often a place is overlooked, by chance. */
export interface Overlook {
  readonly dice: Random;
  readonly share: number;
}

/** What lateness may cost at most, and the half day from which on nothing better comes. */
interface Limit {
  readonly cost: number;
  readonly until: number;
}

class Search {
  best: Spotted | undefined;
  next = Infinity;
  /** it cannot be had for less, nor for less with a way of its own; what half a day over time adds */
  private readonly least: number;
  private readonly alone: number;
  private readonly overTime: number;

  constructor(
    private readonly state: BoardState,
    private readonly i: number,
    private readonly visit: BoardVisit,
    private readonly how: {
      readonly wantsNext: boolean;
      readonly overlook: Overlook | undefined;
    },
  ) {
    const { added, out, problem } = state.ground;
    const days = Math.ceil(visit.halfDays / SLOTS_A_DAY);
    this.least = (added[i] ?? 0) + SAME;
    this.alone = problem.costs.km * visit.crew * 2 * (out[i] ?? 0) * days;
    this.overTime = problem.costs.overTime;
  }

  /** Looks where it is pinned, or at both half days at which it would stay as it is published. */
  asPlanned(shift: Shift): void {
    const { pinned, published } = this.visit;
    if (pinned) return this.look(shift, shift.at[pinned.start] ?? -1);
    if (!published || !sameCrew(published.crew, shift.crew)) return;
    const morning = published.start - (published.start % SLOTS_A_DAY);
    for (const slot of [morning, morning + 1]) {
      const from = shift.at[slot] ?? -1;
      if (shift.slots[from] === slot) this.look(shift, from);
    }
  }

  private look(shift: Shift, from: number): void {
    if (this.state.isFree(this.i, shift, from)) this.weigh(shift, from);
  }

  /** Holds a free place against the best so far. */
  private weigh(shift: Shift, from: number): void {
    const { overlook } = this.how;
    if (overlook && overlook.dice.next() < overlook.share) return;
    const cost = this.state.costAt(this.i, shift, from);
    const { best } = this;
    if (best && isSame({ shift, from, cost }, best)) return;
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

  /**
   * Looks through a shift from its first half day on, for a way of its own: what shares a way was
   * looked at beside the calls.
   */
  through(shift: Shift): void {
    const { earliest, halfDays, farm } = this.visit;
    const alone = this.alone + (shift.overTime ? this.overTime : 0);
    // nobody works over time for what costs less anyway
    if (alone >= this.most() - (shift.overTime ? SAME : -SAME)) return;
    const last = shift.slots.length - halfDays;
    let limit = this.limit();
    // a way that is shared with nobody costs alike whenever it is driven, but for noon or morning
    let seen = 0;
    let from = shift.at[Math.min(earliest, this.state.ground.problem.slots)] ?? 0;
    while (from <= last && !this.isOver(shift, from, limit)) {
      const half = 1 << (this.begins(shift, from) % SLOTS_A_DAY);
      const step = seen & half ? 1 : this.state.stepOn(this.i, shift, from);
      if (step === 0) {
        this.weigh(shift, from);
        limit = this.limit();
        if (farm && this.isPlain(shift, from)) seen |= half;
        if (seen === BOTH_HALVES) return;
      }
      from += Math.max(1, step);
    }
  }

  private limit = (): Limit => ({ cost: this.most() - this.alone + SAME, until: this.until() });

  /** Whether lateness alone costs too much from there on, or it can be had as well and earlier. */
  private isOver(shift: Shift, from: number, { cost, until }: Limit): boolean {
    return this.begins(shift, from) >= until || this.lateAt(shift, from) > cost;
  }

  /** From this half day on it can be had for no less, or only as well and later. */
  private until(): number {
    const { best } = this;
    // with a way of its own it costs no less than this
    const enough = this.isEnough() || (!this.how.wantsNext && this.most() <= this.alone + SAME);
    return best && enough ? (best.shift.slots[best.from] ?? 0) : Infinity;
  }

  /** Whether it takes no more days than it must from that half of a day on, and none over time. */
  private isPlain({ day, over, slots }: Shift, from: number): boolean {
    const { halfDays } = this.visit;
    const days = (day[from + halfDays - 1] ?? 0) - (day[from] ?? 0) + 1;
    const least = Math.ceil((halfDays + ((slots[from] ?? 0) % SLOTS_A_DAY)) / SLOTS_A_DAY);
    return days <= least && over[from + halfDays] === over[from];
  }

  /** Looks at the beginnings that share a day with another call. */
  besideCalls(shift: Shift): void {
    if (shift.overTime && this.least + this.overTime > this.most()) return;
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

  private begins = (shift: Shift, from: number): number => shift.slots[from] ?? 0;
}

/** The same place, though in a shift with over time it may be another one. */
const isSame = (a: Spotted, b: Spotted): boolean =>
  Math.abs(a.cost - b.cost) <= SAME &&
  a.shift.slots[a.from] === b.shift.slots[b.from] &&
  sameCrew(a.shift.crew, b.shift.crew);

function isBetter(a: Spotted, b: Spotted): boolean {
  if (Math.abs(a.cost - b.cost) > SAME) return a.cost < b.cost;
  return (a.shift.slots[a.from] ?? 0) < (b.shift.slots[b.from] ?? 0);
}
