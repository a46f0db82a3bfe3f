import fc from 'fast-check';
import {
  openBeltLength,
  pressDepth,
  rideDrop,
  span,
  standsInBand,
  strandAngle,
  noteOfTension,
  tensionFromNote,
  tensionFromPush,
} from './belt';
import {
  compareStrands,
  defaultElongationLimit,
  elongation,
  elongationFromTravel,
  elongationUncertainty,
  nominalLength,
  pitchesNeeded,
  takeUpPlan,
} from './chain';
import {
  centreDistance,
  chainClimb,
  engagementLeft,
  extraLength,
  judgeTooth,
  likelyChains,
  loopPitches,
  pitchDiameter,
  sagAt,
  slackTension,
  tipDiameter,
  usualMovement,
} from './sprockets';
import { driveAt, gapFor, rpmRange, wornBeltLoss } from './drive';
import {
  chanceReached,
  checkLives,
  classPrior,
  fleetSlope,
  hoursAtDeviate,
  hoursToLimit,
  leaveOrRenew,
  livesOf,
  priorFromFleet,
  seasonHours,
  shrinkages,
  slopeOf,
  wearAt,
  wearPosterior,
  ageGuess,
  agedChance,
  agedHours,
  agedWear,
} from './forecast';
import { dueInSeason, nextDue, projectHours } from './intervals';
import { fewestSwaps, massFromHeight, permissibleUnbalance, planKnives, unbalance } from './knives';
import { daysFor, labourOf, mustStartBy, visitEnd, workingDaysAfter } from './plan';
import { madeCheck, reading } from './testing/sheet';
import { InputError, printAs, printHours, printLength, printQuantity, readsTo } from './units';
import { againstLimit, judgeRepeats, toolUncertainty } from './findings';
import { forecastWear, judgeBand, judgeWear, wearFraction, type MachineFacts } from './kinds';
import { judgeCheck } from './verdict';
import { leastMovingOrder } from './walk';

/** Good arguments of a function; one number in them is spoilt at a time. */
type Case = readonly [name: string, call: (...args: never[]) => unknown, args: readonly unknown[]];
const of = <A extends readonly unknown[]>(
  name: string,
  call: (...args: A) => unknown,
  ...args: A
): Case => [name, call as (...args: never[]) => unknown, args];

const openBelt = { centre: 900, large: 400, small: 250 };
const drive = {
  centre: 760,
  beltLength: 2350,
  beltWidth: 38,
  grooveAngle: 30,
  driverRpm: 620,
  driverR0: 95,
  drivenR0: 60,
};
const bands = { new: { low: 900, high: 1100 }, runIn: { low: 700, high: 900 }, runInHours: 20 };
const takeUp = {
  total: 45,
  used: 20,
  strandsPerTravel: 2,
  pitch: 41.4,
  loopPitches: 94,
  elongation: 1.1,
  limit: 2.6,
  reserve: 10,
  ratePerHour: 0.002,
};
const prior = { a0: 0.02, sa: 0.03, mu: 0.0012, tau: 0.0005 };
const points = [
  { hours: 180, y: 0.3, sigma: 0.04 },
  { hours: 420, y: 0.66, sigma: 0.04 },
];
const posterior = wearPosterior(prior, points);
const lives = [
  { from: 0, to: 500, points },
  { from: 500, to: undefined, points: [] },
];
const slopes = [
  { slope: 0.001, se: 0.0002 },
  { slope: 0.0014, se: 0.0002 },
];
const planes = { a: 0, b: 1400 };
const knives = Array.from({ length: 4 }, (_, i) => ({
  radius: 260,
  angle: (i * Math.PI) / 2,
  axial: 300,
  mass: 150 + 5 * i,
  spent: false,
  oneEdge: false,
  opposite: (i + 2) % 4,
}));
const rotor = { knives, planes, newMass: 180, mass: 118, rpm: 3100 };
const costs = {
  chance: 0.6,
  stopHours: 6,
  costPerStopHour: 650,
  collateral: 700,
  fieldLabour: 150,
  part: 310,
  shopLabour: 160,
  lifeLeft: 0.2,
  discount: 0.02,
};
const use = { seasonStart: '2026-06-30', seasonEnd: '2026-07-14', inSeason: 8, outOfSeason: 1 };
const belt = madeCheck('measure', {
  limit: { type: 'wear', nominal: 38, limit: 35 },
  wearRate: { perHour: 0.0015, sd: 0.0005 },
});
const tool = { name: 'Caliper', resolution: 0.1 };
const width = reading('made', 'here', { kind: 'measure', values: [36.6], typed: [], unit: 'mm' });

