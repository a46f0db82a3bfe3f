import { z } from 'zod';
import { samePlacing, type Placings } from '@green-tally/core/board';
import type { BoardPage, PlanChange } from '@green-tally/core/contracts';
import { Placing } from '@green-tally/core/contracts/board';

/** What a planner has moved and not published yet, kept on this device. */
export const BoardDraft = z.object({
  /** number of the plan it was made on */
  seen: z.int(),
  moves: z.array(z.tuple([z.string(), Placing.nullable()])),
});
export type BoardDraft = z.infer<typeof BoardDraft>;

export const emptyDraft = (page: BoardPage): BoardDraft => ({ seen: seenOf(page), moves: [] });
export const seenOf = (page: BoardPage): number => page.plan?.n ?? 0;

/** What is laid over the published plan; moves of visits that are not there any more lie on nothing. */
export function placingsIn(page: BoardPage, { moves }: BoardDraft): Placings {
  const jobs = new Map(page.jobs.map((j) => [j.id, j]));
  return new Map(
    moves.filter(([id, to]) => {
      const job = jobs.get(id);
      return job && !job.finishedAt && !samePlacing(job.published, to);
    }),
  );
}

/** A draft with visits put elsewhere; back where they are published they are moved no more. */
export function withMoves(
  page: BoardPage,
  draft: BoardDraft,
  moves: readonly (readonly [string, Placing | null])[],
): BoardDraft {
  const next = new Map(placingsIn(page, draft));
  for (const [id, to] of moves) {
    const job = page.jobs.find((j) => j.id === id);
    if (!job || samePlacing(job.published, to)) next.delete(id);
    else next.set(id, to);
  }
  // the first move on a new plan is one of that plan
  return { seen: next.size && draft.moves.length ? draft.seen : seenOf(page), moves: [...next] };
}

/** What is to be published. */
export function changesOf(page: BoardPage, over: Placings): PlanChange[] {
  return page.jobs.flatMap((job): PlanChange[] =>
    over.has(job.id)
      ? [
          {
            id: job.id,
            machineId: job.machine.id,
            version: job.version,
            to: over.get(job.id) ?? null,
          },
        ]
      : [],
  );
}
