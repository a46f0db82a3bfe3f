import type {
  CountNumbers,
  Finding,
  FindingId,
  FindingNumbers,
  InsideNumbers,
  NotWorthLeavingNumbers,
} from '../findings';

const measured = { value: 35.6, expanded: 0.06, count: 1, spread: 0 };
const wear = { ...measured, nominal: 38, limit: 35, wear: 0.8, chain: undefined };
const chain = { percent: 2.1, limitPercent: 2.1, pitches: 10, pitchesNeeded: 14 };
const band = { ...measured, low: 36, high: 40 };
const below = { ...band, side: 'below' } as const;
const mark = { by: 3, stands: 'short', past: 2, short: 0 } as const;
const travel = {
  left: 4,
  total: 45,
  reserve: 10,
  percent: 1.1,
  limitPercent: 2.6,
  eatenInSeason: 7,
  shorten: { linksOut: 1, offsetLink: true, travelLeft: 24.7 },
};
const gauge = { gauge: 'Wear gauge', fits: true };
const count: CountNumbers = {
  missing: 1,
  damaged: 1,
  oneEdge: 4,
  bothEdges: 0,
  bad: 2,
  renew: 4,
  mates: 2,
  total: 48,
  counted: 'knives',
  allowed: 0,
  school: 'opposite',
  edges: true,
};
const seen = { grade: 'marked', found: 'cord showing' } as const;
const level = {
  level: 'low',
  eye: 'sight glass',
  product: 'Gear oil',
  colour: 'grey',
  used: '',
  toppedUp: null,
} as const;
const setting = { option: 'high', crop: 'lentils' };
const given = {
  asks: 'strokes',
  product: 'Grease NLGI 2',
  amount: 2,
  wanted: 3,
  most: 4,
  used: 'Grease NLGI 0',
} as const;
const due = {
  asks: 'litres',
  product: 'Gear oil',
  wanted: 1.5,
  doneHours: 1000,
  every: 250,
  days: 365,
  lookAgain: 1250,
  on: null,
} as const;

/** Numbers of every finding as they occur, for tests: the compiler lists a new finding here. */
const forecast: NotWorthLeavingNumbers = {
  what: 'limit',
  chance: 0.61,
  expectedAt: 1380,
  sums: {
    leave: 2897.5,
    renew: 94,
    breakEven: 0.0198,
    currency: 'crowns',
    stopRule: undefined,
    terms: {
      stopHours: 6,
      costPerStopHour: 650,
      collateral: 700,
      fieldLabour: 150,
      part: 310,
      shopLabour: 160,
      lifeLeft: 0.2,
    },
  },
  shopRule: 0.5,
};
const NO_PRICE = { lacks: 'prices', parts: ['LM-1'] } as const;

export const EXAMPLES: FindingNumbers = {
  noLimit: { wants: ['limit'] },
  damaged: { found: 'cord showing' },
  knivesLost: count,
  positionNotConfirmed: { position: 'Feeder level' },
  implausible: { value: 83, edge: 38.4, side: 'betterThanNew' },
  twoSay: { by: 'Hanne Vos', other: 'Bram Tolley' },
  skipped: { why: 'too dark' },
  notMeasured: { travelOnly: true },
  looksFineOnly: {},
  scatter: { ...measured, count: 3, spread: 1.2 },
  pastLimit: wear,
  limitReached: { ...wear, chain },
  limitWasReached: { ...wear, on: '2025-09-16', atHours: 1176 },
  notWorthLeaving: forecast,
  notWorthLeavingLong: { ...forecast, what: 'travel', sums: undefined, noSums: NO_PRICE },
  notWorthLeavingSet: { ...forecast, what: 'band', sums: undefined },
  gaugeOut: gauge,
  bandReplace: below,
  tensionerFaulty: mark,
  fluidBad: level,
  limitInDoubt: { ...wear, chain },
  shrunk: { before: 0.8, wear: 0.5, beforeHours: 1100 },
  stretchedOut: travel,
  notSettled: {},
  travelMissing: {},
  falseTension: travel,
  travelGone: { ...travel, shorten: undefined },
  loose: { tension: mark, left: 12 },
  overTight: { feel: 'stuck' },
  play: { feel: 'justSlides' },
  sidesDiffer: { a: 'left', b: 'right', difference: 6, allowed: 3, what: 'mark' },
  placesDiffer: { a: 'front', b: 'rear', atA: 10, atB: 14, difference: 4, allowed: 2 },
  bandAdjust: { ...below, high: undefined },
  gaugeOff: gauge,
  putRight: seen,
  otherProduct: given,
  otherFluid: { ...level, used: 'Gear oil GL-4' },
  tooMuch: given,
  tooLittle: given,
  levelLow: level,
  levelHigh: level,
  settingDiffers: { ...setting, wanted: 'low', because: 'stones' },
  serviceDue: due,
  bandTurn: { ...below, low: undefined },
  gaugeTurn: gauge,
  edgeSpent: seen,
  oneEdgeWorn: count,
  bandInDoubt: { ...band, limit: 36, edge: 'lowest' },
  reachesLimit: {
    ...forecast,
    chance: 0.997,
    hours10: 20,
    hours90: Infinity,
    season: 109,
    lookAgain: Infinity,
  },
  travelLow: travel,
  serviceInSeason: due,
  marked: { grade: 'marked', found: '' },
  fewMissing: count,
  settingNotGiven: setting,
  earlyRecheck: { lookAgain: 1309 },
  fittedUnread: { atHours: 1250, fittedBy: 'owner' },
  recheckDue: { atHours: 1250, on: '2026-05-20' },
  lapsed: {
    on: '2025-09-16',
    atHours: 1176,
    interval: { kind: 'every', hours: 100, days: 365 },
    dueAt: 1276,
    early: false,
  },
  notRead: { places: ['right'] },
  inside: { shows: 'wear', ...wear },
};

/** What holds, by each thing that can be looked at. */
export const INSIDE_EXAMPLES: {
  readonly [S in InsideNumbers['shows']]: Extract<InsideNumbers, { shows: S }>;
} = {
  wear: { shows: 'wear', ...wear, chain },
  band: { shows: 'band', ...band },
  tension: { shows: 'tension', tension: { ...mark, stands: 'past' }, travel },
  travel: { shows: 'travel', travel },
  gauge: { shows: 'gauge', ...gauge },
  count: { shows: 'count', ...count },
  condition: { shows: 'condition' },
  level: { shows: 'level', ...level },
  setting: { shows: 'setting', ...setting },
  service: { shows: 'service', ...given },
};

/** The example of one finding. */
export const example = <I extends FindingId>(id: I): Finding =>
  ({ id, numbers: EXAMPLES[id] }) as Finding;
