import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import useSWR, { mutate, type SWRConfiguration } from 'swr';
import { liveQuery } from 'dexie';
import { z } from 'zod';
import {
  CostsPage,
  Person,
  RejudgeAnswer,
  RevisionPage,
  Session,
  SheetDraft,
  SheetPage,
  SpecDetail,
  SpecPage,
} from '@green-tally/core/contracts';
import { Breakdown } from '@green-tally/core/contracts/breakdown';
import type { MachineFile } from '@green-tally/core/contracts';
import { standingOf, type Standing } from '@green-tally/core/plan';
import type { RouteId } from '@green-tally/core/api';
import { pathOf, request, Unreachable, type AnswerOf, type Asked } from './api';
import { placeNow } from './clock';
import { useWithLists } from './lists';
import { local, type Outgoing } from './local';
import { askMachine, changesOf, noteLook } from './facts';
import { machineHere, type Here } from './here';
import { noteKept } from './kept';
import { withOutgoing } from './laid';
import { clearFacts, isOpen, isOwn, signInsSoFar } from './owner';
import { onPut } from './outbox';
import { painted } from './painted';
import { onSync, outboxChanges, syncNow, type Sync } from './sync';

/** Paths that were answered since the page was loaded. */
const answered = new Set<string>();

/** How SWR asks: the server first; without signal, what was kept here. */
export const swrConfig: SWRConfiguration = {
  fetcher: async (path: string): Promise<unknown> => {
    try {
      const asked = signInsSoFar();
      // of what is shown already the next answer may come a moment later than what was tapped for
      if (answered.has(path)) await painted();
      const answer = await request('GET', path);
      answered.add(path);
      noteKept(path, undefined);
      if (path === SESSION && asked === signInsSoFar()) await heedEnd(answer);
      // what was typed to find something is not kept for each letter
      if (!/[?&]q=/.test(path))
        await local.kept.put({ path, answer, at: new Date().toISOString() });
      return answer;
    } catch (error) {
      const kept = error instanceof Unreachable ? await local.kept.get(path) : undefined;
      if (!kept) throw error;
      noteKept(path, kept.at);
      return kept.answer;
    }
  },
  // the server's own trouble passes; what it refuses it goes on refusing
  shouldRetryOnError: (error: unknown) => error instanceof Unreachable,
  errorRetryInterval: 4000,
  errorRetryCount: 6,
  dedupingInterval: 1000,
};

const SESSION = pathOf('GET /session', {});

/**
 * A session that ended by itself leaves nothing to be looked at on a phone that others may take up.
 * What opens without an account stays: an answer to it that is under way would be taken for an old one.
 */
async function heedEnd(answer: unknown): Promise<void> {
  const session = Session.safeParse(answer);
  if (!session.success || session.data.person) return;
  await clearFacts();
  await mutate((key) => key !== SESSION && !isOpen(String(key)), undefined, {
    revalidate: false,
  });
}

/** An answer that came otherwise than by asking: kept as if it had been asked for, and shown. */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  await local.kept.put({ path, answer, at: new Date().toISOString() });
  await mutate(path, answer, { revalidate: false });
}

type Gets = Extract<RouteId, `GET ${string}`>;

/** Asks a route and holds the answer against its contract; asks nothing while `asked` is null. */
export function useAnswer<K extends Gets, T extends AnswerOf<K>>(
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
const Breakdowns = z.object({ breakdowns: z.array(Breakdown) });
/** When a machine has stopped in harvest. */
export function useBreakdowns(id: string) {
  const breakdowns = useAnswer('GET /machines/{id}/breakdowns', { params: { id } }, Breakdowns);
  useWithLists(breakdowns.again);
  return breakdowns;
}
export const useCosts = () => useAnswer('GET /costs', {}, CostsPage);

const Pages = z.object({ pages: z.array(SheetPage) });
/** Pages of the book kept with a model's sheet; asked for when there is a model. */
export const usePages = (model: string) =>
  useAnswer('GET /specs/{model}/pages', model ? { params: { model } } : null, Pages);
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
      if (current) setOutgoing(rows.filter(isOwn));
    });
    return () => {
      current = false;
    };
  }, [changes, machineId]);
  return outgoing;
}

/** Not at once: what was just kept is about to be read. */
const GONE_MS = 1000;

