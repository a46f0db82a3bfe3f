import type { Table } from 'dexie';
import {
  MachineChanges,
  type SpecSheet,
  type SheetRef,
  type WorkedEntry,
} from '@green-tally/core/contracts';
import { call, pathOf } from './api';
import { factTables, fileAgain } from './here';
import { withEntry } from './laid';
import { FACTS, local, type KeptMachine, type NotedVisit, type Outgoing } from './local';
import { fetchSheets, keyOf, notHere, refsOf } from './revisions';
import { layIntoLists, notesAmong, withNote } from './visitNotes';

/*
 * Machines' facts on this device. The server is asked for what has changed since the version that is
 * here; a sheet's revision is fetched once. What was sent from here is laid into the same tables in
 * the transaction that takes it out of the outbox.
 */

/** The path under which SWR knows that a machine was asked for. */
export const changesOf = (id: string): string =>
  pathOf('GET /machines/{id}/changes', { params: { id } });

/** The last question of each machine that is under way. */
const asking = new Map<string, Promise<void>>();

/**
 * Asks the server for what is new of a machine and keeps it. One question after the other: an answer
 * given before a change must not be laid over one given after it.
 * @throws ApiProblem, Unreachable
 */
export async function askMachine(id: string): Promise<void> {
  const before = asking.get(id) ?? Promise.resolve();
  const mine = before.catch(() => undefined).then(() => ask(id));
  asking.set(id, mine);
  try {
    await mine;
  } finally {
    if (asking.get(id) === mine) asking.delete(id);
  }
}

async function ask(id: string): Promise<void> {
  const known = await local.machines.get(id);
  // what is here before the question; what is sent meanwhile is not among it
  const before = await Promise.all(
    factTables().map((t) => t.where('machineId').equals(id).primaryKeys()),
  );
  const query = { since: known?.version ?? 0, ...(known?.basis ? { basis: known.basis } : {}) };
  const changes = MachineChanges.parse(
    await call('GET /machines/{id}/changes', { params: { id }, query }),
  );
  const fetched = new Map<string, SpecSheet>();
  const of = { id, before, known, fetched };
  let lacks = await keep(changes, of);
  while (lacks.length) {
    if (lacks.every((r) => fetched.has(keyOf(r))))
      throw new Error('A revision came as another one.');
    await fetchSheets(lacks, fetched);
    lacks = await keep(changes, of);
  }
}

interface Asking {
  readonly id: string;
  /** the keys that were here before the question, table by table */
  readonly before: readonly (readonly string[])[];
  readonly known: KeptMachine | undefined;
  /** revisions fetched for this answer: kept with the machine, so that none is cleared away before */
  readonly fetched: ReadonlyMap<string, SpecSheet>;
}

/** @returns revisions that are not on this device: nothing is kept without them */
async function keep(changes: MachineChanges, of: Asking): Promise<SheetRef[]> {
  const { id, before, known, fetched } = of;
  return local.transaction('rw', [local.machines, local.sheets, ...factTables()], async () => {
    const now = await local.machines.get(id);
    const judgedBy = changes.judgedBy ?? now?.judgedBy;
    // forgotten while the answer was under way: half of it is worth nothing
    if (!judgedBy || (changes.since > 0 && !now)) return [];
    await local.sheets.bulkPut([...fetched.values()]);
    const lacks = await notHere(refsOf(judgedBy));
    if (lacks.length) return lacks;
    // another tab was told of more meanwhile
    if (now && now.version > (known?.version ?? 0) && now.version > changes.version) return [];
    const moved = await layChanges(changes, before);
    const at = new Date().toISOString();
    await local.machines.put({
      lookedAt: at,
      chosen: false,
      planned: false,
      ...now,
      id,
      // what the server tells of is mostly what was just sent from here: nothing has changed then
      stamp: now && !moved && sameMachine(now, changes) ? now.stamp : Date.now() + Math.random(),
      machine: changes.machine,
      version: changes.version,
      basis: changes.basis,
      judgedBy,
      askedAt: at,
    });
    return [];
  });
}

const sameMachine = (now: KeptMachine, { machine, judgedBy }: MachineChanges): boolean =>
  judgedBy === null && JSON.stringify(now.machine) === JSON.stringify(machine);

/**
 * Lays what the server told among the facts; what it no longer has of those before goes.
 * @returns whether that changed anything
 */
