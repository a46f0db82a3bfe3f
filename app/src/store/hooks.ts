import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import useSWR, { mutate, type SWRConfiguration } from 'swr';
import { z } from 'zod';
import {
  CostsPage,
  DueList,
  Machine,
  MachineFile,
  Person,
  RejudgeAnswer,
  RevisionPage,
  Session,
  SheetDraft,
  SpecDetail,
  SpecPage,
  Visit,
  Yard,
} from '@green-tally/core/contracts';
import { standingOf, type Standing } from '@green-tally/core/plan';
import type { RouteId } from '@green-tally/core/api';
import { pathOf, request, Unreachable, type AnswerOf, type Asked } from './api';
import { placeNow } from './clock';
import { local, type Outgoing } from './local';
import { sentCount, withOutgoing, withSentSince } from './laid';
import { onSync, outboxChanges, syncNow, type Sync } from './outbox';

/** How SWR asks: the server first; without signal, what was kept here. */
export const swrConfig: SWRConfiguration = {
  fetcher: async (path: string): Promise<unknown> => {
    const askedAt = sentCount();
    try {
      const answer = withSentSince(askedAt, path, await request('GET', path));
      await local.kept.put({ path, answer, at: new Date().toISOString() });
      return answer;
    } catch (error) {
      const kept = error instanceof Unreachable ? await local.kept.get(path) : undefined;
      if (kept) return kept.answer;
      throw error;
    }
  },
  shouldRetryOnError: false,
  dedupingInterval: 1000,
};

/** An answer that came otherwise than by asking: kept as if it had been asked for, and shown. */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  await local.kept.put({ path, answer, at: new Date().toISOString() });
  await mutate(path, answer, { revalidate: false });
}

type Gets = Extract<RouteId, `GET ${string}`>;

/** Asks a route and holds the answer against its contract; asks nothing while `asked` is null. */
function useAnswer<K extends Gets, T extends AnswerOf<K>>(
  id: K,
  asked: Asked<K> | null,
  contract: z.ZodType<T>,
) {
  const path = asked === null ? null : pathOf(id, asked);
  const { data, error, isLoading, mutate: ask } = useSWR<unknown, unknown>(path);
  const parsed = useMemo(
    () => (data === undefined ? undefined : contract.parse(data)),
    [data, contract],
  );
  return { data: parsed, error, isLoading, again: () => void ask() };
}

export const useSession = () => useAnswer('GET /session', {}, Session);
export const useDue = () => useAnswer('GET /due', {}, DueList);
export const useCosts = () => useAnswer('GET /costs', {}, CostsPage);
export const useYard = () => useAnswer('GET /yard', {}, Yard);

const People = z.object({ people: z.array(Person) });
export const usePeople = () => useAnswer('GET /people', {}, People);
export const useSpecModels = () =>
  useAnswer('GET /spec-models', { query: { limit: 500 } }, SpecPage);
/** One revision of a model, the newest unless said. */
export const useSpec = (model: string, revision?: string) =>
  useAnswer(
    'GET /specs/{model}',
    model ? { params: { model }, query: { revision } } : null,
    SpecDetail,
  );
export const useRevisions = (model: string) =>
  useAnswer('GET /specs/{model}/revisions', { params: { model } }, RevisionPage);
const OpenDraft = z.object({ draft: SheetDraft.nullable() });
/** The draft of a model; asked for only by those who may change it. */
export const useSheetDraft = (model: string, asked: boolean) =>
  useAnswer('GET /specs/{model}/draft', asked && model ? { params: { model } } : null, OpenDraft);
/**
 * What judging a machine under a revision would change; asked for when there is a model to ask
 * about.
 */
export const useRejudge = (id: string, model: string | undefined, revision: number | undefined) =>
  useAnswer(
    'GET /machines/{id}/rejudge',
    model && revision ? { params: { id }, query: { model, revision } } : null,
    RejudgeAnswer,
  );
const Visits = z.object({ visits: z.array(z.object({ visit: Visit, machine: Machine })) });
export const useVisits = () => useAnswer('GET /visits', {}, Visits);

/** How sending stands. */
export const useSync = (): Sync => useSyncExternalStore(onSync, syncNow, syncNow);

/** What waits on this device for one machine; undefined until it is known. */
export function useOutgoing(machineId?: string): readonly Outgoing[] | undefined {
  const changes = useSyncExternalStore(onSync, outboxChanges, outboxChanges);
  const [outgoing, setOutgoing] = useState<readonly Outgoing[] | undefined>(undefined);
  useEffect(() => {
    let current = true;
    void (
      machineId
        ? local.outgoing.where('machineId').equals(machineId).toArray()
        : local.outgoing.toArray()
    ).then((rows) => {
      if (current) setOutgoing(rows);
    });
    return () => {
      current = false;
    };
  }, [changes, machineId]);
  return outgoing;
}

/** A machine with everything known here and there, and where it stands today by core. */
export function useMachine(id: string): {
  file: MachineFile | undefined;
  standing: Standing | undefined;
  error: unknown;
  isLoading: boolean;
  again: () => void;
} {
  const asked = id ? { params: { id } } : null;
  const { data, error, isLoading, again } = useAnswer('GET /machines/{id}', asked, MachineFile);
  const outgoing = useOutgoing(id);
  const today = useToday();
  const file = useMemo(
    () => (data && outgoing ? withOutgoing(data, outgoing) : undefined),
    [data, outgoing],
  );
  const standing = useMemo(() => (file ? standingOf(file, today) : undefined), [file, today]);
  return {
    file,
    standing,
    error,
    isLoading: isLoading || (data !== undefined && file === undefined),
    again,
  };
}

/** The clock of the place. */
export const useClock = (): (() => Date) => placeNow;

/** Today's calendar day here. */
export function useToday(): string {
  const { data } = useSession();
  return data ? data.now.slice(0, 10) : new Date().toISOString().slice(0, 10);
}
