import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import type {
  Check,
  Day,
  Decision,
  DueLine,
  MachineFile,
  MissingStep,
  Visit,
  Walk,
  YardRow,
} from '../contracts';
import { seasonHours } from '../forecast';
import { countsFrom, dayOf, type DueFacts } from '../intervals';
import { InputError } from '../units';
import type { MachineFacts } from '../kinds';
import { judgeMachine, type CheckVerdict } from '../verdict';
import { checksAsRead } from '../sheets';
import { checksFor, movesOf } from '../walk';
import { workedOn, type ProposedWork } from '../work';
import { hasCome } from './answers';
import { dueLines } from './due';
import { labourOf, type Labour, type LabourItem } from './labour';
import { isDone, wasPutRight } from './done';
import { propose, type DeferredWork, type StandingWork } from './propose';
import { missingFor } from './ready';
import { disturbed, tasksOf, type Task } from './tasks';
import { rateOfUse } from './use';
import { mustStartBy, slackDays, visitEnd, workingDayFrom, workingDaysAfter } from './days';

/** Calendar days kept free between finished work and harvest. Shop rule. */
export const MARGIN_DAYS = 2;
/**
 * All that is derived about one machine on one day: verdicts, work open, planned and done, dates
 * and slack.
 */
export interface Standing {
  readonly facts: MachineFacts;
  readonly verdicts: readonly CheckVerdict[];
  readonly counts: Partial<Record<Decision, number>>;
  /** called for by a verdict, not yet accepted, put off or left */
  readonly proposed: readonly ProposedWork[];
  /** called for by a verdict, and put off */
  readonly deferred: readonly DeferredWork[];
  readonly work: readonly StandingWork[];
  readonly walk: Walk | undefined;
  readonly walkState: YardRow['walk'];
  /** to do beside the checks, ticked or not */
  readonly tasks: readonly Task[];
  /** what it lacks to be ready, in the order to do it */
  readonly missing: readonly MissingStep[];
  readonly ready: boolean;
  readonly checks: number;
  readonly checksDue: number;
  readonly hoursOpen: number;
  readonly hoursPlanned: number;
  /** of the accepted work that is not done */
  readonly labour: Labour;
  /** what some of its work takes together */
  readonly labourOf: (items: readonly LabourItem[]) => Labour;
  /** working day on which all known work would be finished */
  readonly finish: Day;
  readonly mustStartBy: Day;
  readonly slack: number;
  readonly late: boolean;
}

/** What is known of a machine that bears on its verdicts. */
type KnownOf = Pick<MachineFile, 'machine' | 'readings'> &
  Partial<Pick<MachineFile, 'costs' | 'rates'>>;

/**
 * What a machine brings to its verdicts: its hours and the hours until harvest ends, what a stop
 * costs, how fast its kind has worn.
 */
export function factsOf({ machine, readings, costs, rates }: KnownOf, today: Day): MachineFacts {
  const { areaHa, widthM, speedKmh, efficiency } = machine.harvest;
  return {
    hours: machine.hours,
    seasonHours: seasonHours(areaHa, widthM, speedKmh, efficiency),
    crop: machine.harvest.crop,
    ...(machine.harvest.cropSince ? { cropSince: machine.harvest.cropSince } : {}),
    ...(machine.header
      ? {
          header: machine.header.model,
          headerSerial: machine.header.serial,
          ...(machine.header.since ? { headerSince: machine.header.since } : {}),
        }
      : {}),
    today,
    use: rateOfUse(machine.harvest, readings),
    ...(costs ? { costs } : {}),
    ...(rates ? { rates } : {}),
  };
}

/**
 * What one check of a machine comes to: the very verdict that {@link standingOf} gives, with nothing
 * else worked out.
 * @returns undefined for a check that was never read
 */
export function verdictOf(file: MachineFile, check: Check, today: Day): CheckVerdict | undefined {
  const as = { ...file, rejudged: file.machine.rejudged };
  const facts = factsOf(file, today);
  return judgeMachine(checksAsRead([check], file.readings, as), file.readings, facts)[0];
}

