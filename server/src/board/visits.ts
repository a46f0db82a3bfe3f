import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type {
  BoardJob,
  BoardPage,
  Person,
  Placing,
  Visit,
  VisitNote,
  VisitPlan,
} from '@green-tally/core/contracts';
import { CLOSED, halfDayAt, halfDaysOf, OVER_TIME, slotOf } from '@green-tally/core/crew';
import { standingOf, visitWork } from '@green-tally/core/plan';
import {
  lockMachines,
  machinesChanged,
  PersonRow,
  planMoved,
  VisitRow,
  type MachineRow,
} from '../db';
import { Conflict, invalidField, NotFound } from '../errors';
import { machineFile, machineToChange } from '../machines/machines';
import { judge } from '../standings/judge';
import { boardPage, type OfBranch } from './page';
import { keepPlan, prepare, type Publisher } from './publish';

/** What a visit is planned with, but for its branch: that of its machine. */
export type Planning = Omit<OfBranch, 'branch'>;

/**
 * Makes or moves one visit of a machine: it takes all open accepted work that no other visit holds,
 * and its end follows from the labour and from who does it. A plan of its own, as every change of one.
 * @throws Invalid on a date before the machine existed or in the past, an unknown technician, no work,
 *   or something in the way; Conflict when changed meanwhile
 */
export async function planVisit(
  planning: Planning,
  plan: VisitPlan,
  by: Publisher,
): Promise<Visit> {
  const { db, today } = planning;
  const machine = await machineToChange(plan.machineId, by.person);
  await checkPlan(plan, machine, today);
  const there = await VisitRow.findByPk(plan.id);
  checkVersion(plan, there);
  if (there && plan.version === null) return visitNow(plan);
  // its work as it is this moment
  await judge(db, plan.machineId, today);
  const looking = { ...planning, branch: machine.branch };
  const page = withAllWork(await boardPage(looking), plan, await openWork(plan, today));
  const job = page.jobs.find((j) => j.id === plan.id);
  if (!job) throw nothingToDo(machine);
  const to = placingOf(page, job, plan);
  const { id, machineId } = plan;
  const change = { id, machineId, version: job.version, to };
  const why = job.version ? `${machine.serial} moved` : `${machine.serial} planned`;
  await keepPlan(looking, prepare(page, [change]), why, by);
  return visitNow(plan);
}

async function visitNow({ id, machineId }: VisitPlan): Promise<Visit> {
  const visit = (await machineFile(machineId)).visits.find((v) => v.id === id);
  if (!visit) throw new NotFound('visit');
  return visit;
}

/** The machine's accepted work that no other visit holds. */
async function openWork({ id, machineId }: VisitPlan, today: string) {
  const file = await machineFile(machineId);
  const standing = standingOf(file, today);
  const own = { ...file, visits: file.visits.filter((v) => v.id !== id) };
  // as if this visit were not there, all it may take lies in one heap
  return visitWork(own, {
    ...standing,
    work: standing.work.map((w) => (w.visit?.id === id ? { ...w, visit: undefined } : w)),
  }).find((w) => w.visitId === null);
}

/** The board on which a visit takes all of its machine's work that no other one holds. */
function withAllWork(
  page: BoardPage,
  { id, machineId, note }: VisitPlan,
  work: Awaited<ReturnType<typeof openWork>>,
): BoardPage {
  if (!work) return page;
  const ids = new Set(work.workIds);
  const own = page.jobs.filter((j) => j.machine.id === machineId);
  const held = own.find((j) => j.id === id);
  const rest = own.find((j) => j.version === 0 && j.workIds.some((w) => ids.has(w)));
  const job = held ?? rest;
  if (!job) return page;
  const both = [held, rest].flatMap((j) => (j ? [j] : []));
  const crew = both.some((j) => j.crew === 2) ? 2 : 1;
  const whole: BoardJob = {
    ...job,
    ...{ id, crew, workIds: work.workIds, work: work.work, hours: work.hours },
    note: note || job.note,
    halfDays: halfDaysOf(work.hours, crew),
    skills: [...new Set(both.flatMap((j) => j.skills))],
    notAtFarm: [...new Set(both.flatMap((j) => j.notAtFarm))],
    awaited: both.flatMap((j) => j.awaited),
    earliest: both.some((j) => j.earliest === null)
      ? null
      : (both
          .map((j) => j.earliest ?? '')
          .sort()
          .at(-1) ?? null),
  };
  return { ...page, jobs: [...page.jobs.filter((j) => !both.includes(j)), whole] };
}

