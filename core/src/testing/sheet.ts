import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import {
  Check,
  Reading,
  SpecSheet,
  type Machine,
  type ReadingValue,
  type TakeUp,
} from '../contracts';

/** A shipped demo sheet by file name, checked against the contract. For tests only. */
export function demoSheet(
  file:
    | 'ouzel7'
    | 'ouzel5'
    | 'ouzel9'
    | 'corrie4'
    | 'corrie6'
    | 'merle10'
    | 'merle12'
    | 'tarn7'
    | 'tarn5',
): SpecSheet {
  return SpecSheet.parse(
    JSON.parse(readFileSync(resolve(__dirname, '../../../demo/specs', `${file}.json`), 'utf8')),
  );
}

/** A demo sheet cut down to a short walk: the five checks that tests tell their stories with. */
export function shortSheet(file: 'ouzel7' | 'ouzel5' | 'merle12'): SpecSheet {
  const sheet = demoSheet(file);
  const short = [
    'gathering-chain',
    'conveyor-chain-tension',
    'elevator-chain',
    'fan-drive-belt',
    'chopper-knives',
  ];
  const known = (id: string) => short.includes(id);
  return {
    ...sheet,
    checks: sheet.checks
      .filter((c) => known(c.id))
      .map((c) => ({
        ...c,
        pairs: c.pairs.filter((p) => known(p.check)),
        knockOns: c.knockOns.filter((k) => !('check' in k) || known(k.check)),
      })),
  };
}

/** One check of the Ouzel 7 or Merle 12 sheet, with fields changed for the test. */
export function demoCheck<K extends Check['kind']>(
  id: string,
  kind: K,
  change: object = {},
): Extract<Check, { kind: K }> {
  const check = [...demoSheet('ouzel7').checks, ...demoSheet('merle12').checks].find(
    (c) => c.id === id,
  );
  const parsed = Check.parse({ ...check, ...change });
  if (parsed.kind !== kind) throw new Error(`${id} is ${parsed.kind}`);
  return parsed as Extract<Check, { kind: K }>;
}

/** A check made for a test on the plainest ground: only what the test is about is given. */
export function madeCheck<K extends Check['kind']>(
  kind: K,
  change: object,
): Extract<Check, { kind: K }> {
  const parsed = Check.parse({
    id: 'made',
    station: 6,
    stationName: 'Threshing',
    component: 'Made part',
    measures: 'what it measures',
    kind,
    on: 'combine',
    places: ['here'],
    position: 'Header down',
    method: 'look',
    how: 'Look.',
    why: 'So.',
    tool: { name: 'Feeler gauge', resolution: 0.05 },
    labour: { measure: 5 },
    ifLeft: 'It breaks.',
    source: 'Test book, page 1',
    ...change,
  });
  return parsed as Extract<Check, { kind: K }>;
}

/** The adjuster of a conveyor chain: a slot of 45 mm, 94 pitches. For tests only. */
export const TAKE_UP: TakeUp = {
  total: 45,
  reserve: 10,
  strandsPerTravel: 2,
  pitch: 41.4,
  loopPitches: 94,
  limitPercent: 2.6,
  resolution: 1,
};

/** T118 of the demo with a header on it, three weeks before its barley. For tests only. */
export const T118: Machine = {
  id: '0197a000-0000-7000-8000-000000000001',
  serial: 'T118',
  model: 'Ouzel 7',
  customer: 'Harrow End',
  branch: 'Upper Larkmoor',
  builtOn: '2021-03-15',
  hours: 1284,
  header: { model: 'Merle 12', serial: 'H41' },
  harvest: {
    crop: 'malting barley',
    start: '2026-06-30',
    end: '2026-07-14',
    areaHa: 520,
    widthM: 10.7,
    speedKmh: 6.2,
    efficiency: 0.72,
  },
};

export const MACHINE_ID = T118.id;
export const WALK_ID = '0197a000-0000-7000-8000-00000000aaaa';
let serial = 0;

/** A reading of this test's walk; each call is one minute later than the last. */
export function reading(
  checkId: string,
  place: string,
  value: ReadingValue,
  change: Partial<Reading> = {},
): Reading {
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
    takenAt: new Date(Date.UTC(2026, 5, 9, 7, 0) + serial * 60_000).toISOString(),
    hours: 1284,
    by: 'Ines Marrow',
    ...change,
  });
}

/** A machine of 2022 with this equipment, as its checks are asked for. */
export const built = (equipment: Record<string, string> = {}) => ({
  serial: 'T118',
  year: 2022,
  equipment,
});
