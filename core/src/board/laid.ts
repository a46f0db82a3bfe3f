import type { BoardJob, BoardPage, Placing, VisitDiffers } from '../contracts';
import { halfDayAt, lastSlot, slotOf, worksAt } from '../crew';
import {
  SLOTS_A_DAY,
  type BoardPlan,
  type BoardProblem,
  type BoardVisit,
  type Placed,
} from './problem';

/** Placings of visits by their id, laid over what is published; null: it is taken off. */
export type Placings = ReadonlyMap<string, Placing | null>;

/** Where a visit stands, with what is laid over it. */
export const placingOf = (job: BoardJob, over: Placings): Placing | null =>
  over.get(job.id) ?? (over.has(job.id) ? null : job.published);

/** A board as numbers: its problem and the plan on it, visit by visit those of `jobs`. */
export interface LaidBoard {
  readonly problem: BoardProblem;
  readonly plan: BoardPlan;
  readonly jobs: readonly BoardJob[];
}

/** How a board is laid out for the search. */
export interface LayWish {
  /** visits that stay where they are put, whatever else moves */
  readonly kept?: ReadonlySet<string>;
  /** lateness by what it is expected to cost, not by its day alone */
  readonly byLoss?: boolean;
}

/** A visit that finds no place is worse than any lateness: so many days of the dearest machine. */
const DAYS_UNPLACED = 400;
const LEAST_UNPLACED = 10_000;

/**
 * The board of a page with placings laid over it as a problem for the search. Visits that are done
 * are not on it; one that has begun stays, with what is left of it.
 */
export function layBoard(page: BoardPage, over: Placings, wish: LayWish = {}): LaidBoard {
  const { setting, slots, technicians, today } = page;
  const jobs = page.jobs.filter((j) => j.finishedAt === null);
  const home = homeOf(setting);
  const dearest = jobs.reduce((most, j) => Math.max(most, j.perDayLate), 0);
  const laid = jobs.map((job) => layVisit(page, job, placingOf(job, over), wish));
  return {
    jobs,
    problem: {
      slots,
      bays: setting.bays,
      home,
      technicians: technicians.map(({ id, skills, open }) => ({ id, skills, open })),
      visits: laid.map(({ visit }, i): BoardVisit => {
        const job = jobs[i];
        const published = job?.published ? placedOf(page, job.published) : undefined;
        return {
          ...visit,
          ...(published && published.crew.length === visit.crew ? { published } : {}),
          ...(wish.byLoss && job
            ? { ripe: ripeOf(page, slotOf(today, job.harvest.start, 'morning')) }
            : {}),
        };
      }),
      costs: {
        km: setting.km,
        overTime: setting.overTime,
        change: setting.change,
        unplaced: Math.max(LEAST_UNPLACED, dearest * DAYS_UNPLACED),
      },
    },
    plan: laid.map((l) => l.placed),
  };
}

/** When a crop that is to be ripe at a slot may be. */
export const ripeOf = ({ setting: { ripe } }: BoardPage, likely: number) => ({
  earliest: likely - SLOTS_A_DAY * ripe.earlier,
  likely,
  latest: likely + SLOTS_A_DAY * ripe.later,
});

/** Where the branch is; in the middle of the map where nobody has said. */
const homeOf = ({ home }: BoardPage['setting']) => home ?? { x: 0, y: 0 };

interface LaidVisit {
  readonly visit: BoardVisit;
  readonly placed: Placed | undefined;
}

function layVisit(
  page: BoardPage,
  job: BoardJob,
  placing: Placing | null,
  { kept }: LayWish,
): LaidVisit {
  const { today, slots, setting } = page;
  const site = placing?.site ?? job.site;
  const left = leftOf(page, job, placing);
  const stays = [placing?.pinned, kept?.has(job.id), job.startedAt !== null].includes(true);
  const pinned = stays ? left.placed : undefined;
  return {
    placed: left.placed,
    visit: {
      id: job.id,
      machine: job.machine.id,
      halfDays: left.halfDays,
      skills: job.skills,
      // one that was put so stays so, with whom it was put
      crew: crewSize(job, placing, pinned),
      ...(site === 'farm' ? { farm: job.spot ?? homeOf(setting) } : {}),
      earliest: job.earliest === null ? slots : Math.max(0, slotOf(today, job.earliest, 'morning')),
      due: slotOf(today, job.due, 'morning'),
      perDayLate: job.perDayLate,
      ...(pinned ? { pinned } : {}),
    },
  };
}

