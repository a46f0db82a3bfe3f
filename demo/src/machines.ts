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

/** What was found at a place: a plain value, or one that was taken otherwise than it should be. */
export type Found =
  | ReadingValue
  | {
      readonly taken: ReadingValue;
      /** nobody confirmed how the machine stood */
      readonly unconfirmed?: boolean;
      /** as left: adjusted, but not run and looked at again */
      readonly unsettled?: boolean;
      readonly note?: string;
    };

/** One machine of the scenario and what its newest walk is to find. */
export interface DemoMachine {
  readonly serial: string;
  readonly model: 'Ouzel 5' | 'Ouzel 7' | 'Ouzel 9' | 'Corrie 4' | 'Corrie 6';
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
  /** tasks of this season's walk that nobody has ticked yet, by their first words */
  readonly openTasks?: readonly string[];
  readonly walkedBy: string;
  /** who took the later half of this season's walk on a phone of their own */
  readonly walkedWith?: string;
  readonly belt: Life;
  readonly chains: Life;
  /** elongation of the conveyor chain today, % */
  readonly conveyor: number;
  /** elongation today of other chains, %, by check; the usual where nothing is said */
  readonly stretched?: Readonly<Record<string, number>>;
  /** values this season's walk finds instead of what wear alone would give, by check and place */
  readonly finds?: Readonly<Record<string, readonly Found[]>>;
  /** parts the owner fitted himself since the last walk, by check and place: on which day */
  readonly ownerFitted?: Readonly<Record<string, string>>;
  /** hours it has run since this season's walk */
  readonly since?: number;
  /** this season's decisions are accepted into work; with a visit: who and when */
  readonly accepted?: boolean;
  readonly visit?: {
    readonly technician: string;
    readonly mate?: string;
    readonly startsOn: string;
    readonly site: 'bay' | 'farm';
  };
  /** new this year: nothing was ever read on it */
  readonly neverWalked?: boolean;
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
const draper = (serial: string) => ({ model: 'Merle 10', serial });
const flex = (serial: string) => ({ model: 'Tarn 7', serial });
const rigid = (serial: string) => ({ model: 'Tarn 5', serial });
const measured = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: values.map(String),
  unit: 'mm',
});
const condition = (grade: 'marked' | 'damaged', seen: string[], found: string): ReadingValue => ({
  kind: 'condition',
  grade,
  seen,
  found,
});
const level = (
  stands: 'low' | 'right' | 'high',
  more: { colour?: string; product?: string; toppedUp?: number } = {},
): ReadingValue => ({
  kind: 'level',
  level: stands,
  colour: more.colour ?? '',
  product: more.product ?? '',
  toppedUp: more.toppedUp ?? null,
});
const serviced = (amount: number, product = ''): ReadingValue => ({
  kind: 'service',
  amount,
  product,
});

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
    crop: 'maize',
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
    crop: 'maize',
    harvest: ['2026-07-02', '2026-07-18'],
    areaHa: 610,
    widthM: 10.7,
    walked: '2026-06-04',
    walkedBy: 'Tobin Vale',
    belt: { wear: 0.4, renewedAt: 2 },
    chains: { wear: 0.615, renewedAt: 0 },
    conveyor: 2.2,
    finds: {
      'conveyor-chain-tension/left': [at, travel(0)],
      'conveyor-chain-tension/right': [at, travel(1)],
    },
  },
  {
    ownerFitted: { 'variable-belt-width/here': '2026-04-20' },
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
    header: flex('H12'),
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
    visit: {
      technician: 'Bram Tolley',
      startsOn: '2026-06-18',
      site: 'farm',
    },
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
    crop: 'grain sorghum',
    harvest: ['2026-07-20', '2026-07-31'],
    areaHa: 460,
    widthM: 10.7,
    walked: '2026-06-08',
    walkedBy: 'Ines Marrow',
    belt: { wear: 0.78, renewedAt: 1 },
    chains: { wear: 0.4 },
    conveyor: 0.9,
    finds: {
      'variable-sheave-gap/here': [measured(5.7, 5.75, 5.7)],
      'chopper-knives/rotor': [knives(0, 0, 22, 0)],
    },
  },
  {
    serial: 'B019',
    model: 'Corrie 4',
    header: flex('H09'),
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
    finds: {
      'chopper-knives/rotor': [knives(2, 0, 3, 1)],
    },
  },
  {
    serial: 'T091',
    model: 'Ouzel 5',
    header: draper('H33'),
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
    header: draper('H35'),
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
      'electric-clutch-gap/here': [measured(0.8)],
      'tyre-pressure/rear left': [],

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
    crop: 'grain sorghum',
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
    header: flex('H15'),
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
    header: draper('H31'),
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
    walkedWith: 'Wick Harlen',
    belt: { wear: 0.5, renewedAt: 1 },
    chains: { wear: 0.5 },
    conveyor: 1.1,
  },
  {
    stretched: { 'feeder-drive-chain': 2.3 },
    serial: 'T131',
    model: 'Ouzel 9',
    header: draper('H51'),
    equipment: { 'variable-drive': 'heavy', 'feeder-power': 'high' },
    customer: 'Greywater Farms',
    branch: 'Upper Larkmoor',
    builtOn: '2023-02-20',
    hours: 520,
    crop: 'malting barley',
    harvest: ['2026-07-05', '2026-07-24'],
    areaHa: 780,
    widthM: 12.2,
    walked: '2026-06-05',
    walkedBy: 'Ines Marrow',
    belt: { wear: 0.3 },
    chains: { wear: 0.2 },
    conveyor: 0.7,
    finds: {
      'fan-drive-belt/belt': [measured(36.85)],

      'variable-sheave-grease/rear hub': [serviced(5)],

      // one knife lost from a hanger of two: its mate, and both opposite
      'chopper-knives/rotor': [knives(1, 0, 3, 0)],
      'reverser-oil/here': [level('low', { product: 'Gear oil GL-5 80W-90' })],
      'elevator-chain/boot': [{ kind: 'feel', feel: 'justSlides', play: true }, travel(58)],
      'twin-canisters/upper': [condition('marked', ['spins freely: loose'], '')],
    },
  },
  {
    serial: 'T133',
    model: 'Ouzel 9',
    header: RC('H40'),
    customer: 'Thornmere Estate',
    branch: 'Upper Larkmoor',
    builtOn: '2024-03-11',
    hours: 262,
    crop: 'grain sorghum',
    harvest: ['2026-08-20', '2026-09-06'],
    areaHa: 640,
    widthM: 9.1,
    walked: '2026-06-03',
    walkedBy: 'Odd Fenwright',
    accepted: true,
    belt: { wear: 0.15 },
    chains: { wear: 0.12 },
    conveyor: 0.4,
    openTasks: ['Yield sensor', 'Variable drive'],
    finds: {
      'battery-voltage/here': [{ kind: 'measure', values: [12.1], typed: ['12.1'], unit: 'V' }],
      'chopper-belt-tension/here': [at],
      'stalk-roll-edges/row 5': [condition('marked', ['rounded'], '')],

      'pivot-bolts/here': [knives(0, 1, 0, 0)],
      'face-angle/here': [{ kind: 'measure', values: [6.8], typed: ['6.8'], unit: '°' }],
    },
  },
  {
    serial: 'T135',
    model: 'Ouzel 9',
    header: draper('H53'),
    customer: 'Ferry Lees',
    branch: 'Sedge Ford',
    builtOn: '2023-06-01',
    hours: 610,
    crop: 'lentils',
    harvest: ['2026-07-18', '2026-08-01'],
    areaHa: 560,
    widthM: 12.2,
    walked: null,
    walkedBy: 'Sana Quill',
    belt: { wear: 1.06 },
    chains: { wear: 0.25 },
    conveyor: 0.8,
  },
  {
    serial: 'B044',
    model: 'Corrie 6',
    header: rigid('H61'),
    customer: 'Osier Farm',
    branch: 'Upper Larkmoor',
    builtOn: '2022-05-17',
    hours: 830,
    crop: 'malting barley',
    harvest: ['2026-07-03', '2026-07-17'],
    areaHa: 420,
    widthM: 9.1,
    walked: '2026-06-04',
    walkedBy: 'Bram Tolley',
    accepted: true,
    visit: {
      technician: 'Bram Tolley',
      mate: 'Odd Fenwright',
      startsOn: '2026-06-23',
      site: 'farm',
    },
    belt: { wear: 1.15 },
    chains: { wear: 0.3 },
    conveyor: 1.1,
    finds: {
      'fan-drive-belt/belt': [{ kind: 'look', seen: 'fine', found: '' }],

      'conveyor-belt-tension/left': [{ kind: 'mark', stands: 'past', by: 6 }, travel(41)],
      'conveyor-belt-tension/right': [{ kind: 'mark', stands: 'past', by: 5 }, travel(40)],
      'conveyor-on-stop/left': [condition('marked', ['lifted off its stop'], '')],
      'chopper-knives/rotor': [knives(0, 2, 2, 1)],
    },
  },
  {
    since: 64,
    serial: 'B046',
    model: 'Corrie 6',
    header: flex('H17'),
    customer: 'Hollin Reach',
    branch: 'Upper Larkmoor',
    builtOn: '2021-02-03',
    hours: 1130,
    crop: 'lentils',
    harvest: ['2026-07-19', '2026-07-31'],
    areaHa: 390,
    widthM: 7.6,
    walked: '2026-06-05',
    walkedBy: 'Tobin Vale',
    accepted: true,
    visit: {
      technician: 'Odd Fenwright',
      mate: 'Bram Tolley',
      startsOn: '2026-06-17',
      site: 'bay',
    },
    belt: { wear: 0.97, renewedAt: 0 },
    chains: { wear: 0.3 },
    conveyor: 1.4,
    finds: {
      // two people, two numbers: the repeats prove nothing
      'sheave-grooves-left/here': [{ kind: 'gonogo', fits: false }],
      'rotor-sheave-gap/here': [measured(2.9, 4.4, 3.1)],
      'engine-fan-belt/here': [{ kind: 'skip', why: 'cover seized' }],
      'rotor-sheave-grease/here': [serviced(14)],
    },
  },
  {
    serial: 'B047',
    model: 'Corrie 6',
    header: rigid('H62'),
    customer: 'Low Birrow',
    branch: 'Sedge Ford',
    builtOn: '2023-01-27',
    hours: 470,
    crop: 'malting barley',
    harvest: ['2026-07-02', '2026-07-16'],
    areaHa: 350,
    widthM: 9.1,
    walked: '2026-06-04',
    walkedBy: 'Wick Harlen',
    belt: { wear: 0.3 },
    chains: { wear: 0.2 },
    conveyor: 0.6,
    accepted: true,
    visit: { technician: 'Wick Harlen', startsOn: '2026-06-22', site: 'bay' },
    finds: {
      'rock-trap/here': [condition('damaged', ['seal torn'], 'torn along the hinge')],
      'coupler/here': [condition('damaged', ['seal nicked: drips on the feeder belt'], '')],
      'variable-belt-condition/here': [
        condition('damaged', ['oily', 'glazed'], 'from the coupler'),
      ],
    },
  },
  {
    serial: 'B022',
    model: 'Corrie 4',
    header: rigid('H58'),
    customer: 'Sallow Wick',
    branch: 'Sedge Ford',
    builtOn: '2016-06-14',
    hours: 2210,
    crop: 'malting barley',
    harvest: ['2026-07-01', '2026-07-12'],
    areaHa: 240,
    widthM: 7.6,
    walked: '2026-06-02',
    walkedBy: 'Sana Quill',
    belt: { wear: 0.5, renewedAt: 2 },
    chains: { wear: 0.3 },
    conveyor: 2.5,
    finds: {
      'conveyor-chain-tension/left': [short(4), travel(6)],
      'conveyor-chain-tension/right': [short(4), travel(7)],
      'walker-cranks/walker 3': [measured(1.6)],
      'wire-guide/here': [{ kind: 'gonogo', fits: true }],
      'feeder-slip-clutch/here': [serviced(3)],
      'engine-oil/here': [level('right', { colour: 'diesel smell' })],
    },
  },
  {
    serial: 'B025',
    model: 'Corrie 4',
    header: flex('H14'),
    customer: 'Pell Brothers',
    branch: 'Upper Larkmoor',
    builtOn: '2017-09-01',
    hours: 1760,
    crop: 'malting barley',
    harvest: ['2026-07-05', '2026-07-18'],
    areaHa: 270,
    widthM: 7.6,
    walked: '2026-06-08',
    walkedBy: 'Tobin Vale',
    accepted: true,
    belt: { wear: 0.4, renewedAt: 2 },
    chains: { wear: 0.3 },
    conveyor: 1.2,
    openTasks: ['Reverser'],
    finds: {
      // less worn than last year, and nothing renewed on record
      'elevator-sprocket/here': [measured(7.9)],
      'auger-strippers/left': [measured(4.9)],
      'knife-head-aligned/here': [{ kind: 'gonogo', fits: false }],

      'reel-tines/here': [knives(3, 0, 0, 0)],
      'tine-height/here': [{ kind: 'gonogo', fits: true }],
      'divider-points/here': [condition('marked', ['bent'], '')],
      'cross-auger-cleanouts/clean grain': [condition('marked', ['packed'], '')],
      'conveyor-slats/here': [condition('marked', ['bent'], 'two slats, a finger’s breadth')],
      'alternator-belt/here': [
        { kind: 'measure', values: [44, 46, 45], typed: ['44', '46', '45'], unit: 'N' },
      ],
      'header-slip-clutch/here': [serviced(4)],
      'grease-50/rear axle': [serviced(3, 'Grease with graphite')],
      'coolant-level/here': [level('high')],
    },
  },
  {
    serial: 'T082',
    model: 'Ouzel 5',
    header: draper('H32'),
    customer: 'Harrow End',
    branch: 'Upper Larkmoor',
    builtOn: '2019-03-28',
    hours: 1520,
    crop: 'lentils',
    harvest: ['2026-07-21', '2026-08-02'],
    areaHa: 360,
    widthM: 9.1,
    walked: '2026-06-05',
    walkedBy: 'Odd Fenwright',
    belt: { wear: 0.42, renewedAt: 1 },
    chains: { wear: 0.3 },
    conveyor: 1.3,
    finds: {
      'reverser-oil/here': [{ taken: level('right'), unconfirmed: true }],

      // set for the barley that it cut last year
      'crop-spacers/here': [{ kind: 'setting', option: 'fitted' }],
      'flex-pin/left': [{ kind: 'setting', option: 'rigid' }],
      'tine-height/here': [{ kind: 'gonogo', fits: true }],
      'concave-level/front left': [measured(8.2)],
      'hydraulic-oil/here': [level('low', { toppedUp: 2 })],
      'idler-parallel/inner edge': [measured(6.6)],
    },
  },
  {
    serial: 'T095',
    model: 'Ouzel 5',
    header: draper('H34'),
    customer: 'Cawdell Grange',
    branch: 'Upper Larkmoor',
    builtOn: '2020-07-07',
    hours: 980,
    crop: 'malting barley',
    harvest: ['2026-07-04', '2026-07-16'],
    areaHa: 330,
    widthM: 9.1,
    walked: '2026-06-03',
    walkedBy: 'Ines Marrow',
    belt: { wear: 0.3 },
    chains: { wear: 0.3 },
    conveyor: 1.0,
    accepted: true,
    finds: {
      'engine-fan-belt/here': [
        { taken: measured(27.4), note: 'another belt than the book’s? number rubbed off' },
      ],
      'conveyor-chain-tension/left': [short(3), travel(19), { taken: at, unsettled: true }],

      'upper-clutch-belt/here': [short(5), travel(22)],
      'multi-rib-notch/here': [{ kind: 'mark', stands: 'past', by: 5 }],
      'elevator-adjuster/left': [condition('damaged', ['bent', 'boot packed hard'], '')],
    },
  },
  {
    serial: 'T140',
    model: 'Ouzel 9',
    header: null,
    customer: 'Greywater Farms',
    branch: 'Sedge Ford',
    builtOn: '2026-05-20',
    hours: 14,
    crop: 'malting barley',
    harvest: ['2026-07-06', '2026-07-22'],
    areaHa: 700,
    widthM: 12.2,
    walked: null,
    neverWalked: true,
    walkedBy: 'Sana Quill',
    belt: { wear: 0.02 },
    chains: { wear: 0.02 },
    conveyor: 0.1,
  },
  {
    serial: 'B050',
    model: 'Corrie 6',
    header: flex('H18'),
    equipment: { conveyor: 'chain', 'conveyor-tension': 'hydraulic' },
    customer: 'Marl Bottom',
    branch: 'Upper Larkmoor',
    builtOn: '2020-10-30',
    hours: 1240,
    crop: 'oats',
    harvest: ['2026-07-09', '2026-07-21'],
    areaHa: 310,
    widthM: 7.6,
    walked: '2026-06-08',
    walkedBy: 'Bram Tolley',
    belt: { wear: 0.55, renewedAt: 1 },
    chains: { wear: 0.3 },
    conveyor: 1.2,
    finds: {
      'fan-drive-belt/belt': [measured(33, 33.1, 33, 32.9, 33)],

      'feeder-drive-chain/here': [travel(20)],

      'conveyor-tension-hydraulic/left': [{ kind: 'mark', stands: 'short', by: 12 }],
      'unload-belt-tension/here': [{ kind: 'mark', stands: 'past', by: 6 }, travel(30)],
      'paired-belts-tension/inner belt': [short(9), travel(30)],
    },
  },
];
