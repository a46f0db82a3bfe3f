import { local } from './local';

/*
 * Whose things lie on this device. What is taken belongs to who was signed in when it was taken, and
 * goes to the server only under that name; the next person on a shared phone sees nothing of it, and
 * nothing of the machines that were here.
 */

const KEY = 'green-tally-person';
/** What stays when another person signs in: how the device looks, and what is paired with it. */
const OF_THE_DEVICE: ReadonlySet<string> = new Set([
  KEY,
  'green-tally-theme',
  'green-tally-clock',
  'green-tally-gauge',
  'green-tally-hand',
]);

let owner: string | undefined;

/** Who is signed in here; undefined before it is known, and where nobody is. */
export const ownerNow = (): string | undefined => owner;

/** Says who is signed in here. */
export function setOwner(id: string | undefined): void {
  owner = id;
  // signed in by an edition that did not note it
  if (id && !globalThis.localStorage?.getItem(KEY)) globalThis.localStorage?.setItem(KEY, id);
}

/** Whether something taken here may be seen and sent by who is signed in. */
export const isOwn = (entry: { readonly owner?: string | undefined }): boolean =>
  entry.owner === undefined || entry.owner === owner;

/** Whether an answer goes by a link, whoever is signed in: a card in the cab is there without signal. */
export const isOpen = (path: string): boolean => /^\/(card|report)\/[^/]+$/.test(path);

/**
 * Takes what was to be seen by who was signed in off this device: machines, lists, pictures. What
 * waits to be sent stays, and what was half typed, for its owner.
 */
export async function clearFacts(): Promise<void> {
  const facts = ['readings', 'walks', 'work', 'ticks', 'visits', 'photos', 'said'] as const;
  const tables = [local.machines, local.sheets, ...facts.map((name) => local[name])];
  const among = [...tables, local.kept, local.photoFiles, local.outgoing];
  await local.transaction('rw', among, async () => {
    const waiting = new Set((await local.outgoing.toArray()).map((o) => o.id));
    await local.photoFiles.filter((p) => !waiting.has(p.id)).delete();
    await local.kept.filter((k) => !isOpen(k.path)).delete();
    for (const table of tables) await table.clear();
  });
}

/** {@link clearFacts}, and what was half typed too. */
export async function clearDevice(): Promise<void> {
  await clearFacts();
  await Promise.all([local.kept.clear(), local.benchPhotos.clear()]);
  const storage = globalThis.localStorage;
  for (const key of Object.keys(storage ?? {}))
    if (!OF_THE_DEVICE.has(key)) storage.removeItem(key);
}

let signIns = 0;
/** Counts who signed in here: an answer to a question asked before is of an earlier time. */
export const signInsSoFar = (): number => signIns;

/** Makes the device a person's: what another one left to be seen is cleared away first. */
export async function makeOwn(id: string): Promise<void> {
  signIns += 1;
  const last = globalThis.localStorage?.getItem(KEY);
  if (last && last !== id) await clearDevice();
  globalThis.localStorage?.setItem(KEY, id);
  setOwner(id);
}