/** Where a visit is put: the next half day on which who does it works, from the day asked for on. */
function placingOf(page: BoardPage, job: BoardJob, plan: VisitPlan): Placing {
  const was = job.published;
  const mateId = plan.mateId === undefined ? (was?.technicianIds[1] ?? null) : plan.mateId;
  const technicianIds = mateId ? [plan.technicianId, mateId] : [plan.technicianId];
  const overTime = was?.overTime ?? false;
  const opens = technicianIds.map((id) => page.technicians.find((t) => t.id === id)?.open ?? []);
  const asked = slotOf(page.today, plan.startsOn, plan.starts ?? 'morning');
  const starts = page.technicians[0]?.open.findIndex(
    (_, t) =>
      t >= asked &&
      opens.every((o) => (overTime ? o[t] !== CLOSED : o[t] !== CLOSED && o[t] !== OVER_TIME)),
  );
  const { day, half } = halfDayAt(page.today, starts === undefined || starts < 0 ? asked : starts);
  return {
    technicianIds,
    startsOn: day,
    starts: half,
    site: plan.site,
    pinned: was?.pinned ?? false,
    overTime,
    halfDays: was?.halfDays ?? null,
  };
}

/** A visit is planned for this harvest, or for the winter after it. */
const FURTHEST_DAYS = 366;
const latestDay = ({ harvest }: MachineRow, today: string): string =>
  formatISO(addDays(parseISO(harvest.end > today ? harvest.end : today), FURTHEST_DAYS), {
    representation: 'date',
  });

async function checkPlan(plan: VisitPlan, machine: MachineRow, today: string): Promise<void> {
  const { technicianId, startsOn } = plan;
  for (const [field, id] of [
    ['technicianId', technicianId],
    ['mateId', plan.mateId],
  ] as const) {
    if (!id) continue;
    const hand = await PersonRow.findByPk(id);
    if (!hand || hand.role !== 'technician')
      throw invalidField(field, 'There is no such technician.', 'a technician of this place');
    if (hand.branch !== machine.branch || hand.suspendedAt)
      throw invalidField(
        field,
        hand.suspendedAt
          ? `${hand.name} may not sign in any more.`
          : `${hand.name} works for ${hand.branch}; ${machine.serial} belongs to ${machine.branch}.`,
        `a technician of ${machine.branch}`,
      );
  }
  const last = latestDay(machine, today);
  if (startsOn > last)
    throw invalidField(
      'startsOn',
      `${startsOn} lies further ahead than anybody plans.`,
      `a day up to ${last}`,
    );
  if (startsOn < machine.builtOn)
    throw invalidField(
      'startsOn',
      `${startsOn} lies before ${machine.serial} was built, ${machine.builtOn}.`,
      'a date after the machine was built',
    );
  if (startsOn < today)
    throw invalidField(
      'startsOn',
      `${startsOn} is past; today is ${today}.`,
      'today or a later date',
    );
}

/**
 * A new visit names no version; sent again it is left as it is. A change names the version it saw.
 */
function checkVersion(plan: VisitPlan, there: VisitRow | null): void {
  if (there && there.machineId !== plan.machineId) throw new NotFound('visit on this machine');
  if (plan.version === null) return;
  if (!there)
    throw new Conflict(
      'Visit is gone',
      'Somebody removed this visit meanwhile. Look again and plan it anew.',
    );
  if (there.version !== plan.version)
    throw new Conflict(
      'Changed meanwhile',
      'Somebody changed this visit meanwhile. Look at it as it is now, then change it again.',
    );
}

const nothingToDo = ({ serial }: MachineRow) =>
  invalidField(
    'machineId',
    `${serial} has no accepted work to visit it for. Accept its decisions into work first.`,
    'a machine with accepted work',
  );

