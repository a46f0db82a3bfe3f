import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { call, ApiProblem, bytesOf, pathOf, Unreachable } from './api';
import { askMachine, forget } from './facts';
import { local, type KeptMachine } from './local';

/*
 * Which machines a device has with it where there is no signal: those a person chose, those he has a
 * visit to soon, and those he looked at last. A big branch is not carried about whole.
 */

/** Visits that begin within so many days are gone to with their machines on board. */
const SOON_DAYS = 14;
/** So many machines that were only looked at stay. */
export const LOOKED_AT_KEPT = 30;
/** A machine asked for within this time is new enough to go with. */
const NEW_MS = 10 * 60_000;

/** Machines that a person (by id) has a visit to soon. @throws Unreachable, ApiProblem */
async function plannedFor(person: string, today: string): Promise<ReadonlySet<string>> {
  const until = formatISO(addDays(parseISO(today), SOON_DAYS), { representation: 'date' });
  const ids = new Set<string>();
  let cursor: string | undefined;
  do {
    const page = await call('GET /visits', { query: { from: today, cursor, limit: 500 } });
    for (const { visit } of page.visits)
      if (visit.technicianId === person && visit.startsOn <= until) ids.add(visit.machineId);
    const last = page.visits.at(-1);
    cursor = last && last.visit.startsOn <= until ? (page.next ?? undefined) : undefined;
  } while (cursor);
  return ids;
}

/**
 * Brings what is taken along up to date, and clears away what was only looked at long ago. Ends
 * quietly where there is no signal; what is here stays.
 */
export async function takeAlong(person: string, today: string): Promise<void> {
  try {
    const planned = await plannedFor(person, today);
    for (const kept of await local.machines.toArray())
      if (kept.planned !== planned.has(kept.id))
        await local.machines.update(kept.id, { planned: planned.has(kept.id) });
    const chosen = (await local.machines.toArray()).filter((m) => m.chosen).map((m) => m.id);
    for (const id of new Set([...planned, ...chosen])) {
      const kept = await local.machines.get(id);
      if (kept && Date.now() - Date.parse(kept.askedAt) < NEW_MS) continue;
      await askMachine(id);
      if (planned.has(id)) await local.machines.update(id, { planned: true });
      await takePhotos(id);
    }
  } catch (error) {
    if (error instanceof Unreachable) return;
    throw error;
  }
  await forget((await onlyLookedAt()).slice(LOOKED_AT_KEPT).map((m) => m.id));
}

/** Small pictures of a machine's photos, as far as they are not here yet; the newest first. */
async function takePhotos(machineId: string): Promise<void> {
  const photos = await local.photos.where('machineId').equals(machineId).toArray();
  const here = new Set(await local.photoFiles.where('machineId').equals(machineId).primaryKeys());
  const wanted = photos
    .filter((p) => !p.dropped && !here.has(p.id))
    .sort((a, b) => (a.takenAt < b.takenAt ? 1 : -1))
    .slice(0, PHOTOS_TAKEN);
  for (const { id } of wanted) {
    const path = pathOf('GET /photos/{id}', { params: { id }, query: { size: 'small' } });
    const small = await bytesOf(path).catch((error: unknown) => {
      // gone meanwhile: the others are still wanted
      if (error instanceof ApiProblem) return undefined;
      throw error;
    });
    if (small) await local.photoFiles.put({ id, machineId, full: null, small });
  }
}

/** So many pictures of a machine are taken along: about a megabyte. */
const PHOTOS_TAKEN = 60;

/** Machines here that nobody takes along, the one looked at last first. */
export async function onlyLookedAt(): Promise<KeptMachine[]> {
  const all = await local.machines.filter((m) => !m.chosen && !m.planned).toArray();
  return all.sort((a, b) => (a.lookedAt < b.lookedAt ? 1 : -1));
}

/** Takes a machine along, or no longer. It is fetched when it is not here. @throws Unreachable */
export async function choose(id: string, chosen: boolean): Promise<void> {
  if (chosen) {
    // asks the browser not to clear it away when room grows short; it may say no
    void globalThis.navigator?.storage?.persist?.().catch(() => undefined);
    if (!(await local.machines.get(id))) await askMachine(id);
  }
  await local.machines.update(id, { chosen });
}

/** Frees what nobody takes along: machines looked at, answers kept, pages of the book. */
export async function freeRoom(): Promise<number> {
  await local.kept.clear();
  return forget((await onlyLookedAt()).map((m) => m.id));
}

const EVERY_MS = 5 * 60_000;
/** Not in the way of what is on the screen first. */
const FIRST_MS = 4000;

/** Keeps what is taken along up to date while the app is open. @returns how to stop */
export function startAlong(person: string, today: string): () => void {
  let running = false;
  const run = () => {
    if (running) return;
    running = true;
    takeAlong(person, today)
      .catch((error: unknown) => console.error('along', error))
      .finally(() => (running = false));
  };
  const first = setTimeout(run, FIRST_MS);
  const again = setInterval(run, EVERY_MS);
  globalThis.addEventListener?.('online', run);
  return () => {
    clearTimeout(first);
    clearInterval(again);
    globalThis.removeEventListener?.('online', run);
  };
}
