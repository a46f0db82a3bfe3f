import type { Table } from 'dexie';
import type { MachineFile } from '@green-tally/core/contracts';
import { whole } from './laid';
import { FACTS, local, type Outgoing } from './local';
import { sheetsOf } from './revisions';

/* A machine as it lies on this device, read into one file, and kept read while nothing changes. */

/** The tables of a machine's facts. */
export const factTables = () =>
  FACTS.map((name) => local.table(name) as Table<{ id: string }, string>);

const by =
  <T>(...keys: readonly (keyof T)[]) =>
  (a: T, b: T): number => {
    for (const key of keys) if (a[key] !== b[key]) return a[key] < b[key] ? -1 : 1;
    return 0;
  };

/** A machine as it is known here: its file, and what of it waits to be sent. */
export interface Here {
  readonly file: MachineFile;
  readonly outgoing: readonly Outgoing[];
}

/** Files read from this device, under the stamp of what was kept then. */
const files = new Map<string, { readonly stamp: number; readonly file: MachineFile }>();
const FILES_KEPT = 4;

/**
 * Reads a machine from this device, all of one moment. Facts that have not changed since they were
 * read are not read again: what waits to be sent changes far oftener.
 * @returns undefined when it is not here
 */
export async function machineHere(id: string): Promise<Here | undefined> {
  const [kept, outgoing] = await local.transaction('r', local.machines, local.outgoing, () =>
    Promise.all([local.machines.get(id), rowsOf(local.outgoing, id)]),
  );
  if (!kept) return undefined;
  const known = files.get(id);
  return known?.stamp === kept.stamp ? { file: known.file, outgoing } : wholeHere(id);
}

const rowsOf = <T>(table: Table<T, string>, id: string) =>
  table.where('machineId').equals(id).toArray();

async function wholeHere(id: string): Promise<Here | undefined> {
  // asked for at once and without a wait between, so that the transaction holds
  const [kept, readings, walks, work, ticks, visits, photos, said, outgoing] =
    await local.transaction('r', [local.machines, local.outgoing, ...factTables()], () =>
      Promise.all([
        local.machines.get(id),
        rowsOf(local.readings, id),
        rowsOf(local.walks, id),
        rowsOf(local.work, id),
        rowsOf(local.ticks, id),
        rowsOf(local.visits, id),
        rowsOf(local.photos, id),
        rowsOf(local.said, id),
        rowsOf(local.outgoing, id),
      ]),
    );
  if (!kept) return undefined;
  const sheets = await sheetsOf(kept.judgedBy.sheets);
  const earlier = await sheetsOf(kept.judgedBy.earlier);
  if (!sheets || !earlier) return undefined;
  // kept by an earlier edition, it does not say
  const { rates, hands = {}, times = {}, costs } = kept.judgedBy;
  const file: MachineFile = {
    machine: kept.machine,
    ...{ sheets, earlier, rates, hands, times, costs },
    readings: readings.sort(by('takenAt', 'id')),
    walks: walks.sort(by('startedAt', 'id')),
    work: work.map(whole).sort(by('acceptedAt', 'id')),
    ticks: ticks.sort(by('at', 'id')),
    visits: visits.sort(by('startsOn', 'id')),
    photos: photos.sort(by('takenAt', 'id')),
    said: said.sort(by('at', 'id')),
  };
  files.delete(id);
  files.set(id, { stamp: kept.stamp, file });
  const oldest = files.keys().next().value;
  if (files.size > FILES_KEPT && oldest !== undefined) files.delete(oldest);
  return { file, outgoing };
}

/**
 * What was sent is laid into the file that was read, all else in it the very same, under the stamp
 * that the same transaction writes: where that breaks off, all is read again.
 */
export function fileAgain(
  id: string,
  stamps: { readonly was: number | undefined; readonly is: number },
  sent: readonly Outgoing[],
): void {
  const known = files.get(id);
  const file = known && known.stamp === stamps.was ? filed(known.file, sent) : undefined;
  if (file) files.set(id, { stamp: stamps.is, file });
}

/** A file with what was sent laid into it, the rest the very same; undefined: it is to be read again. */
function filed(file: MachineFile, sent: readonly Outgoing[]): MachineFile | undefined {
  let next = file;
  for (const { machineId, kind, body } of sent) {
    if (machineId !== file.machine.id) continue;
    if (kind === 'reading')
      next = { ...next, readings: among(next.readings, body, by('takenAt', 'id')) };
    else if (kind === 'walk')
      next = { ...next, walks: among(next.walks, body, by('startedAt', 'id')) };
    else if (kind === 'tick') next = { ...next, ticks: among(next.ticks, body, by('at', 'id')) };
    else return undefined;
  }
  return next;
}

const among = <T extends { readonly id: string }>(
  rows: readonly T[],
  row: T,
  order: (a: T, b: T) => number,
): T[] => [...rows.filter((r) => r.id !== row.id), row].sort(order);
