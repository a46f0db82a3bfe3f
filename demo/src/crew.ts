import type {
  BoardSetting,
  MapSpot,
  TechnicianHours,
  Visit,
  Worked,
  WorkItem,
  Machine,
} from '@green-tally/core/contracts';
import { halfDayAt, halfDaysOf, lastSlot, openSlots, USUAL_WEEK } from '@green-tally/core/crew';
import { demoId } from './ids';
import type { DemoMachine } from './machines';
import { DEMO_PEOPLE } from './people';

const HOLIDAYS = [{ on: '2026-06-24', name: 'Midsummer' }];

/** How the invented branches plan their visits. */
export const DEMO_BOARDS: readonly BoardSetting[] = [
  {
    branch: 'Upper Larkmoor',
    bays: 3,
    home: { x: 0, y: 0 },
    km: 1.4,
    overTime: 90,
    change: 120,
    holidays: HOLIDAYS,
    skills: [
      { name: 'variable drives', words: ['variable'] },
      { name: 'knives and rotors', words: ['knife', 'knives', 'rotor', 'rasp'] },
      { name: 'hydraulics', words: ['hydraulic', 'cylinder', 'hydrostatic'] },
    ],
    twoHands: ['feeder drum', 'concave'],
    notAtFarm: ['header:stands', 'header:off', 'drive:farSheaveClosed'],
    ripe: { earlier: 6, later: 9 },
    version: 1,
  },
  {
    branch: 'Sedge Ford',
    bays: 1,
    home: { x: 31, y: -14 },
    km: 1.4,
    overTime: 80,
    change: 100,
    holidays: HOLIDAYS,
    skills: [{ name: 'variable drives', words: ['variable'] }],
    twoHands: ['feeder drum', 'concave'],
    notAtFarm: ['header:off'],
    ripe: { earlier: 6, later: 9 },
    version: 1,
  },
];

/** Monday to Friday, and Saturday morning over time. */
const SATURDAYS: readonly Worked[] = USUAL_WEEK.map((w, i) => (i === 10 ? 'over' : w));
/** Monday to Thursday. */
const FOUR_DAYS: readonly Worked[] = USUAL_WEEK.map((w, i) => (i >= 8 ? 'off' : w));

type Own = Partial<Pick<TechnicianHours, 'week' | 'away' | 'skills'>>;
const OWN: Readonly<Record<string, Own>> = {
  ines: { skills: ['variable drives', 'knives and rotors'], week: [...SATURDAYS] },
  tobin: {
    skills: ['variable drives', 'hydraulics'],
    away: [{ from: '2026-06-15', to: '2026-06-19', why: 'on a course' }],
  },
  odd: { skills: ['knives and rotors', 'hydraulics'], week: [...SATURDAYS] },
  bram: { skills: ['variable drives', 'knives and rotors', 'hydraulics'], week: [...FOUR_DAYS] },
  sana: { skills: ['variable drives'], week: [...SATURDAYS] },
  wick: { skills: ['variable drives'] },
};

/** What the technicians can do, and when. */
export const DEMO_HOURS: readonly TechnicianHours[] = DEMO_PEOPLE.filter(
  (p) => p.role === 'technician',
).map(({ signIn }) => ({
  personId: demoId(`person ${signIn}`),
  skills: [],
  week: [...USUAL_WEEK],
  away: [],
  ...OWN[signIn],
  version: 1,
}));

/** Where the farms lie: around their branch, farther the later they are named. One nobody has looked up. */
export function spotOf(branch: string, i: number): MapSpot | null {
  const home = DEMO_BOARDS.find((b) => b.branch === branch)?.home;
  if (!home || i % 11 === 10) return null;
  // a golden turn from each to the next spreads them evenly
  const angle = i * 2.399963;
  const far = 6 + 4.5 * Math.sqrt(i);
  return {
    x: Math.round(10 * (home.x + far * Math.cos(angle))) / 10,
    y: Math.round(10 * (home.y + far * Math.sin(angle))) / 10,
  };
}

interface VisitTo {
  readonly machine: Machine;
  readonly work: readonly WorkItem[];
  readonly hours: number;
}

/** A visit as it was planned: it ends when its technician has worked its hours. */
export function visitOf(
  { technician, mate, startsOn, site }: NonNullable<DemoMachine['visit']>,
  { machine, work, hours }: VisitTo,
): Visit {
  const [technicianId = '', mateId = null] = [technician, mate].flatMap((name) => {
    const person = DEMO_PEOPLE.find((p) => p.name === name);
    return person ? [demoId(`person ${person.signIn}`)] : [];
  });
  const opens = DEMO_HOURS.filter((h) => h.personId === technicianId || h.personId === mateId).map(
    (h) => openSlots(h, HOLIDAYS, startsOn, 60),
  );
  const length = halfDaysOf(hours, mateId ? 2 : 1);
  const ends = halfDayAt(startsOn, lastSlot(opens, 0, length, false) ?? 0);
  return {
    id: demoId(`visit ${machine.serial}`),
    machineId: machine.id,
    technicianId,
    technician,
    mateId,
    mate: mate ?? null,
    startsOn,
    starts: 'morning',
    endsOn: ends.day,
    ends: ends.half,
    halfDays: null,
    hours,
    site,
    pinned: false,
    overTime: false,
    note: '',
    workIds: work.map((w) => w.id),
    startedAt: null,
    stoppedAt: null,
    finishedAt: null,
    version: 1,
  };
}
