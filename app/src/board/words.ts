import type {
  BoardJob,
  BoardPage,
  Frees,
  HeldUpReason,
  Placing,
  PlanFares,
  WhatIf,
} from '@green-tally/core/contracts';
import type { z } from 'zod';
import { halfWords, weekdayWords } from '../yard/words';

/** "Ines Marrow and Odd Fenwright". */
export const handsWords = (page: BoardPage, to: Placing): string =>
  to.technicianIds
    .map((id) => page.technicians.find((t) => t.id === id)?.name ?? 'somebody')
    .join(' and ');

/** "Tue 16 Jun, morning: Ines Marrow, in the bay". */
export function placingWords(page: BoardPage, to: Placing | null): string {
  if (!to) return 'not planned';
  const site = to.site === 'bay' ? 'in the bay' : 'at the farm';
  return `${weekdayWords(to.startsOn)}, ${halfWords(to.starts)}: ${handsWords(page, to)}, ${site}`;
}

const REASONS: Readonly<Record<z.infer<typeof HeldUpReason>, string>> = {
  skill: 'nobody here can do it',
  parts: 'its parts come too late',
  time: 'there is not time enough before harvest',
  pin: 'it was pinned there',
  bay: 'no bay is free in time',
  hands: 'everybody who could is busy',
  plan: 'the plan has it late though it need not be',
};
const FREES: Readonly<Record<z.infer<typeof Frees>, string>> = {
  moveIt: 'moving it',
  partsNow: 'its parts today',
  anotherBay: 'one more bay',
  overTime: 'working over time',
  anyoneDoesIt: 'anybody able to do it',
  anotherHand: 'one more technician',
};

/** Why a visit is late, and what would save it. */
export function heldUpWords({ days, by, frees }: PlanFares['late'][number]): {
  readonly why: string;
  readonly saves: string;
} {
  const late = days === null ? 'No place' : `${days} ${days === 1 ? 'day' : 'days'} too late`;
  return {
    why: `${late}: ${REASONS[by]}.`,
    saves: frees.length
      ? `What alone would save it: ${frees.map((f) => FREES[f]).join(', ')}.`
      : 'Nothing alone would save it.',
  };
}

/** "2 h, half a day, 2 hands". */
export function lengthWords(job: BoardJob, to: Placing | null): string {
  const halves = to?.halfDays ?? job.halfDays;
  const days = halves / 2;
  const long = halves === 1 ? 'half a day' : `${days} ${days === 1 ? 'day' : 'days'}`;
  return `${job.hours} h, ${long}${job.crew === 2 ? ', two people' : ''}`;
}

/** Machines that are likely enough ready are counted from here on. */
export const LIKELY = 0.95;

/**
 * "accepted work in time with at least 95 % on 38 of 41 machines": of work that nobody has found or
 * accepted yet a plan can say nothing.
 */
export function likelyWords(chances: readonly number[]): string {
  const likely = chances.filter((c) => c >= LIKELY).length;
  return `accepted work in time with at least 95 % on ${likely} of ${chances.length} machines`;
}

/** What is asked, in words. */
export function whatIfWords(page: BoardPage, what: WhatIf): string {
  switch (what.kind) {
    case 'earlier': {
      const crop = what.crop ?? 'all crops';
      const days = Math.abs(what.days);
      return `${crop}: harvest ${days} ${days === 1 ? 'day' : 'days'} ${what.days < 0 ? 'later' : 'earlier'}`;
    }
    case 'away':
      return `${page.technicians.find((t) => t.id === what.technicianId)?.name ?? 'Somebody'} away from ${weekdayWords(what.from)} to ${weekdayWords(what.to)}`;
    case 'partLate':
      return `${what.number} comes ${what.days} ${what.days === 1 ? 'day' : 'days'} later`;
    case 'extraDay':
      return `${weekdayWords(what.on)} is worked by all`;
    case 'down':
      return `${page.machines.find((m) => m.id === what.machineId)?.serial ?? 'A machine'} breaks down: ${what.hours} h of work`;
  }
}