/** A machine with everything known here and there, and where it stands today by core. */
export function useMachine(id: string): {
  file: MachineFile | undefined;
  standing: Standing | undefined;
  error: unknown;
  isLoading: boolean;
  again: () => void;
} {
  const { known, of: here } = useHere(id);
  const {
    error,
    isLoading,
    mutate: ask,
  } = useSWR<null, unknown>(id ? changesOf(id) : null, async () => {
    await askMachine(id);
    return null;
  });
  const today = useToday();
  const { file, standing } = useMemo(
    () => (here ? workedOut(here, today) : NOTHING_HERE),
    [here, today],
  );
  useEffect(() => void noteLook(id), [id]);
  // cleared off this device while it is looked at, by another tab say: it is asked for anew
  const gone = known && !here && !isLoading && !error;
  useEffect(() => {
    if (!gone) return;
    const timer = setTimeout(() => void ask(), GONE_MS);
    return () => clearTimeout(timer);
  }, [gone, ask]);
  return {
    file,
    standing,
    error,
    isLoading: !known || isLoading || (!file && !error),
    again: () => void ask(),
  };
}

/** A machine's file with what waits here laid over it, and where it stands. */
interface WorkedOut {
  readonly file: MachineFile | undefined;
  readonly standing: Standing | undefined;
}
const NOTHING_HERE: WorkedOut = { file: undefined, standing: undefined };
const worked = new WeakMap<MachineFile, WorkedOut & { readonly key: string }>();

/** Works it out once, however many screens look at it one after the other. */
function workedOut({ file, outgoing }: Here, today: string): WorkedOut {
  const key = `${today} ${keyOf(outgoing)}`;
  const known = worked.get(file);
  if (known?.key === key) return known;
  const laid = withOutgoing(file, outgoing);
  const now = { key, file: laid, standing: standingOf(laid, today) };
  worked.set(file, now);
  return now;
}

/** What waits, by what changes of it: an entry that is put again is queued anew. */
const keyOf = (outgoing: readonly Outgoing[]): string =>
  outgoing.map((o) => `${o.id} ${o.state} ${o.queuedAt} ${isOwn(o)}`).join();

/** Whether nothing has changed that a screen shows: then nothing is judged again. */
const sameHere = (
  was: Looked & { readonly id: string },
  id: string,
  of: Here | undefined,
): boolean =>
  was.id === id &&
  was.of?.file === of?.file &&
  keyOf(was.of?.outgoing ?? []) === keyOf(of?.outgoing ?? []);

interface Looked {
  /** whether this device has been looked through */
  readonly known: boolean;
  /** undefined: it is not here */
  readonly of?: Here | undefined;
}

/** What is held, with rows of its machine that were kept just now. */
function withRows<T extends Looked & { readonly id: string }>(
  was: T,
  rows: readonly Outgoing[],
): T {
  const own = rows.filter((r) => r.machineId === was.id);
  if (!was.of || !own.length) return was;
  const ids = new Set(own.map((r) => r.id));
  const outgoing = [...was.of.outgoing.filter((o) => !ids.has(o.id)), ...own];
  return { ...was, of: { ...was.of, outgoing } };
}

/** What this device holds of a machine, and again whenever that changes, in whatever tab. */
function useHere(id: string): Looked {
  const [here, setHere] = useState<Looked & { readonly id: string }>();
  useEffect(() => {
    if (!id) return;
    const watch = liveQuery(() => machineHere(id)).subscribe({
      next: (of) =>
        setHere((was) => (was && sameHere(was, id, of) ? was : { id, known: true, of })),
      error: (error: unknown) => {
        console.error('facts', error);
        setHere({ id, known: true });
      },
    });
    // at once: what was read before is never shown as what comes of what was just taken
    const forget = onPut((rows) => setHere((was) => (was?.id === id ? withRows(was, rows) : was)));
    return () => {
      watch.unsubscribe();
      forget();
    };
  }, [id]);
  return here?.id === id ? here : { known: false };
}

/** The clock of the place. */
export const useClock = (): (() => Date) => placeNow;

/** Today's calendar day here. */
export function useToday(): string {
  const { data } = useSession();
  return data ? data.now.slice(0, 10) : new Date().toISOString().slice(0, 10);
}