const CASES: readonly Case[] = [
  of('elongation', elongation, 1283, 20, 63.5),
  of('nominalLength', nominalLength, 20, 63.5),
  of('elongationUncertainty', elongationUncertainty, 1, 10, 41.4),
  of('pitchesNeeded', pitchesNeeded, 1, 41.4, 2.1),
  of('defaultElongationLimit', defaultElongationLimit, 96, true),
  of('loopPitches', loopPitches, 25.4, 15, 38, 640),
  of('centreDistance', centreDistance, 25.4, 15, 38, 78),
  of('slackTension', slackTension, 25, 0.8, 0.016),
  of('sagAt', sagAt, 25, 0.8, 125),
  of('extraLength', extraLength, 0.8, 0.016),
  of('usualMovement', usualMovement, 800, 'level'),
  of('pitchDiameter', pitchDiameter, 15.875, 40),
  of('tipDiameter', tipDiameter, 15.875, 40),
  of('chainClimb', chainClimb, 2, 15.875, 40),
  of('engagementLeft', engagementLeft, 2, 15.875, 40),
  of('judgeTooth', judgeTooth, 7.2, { nominal: 8, limit: 6, pairFrom: 0.5 }),
  of('likelyChains', likelyChains, 41.5),
  of('takeUpPlan', takeUpPlan, takeUp),
  of(
    'elongationFromTravel',
    elongationFromTravel,
    { used: 20, linksOut: 1 },
    { strandsPerTravel: 2, pitch: 41.4, loopPitches: 94 },
  ),
  of(
    'compareStrands',
    compareStrands,
    [
      { name: 'left', elongation: 1.1 },
      { name: 'right', elongation: 1.4 },
    ],
    0.2,
  ),
  of('strandAngle', strandAngle, openBelt),
  of('openBeltLength', openBeltLength, openBelt),
  of('span', span, openBelt),
  of('rideDrop', rideDrop, 2, Math.PI / 6),
  of('pressDepth', pressDepth, 896),
  of('tensionFromPush', tensionFromPush, 60, 896.87, 14, 10),
  of('tensionFromNote', tensionFromNote, 0.42, 0.9, 42),
  of('noteOfTension', noteOfTension, 0.42, 0.9, 2384),
  of('standsInBand', standsInBand, 800, 30, bands),
  of('driveAt', driveAt, drive, 4),
  of('rpmRange', rpmRange, drive, 2, 10),
  of('gapFor', gapFor, drive, 930, 2, 10),
  of('wornBeltLoss', wornBeltLoss, drive, 4, 36),
  of('wearPosterior', wearPosterior, prior, points),
  of('wearAt', wearAt, posterior, 560),
  of('chanceReached', chanceReached, posterior, 560),
  of('hoursToLimit', hoursToLimit, posterior, 0.5, 420),
  of('hoursAtDeviate', hoursAtDeviate, posterior, 1.28, 420),
  of('fleetSlope', fleetSlope, slopes),
  of('slopeOf', slopeOf, points),
  of('priorFromFleet', priorFromFleet, fleetSlope(slopes), 0.02, 0.03),
  of('leaveOrRenew', leaveOrRenew, costs),
  of('livesOf', livesOf, [{ hours: 100, y: 0.1, sigma: 0.03, renewed: false }], 0),
  of('checkLives', checkLives, lives),
  of('shrinkages', shrinkages, points, 0.1),
  of('classPrior', classPrior, lives, 0.02, 0.03),
  of('seasonHours', seasonHours, 520, 10.7, 6.2, 0.72),
  of('projectHours', projectHours, '2026-06-09', 20, use),
  of(
    'nextDue',
    nextDue,
    { kind: 'every', hours: 50, days: 365, early: 10 },
    { on: '2026-05-01', hours: 1200, newAt: 1200 },
    { now: 1210, today: '2026-06-09', use },
  ),
  of(
    'dueInSeason',
    dueInSeason,
    { kind: 'every', hours: 50, days: 365, early: 10 },
    { on: '2026-05-01', hours: 1200, newAt: 1200 },
    { hours: 1210, seasonHours: 109, today: '2026-06-09' },
  ),
  of('unbalance', unbalance, [-10, 0, 0, 5], knives, planes),
  of('permissibleUnbalance', permissibleUnbalance, 16, 118, 3100),
  of('massFromHeight', massFromHeight, 50, 100, 180, 0.4),
  of('planKnives', planKnives, rotor, 'weigh'),
  of(
    'fewestSwaps',
    fewestSwaps,
    { masses: knives.map((k) => k.mass), places: knives, planes, newMass: 180 },
    2907,
  ),
  of('toolUncertainty', toolUncertainty, tool, true),
  of('judgeRepeats', judgeRepeats, [36.1, 36.2], tool, false),
  of('againstLimit', againstLimit, 0.9, 0.05),
  of('wearFraction', wearFraction, 36, 38, 35),
  of('judgeWear', judgeWear, belt, { nominal: 38, limit: 35 }, [36], tool),
  of(
    'judgeBand',
    judgeBand,
    { type: 'band', low: 2, high: 6, below: 'adjust', above: 'adjust' },
    { values: [4], tool, inService: 30 },
  ),
  of('forecastWear', forecastWear, prior, [{ wear: 0.4, hours: 1200, round: 'a' }], {
    expanded: 0.02,
    newAt: 900,
    now: 1284,
    season: 109,
  }),
  of('forecastWear, age unknown', forecastWear, prior, [{ wear: 0.4, hours: 1200, round: 'a' }], {
    expanded: 0.02,
    newAt: undefined,
    now: 1284,
    season: 109,
  }),
  of('ageGuess', ageGuess, prior, points, 700),
  of('agedChance', agedChance, [{ newAt: 100, weight: 1, line: posterior }], 700),
  of('agedWear', agedWear, [{ newAt: 100, weight: 1, line: posterior }], 700, 0.5),
  of('agedHours', agedHours, [{ newAt: 100, weight: 1, line: posterior }], 0.5, 700),
  of(
    'judgeCheck',
    (facts: MachineFacts, values: number[]) =>
      judgeCheck(
        belt,
        [{ ...width, value: { kind: 'measure', values, typed: [], unit: 'mm' } }],
        facts,
      )?.places,
    { hours: 1284, seasonHours: 109 },
    [36.6, 36.5],
  ),
  of(
    'leastMovingOrder',
    leastMovingOrder,
    [
      { id: 'a', station: 1, position: 'up' },
      { id: 'b', station: 2, position: 'down' },
    ],
    { usual: 3, moves: [{ from: 'up', to: 'down', minutes: 5 }] },
    1,
  ),
  of('daysFor', daysFor, 12),
  of('visitEnd', visitEnd, '2026-06-09', 12),
  of('workingDaysAfter', workingDaysAfter, '2026-06-09', 3),
  of('mustStartBy', mustStartBy, '2026-06-30', 2, 12),
  of(
    'labourOf',
    labourOf,
    [{ checkId: 'belt', minutes: 30, cover: { name: 'door', minutes: 15 } }],
    [],
    { usual: 3, moves: [] },
  ),
  of('printHours', printHours, 1284),
  of('printLength', printLength, 34.9, 'inFraction'),
  of('printQuantity', printQuantity, 450, 'pressure', 'bar'),
  of('printAs', printAs, 4.2, { quantity: 'voltage', unit: 'V', style: 'plain' }),
  of('readsTo', readsTo, 0.1, { quantity: 'length', unit: 'in', style: 'inFraction' }),
];

