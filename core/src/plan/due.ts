import {
  DueState,
  type Check,
  type Day,
  type DueLine,
  type MachineFile,
  type Reading,
  type Tick,
} from '../contracts';
import { isMain, lifeOf, live, ofThisHeader, placesOf } from '../history';
import { dayAt, lastDoneOf, nextDue, type Due, type DueFacts, type LastDone } from '../intervals';
import type { CheckVerdict } from '../verdict';
import type { ProposedWork } from '../work';
import type { Until } from './answers';
import type { Task } from './tasks';

/** From the nearest to the furthest. */
export const DUE_STATES = DueState.options;

/** What a due list is made from. */
export interface DueFrom {
  readonly file: Pick<MachineFile, 'readings' | 'machine'>;
  readonly checks: readonly Check[];
  readonly verdicts: readonly CheckVerdict[];
  readonly tasks: readonly Task[];
  readonly facts: DueFacts;
  /** work that was put off: to be decided again at its hour or day */
  readonly deferred?: readonly PutOff[];
}

/** What was put off, and to when. */
interface PutOff {
  readonly work: Pick<ProposedWork, 'checkId' | 'decision' | 'from' | 'minutes'>;
  readonly until: Until;
  readonly tick: Pick<Tick, 'at'>;
}

/**
 * All that is due on a machine and will be, nearest first: every check and service by the one rule
 * of intervals, what is watched at the hour it is to be looked at again, and open tasks. Never read
 * is due. What will not fall due again of itself is left out.
 */
export function dueLines({
  file,
  checks,
  verdicts,
  tasks,
  facts,
  deferred = [],
}: DueFrom): DueLine[] {
  const byCheck = new Map<string, Reading[]>();
  for (const r of live(file.readings)) {
    const own = byCheck.get(r.checkId);
    if (own) own.push(r);
    else byCheck.set(r.checkId, [r]);
  }
  const lines = [
    ...checks.flatMap((check) =>
      ofCheck(
        check,
        ofThisHeader(check, byCheck.get(check.id) ?? [], {
          serial: facts.header,
          since: file.machine.header?.since,
        }),
        facts,
      ),
    ),
    ...verdicts.flatMap((v) => rechecks(v, facts)),
    ...tasks.flatMap((t) => (t.done || !t.check ? [] : [ofTask(t, facts)])),
    ...closingUp(tasks, facts),
    ...deferred.flatMap((d) => ofPutOff(d, checks, facts)),
  ];
  return lines.sort(nearest);
}

const rank = (state: DueState): number => DUE_STATES.indexOf(state);
const nearest = (a: DueLine, b: DueLine): number =>
  rank(a.state) - rank(b.state) ||
  (a.on ?? '9').localeCompare(b.on ?? '9') ||
  a.station - b.station ||
  (a.key < b.key ? -1 : 1);

/** A check falls due with the first of its places. */
function ofCheck(check: Check, readings: readonly Reading[], facts: DueFacts): DueLine[] {
  const { read, unread } = placesOf(check.places, readings);
  const lasts: (LastDone | undefined)[] = [
    ...(unread.length ? [undefined] : []),
    ...read.map(({ live: own }) => {
      const main = own.findLast(isMain);
      return main && lastDoneOf(main, lifeOf(own, main.takenAt)?.hours);
    }),
  ];
  const [first] = lasts
    .map((last) => ({ last, due: nextDue(check.interval, last, nowOf(facts, last)) }))
    .map((d) => ({ ...d, state: stateOf(d.due, facts.today) }))
    .filter((d) => d.due.by !== 'never' || d.due.lapsed)
    .sort(
      (a, b) => rank(a.state) - rank(b.state) || (a.due.on ?? '9').localeCompare(b.due.on ?? '9'),
    );
  if (!first) return [];
  return [
    {
      key: check.id,
      kind: check.kind === 'service' ? 'service' : 'check',
      state: first.state,
      checkId: check.id,
      component: check.component,
      station: check.station,
      what: check.measures,
      interval: check.interval,
      by: first.due.by,
      on: first.due.on,
      atHours: first.due.atHours,
      last: first.last ? { on: first.last.on, hours: first.last.hours } : null,
      minutes: check.labour.measure,
    },
  ];
}

