import { useEffect, useMemo, useRef } from 'react';
import useSWRInfinite from 'swr/infinite';
import type { z } from 'zod';
import type { Given, Routes } from '@green-tally/core/api';
import { DueList, VisitPage, WorkList, Yard } from '@green-tally/core/contracts';
import { pathOf, type Asked } from './api';
import { useKeptSince } from './kept';
import type { NotedVisit } from './local';
import { pageWithNotes } from './visitNotes';

/*
 * Lists that come page by page. What changes them is told here, by what this device has sent and by
 * the server; every list on the screen then asks again for the pages it shows.
 */
type Listening = (notes: readonly NotedVisit[]) => void;
let listening: Listening[] = [];

/**
 * Lists are to be asked for anew.
 * @param notes what was said of visits and has been sent: it stands in the lists until they answer
 */
export function listsChanged(notes: readonly NotedVisit[] = []): void {
  listening.forEach((again) => again(notes));
}

function onLists(again: Listening): () => void {
  listening.push(again);
  return () => {
    listening = listening.filter((l) => l !== again);
  };
}

/** Asks again for an answer that is no list, whenever lists are asked for anew. */
export function useWithLists(again: () => void): void {
  const latest = useRef(again);
  useEffect(() => {
    latest.current = again;
  });
  useEffect(() => onLists(() => latest.current()), []);
}

/** Lists that come page by page, and what may be asked of them. */
type Paged =
  'GET /yard' | 'GET /due' | 'GET /work' | 'GET /visits' | 'GET /customers' | 'GET /headers';
export type Query<K extends Paged> = Partial<Given<Routes[K]['query']>>;
interface Page {
  readonly next: string | null;
}

/** A list as far as it has been asked for. */
export interface List<T extends Page> {
  /** undefined until the first page is there */
  readonly pages: readonly T[] | undefined;
  readonly error: unknown;
  readonly isLoading: boolean;
  readonly again: () => void;
  /** asks for the next page; undefined when there is none */
  readonly more: (() => void) | undefined;
  /** when the server gave it (ISO), where it is from this device for want of signal */
  readonly asOf: string | undefined;
}

/** A list, as far as it is asked for; what of it is laid over its pages until it is asked anew. */
export function useList<K extends Paged, T extends Page>(
  id: K,
  query: Query<K>,
  contract: z.ZodType<T>,
  lay?: (page: T, notes: readonly NotedVisit[]) => T,
): List<T> {
  const asked = JSON.stringify(query);
  const { data, error, isLoading, size, setSize, mutate } = useSWRInfinite<unknown, unknown>(
    (_: number, before: Page | null) =>
      before && before.next === null
        ? null
        : // every route of these names its cursor so
          pathOf(id, {
            query: { ...query, cursor: before?.next ?? undefined },
          } as unknown as Asked<K>),
    { revalidateFirstPage: false, keepPreviousData: true },
  );
  const pages = useMemo(() => data?.map((page) => contract.parse(page)), [data, contract]);
  useEffect(
    () =>
      onLists((notes) => {
        if (!lay || !notes.length) return void mutate();
        void mutate((there) => there?.map((page) => lay(contract.parse(page), notes)));
      }),
    [mutate, asked, contract, lay],
  );
  const more = pages?.at(-1)?.next != null ? () => void setSize(size + 1) : undefined;
  const asOf = useKeptSince(pathOf(id, { query } as unknown as Asked<K>));
  return { pages, error, isLoading, again: () => void mutate(), more, asOf };
}

/** The pages of the Yard as one, with what is told of all machines together. */
export type WholeYard = Omit<Yard, 'all' | 'next'> & { readonly all: NonNullable<Yard['all']> };

/** The Yard, as far as it is asked for. */
export interface YardList extends List<Yard> {
  /** undefined until the first page is there */
  readonly yard: WholeYard | undefined;
}

/** Machines of the Yard, in the order and of the kind asked for. */
export function useYard(query: Query<'GET /yard'> = {}): YardList {
  const list = useList('GET /yard', query, Yard);
  const { pages } = list;
  const yard = useMemo((): WholeYard | undefined => {
    const [first] = pages ?? [];
    return first?.all
      ? {
          today: first.today,
          branch: first.branch,
          all: first.all,
          rows: (pages ?? []).flatMap((p) => p.rows),
          apart: (pages ?? []).flatMap((p) => p.apart),
        }
      : undefined;
  }, [pages]);
  return { ...list, yard };
}

/** What is due, as far as it is asked for. */
export const useDue = (query: Query<'GET /due'> = {}): List<DueList> =>
  useList('GET /due', query, DueList);

/** Work by where it stands, as far as it is asked for. */
export const useWorkLines = (query: Query<'GET /work'>): List<WorkList> =>
  useList('GET /work', query, WorkList);

/** Visits, earliest first, as far as they are asked for. */
export const useVisits = (query: Query<'GET /visits'> = {}): List<VisitPage> =>
  useList('GET /visits', query, VisitPage, pageWithNotes);
