import { random } from '../random';
import { InputError } from '../units';
import { pertShape } from './ripe';
import { groundOf, isShiftOf, type Shift } from './ground';
import {
  checkRipe,
  SLOTS_A_DAY,
  type BoardPlan,
  type BoardProblem,
  type RipeWhen,
} from './problem';

/** What is not known about a board. */
export interface Doubt {
  /** by crop */
  readonly ripe: readonly RipeWhen[];
  /** by visit: its crop, and when its parts come where they are not here yet */
  readonly visits: readonly {
    readonly crop: number;
    /** half days that its own harvest lies after the crop's */
    readonly after?: number;
    /** half days that its harvest lasts: later than its end it costs no more; unless said, no end */
    readonly lasts?: number;
    readonly parts?: { readonly on: number; readonly spread: number } | undefined;
  }[];
  /** spread of how long work takes against the estimate (coefficient of variation) */
  readonly cv: number;
  readonly draws: number;
  readonly seed: number;
}

/** How a plan fares over all draws. */
export interface Fared {
  /** by machine: share of draws in which all of its visits end before its crop is ripe */
  readonly ready: ReadonlyMap<string, number>;
  /** by visit: mean days into harvest */
  readonly lateDays: readonly number[];
  /** mean of what lateness costs, all visits together. Money */
  readonly loss: number;
}

/** Coefficient of variation where a branch's own history says nothing. Shop rule. */
export const USUAL_CV = 0.25;
const MOST_DRAWS = 100_000;

/**
 * How a plan fares when harvest, work and parts go as they may: each draw takes a day for every crop,
 * a length for every visit and a day for what is on order, and works the plan through, nobody beginning
 * before the plan says or before the one before is done. The same seed draws the same, whatever the
 * plan, so that two plans are compared on the same luck.
 * @throws InputError naming the field
 */
export function fare(problem: BoardProblem, plan: BoardPlan, doubt: Doubt): Fared {
  checkDoubt(problem, doubt);
  const { visits, slots } = problem;
  const turns = turnsOf(problem, plan);
  const dice = random(doubt.seed);
  const late = new Float64Array(visits.length);
  const notReady = new Map<string, number>(visits.map((v) => [v.machine, 0]));
  let loss = 0;
  // log-normal with mean 1
  const sigma = Math.sqrt(Math.log(1 + doubt.cv ** 2));
  const ends = new Float64Array(visits.length);
  const free = new Float64Array(problem.technicians.length);
  const missed = new Set<string>();
  for (let draw = 0; draw < doubt.draws; draw += 1) {
    const ripe = doubt.ripe.map((r) => pertDraw(r, dice.next));
    const length = visits.map(() => Math.exp(sigma * dice.normal() - (sigma * sigma) / 2));
    const parts = visits.map(() => dice.normal());
    ends.fill(Infinity);
    free.fill(0);
    missed.clear();
    for (const { i, shift, start } of turns) {
      const own = doubt.visits[i]?.parts;
      const here = own ? own.on + own.spread * (parts[i] ?? 0) : 0;
      const begin = Math.max(start, here, ...shift.crew.map((k) => free[k] ?? 0));
      const end = workedUntil(shift, begin, (visits[i]?.halfDays ?? 1) * (length[i] ?? 1), slots);
      ends[i] = end;
      for (const k of shift.crew) free[k] = end;
    }
    visits.forEach((visit, i) => {
      const own = doubt.visits[i];
      const by = (ripe[own?.crop ?? 0] ?? slots) + (own?.after ?? 0);
      const end = Math.min(ends[i] ?? Infinity, slots);
      const over = ends[i] === Infinity ? Math.max(0, slots - by) : Math.max(0, end - by);
      if (ends[i] === Infinity || over > 0) missed.add(visit.machine);
      const days = Math.min(over, own?.lasts ?? Infinity) / SLOTS_A_DAY;
      late[i] = (late[i] ?? 0) + days;
      loss += days * visit.perDayLate;
    });
    for (const machine of missed) notReady.set(machine, (notReady.get(machine) ?? 0) + 1);
  }
  const n = doubt.draws;
  return {
    ready: new Map([...notReady].map(([machine, times]) => [machine, 1 - times / n])),
    lateDays: Array.from(late, (days) => days / n),
    loss: loss / n,
  };
}

interface Turn {
  readonly i: number;
  readonly shift: Shift;
  readonly start: number;
}

/** Visits in the order they are begun by the plan; one without a place has no turn. */
function turnsOf(problem: BoardProblem, plan: BoardPlan): Turn[] {
  const ground = groundOf(problem);
  return plan
    .flatMap((there, i): Turn[] => {
      const shift = there && (ground.shifts[i] ?? []).find((s) => isShiftOf(there, s));
      return there && shift ? [{ i, shift, start: there.start }] : [];
    })
    .sort((a, b) => a.start - b.start);
}

/** When some work is done that is begun at a time, in half days that are open; past the last one: never. */
function workedUntil(shift: Shift, begin: number, work: number, slots: number): number {
  const slot = Math.floor(begin);
  if (slot >= slots) return Infinity;
  let j = shift.at[slot] ?? shift.slots.length;
  let left = work;
  // what is left of a half day that has begun
  if (shift.slots[j] === slot) {
    const here = slot + 1 - begin;
    if (left <= here) return begin + left;
    left -= here;
    j += 1;
  }
  const whole = Math.ceil(left) - 1;
  const last = shift.slots[j + whole];
  return last === undefined ? Infinity : last + (left - whole);
}

/** A day drawn from an earliest, a likeliest and a latest one. @see PERT, a beta with λ = 4 */
function pertDraw({ earliest, likely, latest }: RipeWhen, next: () => number): number {
  const width = latest - earliest;
  if (width <= 0) return likely;
  const { a, b } = pertShape({ earliest, likely, latest });
  return earliest + width * betaDraw(a, b, next);
}

/** @see Jöhnk's and Cheng's ways; here by two gammas of Marsaglia and Tsang, both shapes at least 1 */
function betaDraw(a: number, b: number, next: () => number): number {
  const x = gammaDraw(a, next);
  return x / (x + gammaDraw(b, next));
}

function gammaDraw(shape: number, next: () => number): number {
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    // two uniforms to one normal
    const z = Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
    const v = (1 + c * z) ** 3;
    if (v > 0 && Math.log(1 - next()) < 0.5 * z * z + d - d * v + d * Math.log(v)) return d * v;
  }
}

function checkDoubt(problem: BoardProblem, { ripe, visits, cv, draws }: Doubt): void {
  if (visits.length !== problem.visits.length)
    throw new InputError(
      'visits',
      visits.length,
      `one for each of ${problem.visits.length} visits`,
    );
  if (!(Number.isInteger(draws) && draws >= 1 && draws <= MOST_DRAWS))
    throw new InputError('draws', draws, `a whole number from 1 to ${MOST_DRAWS}`);
  if (!(cv >= 0 && cv <= 2)) throw new InputError('cv', cv, 'from 0 to 2');
  ripe.forEach((r, c) => checkRipe(`ripe.${c}`, r));
  visits.forEach(({ crop, parts }, i) => {
    if (!ripe[crop]) throw new InputError(`visits.${i}.crop`, crop, `one of ${ripe.length} crops`);
    if (parts && !(parts.spread >= 0 && Math.abs(parts.on) < 1e5))
      throw new InputError(`visits.${i}.parts`, parts.on, 'a half day and a spread of 0 or more');
  });
}
