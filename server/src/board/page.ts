import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { QueryTypes, type Transaction } from 'sequelize';
import { v5 as uuidv5 } from 'uuid';
import { earliestOf, USUAL_CV } from '@green-tally/core/board';
import type {
  BoardJob,
  BoardMachine,
  BoardPage,
  BoardSetting,
  BoardWork,
  Machine,
  PlanVersion,
  Visit,
} from '@green-tally/core/contracts';
import { halfDaysOf, openSlots, SLOTS_A_DAY } from '@green-tally/core/crew';
import { seasonHours } from '@green-tally/core/forecast';
import { MARGIN_DAYS } from '@green-tally/core/plan';
import { factWords } from '@green-tally/core/walk';
import { spreadOf, type Job } from '@green-tally/core/work';
import { hoursOf, settingOf } from '../crew/crew';
import {
  CostsRow,
  CustomerRow,
  handsOf,
  MachineRow,
  namesOf,
  PlanVersionRow,
  spotOf,
  toMachine,
  toVisit,
  VisitRow,
  within,
  type Database,
} from '../db';
import { suppliersKnown } from '../parts/catalogue';
import { demandNow } from '../parts/demand';
import { besidesOf, freshen, type Looking } from '../standings/fresh';

/** The board is drawn for so many days at least and at most, and some past the last harvest. */
const [LEAST_DAYS, MOST_DAYS, DAYS_PAST] = [42, 240, 14];
/** Visits that ended so many days ago are still shown. */
const LATELY = 7;
/** What a stop costs an hour where the branch has not said. Shop rule, in no currency. */
const STOP_HOUR = 400;
/** A call at the farm of so many half days at most, where a planner has not said; longer work comes in. */
const FARM_UP_TO = 2;
/** Names ids of visits to be by the work they will take, so that two planners mean the same one. */
const NAMESPACE = '6b1b6a4e-6c0e-4f0a-9a53-7a0e4c1f5d21';

/** What the board of one branch is drawn of. */
export type OfBranch = Looking & { readonly branch: string };

const plus = (day: string, days: number): string =>
  formatISO(addDays(parseISO(day), days), { representation: 'date' });

/** All that a planner of a branch has before them, from today on. */
export async function boardPage(looking: OfBranch): Promise<BoardPage> {
  const { db, branch, today } = looking;
  const now = await freshen(looking);
  const [setting, hours, rows, plan, { behind }, cv] = await Promise.all([
    settingOf(branch),
    hoursOf(branch),
    MachineRow.findAll({ where: { branch } }),
    newestPlan(branch),
    besidesOf(db, branch, now),
    cvOf(db, branch),
  ]);
  const machines = rows.map(toMachine).sort((a, b) => (a.serial < b.serial ? -1 : 1));
  const slots = slotsOf(machines, today);
  const costs = await CostsRow.findByPk(branch);
  const known = await placesOf(branch, costs);
  const told = new Map(machines.map((m) => [m.id, machineOf(m, known)]));
  return {
    today,
    branch,
    slots,
    setting,
    plan,
    technicians: hours.map(({ personId, name, skills, week, away, suspended }) => ({
      id: personId,
      name: suspended ? `${name} (suspended)` : name,
      skills,
      open: openSlots(suspended ? GONE : { week, away }, setting.holidays, today, slots),
      away,
    })),
    jobs: await jobsOf(looking, setting, told),
    machines: [...told.values()],
    currency: costs?.currency ?? null,
    cv: cv.cv,
    cvFrom: cv.from,
    behind,
  };
}

/** One who may not sign in any more works no half day. */
const GONE = { week: Array.from({ length: 14 }, () => 'off' as const), away: [] };

function slotsOf(machines: readonly Machine[], today: string): number {
  const last = machines.reduce((l, m) => (m.harvest.end > l ? m.harvest.end : l), today);
  const days = differenceInCalendarDays(parseISO(last), parseISO(today)) + DAYS_PAST;
  return SLOTS_A_DAY * Math.min(MOST_DAYS, Math.max(LEAST_DAYS, days));
}

