import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import {
  conflictsOf,
  placingOf,
  spanOf,
  type Conflict,
  type Placings,
  type Span,
} from '@green-tally/core/board';
import type { BoardJob, BoardPage, Placing, PlanWish } from '@green-tally/core/contracts';
import { api, useAction, useDraft, type Action } from '../store';
import {
  BoardDraft,
  changesOf,
  emptyDraft,
  placingsIn,
  seenOf,
  withMoves,
  type BoardDraft as Draft,
} from './draft';

/** A planner's desk: the published plan, what they have moved on it, and what is in the way. */
export interface Desk {
  readonly page: BoardPage;
  readonly draft: Draft;
  readonly over: Placings;
  readonly conflicts: readonly Conflict[];
  readonly spans: ReadonlyMap<string, Span>;
  /** somebody has published another plan since the first move */
  readonly older: boolean;
  readonly selected: BoardJob | undefined;
  readonly select: (id: string | undefined) => void;
  readonly move: (moves: readonly (readonly [string, Placing | null])[]) => void;
  /** takes moves back, all of them unless said */
  readonly drop: (ids?: readonly string[]) => void;
  /** what was moved stands on the newest plan from now on */
  readonly rebase: () => void;
  readonly publish: Action<[why: string]>;
  readonly look: Action<[wish: Omit<PlanWish, 'id' | 'kept'>]>;
  /** the search that is under way or was last, "" for none */
  readonly search: string;
  readonly forget: () => void;
  readonly may: boolean;
}

export const placingNow = (desk: Desk, job: BoardJob): Placing | null => placingOf(job, desk.over);

export function useDesk(page: BoardPage, may: boolean, again: () => void): Desk {
  const [draft, setDraft] = useDraft(`board ${page.branch}`, BoardDraft, emptyDraft(page));
  const [search, setSearch] = useDraft(`board search ${page.branch}`, Text, '');
  const [chosen, select] = useState<string>();
  const over = useMemo(() => placingsIn(page, draft), [page, draft]);
  const conflicts = useMemo(() => conflictsOf(page, over), [page, over]);
  const spans = useMemo(
    () =>
      new Map(
        page.jobs.flatMap((job): [string, Span][] => {
          const span = spanOf(page, job, placingOf(job, over));
          return span ? [[job.id, span]] : [];
        }),
      ),
    [page, over],
  );
  const publish = useAction(async (why: string) => {
    try {
      await api('POST /board/publish', {
        body: { seen: draft.seen, why, changes: changesOf(page, over) },
      });
      setDraft(emptyDraft(page));
      setSearch('');
    } finally {
      again();
    }
  });
  const look = useAction(async (wish: Omit<PlanWish, 'id' | 'kept'>) => {
    const kept = [...over].flatMap(([id, to]) => (to ? [{ id, to }] : []));
    const { id } = await api('POST /board/searches', { body: { ...wish, id: uuidv7(), kept } });
    setSearch(id);
  });
  return {
    page,
    draft,
    over,
    conflicts,
    spans,
    older: over.size > 0 && draft.seen !== seenOf(page),
    selected: page.jobs.find((j) => j.id === chosen),
    select,
    move: (moves) => setDraft((now) => withMoves(page, now, moves)),
    drop: (ids) =>
      setDraft(
        ids
          ? { ...draft, moves: draft.moves.filter(([id]) => !ids.includes(id)) }
          : emptyDraft(page),
      ),
    rebase: () => setDraft({ seen: seenOf(page), moves: [...over] }),
    publish,
    look,
    search,
    forget: () => setSearch(''),
    may,
  };
}

const Text = z.string();
