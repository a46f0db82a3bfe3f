import { Dexie, type EntityTable } from 'dexie';
import type { Reading, Tick, Walk, WorkItem } from '@green-tally/core/contracts';

/**
 * Something made here that the server has to get. Walks go before readings, readings before work and
 * ticks.
 */
export type Outgoing = {
  readonly id: string;
  readonly machineId: string;
  readonly queuedAt: string;
  /** refused ones stay, with the reason, until a person deals with them */
  readonly state: 'waiting' | 'refused';
  readonly why: string;
} & (
  | { readonly kind: 'walk'; readonly body: Walk }
  | { readonly kind: 'reading'; readonly body: Reading }
  | { readonly kind: 'work'; readonly body: WorkItem }
  | { readonly kind: 'tick'; readonly body: Tick }
);

/** An answer of the server, kept to be read without signal. */
export interface Kept {
  readonly path: string;
  readonly answer: unknown;
  readonly at: string;
}

/** What this device keeps: IndexedDB, so that it survives a call, a reload, a flat battery. */
class LocalStore extends Dexie {
  readonly outgoing: EntityTable<Outgoing, 'id'>;
  readonly kept: EntityTable<Kept, 'path'>;
  constructor() {
    super('green-tally');
    this.version(1).stores({ outgoing: 'id, machineId, state', kept: 'path' });
    this.outgoing = this.table('outgoing');
    this.kept = this.table('kept');
  }
}

export const local = new LocalStore();
