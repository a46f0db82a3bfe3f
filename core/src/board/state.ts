import { sameCrew, type Ground, type Shift } from './ground';
import { SLOTS_A_DAY, type BoardPlan, type BoardVisit, type Placed } from './problem';

/** A visit put somewhere, and what that costs beside what is there. */
export interface Spotted {
  readonly shift: Shift;
  /** index of its first half day in the shift */
  readonly from: number;
  readonly cost: number;
}

const FREE = -1;
const NOWHERE = -1;

/** The free half days of a technician beside a call, and where each day's is among them. */
interface Beside {
  readonly slots: number[];
  readonly at: Int32Array;
}

/** A board being filled: who works on what in each half day, and what is in the bays. */
export class BoardState {
  readonly placed: (Spotted | undefined)[];
  private readonly busy: Int32Array[];
  private readonly inBays: Int32Array;
  private readonly byMachine: number[][];
  private readonly beside: readonly Beside[];

  constructor(readonly ground: Ground) {
    const { technicians, slots, visits } = ground.problem;
    this.placed = visits.map(() => undefined);
    this.busy = technicians.map(() => new Int32Array(slots).fill(FREE));
    this.inBays = new Int32Array(slots);
    this.beside = technicians.map(() => ({
      slots: [],
      at: new Int32Array(Math.ceil(slots / SLOTS_A_DAY)).fill(NOWHERE),
    }));
    this.byMachine = visits.map((v) =>
      visits.flatMap((o, j) => (o.machine === v.machine && o !== v ? [j] : [])),
    );
  }

  /** First and last slot of a placing. */
  spanOf(
    i: number,
    { shift, from }: Pick<Spotted, 'shift' | 'from'>,
  ): [first: number, last: number] {
    const { halfDays = 1 } = this.ground.problem.visits[i] ?? {};
    return [shift.slots[from] ?? 0, shift.slots[from + halfDays - 1] ?? 0];
  }

  /** Whether nothing stands in the way of a visit there. */
  isFree(i: number, shift: Shift, from: number): boolean {
    return from >= 0 && this.stepOn(i, shift, from) === 0;
  }

  /**
   * How many half days further on a visit may be tried next: 0 where nothing stands in its way; never
   * past one where nothing does.
   */
  stepOn(i: number, shift: Shift, from: number): number {
    const visit = this.ground.problem.visits[i];
    if (!visit || from + visit.halfDays > shift.slots.length) return shift.slots.length + 1;
    const crew = this.stepOfCrew(visit, shift, from);
    if (crew) return crew;
    const [first, last] = this.spanOf(i, { shift, from });
    if (first < visit.earliest && !visit.pinned) return 1;
    const bay = visit.farm ? 0 : this.stepOfBays(shift, from, first, last);
    return bay || (this.machineIsFree(i, first, last) ? 0 : 1);
  }

  /** Past the last half day on which one of the crew is busy. */
  private stepOfCrew({ halfDays }: BoardVisit, { crew, slots }: Shift, from: number): number {
    for (let n = 0; n < crew.length; n += 1) {
      const own = this.busy[crew[n] ?? 0];
      if (!own) return 1;
      for (let j = from + halfDays - 1; j >= from; j -= 1)
        if (own[slots[j] ?? 0] !== FREE) return j - from + 1;
    }
    return 0;
  }

  /** Past the last half day on which all bays are taken. */
  private stepOfBays(shift: Shift, from: number, ...[first, last]: [number, number]): number {
    const { bays } = this.ground.problem;
    for (let t = last; t >= first; t -= 1)
      if ((this.inBays[t] ?? 0) >= bays) return Math.max(1, (shift.at[t + 1] ?? 0) - from);
    return 0;
  }

  private machineIsFree(i: number, first: number, last: number): boolean {
    for (const j of this.byMachine[i] ?? []) {
      const other = this.placed[j];
      if (!other) continue;
      const [a, b] = this.spanOf(j, other);
      if (a <= last && first <= b) return false;
    }
    return true;
  }

  /** What a visit costs there, beside what is there already. Money. */
  costAt(i: number, shift: Shift, from: number): number {
    const { visits, costs } = this.ground.problem;
    const visit = visits[i];
    if (!visit) return 0;
    const [first, last] = this.spanOf(i, { shift, from });
    const { halfDays, published, pinned } = visit;
    const over = (shift.over[from + halfDays] ?? 0) - (shift.over[from] ?? 0);
    const moved = published && !pinned && !this.stays(published, shift, first);
    return (
      (this.ground.lateness[i]?.[last] ?? 0) +
      over * costs.overTime +
      (moved ? costs.change : 0) +
      (visit.farm ? this.wayTo(i, shift, from) * costs.km : 0)
    );
  }

  private stays({ crew, start }: Placed, shift: Shift, first: number): boolean {
    return (
      Math.floor(start / SLOTS_A_DAY) === Math.floor(first / SLOTS_A_DAY) &&
      sameCrew(crew, shift.crew)
    );
  }

  /** Km that going there adds to the days of its crew. */
  private wayTo(i: number, shift: Shift, from: number): number {
    const { halfDays = 1 } = this.ground.problem.visits[i] ?? {};
    let km = 0;
    for (const k of shift.crew) {
      let day = -1;
      for (let j = from; j < from + halfDays; j += 1) {
        const at = Math.floor((shift.slots[j] ?? 0) / SLOTS_A_DAY);
        if (at === day) continue;
        day = at;
        km += this.dayWith(k, day, { i, shift, from }) - this.dayNow(k, day);
      }
    }
    return km;
  }

