import { ripeDays } from './ripe';
import {
  CLOSED,
  OVER_TIME,
  SLOTS_A_DAY,
  type BoardProblem,
  type BoardVisit,
  type Placed,
} from './problem';

/** The open half days of one technician, or of two together, one after the other. */
export interface Shift {
  readonly crew: readonly number[];
  /** whether half days over time are among them */
  readonly overTime: boolean;
  /** slots, rising */
  readonly slots: Int32Array;
  /** how many of the first n are over time, for n up to all */
  readonly over: Int32Array;
  /** by slot: how many open ones lie before it, so the first at or after it */
  readonly at: Int32Array;
  /** by half day: on how many of its days work has begun by then, its own among them */
  readonly day: Int32Array;
}

/** What is worked out once for a board: who may do what, when, and how far it is. */
export interface Ground {
  readonly problem: BoardProblem;
  /** by visit: the shifts that may do it */
  readonly shifts: readonly (readonly Shift[])[];
  /** by visit, km: from the branch to its farm; 0 in a bay */
  readonly out: Float64Array;
  /** by visit and visit, km between farms */
  readonly between: readonly Float64Array[];
  /** by visit and slot it ends with, what its lateness costs */
  readonly lateness: readonly Float64Array[];
  /** by visit, the least it can cost. @see leastOf */
  readonly late: Float64Array;
  readonly floor: Float64Array;
  readonly added: Float64Array;
}

/** Lays the ground of a board. Grows with visits² and with technicians² where crews of two are wanted. */
export function groundOf(problem: BoardProblem): Ground {
  const { visits, technicians, home } = problem;
  const single = technicians.flatMap((_, k) => shiftsOf(problem, [k]));
  let pairs: Shift[] | undefined;
  const pairsOf = () =>
    (pairs ??= technicians.flatMap((_, a) =>
      technicians.slice(a + 1).flatMap((__, b) => shiftsOf(problem, [a, a + 1 + b])),
    ));
  const able = (visit: BoardVisit, crew: readonly number[]) => {
    const held = new Set(crew.flatMap((k) => technicians[k]?.skills ?? []));
    return visit.skills.every((s) => held.has(s));
  };
  const between = visits.map((a) =>
    Float64Array.from(visits, (b) =>
      a.farm && b.farm ? Math.hypot(a.farm.x - b.farm.x, a.farm.y - b.farm.y) : 0,
    ),
  );
  const out = Float64Array.from(visits, ({ farm }) =>
    farm ? Math.hypot(farm.x - home.x, farm.y - home.y) : 0,
  );
  const ground = {
    problem,
    out,
    between,
    lateness: visits.map((visit) => latenessBySlot(problem, visit)),
    shifts: visits.map((visit) =>
      (visit.crew === 1 ? single : pairsOf()).filter(
        (s) => able(visit, s.crew) && (!visit.pinned || isShiftOf(visit.pinned, s)),
      ),
    ),
  };
  const least = visits.map((_, i) => leastOf(ground, i));
  return {
    ...ground,
    late: Float64Array.from(least, (l) => l.late),
    floor: Float64Array.from(least, (l) => l.floor),
    added: Float64Array.from(least, (l) => l.added),
  };
}

export const sameCrew = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((k) => b.includes(k));

/** Whether a placing is worked in a shift. */
export const isShiftOf = ({ crew, overTime = false }: Placed, shift: Shift): boolean =>
  sameCrew(crew, shift.crew) && overTime === shift.overTime;

/** Without over time; and with it, where there is any. */
function shiftsOf(problem: BoardProblem, crew: readonly number[]): Shift[] {
  const usual = shiftOf(problem, crew, false);
  const all = shiftOf(problem, crew, true);
  return all.slots.length > usual.slots.length ? [usual, all] : [usual];
}

function shiftOf(
  { technicians, slots }: BoardProblem,
  crew: readonly number[],
  overTime: boolean,
): Shift {
  const open: number[] = [];
  const over = [0];
  const day: number[] = [];
  const at = new Int32Array(slots + 1);
  for (let t = 0; t < slots; t += 1) {
    at[t] = open.length;
    const kinds = crew.map((k) => technicians[k]?.open[t] ?? CLOSED);
    if (kinds.includes(CLOSED) || (!overTime && kinds.includes(OVER_TIME))) continue;
    const before = open.at(-1) ?? -SLOTS_A_DAY;
    const isNew = Math.floor(before / SLOTS_A_DAY) !== Math.floor(t / SLOTS_A_DAY);
    day.push((day.at(-1) ?? 0) + Number(isNew));
    open.push(t);
    over.push((over.at(-1) ?? 0) + kinds.filter((o) => o === OVER_TIME).length);
  }
  at[slots] = open.length;
  return {
    ...{ crew, overTime, at },
    slots: Int32Array.from(open),
    over: Int32Array.from(over),
    day: Int32Array.from(day),
  };
}

