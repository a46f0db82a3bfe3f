import {
  asIf,
  faresOf,
  groundOf,
  layBoard,
  placingsOf,
  planBoard,
  type Placings,
} from '@green-tally/core/board';
import type { BoardPage, PlanFares, PlanWish } from '@green-tally/core/contracts';
import { boundNow } from './solve';

/** A search as it is handed to a thread. */
export interface Asked {
  readonly page: BoardPage;
  readonly wish: PlanWish;
}

/** How far a search is. Money. */
export interface Progress {
  readonly share: number;
  readonly first: number;
  readonly cost: number;
  /** no plan costs less; each visit looked at by itself until the board as a whole has been */
  readonly bound: number;
}

/** What a search has found. */
export interface Found extends Progress {
  readonly proven: boolean;
  readonly before: PlanFares;
  readonly after: PlanFares;
}

/** Who is told, and who may stop it. */
export interface Hooks {
  readonly told: (progress: Progress) => void;
  readonly stopped: () => boolean;
}

/** So often it is told how far a search is. */
const TELL_MS = 200;
/** A bound of the whole board is given up after so long. */
const BOUND_SECONDS = 8;
/** Boards of a hundred visits take a second or two for it; one waits no longer. */
const WHOLE_SECONDS = 4;
/** The share of a search's time after which nobody is asked any more. */
const ALL = 1;

/**
 * Looks for a plan of a board: as it is, or as it would be. What the planner has put stays; what is
 * published is kept where it costs little. Takes as long as it is wished to, and the bound a while.
 * @throws InputError naming the field
 */
export async function findPlan({ page, wish }: Asked, hooks: Hooks): Promise<Found> {
  const board = asIf(page, wish.whatIf);
  const over: Placings = new Map(wish.kept.map(({ id, to }) => [id, to]));
  const byLoss = wish.objective === 'loss';
  const laid = layBoard(board, over, {
    kept: new Set(over.keys()),
    byLoss,
  });
  const { problem } = laid;
  const alone = groundOf(problem).floor.reduce((sum, f) => sum + f, 0);
  const began = performance.now();
  let told = 0;
  let at: Progress = { share: 0, first: 0, cost: 0, bound: alone };
  const tell = (change: Partial<Progress>) => {
    at = { ...at, ...change };
    const now = performance.now();
    if (now - told < TELL_MS && at.share < ALL) return;
    told = now;
    hooks.told(at);
  };
  const { plan, cost, first } = planBoard(problem, {
    seed: 1,
    start: laid.plan,
    gone: () => {
      if (hooks.stopped()) return ALL;
      const share = Math.min(ALL, (performance.now() - began) / 1000 / wish.seconds);
      tell({ share: Math.min(share, 0.999) });
      return share;
    },
    onBetter: (_, better, steps) =>
      tell(steps === 0 ? { first: better, cost: better } : { cost: better }),
  });
  tell({ cost, first, share: 0.999 });
  const { bound, solved } = await boundNow(problem, BOUND_SECONDS, WHOLE_SECONDS);
  return {
    share: ALL,
    first,
    cost,
    bound: Math.min(bound, cost),
    proven: solved,
    before: faresOf(board, over, byLoss),
    after: faresOf(board, placingsOf(board, laid, plan, over), byLoss),
  };
}
