/*
 * The outbox: what was taken here goes to the server, each once, in its own time.
 *
 *            put()                 flush()                  accepted or duplicate
 *   (none) ────────▶ waiting ───────────────▶ sending ───────────────────────────▶ (gone)
 *      ▲   takeBack()  │▲   once held no more    │  │
 *      └── while held ─┘│                        │  │
 *                       │   unreachable, 5xx,    │  │  rejected by name
 *                       └──── 401: later ────────┘  └──────────────▶ refused ──── dismiss() ──▶ (gone)
 *
 * An entry is in IndexedDB before the screen says it is stored. One tab sends at a time (a web
 * lock); sending twice does no
 * harm, for ids are made here and the server stores an id once.
 */
import { liveQuery } from 'dexie';
import { mutate } from 'swr';
import type {
  Breakdown,
  OperatorNote,
  Photo,
  Reading,
  Tick,
  Walk,
  WorkedEntry,
  WorkItem,
} from '@green-tally/core/contracts';
import { ApiProblem, Unreachable } from './api';
import { changesOf, layIn, layTables } from './facts';
import { handsRest, watchHands } from './hands';
import { listsChanged } from './lists';
import { local, type NotedVisit, type Outgoing, type PhotoFile } from './local';
import { isOwn, ownerNow, setOwner } from './owner';
import { sendSome } from './sending';
import { tell } from './sync';
import { notesAmong } from './visitNotes';

const SOONEST = 4000;
const LATEST = 60_000;

let pause = SOONEST;
let timer: ReturnType<typeof setTimeout> | undefined;
let heard: ((rows: readonly Outgoing[]) => void)[] = [];
/** Hears what was just kept here, before the tables tell of it. */
export function onPut(listener: (rows: readonly Outgoing[]) => void): () => void {
  heard.push(listener);
  return () => {
    heard = heard.filter((l) => l !== listener);
  };
}

type New =
  | { kind: 'walk'; body: Walk }
  | { kind: 'reading'; body: Reading }
  | { kind: 'work'; body: WorkItem }
  | { kind: 'withdrawal'; body: WorkItem }
  | { kind: 'worked'; body: WorkedEntry; workId: string; machineId: string }
  | { kind: 'breakdown'; body: Breakdown }
  | { kind: 'visitNote'; body: NotedVisit }
  | { kind: 'tick'; body: Tick }
  | { kind: 'said'; body: OperatorNote & { machineId: string }; key: string }
  | { kind: 'photo'; body: Photo };

/**
 * Keeps entries here and starts sending. Resolves when they are safe on this device.
 * @param held how long they can be taken back and are not sent, ms
 * @param files what photos among them show, kept in the same moment
 */
export async function put(
  entries: readonly New[],
  { held = 0, files = [] }: { held?: number; files?: readonly PhotoFile[] } = {},
): Promise<void> {
  const now = Date.now();
  const queuedAt = new Date(now).toISOString();
  const heldUntil = held ? new Date(now + held).toISOString() : undefined;
  const rows = entries.map((e): Outgoing => ({
    ...e,
    // beside the acceptance, which may wait still
    id: e.kind === 'withdrawal' ? `${e.kind} ${e.body.id}` : e.body.id,
    machineId: e.kind === 'worked' ? e.machineId : e.body.machineId,
    queuedAt,
    owner: e.kind === 'said' ? undefined : ownerNow(),
    state: 'waiting',
    why: '',
    heldUntil,
  }));
  await local.transaction('rw', [local.outgoing, local.photoFiles], async () => {
    await local.outgoing.bulkPut(rows);
    await local.photoFiles.bulkPut([...files]);
  });
  const waits = await tell();
  // last, so that what follows of it is drawn with it; not what was answered meanwhile
  const still = rows.filter((r) => waits.has(r.id));
  heard.forEach((l) => l(still));
  // it is safe here: to send it takes a slow phone as long as to show the next check
  void handsRest().then(flushSoon);
}

/** Forgets entries that are held still, as if they had never been; tells how many it were. */
export async function takeBack(ids: readonly string[]): Promise<number> {
  const gone = await local.transaction('rw', local.outgoing, async () => {
    const held = (await local.outgoing.bulkGet([...ids])).flatMap((o) => (o && isHeld(o) ? o : []));
    await local.outgoing.bulkDelete(held.map((o) => o.id));
    return held.length;
  });
  await tell();
  return gone;
}

export const isHeld = ({ state, heldUntil }: Outgoing, now = Date.now()): boolean =>
  state === 'waiting' && heldUntil !== undefined && Date.parse(heldUntil) > now;

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
export async function flushSoon(): Promise<void> {
  try {
    await running?.catch(() => undefined);
    await flush();
  } catch (error) {
    console.error('outbox', error);
  }
}

let elsewhere = false;
/** Whether another tab sends, as far as this one saw last. */
export const sentElsewhere = (): boolean => elsewhere;

async function sendUnderLock(): Promise<void> {
  clearTimeout(timer);
  const locks = globalThis.navigator?.locks;
  if (locks)
    await locks.request('green-tally-outbox', { ifAvailable: true }, async (lock) => {
      elsewhere = !lock;
      if (lock) await sendAll();
      // another tab sends: whether there is signal is the browser's word here too
      else await tell({ offline: globalThis.navigator?.onLine === false });
    });
  else await sendAll();
}

