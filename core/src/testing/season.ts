import type { Check, MachineFile, Reading, Tick, Visit, WorkedEntry, WorkItem } from '../contracts';
import { CLOSING } from '../plan';
import { demoSheet, MACHINE_ID, WALK_ID } from './sheet';

/** A day of the walk before harvest, and the first of harvest. */
export const TODAY = '2026-06-09';

/** A tick as a person gave it on the day of the walk. */
export const tick = (key: string, change: Partial<Tick> = {}): Tick => ({
  id: `0197a000-0000-7000-8000-${Math.abs(hash(key)).toString(16).padStart(12, '0').slice(-12)}`,
  machineId: MACHINE_ID,
  key,
  done: true,
  at: '2026-06-09T10:00:00.000Z',
  by: 'Ines Marrow',
  note: '',
  until: null,
  answer: null,
  ...change,
});
const hash = (text: string): number =>
  [...text].reduce((h, c) => (h * 31 + c.charCodeAt(0)) | 0, 7);

/** The machine was closed up after its walk. */
export const closedUp = (): Tick[] => CLOSING.map(({ id }) => tick(`close|${WALK_ID}|${id}`));

/** The fan belt's work, accepted on the day of the walk. */
export const workItem = (change: Partial<WorkItem> = {}): WorkItem => ({
  id: '0197a000-0000-7000-8000-0000000000b1',
  machineId: MACHINE_ID,
  checkId: 'fan-drive-belt',
  from: 'verdict',
  task: null,
  decision: 'replace',
  places: ['belt'],
  reason: 'too narrow',
  minutes: 75,
  cover: null,
  parts: [],
  mates: [],
  learnt: null,
  proposed: null,
  worked: [],
  acceptedBy: 'Rhea Aldane',
  acceptedAt: '2026-06-09T15:00:00.000Z',
  withdrawnAt: null,
  ...change,
});

/** An hour's work on it, the day after. */
export const workedEntry = (change: Partial<WorkedEntry> = {}): WorkedEntry => ({
  id: '0197a000-0000-7000-8000-0000000000d1',
  at: '2026-06-10T09:00:00.000Z',
  by: 'Ines Marrow',
  hands: ['Ines Marrow'],
  minutes: 60,
  parts: [],
  hours: 1284,
  note: '',
  strikes: null,
  ...change,
});

interface Season {
  readonly checks?: readonly Check[];
  readonly readings?: readonly Reading[];
  readonly work?: readonly WorkItem[];
  readonly visits?: readonly Visit[];
  readonly ticks?: readonly Tick[];
  /** the walk of this season; null: none */
  readonly finishedAt?: string | null;
  readonly walked?: boolean;
}

/** A machine before harvest with one sheet of a few checks, its walk finished unless said. */
export function seasonFile({
  checks = demoSheet('ouzel7').checks.filter((c) => c.id === 'fan-drive-belt'),
  readings = [],
  work = [],
  visits = [],
  ticks = [],
  finishedAt = '2026-06-09T09:00:00.000Z',
  walked = true,
}: Season = {}): MachineFile {
  const ids = new Set(checks.map((c) => c.id));
  return {
    machine: {
      id: MACHINE_ID,
      serial: 'T118',
      model: 'Ouzel 7',
      customer: 'Harrow End',
      branch: 'Upper Larkmoor',
      builtOn: '2022-03-01',
      hours: 1284,
      header: null,
      harvest: {
        crop: 'malting barley',
        start: '2026-06-30',
        end: '2026-07-12',
        areaHa: 520,
        widthM: 10.7,
        speedKmh: 6.2,
        efficiency: 0.72,
      },
    },
    sheets: [
      {
        ...demoSheet('ouzel7'),
        checks: checks.map((c) => ({
          ...c,
          pairs: c.pairs.filter((p) => ids.has(p.check)),
          knockOns: c.knockOns.filter((k) => !('check' in k) || ids.has(k.check)),
        })),
      },
    ],
    earlier: [],
    readings: [...readings],
    work: [...work],
    visits: [...visits],
    ticks: [...ticks],
    photos: [],
    said: [],
    costs: null,
    rates: {},
    hands: {},
    times: {},
    walks: walked
      ? [
          {
            id: WALK_ID,
            machineId: MACHINE_ID,
            startedAt: '2026-06-09T06:00:00.000Z',
            finishedAt,
            madeSafeAt: '2026-06-09T06:00:00.000Z',
            hours: 1284,
            by: 'Ines Marrow',
            noticed: '',
            asFound: {},
            checks: null,
            kind: null,
            minutes: null,
          },
        ]
      : [],
  };
}
