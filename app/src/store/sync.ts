import { local } from './local';
import { isOwn } from './owner';

/** How sending stands, for the one line that says so. */
export interface Sync {
  readonly waiting: number;
  readonly refused: number;
  readonly sending: boolean;
  readonly offline: boolean;
  readonly sentAt: string | null;
}

let sync: Sync = { waiting: 0, refused: 0, sending: false, offline: false, sentAt: null };
let listeners: (() => void)[] = [];
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

/**
 * Counts what waits here and tells who listens, with what else has changed.
 * @returns the ids of what waits, of whoever is signed in
 */
export async function tell(change: Partial<Sync> = {}): Promise<ReadonlySet<string>> {
  const own = (await local.outgoing.toArray()).filter(isOwn);
  const waits = own.filter((o) => o.state === 'waiting');
  const refused = own.length - waits.length;
  sync = { ...sync, waiting: waits.length, refused, ...change };
  changes += 1;
  listeners.forEach((l) => l());
  return new Set(waits.map((o) => o.id));
}
