import { random } from '../random';
import { CLOSED, OPEN, OVER_TIME, type BoardProblem, type BoardVisit } from './problem';

/** How large a board is made up, and how full. */
export interface Sample {
  readonly visits: number;
  readonly technicians: number;
  readonly days: number;
  readonly seed: number;
  /** work over what there is time for until the last harvest; 0.7 unless said */
  readonly load?: number;
  readonly bays?: number;
}

const SKILLS = ['drives', 'threshing', 'header', 'hydraulics'];

/** A made-up board, the same for the same seed: for measuring and for holding the search against. */
export function sampleBoard({
  visits: count,
  technicians: hands,
  days,
  seed,
  load = 0.7,
  bays = Math.max(1, Math.ceil(hands * 0.6)),
}: Sample): BoardProblem {
  const dice = random(seed);
  const upTo = (n: number) => Math.floor(dice.next() * n);
  const slots = 2 * days;
  const technicians = Array.from({ length: hands }, (_, k) => ({
    id: `t${k}`,
    skills: SKILLS.filter((__, s) => s === k % SKILLS.length || dice.next() < 0.6),
    open: Array.from({ length: slots }, (__, t) => {
      const weekday = Math.floor(t / 2) % 7;
      if (weekday === 6) return CLOSED;
      if (weekday === 5) return OVER_TIME;
      return dice.next() < 0.02 ? CLOSED : OPEN;
    }),
  }));
  const farms = Array.from({ length: Math.max(2, Math.ceil(count / 4)) }, () => ({
    x: dice.next() * 60 - 30,
    y: dice.next() * 60 - 30,
  }));
  const time = (hands * slots * 5) / 7;
  const mean = (load * time) / Math.max(1, count);
  const harvests = [0.45, 0.65, 0.95].map((h) => Math.round(h * slots));
  const made = Array.from({ length: count }, (_, i): BoardVisit => {
    const halfDays = Math.max(
      1,
      Math.min(slots >> 1, Math.round(mean * (0.4 + 1.2 * dice.next()))),
    );
    const own = technicians[upTo(hands)]?.skills ?? [];
    const due = harvests[upTo(harvests.length)] ?? slots;
    return {
      id: `v${i}`,
      machine: `m${i}`,
      halfDays,
      skills: own.slice(0, 1),
      crew: hands > 1 && dice.next() < 0.05 ? 2 : 1,
      farm: dice.next() < 0.35 ? farms[upTo(farms.length)] : undefined,
      earliest: dice.next() < 0.3 ? upTo(Math.max(1, due >> 1)) : 0,
      due,
      perDayLate: 100 + upTo(900),
    };
  });
  return {
    slots,
    bays,
    home: { x: 0, y: 0 },
    technicians,
    visits: made,
    costs: { km: 1.2, overTime: 60, change: 80, unplaced: 100_000 },
  };
}
