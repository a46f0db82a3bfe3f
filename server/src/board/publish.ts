import type { Transaction } from 'sequelize';
import {
  conflictsOf,
  samePlacing,
  spanOf,
  type Conflict as InTheWay,
  type Placings,
} from '@green-tally/core/board';
import type {
  BoardJob,
  BoardPage,
  Person,
  Placing,
  PlanChange,
  PlanVersion,
  Publish,
  VisitDiffers,
} from '@green-tally/core/contracts';
import { halfDayAt } from '@green-tally/core/crew';
import { inBranch } from '@green-tally/core/rights';
import {
  holdLock,
  lockMachines,
  machinesChanged,
  planMoved,
  PlanVersionRow,
  VisitRow,
} from '../db';
import { Conflict, Forbidden, Invalid } from '../errors';
import { boardPage, newestPlan, toPlanVersion, type OfBranch } from './page';

/** Who publishes, when. */
export interface Publisher {
  readonly person: Person;
  readonly now: Date;
}

/** A plan to be published, as it is held against the board. */
interface Prepared {
  readonly page: BoardPage;
  readonly changes: readonly {
    readonly change: PlanChange;
    readonly job: BoardJob;
    readonly to: Placing | null;
  }[];
}

/**
 * Publishes a plan, all of it or nothing, as the next version. One that was made on an older plan is
 * refused, and one with something in its way.
 * @throws Forbidden for another branch; Conflict when somebody was faster; Invalid naming the visits
 */
export async function publish(
  looking: OfBranch,
  { seen, why, changes }: Publish,
  by: Publisher,
): Promise<PlanVersion> {
  if (!inBranch(by.person, looking.branch))
    throw new Forbidden('Another branch', `You work for ${by.person.branch}.`);
  const page = await boardPage(looking);
  if ((page.plan?.n ?? 0) !== seen) throw planChanged(page.plan);
  return keepPlan(looking, prepare(page, changes), why, by);
}

/** Holds changes against the board. @throws Conflict, Invalid */
export function prepare(page: BoardPage, changes: readonly PlanChange[]): Prepared {
  const twice = changes.findIndex((c, i) => changes.findIndex((o) => o.id === c.id) < i);
  if (twice >= 0)
    throw new Invalid('A visit twice', 'A plan puts each visit once.', [
      { field: `changes.${twice}.id`, message: 'wanted each visit once' },
    ]);
  const known = changes.map((change) => {
    const job = page.jobs.find((j) => j.id === change.id && j.machine.id === change.machineId);
    if (!job || job.version !== change.version)
      throw new Conflict(
        'Changed meanwhile',
        `${job ? `The visit to ${job.machine.serial}` : 'A visit of this plan'} is not as you saw it any more. Look at the board as it is now.`,
      );
    if (job.finishedAt)
      throw new Conflict('Finished', `The visit to ${job.machine.serial} is finished.`);
    return { change, job, to: change.to };
  });
  const over: Placings = new Map(known.map(({ job, to }) => [job.id, to]));
  const own = new Map(changes.map((c, i) => [c.id, i]));
  const hard = conflictsOf(page, over).filter((c) => c.hard && own.has(c.id));
  if (hard.length) throw inTheWay(hard, own);
  return { page, changes: known };
}

function inTheWay(hard: readonly InTheWay[], own: ReadonlyMap<string, number>): Invalid {
  const words = [...new Set(hard.map((c) => c.text))];
  return new Invalid(
    'Something is in the way',
    words.slice(0, 6).join(' ') + (words.length > 6 ? ` And ${words.length - 6} more.` : ''),
    hard.map((c) => ({ field: `changes.${own.get(c.id) ?? 0}.to`, message: c.text })),
  );
}

const planChanged = (plan: PlanVersion | null) =>
  new Conflict(
    'Another plan is published',
    plan
      ? `${plan.by} published plan ${plan.n} meanwhile: ${plan.why}. Look at it; what you moved is kept here.`
      : 'The plan you saw is not there any more. Look at the board as it is now.',
    [{ field: 'seen', message: `wanted ${plan?.n ?? 0}` }],
  );

