import {
  Reading,
  SpecSheet,
  type MachineFile,
  type ReadingValue,
} from '@green-tally/core/contracts';
import ouzel7 from '../../../demo/specs/ouzel7.json';
import merle12 from '../../../demo/specs/merle12.json';

export const MACHINE_ID = '0197a000-0000-7000-8000-000000000001';
export const WALK_ID = '0197a000-0000-7000-8000-00000000aaaa';

/** An Ouzel 7 with its header, freshly in a walk, nothing measured. */
export const machineFile = (readings: Reading[] = []): MachineFile => ({
  machine: {
    id: MACHINE_ID,
    serial: 'T126',
    model: 'Ouzel 7',
    customer: 'Fallow Cross',
    branch: 'Upper Larkmoor',
    builtOn: '2022-11-04',
    hours: 690,
    header: { model: 'Merle 12', serial: 'H47' },
    harvest: {
      crop: 'malting barley',
      start: '2026-07-09',
      end: '2026-07-23',
      areaHa: 480,
      widthM: 10.7,
      speedKmh: 6.2,
      efficiency: 0.72,
    },
  },
  sheets: [ouzel7, merle12].map((s) => SpecSheet.parse(s)),
  readings,
  earlier: [],
  work: [],
  visits: [],
  walks: [
    {
      id: WALK_ID,
      machineId: MACHINE_ID,
      startedAt: '2026-06-09T07:00:00.000Z',
      finishedAt: null,
      madeSafeAt: '2026-06-09T07:00:00.000Z',
      hours: 690,
      by: 'Ines Marrow',
      noticed: '',
      checks: null,
      kind: null,
      minutes: null,
      asFound: {},
    },
  ],
  ticks: [],
  photos: [],
  said: [],
  costs: null,
  rates: {},
  hands: {},
  times: {},
});

let serial = 0;
/** A reading of that walk. */
export const reading = (
  checkId: string,
  place: string,
  value: ReadingValue,
  change: Partial<Reading> = {},
): Reading => {
  serial += 1;
  return Reading.parse({
    id: `0197a000-0000-7000-8000-${serial.toString(16).padStart(12, '0')}`,
    machineId: MACHINE_ID,
    walkId: WALK_ID,
    checkId,
    sheet: { model: 'Ouzel 7', revision: 1 },
    place,
    state: 'asFound',
    value,
    positionConfirmed: true,
    takenAt: new Date(Date.UTC(2026, 5, 9, 8) + serial * 60_000).toISOString(),
    hours: 690,
    by: 'Ines Marrow',
    ...change,
  });
};

/** A check of the file by its id. */
export const checkOf = (file: MachineFile, id: string) => {
  const check = file.sheets.flatMap((s) => s.checks).find((c) => c.id === id);
  if (!check) throw new Error(`no check ${id}`);
  return check;
};
