import type { ReadingValue } from '@green-tally/core/contracts';
import type { BRANCHES } from './people';

/**
 * How a wearing part came to where it is: its wear fraction today, and the walk (0–3) at which it
 * was last renewed, if it was.
 */
export interface Life {
  readonly wear: number;
  readonly renewedAt?: number;
}

/** One machine of the scenario and what its newest walk is to find. */
export interface DemoMachine {
  readonly serial: string;
  readonly model: 'Ouzel 5' | 'Ouzel 7' | 'Corrie 4';
  readonly header: { readonly model: string; readonly serial: string } | null;
  /** how it differs from the first option of its sheet */
  readonly equipment?: Readonly<Record<string, string>>;
  readonly customer: string;
  readonly branch: (typeof BRANCHES)[number];
  readonly builtOn: string;
  readonly hours: number;
  readonly crop: string;
  readonly harvest: readonly [string, string];
  readonly areaHa: number;
  readonly widthM: number;
  /** day of this season's walk, or null when there was none */
  readonly walked: string | null;
  readonly unfinished?: boolean;
  readonly walkedBy: string;
  readonly belt: Life;
  readonly chains: Life;
  /** elongation of the conveyor chain today, % */
  readonly conveyor: number;
  /** values this season's walk finds instead of what wear alone would give, by check and place */
  readonly finds?: Readonly<Record<string, readonly ReadingValue[]>>;
  /** this season's decisions are accepted into work; with a visit: who and when */
  readonly accepted?: boolean;
  readonly visit?: {
    readonly technician: string;
    readonly startsOn: string;
    readonly site: 'bay' | 'farm';
  };
  /** its readings are still on paper: they are in the sample file, not in the books */
  readonly onPaper?: boolean;
}

const travel = (left: number): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut: 0,
  typed: String(left),
  unit: 'mm',
});
const at: ReadingValue = { kind: 'mark', stands: 'at', by: 0 };
const short = (by: number): ReadingValue => ({ kind: 'mark', stands: 'short', by });
const knives = (
  missing: number,
  damaged: number,
  oneEdge: number,
  bothEdges: number,
): ReadingValue => ({ kind: 'count', missing, damaged, oneEdge, bothEdges });
const RC = (serial: string) => ({ model: 'Merle 12', serial });

/**
 * The yard on the stated day: every decision word present, one late, one false tension, one
 * unequal, one that only "looks fine".
 */
