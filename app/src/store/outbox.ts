/*
 * The outbox: what was taken here goes to the server, each once, in its own time.
 *
 *            put()                 flush()                  accepted or duplicate
 *   (none) ────────▶ waiting ───────────────▶ sending ───────────────────────────▶ (gone)
 *                       ▲                        │  │
 *                       │   unreachable, 5xx,    │  │  rejected by name
 *                       └──── 401: later ────────┘  └──────────────▶ refused ──── dismiss() ──▶ (gone)
 *
 * An entry is in IndexedDB before the screen says it is stored. One tab sends at a time (a web lock); sending twice does no
 * harm, for ids are made here and the server stores an id once.
 */
import { mutate } from 'swr';
import {
  BatchAnswer,
  type MachineFile,
  type Reading,
  type Walk,
  type WorkItem,
} from '@green-tally/core/contracts';
import { api, ApiProblem, troubleText, Unreachable } from './api';
import { local, type Outgoing } from './local';

/** How sending stands, for the one line that says so. */
export interface Sync {
  readonly waiting: number;
  readonly refused: number;
  readonly sending: boolean;
  readonly offline: boolean;
  readonly sentAt: string | null;
}

const A_BATCH = 200;
const SOONEST = 4000;
const LATEST = 60_000;

let sync: Sync = { waiting: 0, refused: 0, sending: false, offline: false, sentAt: null };
let listeners: (() => void)[] = [];
let pause = SOONEST;
let timer: ReturnType<typeof setTimeout> | undefined;
let changes = 0;

export const syncNow = (): Sync => sync;
/** Counts changes of the outbox, so that views know to look again. */
export const outboxChanges = (): number => changes;
export function onSync(listener: () => void): () => void {
  listeners.push(listener);
  return () => {
    listeners = listeners.filter((l) => l !== listener);
  };
}

async function tell(change: Partial<Sync> = {}): Promise<void> {
  const [waiting, refused] = await Promise.all([
    local.outgoing.where('state').equals('waiting').count(),
    local.outgoing.where('state').equals('refused').count(),
  ]);
  sync = { ...sync, waiting, refused, ...change };
  changes += 1;
  listeners.forEach((l) => l());
}

type New =
  | { kind: 'walk'; body: Walk }
  | { kind: 'reading'; body: Reading }
  | { kind: 'work'; body: WorkItem };

/** Keeps entries here and starts sending. Resolves when they are safe on this device. */
export async function put(entries: readonly New[]): Promise<void> {
  const queuedAt = new Date().toISOString();
  const rows = entries.map((e): Outgoing => ({
    ...e,
    id: e.body.id,
    machineId: e.body.machineId,
    queuedAt,
    state: 'waiting',
    why: '',
  }));
  await local.outgoing.bulkPut(rows);
  await tell();
  flushSoon();
}

let running: Promise<void> | undefined;

/** Sends what waits. Safe to call at any time: one run at a time here, one tab at a time on this device. */
export function flush(): Promise<void> {
  running ??= sendUnderLock().finally(() => {
    running = undefined;
  });
  return running;
}

/** Sends without being waited for, after a run under way (which may just have looked); what breaks is told to the console. */
function flushSoon(): void {
  const before = running ?? Promise.resolve();
  before
    .catch(() => undefined)
    .then(flush)
    .catch((error: unknown) => console.error('outbox', error));
}

async function sendUnderLock(): Promise<void> {
  clearTimeout(timer);
  const locks = globalThis.navigator?.locks;
  if (locks)
    await locks.request('green-tally-outbox', { ifAvailable: true }, async (lock) => {
      if (lock) await sendAll();
    });
  else await sendAll();
}

async function sendAll(): Promise<void> {
  for (;;) {
    const waiting = await local.outgoing.where('state').equals('waiting').sortBy('queuedAt');
    if (waiting.length === 0) return tell({ sending: false, offline: false });
    await tell({ sending: true });
    try {
      await sendSome(waiting);
      pause = SOONEST;
      await tell({ offline: false, sentAt: new Date().toISOString() });
    } catch (error) {
      if (!(error instanceof Unreachable) && !(error instanceof ApiProblem)) throw error;
      await tell({ sending: false, offline: error instanceof Unreachable });
      timer = setTimeout(flushSoon, pause);
      pause = Math.min(LATEST, pause * 2);
      return;
    }
  }
}