async function layChanges(
  changes: MachineChanges,
  before: readonly (readonly string[])[],
): Promise<boolean> {
  let moved = changes.since === 0 || changes.dropped.length > 0;
  for (const [i, table] of factTables().entries()) {
    const rows: readonly { id: string }[] = changes[FACTS[i] ?? 'readings'];
    if (changes.since === 0) {
      const there = new Set(rows.map((r) => r.id));
      await table.bulkDelete((before[i] ?? []).filter((key) => !there.has(key)));
    }
    moved ||= !(await allThere(table, rows));
    if (moved) await table.bulkPut([...rows]);
  }
  await local.visits.bulkDelete(changes.dropped);
  return moved;
}

/** Whether rows are there already, each as it is given. */
async function allThere(
  table: Table<{ id: string }, string>,
  rows: readonly { id: string }[],
): Promise<boolean> {
  if (!rows.length) return true;
  const there = await table.bulkGet(rows.map((r) => r.id));
  return rows.every((row, i) => sorted(there[i]) === sorted(row));
}

/** As text, whatever the order of its fields. */
const sorted = (row: object | undefined): string =>
  JSON.stringify(row, (_, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

/** The table a sent entry is laid into. */
const TABLE_OF = {
  reading: 'readings',
  walk: 'walks',
  work: 'work',
  withdrawal: 'work',
  tick: 'ticks',
  photo: 'photos',
  // laid into its work item, into its visit
  worked: undefined,
  visitNote: undefined,
  // asked for by itself
  breakdown: undefined,
  // who says it does not hold the machine's facts
  said: undefined,
} as const;
/** Tables that {@link layIn} writes to: a transaction that calls it has to name them. */
export const layTables = () => [local.machines, local.kept, ...factTables()];

/** Lays what was sent among the facts of the machines that are kept here. In a transaction. */
export async function layIn(sent: readonly Outgoing[]): Promise<void> {
  const ids = [...new Set(sent.map((s) => s.machineId))];
  const here = new Set((await local.machines.bulkGet(ids)).flatMap((m) => m?.id ?? []));
  for (const entry of sent) {
    const table = TABLE_OF[entry.kind];
    if (!here.has(entry.machineId)) continue;
    if (table) await local.table(table).put(entry.body);
    if (entry.kind === 'worked') await layWorked(entry.workId, entry.body);
    if (entry.kind === 'visitNote') await layNote(entry.body);
  }
  await layIntoLists(notesAmong(sent));
  for (const id of here) {
    const was = await local.machines.get(id);
    const stamp = Date.now() + Math.random();
    await local.machines.update(id, { stamp });
    fileAgain(id, { was: was?.stamp, is: stamp }, sent);
  }
}

/** An entry is laid into its item once. */
async function layWorked(workId: string, entry: WorkedEntry): Promise<void> {
  const item = await local.work.get(workId);
  if (item) await local.work.put(withEntry(item, entry));
}

/** What was said of a visit is laid into it. */
async function layNote(note: NotedVisit): Promise<void> {
  const visit = await local.visits.get(note.visitId);
  if (visit) await local.visits.put(withNote(visit, note));
}

/** Notes that somebody looks at a machine: what is looked at stays longest. */
export async function noteLook(id: string): Promise<void> {
  await local.machines.update(id, { lookedAt: new Date().toISOString() });
}

/**
 * Takes machines off this device, their facts with them, and revisions that nobody needs any more. A
 * machine with something still to be sent stays.
 * @returns how many went
 */
export async function forget(ids: readonly string[]): Promise<number> {
  const tables = [local.machines, local.sheets, local.outgoing, local.photoFiles, ...factTables()];
  return local.transaction('rw', tables, async () => {
    let gone = 0;
    for (const id of ids) {
      if (await local.outgoing.where('machineId').equals(id).count()) continue;
      for (const table of factTables()) await table.where('machineId').equals(id).delete();
      await local.photoFiles.where('machineId').equals(id).delete();
      await local.machines.delete(id);
      gone += 1;
    }
    const needed = new Set(
      (await local.machines.toArray()).flatMap((m) => refsOf(m.judgedBy).map(keyOf)),
    );
    const keys = await local.sheets.toCollection().primaryKeys();
    await local.sheets.bulkDelete(
      keys.filter(([model, revision]) => !needed.has(keyOf({ model, revision }))),
    );
    return gone;
  });
}