/** Paths of every number in some arguments. */
function numbersIn(
  value: unknown,
  path: readonly (string | number)[] = [],
): (readonly (string | number)[])[] {
  if (typeof value === 'number') return [path];
  if (Array.isArray(value)) return value.flatMap((v, i) => numbersIn(v, [...path, i]));
  return value !== null && typeof value === 'object'
    ? Object.entries(value).flatMap(([k, v]) => numbersIn(v, [...path, k]))
    : [];
}

/** The same arguments with one number put in place of another. */
function withNumber(
  value: unknown,
  [first, ...rest]: readonly (string | number)[],
  put: number,
): unknown {
  if (first === undefined) return put;
  if (Array.isArray(value))
    return value.map((v, i) => (i === first ? withNumber(v, rest, put) : v));
  return {
    ...(value as object),
    [first]: withNumber((value as Record<string, unknown>)[first], rest, put),
  };
}

const holdsNaN = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isNaN(value)
    : Array.isArray(value)
      ? value.some(holdsNaN)
      : value !== null && typeof value === 'object'
        ? Object.values(value).some(holdsNaN)
        : false;

describe.each(CASES)('%s', (_name, call, args) => {
  const run = (spoilt: readonly unknown[]): unknown =>
    (call as (...a: readonly unknown[]) => unknown)(...spoilt);
  test('good numbers give a good answer', () => expect(holdsNaN(run(args))).toBe(false));
  const paths = numbersIn(args);
  test('any number spoilt gives a named error or a clean answer, never a silent NaN', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...paths),
        fc.oneof(fc.constantFrom(NaN, Infinity, -Infinity, 0, -1, 1e308, -1e308), fc.double()),
        (path, put) => {
          try {
            return !holdsNaN(run(withNumber(args, path, put) as readonly unknown[]));
          } catch (error) {
            return error instanceof InputError && error.field.length > 0;
          }
        },
      ),
      { numRuns: 60 + 25 * paths.length },
    );
  });
});