export const DEMO_MACHINES: readonly DemoMachine[] = [
  {
    serial: 'T118',
    model: 'Ouzel 7',
    header: RC('H41'),
    customer: 'Harrow End',
    branch: 'Upper Larkmoor',
    builtOn: '2021-03-15',
    hours: 1284,
    crop: 'malting barley',
    harvest: ['2026-06-30', '2026-07-14'],
    areaHa: 520,
    widthM: 10.7,
    walked: '2026-06-05',
    walkedBy: 'Ines Marrow',
    belt: { wear: 1.22, renewedAt: 0 },
    chains: { wear: 0.55 },
    conveyor: 1.2,
    accepted: true,
    visit: { technician: 'Ines Marrow', startsOn: '2026-07-01', site: 'bay' },
    finds: { 'chopper-knives/rotor': [knives(1, 1, 6, 0)] },
  },
  {
    serial: 'T104',
    model: 'Ouzel 7',
    header: RC('H38'),
    customer: 'Thornmere Estate',
    branch: 'Upper Larkmoor',
    builtOn: '2020-02-10',
    hours: 1510,
    crop: 'malting barley',
    harvest: ['2026-07-02', '2026-07-18'],
    areaHa: 610,
    widthM: 10.7,
    walked: '2026-06-04',
    walkedBy: 'Tobin Vale',
    belt: { wear: 0.4, renewedAt: 2 },
    chains: { wear: 0.62, renewedAt: 0 },
    conveyor: 2.2,
    finds: {
      'conveyor-chain-tension/left': [at, travel(0)],
      'conveyor-chain-tension/right': [at, travel(1)],
    },
  },
  {
    serial: 'T090',
    model: 'Ouzel 5',
    header: null,
    customer: 'Pell Brothers',
    branch: 'Upper Larkmoor',
    builtOn: '2019-05-02',
    hours: 1742,
    crop: 'malting barley',
    harvest: ['2026-07-06', '2026-07-17'],
    areaHa: 380,
    widthM: 9.1,
    walked: null,
    walkedBy: 'Odd Fenwright',
    belt: { wear: 0.5, renewedAt: 1 },
    chains: { wear: 0.3 },
    conveyor: 1.4,
  },
  {
    serial: 'B027',
    model: 'Corrie 4',
    header: { model: 'Tarn 7', serial: 'H12' },
    customer: 'Osier Farm',
    branch: 'Upper Larkmoor',
    builtOn: '2018-04-20',
    hours: 1630,
    crop: 'malting barley',
    harvest: ['2026-07-02', '2026-07-16'],
    areaHa: 300,
    widthM: 7.6,
    walked: '2026-06-03',
    walkedBy: 'Bram Tolley',
    belt: { wear: 0.35, renewedAt: 2 },
    chains: { wear: 0.3 },
    conveyor: 1.1,
    accepted: true,
    visit: { technician: 'Bram Tolley', startsOn: '2026-06-18', site: 'farm' },
    finds: {
      'conveyor-chain-tension/left': [short(2), travel(26)],
      'conveyor-chain-tension/right': [short(2), travel(25)],
      'elevator-chain/boot': [{ kind: 'feel', feel: 'hangs' }, travel(34)],
    },
  },
  {
    serial: 'T120',
    model: 'Ouzel 7',
    header: RC('H44'),
    customer: 'Cawdell Grange',
    branch: 'Upper Larkmoor',
    builtOn: '2022-01-18',
    hours: 905,
    crop: 'lentils',
    harvest: ['2026-07-20', '2026-07-31'],
    areaHa: 460,
    widthM: 10.7,
    walked: '2026-06-08',
    walkedBy: 'Ines Marrow',
    belt: { wear: 0.78, renewedAt: 1 },
    chains: { wear: 0.4 },
    conveyor: 0.9,
    finds: { 'chopper-knives/rotor': [knives(0, 0, 22, 0)] },
  },
  {
    serial: 'B019',
    model: 'Corrie 4',
    header: { model: 'Tarn 7', serial: 'H09' },
    customer: 'Low Birrow',
    branch: 'Upper Larkmoor',
    builtOn: '2017-03-09',
    hours: 1988,
    crop: 'malting barley',
    harvest: ['2026-07-03', '2026-07-15'],
    areaHa: 280,
    widthM: 7.6,
    walked: '2026-06-02',
    walkedBy: 'Tobin Vale',
    belt: { wear: 0.3, renewedAt: 3 },
    chains: { wear: 0.3 },
    conveyor: 1.3,
    accepted: true,
    finds: { 'chopper-knives/rotor': [knives(2, 0, 3, 1)] },
  },
  {
    serial: 'T091',
    model: 'Ouzel 5',
    header: { model: 'Merle 10', serial: 'H33' },
    customer: 'Withy Hall',
    branch: 'Upper Larkmoor',
    builtOn: '2021-06-30',
    hours: 640,
    crop: 'lentils',
    harvest: ['2026-07-22', '2026-08-01'],
    areaHa: 340,
    widthM: 9.1,
    walked: '2026-06-08',
    walkedBy: 'Odd Fenwright',
    belt: { wear: 0.28 },
    chains: { wear: 0.2 },
    conveyor: 0.6,
  },
  {
    serial: 'T113',
    equipment: { 'feeder-drive': 'fixed' },
    model: 'Ouzel 7',
    header: { model: 'Merle 10', serial: 'H35' },
    customer: 'Marl Bottom',
    branch: 'Upper Larkmoor',
    builtOn: '2020-09-14',
    hours: 1180,
    crop: 'malting barley',
    harvest: ['2026-07-08', '2026-07-22'],
    areaHa: 450,
    widthM: 12.2,
    walked: '2026-06-08',
    walkedBy: 'Tobin Vale',
    belt: { wear: 0.6, renewedAt: 1 },
    chains: { wear: 0.3 },
    conveyor: 1.2,
    finds: {
      'fan-drive-belt/belt': [{ kind: 'look', seen: 'fine', found: '' }],
      'conveyor-chain-tension/left': [at, travel(24)],
      'conveyor-chain-tension/right': [at, travel(18)],
    },
  },
  {
    serial: 'T126',
    model: 'Ouzel 7',
    header: RC('H47'),
    customer: 'Fallow Cross',
    branch: 'Upper Larkmoor',
    builtOn: '2022-11-04',
    hours: 690,
    crop: 'malting barley',
    harvest: ['2026-07-09', '2026-07-23'],
    areaHa: 480,
    widthM: 10.7,
    walked: '2026-06-08',
    walkedBy: 'Bram Tolley',
    belt: { wear: 0.86, renewedAt: 1 },
    chains: { wear: 0.7 },
    conveyor: 1.5,
    onPaper: true,
    finds: {
      'gathering-chain/row 8 left': [
        { kind: 'measure', values: [424.5], typed: ['424.5'], unit: 'mm' },
        travel(12),
      ],
    },
  },
  {
    serial: 'B031',
    equipment: { chopper: 'standard', 'conveyor-tension': 'hydraulic' },
    model: 'Corrie 4',
    header: { model: 'Tarn 7', serial: 'H15' },
    customer: 'Sallow Wick',
    branch: 'Sedge Ford',
    builtOn: '2019-02-21',
    hours: 1404,
    crop: 'malting barley',
    harvest: ['2026-07-01', '2026-07-13'],
    areaHa: 260,
    widthM: 7.6,
    walked: '2026-06-05',
    walkedBy: 'Sana Quill',
    belt: { wear: 1.1, renewedAt: 0 },
    chains: { wear: 0.3 },
    conveyor: 1.0,
    accepted: true,
  },
  {
    serial: 'T077',
    model: 'Ouzel 5',
    header: { model: 'Merle 10', serial: 'H31' },
    customer: 'Ferry Lees',
    branch: 'Sedge Ford',
    builtOn: '2018-08-08',
    hours: 1866,
    crop: 'malting barley',
    harvest: ['2026-07-04', '2026-07-15'],
    areaHa: 360,
    widthM: 9.1,
    walked: null,
    walkedBy: 'Wick Harlen',
    belt: { wear: 0.45, renewedAt: 2 },
    chains: { wear: 0.3 },
    conveyor: 1.6,
  },
  {
    serial: 'T114',
    equipment: { 'unload-drives': 'two' },
    model: 'Ouzel 7',
    header: RC('H45'),
    customer: 'Gull Marsh',
    branch: 'Sedge Ford',
    builtOn: '2021-04-12',
    hours: 1095,
    crop: 'grain sorghum',
    harvest: ['2026-08-24', '2026-09-08'],
    areaHa: 540,
    widthM: 10.7,
    walked: '2026-06-09',
    unfinished: true,
    walkedBy: 'Sana Quill',
    belt: { wear: 0.5, renewedAt: 1 },
    chains: { wear: 0.5 },
    conveyor: 1.1,
  },
];