async function sendAll(): Promise<void> {
  for (;;) {
    const all = await local.outgoing.where('state').equals('waiting').sortBy('queuedAt');
    // what another person took here waits for them
    const here = all.filter(isOwn);
    const waiting = here.filter((o) => !isHeld(o));
    // nothing was tried: whether there is signal is the browser's word
    if (waiting.length === 0) {
      onceFree(here);
      await tell({ sending: false, offline: globalThis.navigator?.onLine === false });
      return;
    }
    await tell({ sending: true });
    try {
      await sendSome(waiting, async (...settled) => {
        await settle(...settled);
        // something came through: however bad the signal, the next try is soon
        pause = SOONEST;
      });
      await tell({ offline: false, sentAt: new Date().toISOString() });
    } catch (error) {
      if (!(error instanceof Unreachable) && !(error instanceof ApiProblem)) throw error;
      // signed out meanwhile: it is asked who is here, and the entries wait for their owner
      if (error instanceof ApiProblem && error.problem.status === 401) void mutate('/session');
      await tell({ sending: false, offline: error instanceof Unreachable });
      timer = setTimeout(() => void flushSoon(), pause);
      pause = Math.min(LATEST, pause * 2);
      return;
    }
  }
}

/** Sends again when the first of those held here is free. */
function onceFree(held: readonly Outgoing[]): void {
  const until = held.map((o) => Date.parse(o.heldUntil ?? ''));
  if (until.length)
    timer = setTimeout(() => void flushSoon(), Math.max(0, Math.min(...until) - Date.now()) + 1);
}

/**
 * Takes what was answered out of the outbox. Sent ones are among the machine's facts here, and what
 * was refused is marked, in the same transaction that forgets them: whenever the power goes, each is
 * in one of the two.
 */
async function settle(
  entries: readonly Outgoing[],
  refused: ReadonlyMap<string, string>,
): Promise<void> {
  const sent = entries.filter((e) => !refused.has(e.id));
  await local.transaction('rw', [local.outgoing, local.photoFiles, ...layTables()], async () => {
    await layIn(sent);
    // the server has them whole: here a small one is enough
    for (const e of sent)
      if (e.kind === 'photo') await local.photoFiles.update(e.id, { full: null });
    await local.outgoing.bulkPut(
      entries.flatMap((e): Outgoing[] => {
        const why = refused.get(e.id);
        return why === undefined ? [] : [{ ...e, state: 'refused', why }];
      }),
    );
    await local.outgoing.bulkDelete(sent.map((e) => e.id));
  });
  await tell();
  for (const machineId of new Set(sent.map((e) => e.machineId))) void mutate(changesOf(machineId));
  listsChanged(notesAmong(sent));
}

/** Whose entries are sent from here: of who is signed in, and nobody else's. */
export function ownOutbox(who: string | undefined): void {
  setOwner(who);
  void tell().then(flushSoon);
}

/** How many entries wait here for people who are not signed in. */
export async function othersWait(): Promise<number> {
  return (await local.outgoing.toArray()).filter((o) => !isOwn(o)).length;
}

/** Forgets a refused entry after a person has read why. */
export async function dismiss(id: string): Promise<void> {
  await local.transaction('rw', [local.outgoing, local.photoFiles], async () => {
    await local.outgoing.delete(id);
    await local.photoFiles.delete(id);
  });
  await tell();
}

/**
 * Sends what was refused once more: what was wrong with it may be so no longer. A walk goes before its
 * readings, so all of them go together.
 */
export async function sendAgain(ids: readonly string[]): Promise<void> {
  await local.transaction('rw', local.outgoing, async () => {
    const refused = (await local.outgoing.bulkGet([...ids])).flatMap((o) => o ?? []);
    await local.outgoing.bulkPut(
      refused.map((o): Outgoing => ({ ...o, state: 'waiting', why: '' })),
    );
  });
  await tell();
  void flushSoon();
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
    void flushSoon();
  };
  const gone = () => void tell({ offline: true });
  // put away or closed: what waited for the hands goes now
  const away = () => globalThis.document?.visibilityState === 'hidden' && void flushSoon();
  const noMoreHands = watchHands();
  globalThis.addEventListener?.('online', again);
  globalThis.addEventListener?.('offline', gone);
  globalThis.addEventListener?.('focus', again);
  globalThis.document?.addEventListener?.('visibilitychange', away);
  void tell(globalThis.navigator?.onLine === false ? { offline: true } : {}).then(flushSoon);
  // another tab puts and sends too: what waits is told here as well
  const watch = liveQuery(() => local.outgoing.count()).subscribe({
    next: () => void tell(),
    error: (error: unknown) => console.error('outbox', error),
  });
  return () => {
    pauseOutbox();
    noMoreHands();
    watch.unsubscribe();
    globalThis.removeEventListener?.('online', again);
    globalThis.removeEventListener?.('offline', gone);
    globalThis.removeEventListener?.('focus', again);
    globalThis.document?.removeEventListener?.('visibilitychange', away);
  };
}
