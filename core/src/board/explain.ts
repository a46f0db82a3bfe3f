import { daysLate, groundOf } from './ground';
import { stateOf } from './improve';
import { bestPlace } from './insert';
import { OPEN, OVER_TIME, type BoardPlan, type BoardProblem, type BoardVisit } from './problem';

/**
 * What holds a visit up: nobody has the skill; its parts come too late; there is not time enough even
 * if it began at once; it was pinned there; no bay is free; everybody who could is busy; or the plan has
 * it late though it need not be.
 */
export type HeldUpBy = 'skill' | 'parts' | 'time' | 'pin' | 'bay' | 'hands' | 'plan';

/** Why a visit is late or has no place, and what would free it. */
export interface HeldUp {
  /** index of the visit */
  readonly visit: number;
  /** calendar days; undefined: it has no place at all */
  readonly days: number | undefined;
  readonly by: HeldUpBy;
  /** what of it would bring it in time, others staying where they are, in the order they are tried */
  readonly frees: readonly Freeing[];
}

/** Something that would bring a visit in time. */
export type Freeing =
  'partsNow' | 'anotherBay' | 'overTime' | 'anyoneDoesIt' | 'anotherHand' | 'moveIt';

/** Every late or impossible visit of a plan, with its reason and what would free it. */
export function explain(problem: BoardProblem, plan: BoardPlan): HeldUp[] {
  const ground = groundOf(problem);
  const state = stateOf(ground, plan);
  return problem.visits.flatMap((visit, i): HeldUp[] => {
    const there = state.placed[i];
    const days = there && daysLate(visit, state.spanOf(i, there)[1]);
    if (days === 0) return [];
    return [{ visit: i, days, ...whyHeldUp(problem, plan, i) }];
  });
}

/** Why a visit of a plan is not in time, and what would free it. */
export const whyHeldUp = (
  problem: BoardProblem,
  plan: BoardPlan,
  i: number,
): Pick<HeldUp, 'by' | 'frees'> => ({
  by: reasonOf(problem, plan, i),
  frees: freeings(problem, plan, i),
});

function reasonOf(problem: BoardProblem, plan: BoardPlan, i: number): HeldUpBy {
  const visit = problem.visits[i];
  if (!visit) return 'plan';
  const { shifts } = groundOf(problem);
  if (!(shifts[i] ?? []).length) return 'skill';
  const alone = (change: Partial<BoardVisit>) =>
    inTime({ ...problem, visits: [{ ...visit, ...change }] }, [undefined], 0);
  if (visit.pinned) return alone({ pinned: undefined }) ? 'pin' : 'time';
  if (!alone({})) return visit.earliest > 0 && alone({ earliest: 0 }) ? 'parts' : 'time';
  if (inTime(problem, plan, i)) return 'plan';
  return inTime({ ...problem, bays: MANY }, plan, i) ? 'bay' : 'hands';
}

const MANY = 1000;
const DEAR = 1e8;

/** Whether a visit could end in time with all others where they are. */
function inTime(problem: BoardProblem, plan: BoardPlan, i: number): boolean {
  const visit = problem.visits[i];
  if (!visit) return false;
  // whatever else it costs, it is in time if it can be
  const ground = groundOf({
    ...problem,
    visits: problem.visits.map((v, j) =>
      j === i ? { ...v, perDayLate: DEAR, ripe: undefined } : v,
    ),
  });
  const state = stateOf(
    ground,
    plan.map((there, j) => (j === i ? undefined : there)),
  );
  const { best } = bestPlace(state, i, false);
  return best !== undefined && daysLate(visit, state.spanOf(i, best)[1]) === 0;
}

/** Tried one by one: what alone would bring it in time. */
function freeings(problem: BoardProblem, plan: BoardPlan, i: number): Freeing[] {
  const visit = problem.visits[i];
  if (!visit) return [];
  const changed = (change: Partial<BoardVisit>): BoardProblem => ({
    ...problem,
    visits: problem.visits.map((v, j) => (j === i ? { ...v, ...change } : v)),
  });
  const free = { ...visit, pinned: undefined };
  const tries: readonly (readonly [Freeing, () => BoardProblem])[] = [
    ['partsNow', () => changed({ ...free, earliest: 0 })],
    ['anotherBay', () => ({ ...changed(free), bays: problem.bays + 1 })],
    ['overTime', () => withSaturdays(changed(free))],
    ['anyoneDoesIt', () => changed({ ...free, skills: [] })],
    ['anotherHand', () => withAnother(changed(free), visit)],
  ];
  // where it need only be moved, all else would be moving it
  if (inTime(changed({ pinned: undefined }), plan, i)) return ['moveIt'];
  return tries.flatMap(([name, change]) => {
    // nothing is freed by what was so before
    if (name === 'partsNow' && visit.earliest === 0) return [];
    if (name === 'anyoneDoesIt' && !visit.skills.length) return [];
    return inTime(change(), plan, i) ? [name] : [];
  });
}

/** Half days in which nobody works become over time: a Saturday, a day off. */
const withSaturdays = (problem: BoardProblem): BoardProblem => ({
  ...problem,
  technicians: problem.technicians.map((t) => ({
    ...t,
    open: t.open.map((o) => (o === OPEN ? OPEN : OVER_TIME)),
  })),
});

/** One more of the crew, who can do it and has nothing else to do. */
const withAnother = (problem: BoardProblem, { skills, crew }: BoardVisit): BoardProblem => ({
  ...problem,
  technicians: [
    ...problem.technicians,
    ...Array.from({ length: crew }, (_, n) => ({
      id: `another ${n}`,
      skills,
      open: problem.technicians[0]?.open.map((_, t) => everOpen(problem, t)) ?? [],
    })),
  ],
});

/** Open whenever one of them is. */
const everOpen = ({ technicians }: BoardProblem, t: number): number =>
  technicians.some((k) => k.open[t] === OPEN) ? OPEN : 0;