/** A meter that was read further on than the machine's own hours say goes before them. */
const nowOf = (facts: DueFacts, last: LastDone | undefined): DueFacts =>
  last && last.hours > facts.now ? { ...facts, now: last.hours } : facts;

function stateOf(due: Due, today: Day): DueState {
  if (due.overdue) return 'overdue';
  if (due.lapsed && due.by !== 'daily' && due.on !== null && due.on <= today) return 'now';
  if (due.beforeHarvest) return 'beforeHarvest';
  return due.inSeason ? 'inSeason' : 'later';
}

/** What is watched is looked at again at the hour its limit may be reached. */
function rechecks({ check, places }: CheckVerdict, facts: DueFacts): DueLine[] {
  const watched = places.flatMap((p) =>
    p.findings.flatMap((f) => (f.id === 'reachesLimit' ? [{ p, at: f.numbers.lookAgain }] : [])),
  );
  const [first] = watched.sort((a, b) => a.at - b.at);
  if (!first || !Number.isFinite(first.at)) return [];
  const on = dayAt(first.at, facts);
  return [
    {
      key: `watch|${check.id}`,
      kind: 'recheck',
      state: first.at <= facts.now ? 'now' : stateOn(on, facts),
      checkId: check.id,
      component: check.component,
      station: check.station,
      what: `look again: ${check.measures}`,
      interval: null,
      by: 'watch',
      on,
      atHours: first.at,
      last: { on: first.p.takenAt.slice(0, 10), hours: facts.now },
      minutes: check.labour.measure,
    },
  ];
}

/** What was put off is decided again when its hour or day comes. */
function ofPutOff(
  { work, until, tick }: PutOff,
  checks: readonly Check[],
  facts: DueFacts,
): DueLine[] {
  const check = checks.find((c) => c.id === work.checkId);
  if (!check) return [];
  const on = 'on' in until ? until.on : dayAt(until.atHours, facts);
  return [
    {
      key: `deferred|${work.from}|${check.id}`,
      kind: 'deferred',
      state: stateOn(on, facts),
      checkId: check.id,
      component: check.component,
      station: check.station,
      what: `put off: ${work.decision}`,
      interval: null,
      by: 'deferred',
      on,
      atHours: 'on' in until ? null : until.atHours,
      last: { on: tick.at.slice(0, 10), hours: facts.now },
      minutes: work.minutes,
    },
  ];
}

function stateOn(on: Day | null, { use }: DueFacts): DueState {
  if (on === null) return 'later';
  if (on < use.seasonStart) return 'beforeHarvest';
  return on <= use.seasonEnd ? 'inSeason' : 'later';
}

/** Closing up is one thing to do, however many steps it has. */
function closingUp(tasks: readonly Task[], facts: DueFacts): DueLine[] {
  const steps = tasks.filter((t) => !t.check);
  const open = steps.filter((t) => !t.done);
  const [first] = open;
  if (!first) return [];
  const text = `${open.length} of ${steps.length} steps open`;
  return [ofTask({ ...first, key: 'close', text }, facts)];
}

function ofTask({ key, text, check, since }: Task, { today, use }: DueFacts): DueLine {
  return {
    key,
    kind: 'task',
    state: today >= use.seasonStart ? 'overdue' : 'now',
    checkId: check?.id ?? null,
    component: check?.component ?? 'Closing up',
    station: 0,
    what: text,
    interval: null,
    by: 'task',
    on: today,
    atHours: null,
    last: { on: since.slice(0, 10), hours: 0 },
    minutes: 0,
  };
}