/** Two where it takes two or a planner has put two; pinned as it was put. */
function crewSize({ crew }: BoardJob, placing: Placing | null, pinned: Placed | undefined): 1 | 2 {
  const put = pinned?.crew.length ?? placing?.technicianIds.length ?? 1;
  return put === 2 || (crew === 2 && !pinned) ? 2 : 1;
}

/** What is left of a visit from today on, and where: one that has begun goes on at once. */
function leftOf(
  page: BoardPage,
  job: BoardJob,
  placing: Placing | null,
): { readonly halfDays: number; readonly placed: Placed | undefined } {
  const halfDays = placing?.halfDays ?? job.halfDays;
  const placed = placing ? placedOf(page, placing) : undefined;
  const goesOn = placing && !placed && job.startedAt !== null;
  return (goesOn ? restOf(page, placing, job.ends) : undefined) ?? { halfDays, placed };
}

/** What is left of a visit that began before today: undefined where nobody of its crew works any more. */
function restOf(
  page: BoardPage,
  { technicianIds, overTime }: Placing,
  ends: BoardJob['ends'],
): { readonly halfDays: number; readonly placed: Placed } | undefined {
  const crew = crewOf(page, technicianIds);
  const opens = crew?.map((k) => page.technicians[k]?.open ?? []) ?? [];
  const first = crew && lastSlot(opens, 0, 1, overTime);
  if (!crew || !ends || first === undefined) return undefined;
  const slots = Array.from(
    { length: Math.max(0, slotOf(page.today, ends.on, ends.half) + 1) },
    (_, t) => t,
  );
  const left = slots.filter((t) => worksAt(opens, t, overTime)).length;
  return {
    halfDays: Math.max(1, left),
    placed: { crew, start: first, ...(overTime ? { overTime: true } : {}) },
  };
}

function crewOf({ technicians }: BoardPage, ids: readonly string[]): number[] | undefined {
  const crew = ids.map((id) => technicians.findIndex((t) => t.id === id));
  return crew.includes(-1) ? undefined : crew;
}

/** A placing as slots; undefined where it lies before today, past the end, or with somebody unknown. */
export function placedOf(page: BoardPage, placing: Placing): Placed | undefined {
  const crew = crewOf(page, placing.technicianIds);
  const start = slotOf(page.today, placing.startsOn, placing.starts);
  if (!crew || start < 0 || start >= page.slots) return undefined;
  return { crew, start, ...(placing.overTime ? { overTime: true } : {}) };
}

/** A plan that was found as placings; of a visit without a place null. */
export function placingsOf(
  page: BoardPage,
  laid: LaidBoard,
  plan: BoardPlan,
  over: Placings,
): Map<string, Placing | null> {
  return new Map(
    laid.jobs.map((job, i): [string, Placing | null] => {
      const there = plan[i];
      const was = placingOf(job, over);
      if (!there) return [job.id, null];
      // what has begun, or is pinned, is as it was said
      if (laid.problem.visits[i]?.pinned && was) return [job.id, was];
      const { day, half } = halfDayAt(page.today, there.start);
      return [
        job.id,
        {
          technicianIds: there.crew.map((k) => page.technicians[k]?.id ?? ''),
          startsOn: day,
          starts: half,
          site: was?.site ?? job.site,
          pinned: was?.pinned ?? false,
          overTime: there.overTime ?? false,
          halfDays: was?.halfDays ?? null,
        },
      ];
    }),
  );
}

const SAME_KEYS = ['startsOn', 'starts', 'site', 'pinned', 'overTime', 'halfDays'] as const;

/** Whether two placings are one. */
export function samePlacing(a: Placing | null, b: Placing | null): boolean {
  if (!a || !b) return a === b;
  return (
    SAME_KEYS.every((k) => a[k] === b[k]) &&
    a.technicianIds.length === b.technicianIds.length &&
    a.technicianIds.every((id) => b.technicianIds.includes(id))
  );
}

/** How what is laid over the published plan differs from it. */
export function differencesOf(page: BoardPage, over: Placings): VisitDiffers[] {
  return page.jobs.flatMap((job): VisitDiffers[] => {
    const to = placingOf(job, over);
    if (samePlacing(job.published, to)) return [];
    const { serial, customer } = job.machine;
    return [{ id: job.id, serial, customer, from: job.published, to }];
  });
}
