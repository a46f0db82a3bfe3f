import type { BoardJob, BoardPage, BoardSetting, Placing } from '../contracts';
import { openSlots, USUAL_WEEK } from '../crew';

/** A Tuesday. */
export const BOARD_DAY = '2026-06-09';
const SLOTS = 120;

const id = (kind: string, n: number): string =>
  `0197a000-0000-7000-8000-${kind}${String(n).padStart(12 - kind.length, '0')}`;

export const ADA = id('a', 1);
export const BEN = id('a', 2);
export const jobId = (n: number): string => id('b', n);
export const machineIdOf = (n: number): string => id('c', n);

export const boardSetting = (change: Partial<BoardSetting> = {}): BoardSetting => ({
  branch: 'Upper Larkmoor',
  bays: 1,
  home: { x: 0, y: 0 },
  km: 1,
  overTime: 50,
  change: 30,
  holidays: [],
  skills: [{ name: 'drives', words: ['variable'] }],
  twoHands: [],
  notAtFarm: [],
  ripe: { earlier: 5, later: 7 },
  version: 1,
  ...change,
});

/** Ada's morning in the bay on the first day. */
export const placing = (change: Partial<Placing> = {}): Placing => ({
  technicianIds: [ADA],
  startsOn: BOARD_DAY,
  starts: 'morning',
  site: 'bay',
  pinned: false,
  overTime: false,
  halfDays: null,
  ...change,
});

/** Work of a day on one machine that is to be ready in three weeks. */
export const boardJob = (n: number, change: Partial<BoardJob> = {}): BoardJob => ({
  id: jobId(n),
  machine: { id: machineIdOf(n), serial: `T${100 + n}`, model: 'Ouzel 7', customer: 'Harrow End' },
  version: 0,
  published: null,
  ends: null,
  startedAt: null,
  finishedAt: null,
  note: '',
  crop: 'malting barley',
  harvest: { start: '2026-06-30', end: '2026-07-14' },
  due: '2026-06-28',
  hours: 8,
  halfDays: 2,
  crew: 1,
  skills: [],
  workIds: [id('d', n)],
  work: [{ component: 'Fan drive belt', decision: 'replace' }],
  awaited: [],
  earliest: BOARD_DAY,
  perDayLate: 1000,
  spot: { x: 10, y: 0 },
  notAtFarm: [],
  site: 'bay',
  chance: null,
  ...change,
});

/** A board of two technicians, Ada who knows drives and Ben who does not. */
export function boardPageOf(jobs: readonly BoardJob[], change: Partial<BoardPage> = {}): BoardPage {
  const setting = change.setting ?? boardSetting();
  const open = openSlots({ week: [...USUAL_WEEK], away: [] }, setting.holidays, BOARD_DAY, SLOTS);
  return {
    today: BOARD_DAY,
    branch: setting.branch,
    slots: SLOTS,
    setting,
    plan: null,
    technicians: [
      { id: ADA, name: 'Ada', skills: ['drives'], open, away: [] },
      { id: BEN, name: 'Ben', skills: [], open, away: [] },
    ],
    jobs: [...jobs],
    machines: jobs.map(({ machine, crop, harvest, due, perDayLate, spot }) => ({
      ...machine,
      ...{ crop, harvest, due, perDayLate, spot },
    })),
    currency: 'crowns',
    cv: 0.25,
    cvFrom: 0,
    behind: 0,
    ...change,
  };
}
