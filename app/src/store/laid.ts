import { z } from 'zod';
import type { MachineFile } from '@green-tally/core/contracts';
import { pathOf } from './api';
import type { Outgoing } from './local';

/** The path a machine's file is kept under. */
export const fileOf = (id: string): string => pathOf('GET /machines/{id}', { params: { id } });

/** Enough of what was sent lately for any answer that is still on its way. */
const REMEMBERED = 1000;
let sentLately: readonly Outgoing[] = [];
let sentEver = 0;

/** Notes what has just been sent. */
export function remember(entries: readonly Outgoing[]): void {
  sentEver += entries.length;
  sentLately = [...sentLately, ...entries].slice(-REMEMBERED);
}

/** How many entries this page has sent: a request notes it when it is asked. */
export const sentCount = (): number => sentEver;

/** An answer that was asked for before something was sent may be without it: it is laid over. */
export function withSentSince(askedAt: number, path: string, answer: unknown): unknown {
  const since = sentLately.slice(Math.max(0, sentLately.length - (sentEver - askedAt)));
  return since.some((o) => fileOf(o.machineId) === path) ? laid(answer, since) : answer;
}

/** What of a machine's file entries can be laid over; all else stays as it is. */
const Layable = z.looseObject({
  machine: z.looseObject({ id: z.string() }),
  walks: z.array(z.looseObject({ id: z.string() })),
  readings: z.array(z.looseObject({ id: z.string() })),
  work: z.array(z.looseObject({ id: z.string() })),
  ticks: z.array(z.looseObject({ id: z.string() })).optional(),
});

/** A kept file with entries laid over it; what is no machine's file stays as it is. */
export function laid(answer: unknown, entries: readonly Outgoing[]): unknown {
  const file = Layable.safeParse(answer);
  // kept as the server sent it: only its lists are touched, by id
  return file.success ? layOver(file.data as unknown as MachineFile, entries) : answer;
}

/** A machine's file with what is still on this device laid over it. */
export function withOutgoing(file: MachineFile, outgoing: readonly Outgoing[]): MachineFile {
  return layOver(
    file,
    outgoing.filter((o) => o.state === 'waiting'),
  );
}

function layOver(file: MachineFile, entries: readonly Outgoing[]): MachineFile {
  const own = entries.filter((o) => o.machineId === file.machine.id);
  if (own.length === 0) return file;
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
    // a file kept by an earlier edition of the app has none
    ticks: lay(
      file.ticks ?? [],
      own.flatMap((o) => (o.kind === 'tick' ? [o.body] : [])),
    ),
  };
}

function lay<T extends { readonly id: string }>(there: readonly T[], over: readonly T[]): T[] {
  const ids = new Set(over.map((o) => o.id));
  return [...there.filter((t) => !ids.has(t.id)), ...over];
}
