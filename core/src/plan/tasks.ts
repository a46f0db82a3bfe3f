import type { Check, Day, MachineFile, Reading, Tick, Walk } from '../contracts';
import { isMain, isWork, live, roundOf } from '../history';
import { countsFrom } from '../intervals';
import { factWords, positionOf, toPutBack } from '../walk';

/** Something to do beside the checks; it stays open until it is ticked. */
export interface Task {
  /** what its ticks name */
  readonly key: string;
  readonly text: string;
  /** the check whose work brought it; undefined: closing up the machine */
  readonly check: Pick<Check, 'id' | 'component'> | undefined;
  /** when it came up */
  readonly since: string;
  readonly done: Pick<Tick, 'by' | 'at' | 'note'> | undefined;
}

/** How a machine is closed up after it was opened for a walk. */
export const CLOSING: readonly { readonly id: string; readonly text: string }[] = [
  { id: 'shields', text: 'Shields on and latched, guards back' },
  { id: 'plugs', text: 'Plugs, caps and fittings back in' },
  { id: 'tools', text: 'Tools and rags counted, none left inside' },
  { id: 'settings', text: 'Drum height and settings put back as they were found' },
  { id: 'testRun', text: 'Test run: everyone clear, doors shut, run, stop, made safe' },
];

/**
 * What stands of a key: the first of the newest run of like ticks, so that who ticked first is told,
 * however often it was ticked after.
 */
export function standsOf(ticks: readonly Tick[], key: string): Tick | undefined {
  const own = ticks.filter((t) => t.key === key).sort(byTime);
  const last = own.at(-1);
  if (!last?.done) return undefined;
  const undone = own.findLastIndex((t) => !t.done);
  return own[undone + 1];
}

const byTime = (a: Tick, b: Tick): number =>
  a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1;

/**
 * Tasks of a machine's season, oldest first: those that work on a check brings along, and closing up
 * after its newest walk.
 * @param walk the newest walk of the season
 */
export function tasksOf(
  file: Pick<MachineFile, 'readings' | 'ticks' | 'machine' | 'sheets'>,
  checks: readonly Check[],
  walk: Pick<Walk, 'id' | 'startedAt' | 'asFound'> | undefined,
): Task[] {
  const { readings, ticks, machine } = file;
  const from = countsFrom(machine.harvest.start);
  const closing = walk ? CLOSING.map((c) => closingTask(c, walk, ticks)) : [];
  const opened = [
    ...broughtAlong(readings, checks, from),
    ...(walk ? puttingBack(file, checks, walk) : []),
  ];
  return [...opened.map((t) => withTick(t, ticks)), ...closing].sort((a, b) =>
    a.since < b.since ? -1 : a.since > b.since ? 1 : 0,
  );
}

/** Settings the walk moved away from how they were found: each to be put back. */
function puttingBack(
  { readings, machine, sheets }: Pick<MachineFile, 'readings' | 'machine' | 'sheets'>,
  checks: readonly Check[],
  walk: Pick<Walk, 'id' | 'startedAt' | 'asFound'>,
): Omit<Task, 'done'>[] {
  const readAt = new Map<string, string>();
  for (const r of live(readings))
    if (r.walkId === walk.id && r.value.kind !== 'skip') keepLatest(readAt, r.checkId, r.takenAt);
  const read = checks
    .filter((c) => readAt.has(c.id))
    .sort((a, b) => ((readAt.get(a.id) ?? '') < (readAt.get(b.id) ?? '') ? -1 : 1));
  return toPutBack(read, walk.asFound, (c) => positionOf(c, machine, sheets)).map(
    ({ setting, found, check }) => ({
      key: `task|${walk.id}|put back ${setting}`,
      text: `Put back as it was found: ${factWords(setting, found)}`,
      check,
      since: walk.startedAt,
    }),
  );
}

const withTick = (task: Omit<Task, 'done'>, ticks: readonly Tick[]): Task => ({
  ...task,
  done: standsOf(ticks, task.key),
});

const closingTask = (
  { id, text }: (typeof CLOSING)[number],
  walk: Pick<Walk, 'id' | 'startedAt'>,
  ticks: readonly Tick[],
): Task =>
  withTick({ key: `close|${walk.id}|${id}`, text, check: undefined, since: walk.startedAt }, ticks);

/** Each round in which a check was worked on brings its tasks once. */
function broughtAlong(
  readings: readonly Reading[],
  checks: readonly Check[],
  from: Day,
): Omit<Task, 'done'>[] {
  const worked = new Map<string, Reading>();
  for (const r of live(readings))
    if (isWork(r) && r.takenAt >= from) worked.set(`${r.checkId}|${roundOf(r)}`, r);
  const byId = new Map(checks.map((c) => [c.id, c]));
  return [...worked].flatMap(([round, { checkId, takenAt }]) => {
    const check = byId.get(checkId);
    return (check?.knockOns ?? []).flatMap((k) =>
      'task' in k && check
        ? [{ key: `task|${round}|${k.task}`, text: k.task, check, since: takenAt }]
        : [],
    );
  });
}

/**
 * Checks that work on another one has disturbed: a place of theirs was not read since. A look or a
 * skip is not reading it.
 */
export function disturbed(
  readings: readonly Reading[],
  checks: readonly Check[],
): ReadonlyMap<string, Pick<Check, 'component'>> {
  const lastRead = new Map<string, string>();
  const lastWorked = new Map<string, string>();
  for (const r of live(readings)) {
    if (isMain(r)) keepLatest(lastRead, `${r.checkId}|${r.place}`, r.takenAt);
    if (isWork(r)) keepLatest(lastWorked, r.checkId, r.takenAt);
  }
  const byId = new Map(checks.map((c) => [c.id, c]));
  const found = new Map<string, Pick<Check, 'component'>>();
  for (const check of checks)
    for (const k of check.knockOns) {
      if (!('check' in k)) continue;
      const worked = lastWorked.get(check.id);
      const other = byId.get(k.check);
      if (worked === undefined || !other) continue;
      const since = other.places.every((p) => (lastRead.get(`${other.id}|${p}`) ?? '') >= worked);
      if (!since) found.set(other.id, check);
    }
  return found;
}

function keepLatest(map: Map<string, string>, key: string, takenAt: string): void {
  if (takenAt > (map.get(key) ?? '')) map.set(key, takenAt);
}