/** How far this branch's work takes longer or shorter, from its own jobs where there are enough. */
async function cvOf(db: Database, branch: string): Promise<{ cv: number; from: number }> {
  const rows = await db.sequelize.query<{ jobs: Job[] }>(
    `SELECT l.jobs FROM machine_lives l JOIN machines m ON m.id = l.machine_id
     WHERE m.branch = $1 AND jsonb_array_length(l.jobs) > 0`,
    { bind: [branch], type: QueryTypes.SELECT },
  );
  const jobs = rows.flatMap((r) => r.jobs);
  const cv = spreadOf(jobs);
  return cv === undefined ? { cv: USUAL_CV, from: 0 } : { cv, from: jobs.length };
}

/** The plan that is in force, as it was published. */
export async function newestPlan(
  branch: string,
  transaction?: Transaction,
): Promise<PlanVersion | null> {
  const row = await PlanVersionRow.findOne({
    where: { branch },
    order: [['n', 'DESC']],
    ...within(transaction),
  });
  return row ? toPlanVersion(row) : null;
}

export const toPlanVersion = ({ n, by, at, why, changes }: PlanVersionRow): PlanVersion => ({
  ...{ n, by, why },
  at: at.toISOString(),
  changes: changes.length,
});

interface Places {
  readonly spots: ReadonlyMap<string, BoardMachine['spot']>;
  readonly stopHour: (customer: string) => number;
}

async function placesOf(branch: string, costs: CostsRow | null): Promise<Places> {
  const customers = await CustomerRow.findAll({ where: { branch } });
  const own = new Map(costs?.customers.map((c) => [c.customer, c.stopHour]));
  return {
    spots: new Map(customers.map(({ name, x, y }) => [name, spotOf(x, y)])),
    stopHour: (customer) => own.get(customer) ?? costs?.stopHour ?? STOP_HOUR,
  };
}

function machineOf(machine: Machine, { spots, stopHour }: Places): BoardMachine {
  const { id, serial, model, customer, harvest } = machine;
  const { crop, start, end, areaHa, widthM, speedKmh, efficiency } = harvest;
  const days = differenceInCalendarDays(parseISO(end), parseISO(start)) + 1;
  const hoursADay = Math.min(24, seasonHours(areaHa, widthM, speedKmh, efficiency) / days);
  return {
    ...{ id, serial, model, customer, crop },
    harvest: { start, end },
    due: plus(start, -MARGIN_DAYS),
    perDayLate: Math.round(hoursADay * stopHour(customer)),
    spot: spots.get(customer) ?? null,
  };
}

interface Standing {
  readonly id: string;
  readonly board: BoardWork[];
  readonly chance: number | null;
}

async function jobsOf(
  looking: OfBranch,
  setting: BoardSetting,
  told: ReadonlyMap<string, BoardMachine>,
): Promise<BoardJob[]> {
  const { db, branch, today } = looking;
  const standings = await db.sequelize.query<Standing>(
    `SELECT m.id, s.board, c.chance FROM machines m JOIN machine_standings s ON s.machine_id = m.id
     LEFT JOIN machine_chances c ON c.machine_id = m.id WHERE m.branch = $1`,
    { bind: [branch], type: QueryTypes.SELECT },
  );
  const rows = await VisitRow.findAll({ where: { machineId: [...told.keys()] } });
  const names = await namesOf(rows.flatMap(handsOf));
  const visits = new Map(rows.map((r) => [r.id, toVisit(r, names)]));
  const awaited = await awaitedBy(looking);
  const seen = new Set<string>();
  const jobs = standings.flatMap(({ id, board, chance }) =>
    board.flatMap((work): BoardJob[] => {
      const machine = told.get(id);
      const visit = work.visitId ? visits.get(work.visitId) : undefined;
      if (!machine || (work.visitId && !visit)) return [];
      if (visit) seen.add(visit.id);
      const parts = work.workIds.flatMap((w) => awaited.get(w) ?? []);
      return [jobOf({ setting, today, machine, work, visit, awaited: parts, chance })];
    }),
  );
  const since = plus(today, -LATELY);
  // what was done of late, and what nothing is left of
  const done = [...visits.values()].flatMap((visit): BoardJob[] => {
    const machine = told.get(visit.machineId);
    const over = visit.finishedAt !== null || visit.endsOn < today || visit.startedAt !== null;
    if (!machine || seen.has(visit.id) || visit.endsOn < since || !over) return [];
    return [doneJob({ setting, today, machine, visit })];
  });
  return [...jobs, ...done].sort((a, b) =>
    a.due === b.due ? before(a.machine.serial, b.machine.serial) : before(a.due, b.due),
  );
}

