import type { BoardPage, PlanFares } from '../contracts';
import { conflictsOf, spansOf } from './conflicts';
import { placingOf, samePlacing, type Placings } from './laid';

/** A visit that a plan puts elsewhere, and why. */
export interface Moved {
  readonly id: string;
  readonly why: string;
}

/**
 * Why a plan moves what it moves: what was in its way or made it late where it stood, whom it makes
 * room for, or that ways and over time are saved. Every visit that stands elsewhere is named.
 * @param over placings as the board stands
 */
export function whyMoved(page: BoardPage, over: Placings, found: PlanFares['placings']): Moved[] {
  const before = conflictsOf(page, over);
  const next: Placings = new Map(found.map(({ id, to }) => [id, to]));
  const spans = new Map(spansOf(page, over).map((s) => [s.job.id, s]));
  const after = spansOf(page, next);
  return page.jobs.flatMap((job): Moved[] => {
    const { id } = job;
    if (!next.has(id)) return [];
    const [was, to] = [placingOf(job, over), next.get(id) ?? null];
    if (samePlacing(was, to)) return [];
    if (!to) return [{ id, why: 'It finds no place.' }];
    if (!was) return [{ id, why: 'It had no visit.' }];
    const own = before.filter((c) => c.id === id);
    if (own.length) return [{ id, why: own.map((c) => c.text).join(' ') }];
    const there = spans.get(id);
    const instead = after.filter(
      (s) =>
        s.job.id !== id &&
        there !== undefined &&
        s.placing.technicianIds.some((t) => was.technicianIds.includes(t)) &&
        s.first <= (there.last ?? there.first) &&
        there.first <= (s.last ?? s.first),
    );
    return [
      {
        id,
        why: instead.length
          ? `It makes room for ${instead.map((s) => s.job.machine.serial).join(', ')}.`
          : 'It saves ways, over time or late days elsewhere.',
      },
    ];
  });
}