  /** Those a visit shares its first or its last day with. */
  matesOf(i: number): number[] {
    const there = this.placed[i];
    if (!there) return [];
    const mates: number[] = [];
    for (const slot of this.spanOf(i, there)) {
      // the other half of the same day
      const other = slot % SLOTS_A_DAY === 0 ? slot + 1 : slot - 1;
      for (const k of there.shift.crew) {
        const j = this.busy[k]?.[other] ?? FREE;
        if (j !== FREE && j !== i && !mates.includes(j)) mates.push(j);
      }
    }
    return mates;
  }

  /** Free half days of a technician that lie beside one with a call, in no order. */
  besideCalls = (k: number): readonly number[] => this.beside[k]?.slots ?? [];

  private isCall = (i: number): boolean => this.ground.problem.visits[i]?.farm !== undefined;

  /** Km of a technician's day as it is. */
  private dayNow(k: number, day: number): number {
    const own = this.busy[k];
    if (!own) return 0;
    return this.tour(own[day * SLOTS_A_DAY] ?? FREE, own[day * SLOTS_A_DAY + 1] ?? FREE);
  }

  /** Km of a technician's day with a visit on it besides. */
  private dayWith(
    k: number,
    day: number,
    { i, shift, from }: Pick<Spotted, 'shift' | 'from'> & { readonly i: number },
  ): number {
    const own = this.busy[k];
    const { halfDays = 1 } = this.ground.problem.visits[i] ?? {};
    const within = (t: number) => {
      const j = shift.at[t] ?? 0;
      return shift.slots[j] === t && j >= from && j < from + halfDays ? i : (own?.[t] ?? FREE);
    };
    return this.tour(within(day * SLOTS_A_DAY), within(day * SLOTS_A_DAY + 1));
  }

  /** Km from the branch to what is done before noon, on to what is done after, and back. */
  private tour(a: number, b: number): number {
    const { out, between } = this.ground;
    const far = (i: number) => (i === FREE ? 0 : (out[i] ?? 0));
    const [da, db] = [far(a), far(b)];
    if (a === b || db === 0) return 2 * da;
    if (da === 0) return 2 * db;
    return da + (between[a]?.[b] ?? 0) + db;
  }

  put(i: number, shift: Shift, from: number, cost: number): void {
    this.placed[i] = { shift, from, cost };
    this.mark(i, shift, from, i);
  }

  take(i: number): void {
    const there = this.placed[i];
    if (!there) return;
    this.mark(i, there.shift, there.from, FREE);
    this.placed[i] = undefined;
  }

  private mark(i: number, shift: Shift, from: number, as: number): void {
    const visit = this.ground.problem.visits[i];
    if (!visit) return;
    for (const k of shift.crew) {
      const own = this.busy[k];
      if (!own) continue;
      for (let j = from; j < from + visit.halfDays; j += 1) own[shift.slots[j] ?? 0] = as;
      for (let j = from; j < from + visit.halfDays; j += 1) this.lookBeside(k, shift.slots[j] ?? 0);
    }
    if (visit.farm) return;
    const [first, last] = this.spanOf(i, { shift, from });
    for (let t = first; t <= last; t += 1)
      this.inBays[t] = (this.inBays[t] ?? 0) + (as === FREE ? -1 : 1);
  }

  /** Keeps what lies free beside a call true on the day of a slot. */
  private lookBeside(k: number, slot: number): void {
    const [own, beside] = [this.busy[k], this.beside[k]];
    if (!own || !beside) return;
    const day = Math.floor(slot / SLOTS_A_DAY);
    const noon = day * SLOTS_A_DAY + 1;
    const [a, b] = [own[noon - 1] ?? FREE, own[noon] ?? FREE];
    const free = a === FREE ? noon - 1 : noon;
    const is = noon < own.length && (a === FREE) !== (b === FREE) && this.isCall(Math.max(a, b));
    const at = beside.at[day] ?? NOWHERE;
    if (is && at === NOWHERE) beside.at[day] = beside.slots.push(free) - 1;
    else if (is) beside.slots[at] = free;
    else if (at !== NOWHERE) {
      // the last one takes its place
      const last = beside.slots.pop() ?? 0;
      if (at < beside.slots.length) {
        beside.slots[at] = last;
        beside.at[Math.floor(last / SLOTS_A_DAY)] = at;
      }
      beside.at[day] = NOWHERE;
    }
  }

  /** What the board costs as it stands, worked out anew. Money. */
  total(): number {
    const { visits, costs } = this.ground.problem;
    let sum = 0;
    visits.forEach((visit, i) => {
      const there = this.placed[i];
      if (!there) {
        sum += costs.unplaced * visit.halfDays;
        return;
      }
      const { shift, from } = there;
      const [first, last] = this.spanOf(i, there);
      const over = (shift.over[from + visit.halfDays] ?? 0) - (shift.over[from] ?? 0);
      sum += (this.ground.lateness[i]?.[last] ?? 0) + over * costs.overTime;
      const { published, pinned } = visit;
      if (published && !pinned && !this.stays(published, shift, first)) sum += costs.change;
    });
    return sum + this.km() * costs.km;
  }

  /** What all technicians drive. */
  km(): number {
    const { technicians, slots } = this.ground.problem;
    let sum = 0;
    technicians.forEach((_, k) => {
      for (let day = 0; day * SLOTS_A_DAY < slots; day += 1) sum += this.dayNow(k, day);
    });
    return sum;
  }

  plan(): BoardPlan {
    return this.placed.map(
      (there, i) =>
        there && {
          crew: there.shift.crew,
          start: this.spanOf(i, there)[0],
          ...(there.shift.overTime ? { overTime: true } : {}),
        },
    );
  }
}