/** Removes a visit; its work stays, unplanned. @throws NotFound, Forbidden */
export async function dropVisit(planning: Planning, id: string, by: Publisher): Promise<void> {
  const row = await VisitRow.findByPk(id);
  if (!row) throw new NotFound('visit');
  const machine = await machineToChange(row.machineId, by.person);
  const looking = { ...planning, branch: machine.branch };
  const page = await boardPage(looking);
  const job = page.jobs.find((j) => j.id === id) ?? bareJob(page, row);
  const { machineId, version } = row;
  const prepared = prepare({ ...page, jobs: [...page.jobs.filter((j) => j.id !== id), job] }, [
    { id, machineId, version, to: null },
  ]);
  await keepPlan(looking, prepared, `${machine.serial} taken off`, by);
}

/** A visit that holds no open work any more, and so is on no board. */
function bareJob(page: BoardPage, row: VisitRow): BoardJob {
  const machine = page.machines.find((m) => m.id === row.machineId);
  if (!machine) throw new NotFound('visit');
  const { id, serial, model, customer, crop, harvest, due, perDayLate, spot } = machine;
  return {
    id: row.id,
    machine: { id, serial, model, customer },
    version: row.version,
    published: {
      technicianIds: row.mateId ? [row.technicianId, row.mateId] : [row.technicianId],
      startsOn: row.startsOn,
      starts: row.starts,
      site: row.site,
      pinned: row.pinned,
      overTime: row.overTime,
      halfDays: row.halfDays ?? null,
    },
    ends: { on: row.endsOn, half: row.ends },
    startedAt: null,
    finishedAt: null,
    note: row.note,
    ...{ crop, harvest, due, perDayLate, spot, hours: row.hours, workIds: row.workIds },
    ...{ halfDays: 1, crew: 1, skills: [], work: [], awaited: [], notAtFarm: [], chance: null },
    earliest: page.today,
    site: row.site,
  };
}

/** What a technician says of a visit: begun, or finished, or not after all. */
export async function noteVisit(
  db: Planning['db'],
  id: string,
  note: VisitNote,
  person: Person,
): Promise<Visit> {
  const machineId = (await VisitRow.findByPk(id))?.machineId;
  if (!machineId) throw new NotFound('visit');
  const { branch } = await machineToChange(machineId, person);
  await db.transaction(async (transaction) => {
    await lockMachines(db, [machineId], transaction);
    // as it stands now: of two who say something at once the second finds what the first said
    const row = await VisitRow.findByPk(id, { transaction });
    if (!row) throw new NotFound('visit');
    await row.update(noted(row, note), { transaction });
    await machinesChanged(db, { ids: [machineId] }, transaction);
    await planMoved(db, branch, transaction);
  });
  const visit = (await machineFile(machineId)).visits.find((v) => v.id === id);
  if (!visit) throw new NotFound('visit');
  return visit;
}

type Noted = Readonly<Record<'startedAt' | 'stoppedAt' | 'finishedAt', Date | null>>;

/** A visit's times with what is said of them. @throws Invalid where one cannot be with the others */
function noted(row: VisitRow, note: VisitNote): Noted {
  const at = (time: keyof Noted): Date | null => {
    const said = note[time];
    return said === undefined ? (row[time] ?? null) : momentOf(said);
  };
  const [startedAt, stoppedAt, finishedAt] = [at('startedAt'), at('stoppedAt'), at('finishedAt')];
  if (!startedAt) {
    const without = finishedAt ? 'finishedAt' : stoppedAt ? 'stoppedAt' : undefined;
    if (without) throw invalidField(without, 'It was not begun.', 'a visit that was begun');
  }
  if (startedAt && finishedAt && finishedAt < startedAt)
    throw invalidField('finishedAt', 'It was begun later.', 'a time after it was begun');
  // what is finished is not laid down any more
  return { startedAt, stoppedAt: finishedAt ? null : stoppedAt, finishedAt };
}

const momentOf = (at: string | null): Date | null => (at === null ? null : new Date(at));
