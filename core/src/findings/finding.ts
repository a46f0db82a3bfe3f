import type { BandLimit, CheckOf, Day, Feel, ValueOf } from '../contracts';
import type {
  BandNumbers,
  ConditionNumbers,
  CountNumbers,
  GaugeNumbers,
  ImplausibleNumbers,
  LapsedNumbers,
  LevelNumbers,
  MeasuredNumbers,
  NoLimitNumbers,
  NotWorthLeavingNumbers,
  ServiceDueNumbers,
  ServiceNumbers,
  SettingNumbers,
  TensionNumbers,
  TravelNumbers,
  WantedSettingNumbers,
  WearNumbers,
} from './numbers';
import type { FindingId } from './precedence';

/** Nothing needs telling beside the finding itself. */
type Nothing = Readonly<Record<never, never>>;

/** What holds, by what was looked at. */
export type InsideNumbers =
  | ({ readonly shows: 'wear' } & WearNumbers)
  | ({ readonly shows: 'band' } & BandNumbers)
  | {
      readonly shows: 'tension';
      readonly tension: TensionNumbers;
      readonly travel?: TravelNumbers | undefined;
    }
  | { readonly shows: 'travel'; readonly travel: TravelNumbers }
  | ({ readonly shows: 'gauge' } & GaugeNumbers)
  | ({ readonly shows: 'count' } & CountNumbers)
  | { readonly shows: 'condition' }
  | ({ readonly shows: 'level' } & LevelNumbers)
  | ({ readonly shows: 'setting' } & SettingNumbers)
  | ({ readonly shows: 'service' } & ServiceNumbers);

type Outside = BandNumbers & { readonly side: 'below' | 'above' };

/**
 * The numbers each finding's sentence needs. Lengths in mm, other quantities in the core's own
 * unit, hours of the machine.
 */
export interface FindingNumbers {
  damaged: { readonly found: string };
  knivesLost: CountNumbers;
  positionNotConfirmed: { readonly position: string };
  implausible: ImplausibleNumbers;
  twoSay: { readonly by: string; readonly other: string };
  skipped: { readonly why: string };
  notMeasured: { readonly travelOnly: boolean };
  looksFineOnly: Nothing;
  scatter: MeasuredNumbers;
  pastLimit: WearNumbers;
  limitReached: WearNumbers;
  limitWasReached: WearNumbers & { readonly on: Day; readonly atHours: number };
  notWorthLeaving: NotWorthLeavingNumbers;
  notWorthLeavingLong: NotWorthLeavingNumbers;
  notWorthLeavingSet: NotWorthLeavingNumbers;
  gaugeOut: GaugeNumbers;
  bandReplace: Outside;
  tensionerFaulty: TensionNumbers;
  fluidBad: LevelNumbers;
  limitInDoubt: WearNumbers;
  shrunk: { readonly before: number; readonly wear: number; readonly beforeHours: number };
  stretchedOut: TravelNumbers;
  notSettled: Nothing;
  travelMissing: Nothing;
  falseTension: TravelNumbers;
  travelGone: TravelNumbers;
  loose: { readonly tension: TensionNumbers; readonly left?: number | undefined };
  overTight: TensionNumbers;
  play: { readonly feel: Feel };
  sidesDiffer: {
    readonly a: string;
    readonly b: string;
    readonly difference: number;
    readonly allowed: number;
    readonly what: 'travel' | 'mark';
  };
  placesDiffer: {
    readonly a: string;
    readonly b: string;
    readonly atA: number;
    readonly atB: number;
    readonly difference: number;
    readonly allowed: number;
  };
  bandAdjust: Outside;
  gaugeOff: GaugeNumbers;
  putRight: ConditionNumbers;
  otherProduct: ServiceNumbers;
  otherFluid: LevelNumbers;
  tooMuch: ServiceNumbers;
  tooLittle: ServiceNumbers;
  levelLow: LevelNumbers;
  levelHigh: LevelNumbers;
  settingDiffers: WantedSettingNumbers;
  serviceDue: ServiceDueNumbers;
  bandTurn: Outside;
  gaugeTurn: GaugeNumbers;
  edgeSpent: ConditionNumbers;
  oneEdgeWorn: CountNumbers;
  bandInDoubt: BandNumbers & { readonly limit: number; readonly edge: 'lowest' | 'highest' };
  /** `season`: hours to go; `lookAgain`: machine hours at the 10 % hour */
  reachesLimit: NotWorthLeavingNumbers & {
    readonly hours10: number;
    readonly hours90: number;
    readonly season: number;
    readonly lookAgain: number;
  };
  travelLow: TravelNumbers;
  serviceInSeason: ServiceDueNumbers;
  marked: ConditionNumbers;
  fewMissing: CountNumbers;
  settingNotGiven: SettingNumbers;
  earlyRecheck: { readonly lookAgain: number };
  fittedUnread: {
    readonly atHours: number;
    readonly fittedBy: ValueOf<'renewal'>['fittedBy'];
  };
  recheckDue: { readonly atHours: number; readonly on: Day };
  lapsed: LapsedNumbers;
  noLimit: NoLimitNumbers;
  notRead: { readonly places: readonly string[] };
  inside: InsideNumbers;
}

/** One thing a reading shows, with the numbers its sentence needs. */
export type Finding<I extends FindingId = FindingId> = {
  readonly [K in I]: { readonly id: K; readonly numbers: FindingNumbers[K] };
}[I];

/** What lies outside a band leads to what its sheet says. */
export const OUTSIDE_BAND = {
  adjust: 'bandAdjust',
  replace: 'bandReplace',
  turn: 'bandTurn',
} as const satisfies Record<BandLimit['below'], FindingId>;

/** A worn gauge reading leads to what its sheet says. */
export const GAUGE_BAD = {
  replace: 'gaugeOut',
  adjust: 'gaugeOff',
  turn: 'gaugeTurn',
} as const satisfies Record<CheckOf<'gonogo'>['otherwise'], FindingId>;
