/*
 * The outbox: what was taken here goes to the server, each once, in its own time.
 *
 *            put()                 flush()                  accepted or duplicate
 *   (none) ────────▶ waiting ───────────────▶ sending ───────────────────────────▶ (gone)
 *                       ▲                        │  │
 *                       │   unreachable, 5xx,    │  │  rejected by name
 *                       └──── 401: later ────────┘  └──────────────▶ refused ──── dismiss() ──▶ (gone)
 *
 * An entry is in IndexedDB before the screen says it is stored. One tab sends at a time (a web
 * lock); sending twice does no
 * harm, for ids are made here and the server stores an id once.
 */
import { mutate } from 'swr';
import {
  BatchAnswer,
  type Reading,
  type Tick,
  type Walk,
  type WorkItem,
} from '@green-tally/core/contracts';
import { api, ApiProblem, pathOf, troubleText, Unreachable } from './api';
import { fileOf, laid, remember } from './laid';
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
  | { kind: 'work'; body: WorkItem }
  | { kind: 'tick'; body: Tick };

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

/**
 * Sends what waits. Safe to call at any time: one run at a time here, one tab at a time on this
 * device.
 */
export function flush(): Promise<void> {
  running ??= sendUnderLock().finally(() => {
    running = undefined;
  });
  return running;
}

/**
 * Sends without being waited for, after a run under way (which may just have looked); what breaks
 * is told to the console.
 */
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

/** Sends what must go first: walks, then readings in batches, then work, then ticks. */
async function sendSome(waiting: readonly Outgoing[]): Promise<void> {
  const walks = waiting.filter((o) => o.kind === 'walk');
  if (walks.length) return sendEach(walks, (w) => sendWalk(w.body));
  const readings = waiting.filter((o) => o.kind === 'reading').slice(0, A_BATCH);
  if (readings.length) return sendReadings(readings);
  const work = waiting.filter((o) => o.kind === 'work');
  if (work.length) return sendEach(work, (w) => api('POST /work', { body: { items: [w.body] } }));
  const ticks = waiting.filter((o) => o.kind === 'tick');
  return sendEach(ticks, (t) => api('POST /ticks', { body: { ticks: [t.body] } }));
}

const sendWalk = ({ id, ...body }: Walk) => api('PUT /walks/{id}', { params: { id }, body });

async function sendEach<O extends Outgoing>(
  entries: readonly O[],
  send: (entry: O) => Promise<unknown>,
): Promise<void> {
  for (const entry of entries) {
    try {
      await send(entry);
      await settle([entry], new Map());
    } catch (error) {
      if (!isRefusal(error)) throw error;
      await settle([entry], new Map([[entry.id, troubleText(error)]]));
    }
  }
}

/**
 * A 4xx that trying again would not change. Signed out, too many, too early: those are for later.
 */
const isRefusal = (error: unknown): boolean =>
  error instanceof ApiProblem &&
  error.problem.status >= 400 &&
  error.problem.status < 500 &&
  ![401, 408, 425, 429].includes(error.problem.status);

type OutgoingReading = Extract<Outgoing, { kind: 'reading' }>;

/**
 * Sends a batch. One that is refused as a whole is sent again in halves, down to the reading that
 * is refused alone: that one
 * is set aside with its reason, the rest go through.
 */
async function sendReadings(entries: readonly OutgoingReading[]): Promise<void> {
  const body = { readings: entries.map((e) => e.body) };
  try {
    const answer = BatchAnswer.parse(await api('POST /readings:batch', { body }));
    return await settle(entries, refusalsIn(answer));
  } catch (error) {
    if (!isRefusal(error)) throw error;
    const [first] = entries;
    if (entries.length === 1 && first)
      return settle(entries, new Map([[first.id, troubleText(error)]]));
  }
  const half = Math.ceil(entries.length / 2);
  await sendReadings(entries.slice(0, half));
  await sendReadings(entries.slice(half));
}

const refusalsIn = ({ results }: BatchAnswer): ReadonlyMap<string, string> =>
  new Map(
    results
      .filter((r) => r.result === 'rejected')
      .map((r) => [
        r.id,
        (r.errors ?? []).map((e) => `${e.field}: ${e.message}`).join(' ') || 'refused',
      ]),
  );

/**
 * Takes what was answered out of the outbox. Sent ones are in the machine's kept file, and what was
 * refused is marked, in the same transaction that forgets them: whenever the power goes, each is in one of the two.
 */
async function settle(
  entries: readonly Outgoing[],
  refused: ReadonlyMap<string, string>,
): Promise<void> {
  const sent = entries.filter((e) => !refused.has(e.id));
  const machines = [...new Set(sent.map((e) => e.machineId))];
  await local.transaction('rw', local.outgoing, local.kept, async () => {
    for (const machineId of machines) {
      const kept = await local.kept.get(fileOf(machineId));
      if (kept) await local.kept.put({ ...kept, answer: laid(kept.answer, sent) });
    }
    await local.outgoing.bulkPut(
      entries.flatMap((e): Outgoing[] => {
        const why = refused.get(e.id);
        return why === undefined ? [] : [{ ...e, state: 'refused', why }];
      }),
    );
    await local.outgoing.bulkDelete(sent.map((e) => e.id));
  });
  remember(sent);
  for (const machineId of machines)
    await mutate(fileOf(machineId), (file: unknown) => file && laid(file, sent), {
      revalidate: false,
    });
  await tell();
  for (const machineId of machines) void mutate(fileOf(machineId));
  void mutate(pathOf('GET /yard', {}));
  void mutate(pathOf('GET /due', {}));
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

/**
 * Begins sending: now, and whenever the signal comes back or the page is looked at again. Returns
 * how to stop.
 */
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
