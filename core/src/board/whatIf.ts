import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { BoardJob, BoardPage, Day, WhatIf } from '../contracts';
import { halfDaysOf, slotOf } from '../crew';
import { InputError } from '../units';
import { CLOSED, OPEN, SLOTS_A_DAY } from './problem';

const moved = (day: Day, days: number): Day =>
  formatISO(addDays(parseISO(day), days), { representation: 'date' });

/**
 * The board as it would be.
 * @throws InputError naming the field: a technician, part, crop or machine that is not on it, a day
 *   that is not
 */
export const asIf = (page: BoardPage, whatIf: readonly WhatIf[]): BoardPage =>
  whatIf.reduce((board, what, i) => {
    switch (what.kind) {
      case 'earlier':
        return earlier(board, what, `whatIf.${i}`);
      case 'away':
        return away(board, what, `whatIf.${i}`);
      case 'partLate':
        return partLate(board, what, `whatIf.${i}`);
      case 'extraDay':
        return extraDay(board, what, `whatIf.${i}`);
      case 'down':
        return down(board, what, `whatIf.${i}`);
    }
  }, page);

type Of<K extends WhatIf['kind']> = Extract<WhatIf, { kind: K }>;

function earlier(page: BoardPage, { crop, days }: Of<'earlier'>, at: string): BoardPage {
  if (crop !== null && !page.machines.some((m) => m.crop === crop))
    throw new InputError(`${at}.crop`, crop, 'a crop of this branch');
  const shift = <T extends Pick<BoardJob, 'crop' | 'harvest' | 'due'>>(of: T): T =>
    crop !== null && of.crop !== crop
      ? of
      : {
          ...of,
          harvest: { start: moved(of.harvest.start, -days), end: moved(of.harvest.end, -days) },
          due: moved(of.due, -days),
        };
  return { ...page, jobs: page.jobs.map(shift), machines: page.machines.map(shift) };
}

function away(page: BoardPage, { technicianId, from, to }: Of<'away'>, at: string): BoardPage {
  if (!page.technicians.some((t) => t.id === technicianId))
    throw new InputError(`${at}.technicianId`, technicianId, 'a technician of this branch');
  if (to < from) throw new InputError(`${at}.to`, to, `${from} or later`);
  const [first, last] = [slotOf(page.today, from, 'morning'), slotOf(page.today, to, 'noon')];
  return {
    ...page,
    technicians: page.technicians.map((t) =>
      t.id === technicianId
        ? {
            ...t,
            open: t.open.map((o, slot) => (slot >= first && slot <= last ? CLOSED : o)),
            away: [...t.away, { from, to, why: 'as asked here' }],
          }
        : t,
    ),
  };
}

function partLate(page: BoardPage, { number, days }: Of<'partLate'>, at: string): BoardPage {
  if (!page.jobs.some((j) => j.awaited.some((p) => p.number === number)))
    throw new InputError(`${at}.number`, number, 'a part that some visit waits for');
  return {
    ...page,
    jobs: page.jobs.map((job) => {
      if (!job.awaited.some((p) => p.number === number)) return job;
      const awaited = job.awaited.map((p) =>
        p.number === number && p.on !== null ? { ...p, on: moved(p.on, days) } : p,
      );
      return { ...job, awaited, earliest: earliestOf(awaited, page.today) };
    }),
  };
}

/** The first day with all parts here: today where none is awaited; null where nobody knows. */
export function earliestOf(awaited: BoardJob['awaited'], today: Day): Day | null {
  let first = today;
  for (const { on } of awaited) {
    if (on === null) return null;
    if (on > first) first = on;
  }
  return first;
}

function extraDay(page: BoardPage, { on }: Of<'extraDay'>, at: string): BoardPage {
  const first = slotOf(page.today, on, 'morning');
  if (first < 0 || first >= page.slots)
    throw new InputError(`${at}.on`, on, `a day from ${page.today} on the board`);
  return {
    ...page,
    technicians: page.technicians.map((t) => ({
      ...t,
      open: t.open.map((o, slot) => (slot >= first && slot < first + SLOTS_A_DAY ? OPEN : o)),
    })),
  };
}

/** A machine that stands: work nobody had reckoned with, to be begun at once. */
function down(page: BoardPage, { machineId, hours }: Of<'down'>, at: string): BoardPage {
  const machine = page.machines.find((m) => m.id === machineId);
  if (!machine) throw new InputError(`${at}.machineId`, machineId, 'a machine of this branch');
  const { crop, harvest, due, perDayLate, spot, id, serial, model, customer } = machine;
  const job: BoardJob = {
    id,
    machine: { id, serial, model, customer },
    version: 0,
    published: null,
    ends: null,
    startedAt: null,
    finishedAt: null,
    note: '',
    ...{ crop, harvest, due, hours, perDayLate, spot },
    halfDays: halfDaysOf(hours),
    crew: 1,
    skills: [],
    workIds: [],
    work: [],
    awaited: [],
    earliest: page.today,
    notAtFarm: [],
    site: 'bay',
    chance: null,
  };
  return { ...page, jobs: [...page.jobs, job] };
}
