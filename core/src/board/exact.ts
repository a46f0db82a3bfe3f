import { groundOf, type Ground, type Shift } from './ground';
import { checkBoard, type BoardPlan, type BoardProblem } from './problem';
import { BoardState } from './state';

/**
 * The best plan there is, by looking at all of them: for small boards, to hold the search against.
 * Grows with (crews × half days)^visits.
 * @param most give up after so many placings were tried
 * @returns undefined when it gave up
 */
export function planExactly(
  problem: BoardProblem,
  most = 20_000_000,
): { readonly plan: BoardPlan; readonly cost: number } | undefined {
  checkBoard(problem);
  const ground = groundOf(problem);
  const state = new BoardState(ground);
  const { visits, costs } = problem;
  const order = visits
    .map((_, i) => i)
    .sort((a, b) => (visits[b]?.perDayLate ?? 0) - (visits[a]?.perDayLate ?? 0));
  // what those still to be put cost at least by their lateness alone
  const rest = new Float64Array(order.length + 1);
  for (let n = order.length - 1; n >= 0; n -= 1)
    rest[n] = (rest[n + 1] ?? 0) + (ground.late[order[n] ?? 0] ?? 0);
  let best: { plan: BoardPlan; cost: number } | undefined;
  let tried = 0;
  const go = (n: number, cost: number): void => {
    if (tried > most || (best && cost + (rest[n] ?? 0) >= best.cost - 1e-9)) return;
    const i = order[n];
    const visit = i === undefined ? undefined : visits[i];
    if (i === undefined || !visit) {
      best = { plan: state.plan(), cost };
      return;
    }
    for (const [shift, from] of beginnings(ground, i)) {
      tried += 1;
      if (!state.isFree(i, shift, from)) continue;
      const here = state.costAt(i, shift, from);
      state.put(i, shift, from, here);
      go(n + 1, cost + here);
      state.take(i);
    }
    go(n + 1, cost + costs.unplaced * visit.halfDays);
  };
  go(0, 0);
  return tried > most ? undefined : best;
}

/** Every half day that a visit could begin in, were nothing else on the board. */
function beginnings({ problem, shifts }: Ground, i: number): [Shift, number][] {
  const visit = problem.visits[i];
  if (!visit) return [];
  return (shifts[i] ?? []).flatMap((shift) => {
    const begin = shift.at[visit.pinned?.start ?? Math.min(visit.earliest, problem.slots)] ?? 0;
    const end = visit.pinned ? begin : shift.slots.length - visit.halfDays;
    return Array.from({ length: Math.max(0, end - begin + 1) }, (_, n): [Shift, number] => [
      shift,
      begin + n,
    ]);
  });
}