/** Days late of a visit that ends with a slot. */
export const daysLate = ({ due }: BoardVisit, end: number): number =>
  end < due ? 0 : Math.ceil((end + 1 - due) / SLOTS_A_DAY);

/** What it costs that a visit ends with each slot: by its date, or over the days its crop may be ripe. */
function latenessBySlot({ slots }: BoardProblem, visit: BoardVisit): Float64Array {
  const { ripe, perDayLate } = visit;
  if (!ripe) return Float64Array.from({ length: slots }, (_, t) => daysLate(visit, t) * perDayLate);
  const days = ripeDays(ripe, RIPE_DAYS);
  return Float64Array.from({ length: slots }, (_, t) => {
    const over = days.reduce((sum, day) => sum + Math.max(0, t + 1 - day), 0);
    return (over / days.length / SLOTS_A_DAY) * perDayLate;
  });
}

/** Into so many equally likely days a harvest's beginning is split. */
const RIPE_DAYS = 48;

interface Least {
  /** for ending as early as anyone could who had nothing else to do */
  readonly late: number;
  /** with the way, less its half of all that could ever be shared of it */
  readonly floor: number;
  /** what putting it beside others may add at least: less all that could be shared */
  readonly added: number;
}

/** The least its lateness and leaving the published plan can cost together: it stays, or it moves. */
function leastWithChange(
  ground: Pick<Ground, 'problem' | 'shifts' | 'lateness'>,
  i: number,
  moved: number,
): number {
  const visit = ground.problem.visits[i];
  if (!visit?.published || visit.pinned) return moved;
  const stays = endsOfPublished(ground, i).map((end) => ground.lateness[i]?.[end] ?? 0);
  return Math.min(moved + ground.problem.costs.change, ...stays);
}

/** The slots a visit ends with that begins on the day, and with the crew, of the published plan. */
export function endsOfPublished(
  { problem: { visits, slots }, shifts }: Pick<Ground, 'problem' | 'shifts'>,
  i: number,
): number[] {
  const visit = visits[i];
  const { published } = visit ?? {};
  if (!visit || !published) return [];
  const morning = SLOTS_A_DAY * Math.floor(published.start / SLOTS_A_DAY);
  return (shifts[i] ?? []).flatMap((shift) => {
    if (!sameCrew(shift.crew, published.crew)) return [];
    return Array.from({ length: SLOTS_A_DAY }, (_, n) => morning + n).flatMap((start) => {
      const from = shift.at[Math.min(start, slots)] ?? 0;
      const end = shift.slots[from + visit.halfDays - 1];
      return shift.slots[from] === start && start >= visit.earliest && end !== undefined
        ? [end]
        : [];
    });
  });
}

/** The least a visit can cost, whatever else is put. */
function leastOf(
  {
    problem,
    shifts,
    out,
    between,
    lateness,
  }: Pick<Ground, 'problem' | 'shifts' | 'out' | 'between' | 'lateness'>,
  i: number,
): Least {
  const visit = problem.visits[i];
  if (!visit) return { late: 0, floor: 0, added: 0 };
  const { halfDays, earliest, pinned, crew } = visit;
  let late = Infinity;
  for (const shift of shifts[i] ?? []) {
    const from = shift.at[Math.min(pinned?.start ?? earliest, problem.slots)] ?? 0;
    const last = shift.slots[from + halfDays - 1];
    if (last !== undefined) late = Math.min(late, lateness[i]?.[last] ?? 0);
  }
  if (late === Infinity) {
    const none = problem.costs.unplaced * halfDays;
    return { late: none, floor: none, added: none };
  }
  const unplaced = problem.costs.unplaced * halfDays;
  late = Math.min(leastWithChange({ problem, shifts, lateness }, i, late), unplaced);
  const far = out[i] ?? 0;
  if (far === 0) return { late, floor: late, added: late };
  const saved = Math.max(
    0,
    ...problem.visits.map((other, j) =>
      j !== i && other.farm ? far + (out[j] ?? 0) - (between[i]?.[j] ?? 0) : 0,
    ),
  );
  const alone = 2 * far * Math.ceil(halfDays / SLOTS_A_DAY);
  // an odd half day may be shared with one other call; whole days only by beginning at noon, which
  // makes a day more of them and shares its first and last half day
  const shared =
    halfDays % SLOTS_A_DAY === 1
      ? { half: alone - saved / 2, all: alone - saved }
      : { half: alone + 2 * far - saved, all: alone + 2 * far - 2 * saved };
  const km = (way: number) => problem.costs.km * crew * Math.max(0, Math.min(alone, way));
  return {
    late,
    floor: Math.min(late + km(shared.half), unplaced),
    added: late + km(shared.all),
  };
}