const before = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

interface OneJob {
  readonly setting: BoardSetting;
  readonly today: string;
  readonly machine: BoardMachine;
  readonly work: BoardWork;
  readonly visit: Visit | undefined;
  readonly awaited: BoardJob['awaited'];
  readonly chance: number | null;
}

function jobOf({ setting, today, machine, work, visit, awaited, chance }: OneJob): BoardJob {
  const { harvest, due, perDayLate, spot, crop, id, serial, model, customer } = machine;
  const components = work.work.map((w) => w.component.toLowerCase());
  const names = (words: readonly string[]) =>
    words.some((w) => components.some((c) => c.includes(w.toLowerCase())));
  const crew = names(setting.twoHands) ? 2 : 1;
  const halfDays = halfDaysOf(work.hours, crew);
  const notAtFarm = work.stands.filter((s) => setting.notAtFarm.includes(s)).map(standWords);
  const farm = !notAtFarm.length && spot !== null && setting.home !== null;
  return {
    id: visit?.id ?? uuidv5([id, ...[...work.workIds].sort()].join(), NAMESPACE),
    machine: { id, serial, model, customer },
    ...(visit ? publishedAs(visit) : NOT_PUBLISHED),
    ...{ crop, harvest, due, perDayLate, spot, awaited, notAtFarm, crew, halfDays, chance },
    hours: work.hours,
    skills: setting.skills.filter((s) => names(s.words)).map((s) => s.name),
    workIds: work.workIds,
    work: work.work,
    earliest: earliestOf(awaited, today),
    site: farm && (halfDays <= FARM_UP_TO || setting.bays === 0) ? 'farm' : 'bay',
  };
}

type AsPublished = Pick<
  BoardJob,
  'version' | 'published' | 'ends' | 'startedAt' | 'finishedAt' | 'note'
>;
const NOT_PUBLISHED: AsPublished = {
  ...{ version: 0, published: null, ends: null, startedAt: null, finishedAt: null, note: '' },
};
const publishedAs = (visit: Visit): AsPublished => ({
  version: visit.version,
  published: placingOfVisit(visit),
  ends: { on: visit.endsOn, half: visit.ends },
  startedAt: visit.startedAt,
  finishedAt: visit.finishedAt,
  note: visit.note,
});

/** "header off". */
function standWords(stand: string): string {
  const [fact = '', how = ''] = stand.split(':');
  return factWords(fact as Parameters<typeof factWords>[0], how)
    .replace(': ', ' ')
    .toLowerCase();
}

/** A visit nothing is left to do of. */
function doneJob({
  visit,
  ...of
}: Pick<OneJob, 'setting' | 'today' | 'machine'> & { readonly visit: Visit }): BoardJob {
  const { hours, workIds, id: visitId, endsOn } = visit;
  const work = { visitId, workIds, hours, work: [], stands: [] };
  const job = jobOf({ ...of, work, visit, awaited: [], chance: null });
  return { ...job, finishedAt: job.finishedAt ?? `${endsOn}T17:00:00.000Z` };
}

/** Where a visit stands, as it is published. */
export const placingOfVisit = (visit: Visit): NonNullable<BoardJob['published']> => ({
  technicianIds: visit.mateId ? [visit.technicianId, visit.mateId] : [visit.technicianId],
  startsOn: visit.startsOn,
  starts: visit.starts,
  site: visit.site,
  pinned: visit.pinned,
  overTime: visit.overTime,
  halfDays: visit.halfDays,
});

/** By item of work, the parts that are not on the shelf for it. */
async function awaitedBy(looking: OfBranch): Promise<Map<string, BoardJob['awaited']>> {
  const demand = await demandNow(looking);
  const spread = new Map((await suppliersKnown()).map((s) => [s.name, s.spreadDays]));
  const waits = new Map<string, BoardJob['awaited']>();
  for (const { number, name, supplier, needs } of demand)
    for (const { workId, met, on } of needs) {
      if (met === 'stock') continue;
      const part = { number, name, on, spread: spread.get(supplier ?? '') ?? 0 };
      waits.set(workId, [...(waits.get(workId) ?? []), part]);
    }
  return waits;
}
