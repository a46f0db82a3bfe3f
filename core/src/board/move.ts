import type { BoardJob, BoardPage, Placing } from '../contracts';
import { halfDayAt, slotOf, worksAt } from '../crew';
import { conflictsOf } from './conflicts';
import { placingOf, type Placings } from './laid';
import { CLOSED, OPEN, OVER_TIME } from './problem';

/** Where somebody wants a visit. */
export interface Wanted {
  readonly technicianId: string;
  readonly slot: number;
}

const openOf = (page: BoardPage, id: string | undefined): readonly number[] =>
  page.technicians.find((t) => t.id === id)?.open ?? [];

/**
 * A visit put with a technician on a half day: on the next one they work, where they do not work that
 * one. A half day over time is worked over time. Where it takes two, the second is who came with it
 * before, else who has least in the way.
 */
export function putAt(
  page: BoardPage,
  over: Placings,
  job: BoardJob,
  { technicianId, slot }: Wanted,
): Placing {
  const was = placingOf(job, over);
  const open = openOf(page, technicianId);
  const overTime = open[slot] === OVER_TIME || was?.overTime === true;
  const from = Math.max(0, slot);
  const next = open.findIndex((o, t) => t >= from && (o === OPEN || (overTime && o !== CLOSED)));
  const { day, half } = halfDayAt(page.today, next < 0 ? from : next);
  const alone: Placing = {
    technicianIds: [technicianId],
    startsOn: day,
    starts: half,
    site: was?.site ?? job.site,
    pinned: was?.pinned ?? false,
    overTime,
    halfDays: was?.halfDays ?? null,
  };
  const two = job.crew === 2 || was?.technicianIds.length === 2;
  return two ? withMate(page, over, job, alone) : alone;
}

function withMate(page: BoardPage, over: Placings, job: BoardJob, alone: Placing): Placing {
  const [first = ''] = alone.technicianIds;
  const before = placingOf(job, over)?.technicianIds ?? [];
  const others = page.technicians.map((t) => t.id).filter((id) => id !== first);
  // who came with it before is asked first
  const asked = [...others].sort((a, b) => Number(before.includes(b)) - Number(before.includes(a)));
  let best: { readonly to: Placing; readonly hard: number } | undefined;
  for (const mate of asked) {
    const to = { ...alone, technicianIds: [first, mate] };
    const hard = inTheWayOf(page, over, job, to).filter((c) => c.hard).length;
    if (!best || hard < best.hard) best = { to, hard };
  }
  return best?.to ?? alone;
}

/** What would be in the way of a visit somewhere. */
export const inTheWayOf = (page: BoardPage, over: Placings, job: BoardJob, to: Placing) =>
  conflictsOf(page, new Map(over).set(job.id, to)).filter((c) => c.id === job.id);

/** A visit made as long as it takes to end with a half day: at least one. */
export function lengthTo(page: BoardPage, to: Placing, last: number): Placing {
  const opens = to.technicianIds.map((id) => openOf(page, id));
  const first = slotOf(page.today, to.startsOn, to.starts);
  let halfDays = 0;
  for (let t = first; t <= last; t += 1) if (worksAt(opens, t, to.overTime)) halfDays += 1;
  return { ...to, halfDays: Math.max(1, halfDays) };
}

/** A visit an open half day of its technician later, or earlier below 0; undefined past either end. */
export function stepTime(
  page: BoardPage,
  over: Placings,
  job: BoardJob,
  by: 1 | -1,
): Placing | undefined {
  const was = placingOf(job, over);
  if (!was) return undefined;
  const opens = was.technicianIds.map((id) => openOf(page, id));
  const works = (t: number) =>
    opens.every((o) => o[t] === OPEN || (was.overTime && o[t] === OVER_TIME));
  let slot = slotOf(page.today, was.startsOn, was.starts) + by;
  while (slot >= 0 && slot < page.slots && !works(slot)) slot += by;
  if (slot < 0 || slot >= page.slots) return undefined;
  const { day, half } = halfDayAt(page.today, slot);
  return { ...was, startsOn: day, starts: half };
}

/** A visit with the next technician to the right, or to the left below 0, on the same half day. */
export function stepTechnician(
  page: BoardPage,
  over: Placings,
  job: BoardJob,
  by: 1 | -1,
): Placing | undefined {
  const was = placingOf(job, over);
  const ids = page.technicians.map((t) => t.id);
  const at = ids.indexOf(was?.technicianIds[0] ?? '');
  const technicianId = ids[(at + by + ids.length) % ids.length];
  if (!was || technicianId === undefined) return undefined;
  return putAt(page, over, job, {
    technicianId,
    slot: slotOf(page.today, was.startsOn, was.starts),
  });
}