/** Keeps a plan that was held against the board. @throws Conflict when somebody was faster */
export async function keepPlan(
  { db, branch }: OfBranch,
  { page, changes }: Prepared,
  why: string,
  { person, now }: Publisher,
): Promise<PlanVersion> {
  return db.transaction(async (transaction) => {
    await holdLock(db.sequelize, 'plans', transaction, branch);
    const latest = await newestPlan(branch, transaction);
    if ((latest?.n ?? 0) !== (page.plan?.n ?? 0)) throw planChanged(latest);
    const machines = changes.map((c) => c.job.machine.id);
    await lockMachines(db, machines, transaction);
    for (const { job, to } of changes) await write(page, job, to, transaction);
    const row = await PlanVersionRow.create(
      {
        branch,
        n: (latest?.n ?? 0) + 1,
        by: person.name,
        at: now,
        why,
        changes: changes.map(({ job, to }) => differs(job, to)),
      },
      { transaction },
    );
    const dropped = changes.flatMap(({ job, to }) => (to === null ? [job.id] : []));
    await machinesChanged(db, { ids: machines }, transaction, dropped);
    await planMoved(db, branch, transaction);
    return toPlanVersion(row);
  });
}

const differs = ({ id, machine, published }: BoardJob, to: Placing | null): VisitDiffers => ({
  id,
  serial: machine.serial,
  customer: machine.customer,
  from: published,
  to,
});

async function write(
  page: BoardPage,
  job: BoardJob,
  to: Placing | null,
  transaction: Transaction,
): Promise<void> {
  const there = await VisitRow.findByPk(job.id, { transaction, lock: true });
  if ((there?.version ?? 0) !== job.version)
    throw new Conflict(
      'Changed meanwhile',
      `Somebody changed the visit to ${job.machine.serial} meanwhile. Look at it as it is now.`,
    );
  if (to === null) {
    await there?.destroy({ transaction });
    return;
  }
  const row = rowOf(page, job, to);
  if (there) await there.update({ ...row, version: there.version + 1 }, { transaction });
  else
    await VisitRow.create(
      { id: job.id, machineId: job.machine.id, ...row, version: 1 },
      { transaction },
    );
}

/** A visit as it is kept: it ends with the last half day its work takes of its crew. */
function rowOf(page: BoardPage, job: BoardJob, to: Placing) {
  const [technicianId = '', mateId = null] = to.technicianIds;
  const span = spanOf(page, job, to);
  // what has begun is only told otherwise how it goes on: it ends where it was to end
  const ends =
    span?.last === undefined || (span.first < 0 && job.ends && samePlacing(to, job.published))
      ? { day: job.ends?.on ?? to.startsOn, half: job.ends?.half ?? to.starts }
      : halfDayAt(page.today, span.last);
  return {
    technicianId,
    mateId,
    startsOn: to.startsOn,
    starts: to.starts,
    endsOn: ends.day,
    ends: ends.half,
    halfDays: to.halfDays,
    hours: job.hours,
    site: to.site,
    pinned: to.pinned,
    overTime: to.overTime,
    note: job.note,
    workIds: job.workIds,
  };
}

/** Plans of a branch that were published, newest first. */
export async function plansOf(branch: string, before: number | undefined): Promise<PlanVersion[]> {
  const rows = await PlanVersionRow.findAll({ where: { branch }, order: [['n', 'DESC']] });
  return rows
    .filter((r) => before === undefined || r.n < before)
    .slice(0, PLANS_SHOWN)
    .map(toPlanVersion);
}

const PLANS_SHOWN = 60;

/** How one plan of a branch differs from a later one: each visit once, from first to last. */
export async function plansDiffer(
  branch: string,
  from: number,
  to: number,
): Promise<VisitDiffers[]> {
  const rows = await PlanVersionRow.findAll({ where: { branch }, order: [['n', 'ASC']] });
  const changed = new Map<string, VisitDiffers>();
  for (const { n, changes } of rows) {
    if (n <= from || n > to) continue;
    for (const change of changes) {
      const first = changed.get(change.id);
      changed.set(change.id, first ? { ...change, from: first.from } : change);
    }
  }
  return [...changed.values()].filter((c) => !samePlacing(c.from, c.to));
}