async function sendSome(waiting: readonly Outgoing[]): Promise<void> {
  const walks = waiting.filter((o) => o.kind === 'walk');
  const readings = waiting.filter((o) => o.kind === 'reading').slice(0, A_BATCH);
  const first = walks.length
    ? walks
    : readings.length
      ? readings
      : waiting.filter((o) => o.kind === 'work');
  const [one] = first;
  if (!one) return;
  if (one.kind === 'reading') return sendReadings(readings);
  for (const entry of first) {
    try {
      if (entry.kind === 'walk') await api('PUT', `/walks/${entry.id}`, entry.body);
      if (entry.kind === 'work') await api('POST', '/work', { items: [entry.body] });
      await settle([entry], new Map());
    } catch (error) {
      if (!isRefusal(error)) throw error;
      await settle([entry], new Map([[entry.id, troubleText(error)]]));
    }
  }
}

/** A 4xx that trying again would not change. Signed out, too many, too early: those are for later. */
const isRefusal = (error: unknown): boolean =>
  error instanceof ApiProblem &&
  error.problem.status >= 400 &&
  error.problem.status < 500 &&
  ![401, 408, 425, 429].includes(error.problem.status);

async function sendReadings(entries: readonly Outgoing[]): Promise<void> {
  const refused = new Map<string, string>();
  try {
    const { results } = BatchAnswer.parse(
      await api('POST', '/readings:batch', { readings: entries.map((e) => e.body) }),
    );
    for (const r of results)
      if (r.result === 'rejected')
        refused.set(
          r.id,
          (r.errors ?? []).map((e) => `${e.field}: ${e.message}`).join(' ') || 'refused',
        );
  } catch (error) {
    if (!isRefusal(error) || entries.length > 1) throw error;
    entries.forEach((e) => refused.set(e.id, troubleText(error)));
  }
  await settle(entries, refused);
}

/** Sent ones move into the machine's kept file before they leave the outbox, so that no view loses them in between. */
async function settle(
  entries: readonly Outgoing[],
  refused: ReadonlyMap<string, string>,
): Promise<void> {
  const sent = entries.filter((e) => !refused.has(e.id));
  for (const machineId of new Set(sent.map((e) => e.machineId))) {
    const own = sent.filter((e) => e.machineId === machineId);
    await mutate(
      `/machines/${machineId}`,
      (file: MachineFile | undefined) => file && withOutgoing(file, own),
      { revalidate: false },
    );
  }
  await local.outgoing.bulkPut(
    entries
      .filter((e) => refused.has(e.id))
      .map((e) => ({ ...e, state: 'refused' as const, why: refused.get(e.id) ?? '' })),
  );
  await local.outgoing.bulkDelete(sent.map((e) => e.id));
  await tell();
  for (const machineId of new Set(sent.map((e) => e.machineId)))
    void mutate(`/machines/${machineId}`);
  void mutate('/yard');
}

/** A machine's file with what is still on this device laid over it. */
export function withOutgoing(file: MachineFile, outgoing: readonly Outgoing[]): MachineFile {
  const own = outgoing.filter((o) => o.machineId === file.machine.id && o.state === 'waiting');
  if (own.length === 0) return file;
  const lay = <T extends { id: string }>(there: readonly T[], over: readonly T[]): T[] => [
    ...there.filter((t) => !over.some((o) => o.id === t.id)),
    ...over,
  ];
  return {
    ...file,
    walks: lay(
      file.walks,
      own.flatMap((o) => (o.kind === 'walk' ? [o.body] : [])),
    ),
    readings: lay(
      file.readings,
      own.flatMap((o) => (o.kind === 'reading' ? [o.body] : [])),
    ),
    work: lay(
      file.work,
      own.flatMap((o) => (o.kind === 'work' ? [o.body] : [])),
    ),
  };
}

/** Forgets a refused entry after a person has read why. */
export async function dismiss(id: string): Promise<void> {
  await local.outgoing.delete(id);
  await tell();
}

/** Forgets the next try; sending begins again with the next entry or flush. */
export function pauseOutbox(): void {
  clearTimeout(timer);
}

/** Begins sending: now, and whenever the signal comes back or the page is looked at again. Returns how to stop. */
export function startOutbox(): () => void {
  const again = () => {
    pause = SOONEST;
    flushSoon();
  };
  globalThis.addEventListener?.('online', again);
  globalThis.addEventListener?.('focus', again);
  void tell().then(flushSoon);
  return () => {
    pauseOutbox();
    globalThis.removeEventListener?.('online', again);
    globalThis.removeEventListener?.('focus', again);
  };
}
