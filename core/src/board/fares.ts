import type { BoardPage, PlanFares } from '../contracts';
import { slotOf } from '../crew';
import { whyHeldUp } from './explain';
import { daysLate, groundOf } from './ground';
import { stateOf } from './improve';
import { layBoard, placingOf, ripeOf, type LaidBoard, type Placings } from './laid';
import { SLOTS_A_DAY } from './problem';
import { fare, type Doubt } from './ready';

/** So many draws of luck stand behind a chance. */
export const DRAWS = 2000;

/** What is not known about a board: when its crops are ripe, how long work takes, when parts come. */
export function doubtOf(page: BoardPage, { jobs }: LaidBoard, draws = DRAWS): Doubt {
  const crops = [...new Set(jobs.map((j) => j.crop))];
  return {
    // by how far a crop comes before its day or after it; each machine's own harvest goes with it
    ripe: crops.length ? crops.map(() => ripeOf(page, 0)) : [ripeOf(page, 0)],
    visits: jobs.map(({ crop, harvest, awaited }) => {
      const last = awaited.reduce<{ on: number; spread: number } | undefined>((late, p) => {
        if (p.on === null) return { on: page.slots, spread: 0 };
        const on = slotOf(page.today, p.on, 'morning');
        return late && late.on >= on ? late : { on, spread: SLOTS_A_DAY * p.spread };
      }, undefined);
      return {
        crop: Math.max(0, crops.indexOf(crop)),
        after: slotOf(page.today, harvest.start, 'morning'),
        lasts: slotOf(harvest.start, harvest.end, 'noon') + 1,
        ...(last ? { parts: last } : {}),
      };
    }),
    cv: page.cv,
    draws,
    seed: 1,
  };
}

/**
 * How a plan fares: what is late and why, how likely each machine is ready, what lateness is expected
 * to cost. What stands on the board is taken as it stands, even where it could not be put so. The same
 * board draws the same luck, whatever the plan.
 * @param over placings laid over what is published
 */
export function faresOf(page: BoardPage, over: Placings, byLoss = false): PlanFares {
  const free = layBoard(page, over, { byLoss });
  const { problem, jobs, plan } = layBoard(page, over, {
    byLoss,
    kept: new Set(free.jobs.map((j) => j.id)),
  });
  const fared = fare(problem, plan, doubtOf(page, free));
  const state = stateOf(groundOf(problem), plan);
  const stands = state.plan();
  const serials = new Map(jobs.map((j) => [j.machine.id, j.machine.serial]));
  return {
    placings: jobs.map((job) => ({ id: job.id, to: placingOf(job, over) })),
    late: jobs.flatMap((job, i) => {
      const there = state.placed[i];
      const visit = problem.visits[i];
      const days = there && visit ? daysLate(visit, state.spanOf(i, there)[1]) : null;
      if (days === 0) return [];
      const { serial, customer } = job.machine;
      const { by, frees } = whyHeldUp(free.problem, stands, i);
      return [{ id: job.id, serial, customer, days, by, frees: [...frees] }];
    }),
    ready: [...fared.ready].map(([machineId, chance]) => ({
      machineId,
      serial: serials.get(machineId) ?? '',
      chance,
    })),
    loss: fared.loss,
    cost: state.total(),
    km: state.km(),
  };
}