/** Where a machine stands today. Everything in it is derived; nothing of it is stored. */
export function standingOf(file: MachineFile, today: Day): Standing {
  const { machine } = file;
  const facts = factsOf(file, today);
  const checks = checksFor(machine, file.sheets);
  const verdicts = judgeMachine(
    checksAsRead(checks, file.readings, { ...file, rejudged: machine.rejudged }),
    file.readings,
    facts,
  );
  const counts: Partial<Record<Decision, number>> = {};
  for (const { decision } of verdicts) counts[decision] = (counts[decision] ?? 0) + 1;

  const walk = walkOfSeason(file, today);
  const tasks = tasksOf(file, checks, walk);
  const work = file.work
    .filter((w) => !w.withdrawnAt)
    .map((item): StandingWork => {
      const done = isDone(item, verdicts, tasks) || wasPutRight(item, file.readings);
      return {
        ...item,
        done,
        asksReading: !done && item.from !== 'task' && workedOn(item).length > 0,
        visit: file.visits.find((v) => v.workIds.includes(item.id)),
      };
    });
  const walkState = walk ? (walk.finishedAt ? 'done' : 'started') : 'none';
  const open = work.filter((w) => !w.done);
  const planned = open.filter((w) => w.visit);
  const now = { today, hours: facts.hours };
  const { proposed, deferred } = propose(file, verdicts, open, now);
  const missing = missingFor({
    checks,
    verdicts,
    walkState,
    disturbed: disturbed(file.readings, checks),
    openWork: open.map((w) => ({ checkId: w.checkId, planned: w.visit !== undefined })),
    tasks,
    ticks: file.ticks,
    putOff: new Set(
      deferred
        .filter(
          (d) => !hasCome(d.until, { today: dayBefore(machine.harvest.start), hours: now.hours }),
        )
        .map((d) => d.work.checkId),
    ),
  });
  const unread = new Set(missing.find((m) => READS.has(m.id))?.checks ?? []);
  const due = checks.filter((c) => unread.has(c.id));
  const unplanned = [...open.filter((w) => !w.visit), ...proposed];
  const costs = movesOf(machine, file.sheets);
  const together = (items: readonly LabourItem[]) => labourOf(items, checks, costs);
  // what is accepted to be read is counted as work
  const inWork = new Set(open.map((w) => w.checkId));
  const walkHours = quarterHours(
    due.filter((c) => !inWork.has(c.id)).reduce((sum, c) => sum + c.labour.measure, 0),
  );
  const hoursOpen = together([...open, ...proposed]).hours + walkHours;
  const hoursUnplanned = together(unplanned).hours + walkHours;

  const visitsEnd = planned
    .map((w) => w.visit?.endsOn ?? today)
    .sort()
    .at(-1);
  const from =
    visitsEnd && visitsEnd >= today ? workingDaysAfter(visitsEnd, 1) : workingDayFrom(today);
  const finish =
    hoursUnplanned > 0 ? visitEnd(from, hoursUnplanned) : (visitsEnd ?? workingDayFrom(today));
  const slack = slackDays(finish, machine.harvest.start);
  return {
    facts,
    verdicts,
    counts,
    proposed,
    deferred,
    work,
    walk,
    walkState,
    tasks,
    missing,
    ready: missing.length === 0,
    checks: checks.length,
    checksDue: due.length,
    hoursOpen,
    hoursPlanned: together(planned).hours,
    labour: together(open),
    labourOf: together,
    finish,
    mustStartBy: mustStartBy(machine.harvest.start, MARGIN_DAYS, hoursOpen),
    slack,
    late: hoursOpen > 0 && slack < 0,
  };
}

const READS: ReadonlySet<MissingStep['id']> = new Set(['startWalk', 'resumeWalk', 'readRest']);

/** A walk that was begun so many days ago and never finished is not gone on with. Shop rule. */
const OPEN_DAYS = 60;

/**
 * The walk of this season that is still open, the newest of them; else the newest. One that was
 * begun lately, in winter, say, is open whatever the season.
 */
function walkOfSeason({ walks, machine }: MachineFile, today: Day): Walk | undefined {
  const lately = dayOf(addDays(parseISO(today), -OPEN_DAYS));
  const counts = countsFrom(machine.harvest.start);
  const own = walks
    .filter(({ startedAt, finishedAt }) => {
      const day = startedAt.slice(0, 10);
      return day >= counts || (!finishedAt && day >= lately);
    })
    .sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  return own.findLast((w) => !w.finishedAt) ?? own.at(-1);
}

/** The facts by which a machine's checks and tasks fall due. */
export function dueFactsOf({
  hours,
  crop,
  cropSince,
  headerSerial: header,
  today = '',
  use,
}: MachineFacts): DueFacts {
  if (!use) throw new InputError('use', 'none', 'how the machine is used');
  return { now: hours, today, use, nextCrop: crop, cropSince, header };
}

/** All that is due on a machine and will be, nearest first. */
export function dueOf(file: MachineFile, standing: Standing): DueLine[] {
  return dueLines({
    file,
    checks: checksFor(file.machine, file.sheets),
    verdicts: standing.verdicts,
    tasks: standing.tasks,
    deferred: standing.deferred,
    facts: dueFactsOf(standing.facts),
  });
}

const quarterHours = (minutes: number): number => Math.ceil(minutes / 15) / 4;

const dayBefore = (day: Day): Day => dayOf(addDays(parseISO(day), -1));

/** The Yard's one line on what to do next with a machine. */
export function nextStep(standing: Standing): YardRow['next'] {
  const step = (id: YardRow['next']['id'], count = 0, visit?: Visit): YardRow['next'] => ({
    id,
    count,
    day: visit?.startsOn ?? null,
    technician: visit?.technician ?? null,
  });
  const open = standing.work.filter((w) => !w.done);
  const visit = open
    .flatMap((w) => w.visit ?? [])
    .sort((a, b) => a.startsOn.localeCompare(b.startsOn))[0];
  if (visit && standing.late) return step('visitLate', 0, visit);
  const [first] = standing.missing;
  if (!first) return step('ready');
  return first.id === 'doWork'
    ? step('visitPlanned', 0, visit)
    : step(first.id, first.count, visit);
}
