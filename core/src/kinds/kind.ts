import type {
  CheckKind,
  CheckOf,
  Day,
  ClassRate,
  FieldTrouble,
  MachineCosts,
  Reading,
  ReadingKind,
  ReadingValue,
} from '../contracts';
import type { TakeUpPlan } from '../chain';
import type { Finding, ImplausibleNumbers } from '../findings';
import type { UseRate } from '../intervals';
import type { PlaceHistory } from '../history';
import type { WearForecast } from './measure/forecast';
import type { StripTick } from './measure/wear';

/**
 * Money of the branch: an hour of standing still in harvest, an hour of labour, prices of parts. A
 * part without a price is not known to cost nothing.
 */
export type StopCosts = Pick<MachineCosts, 'currency' | 'stopHour' | 'labourHour' | 'prices'>;

/** What the machine brings to a verdict. Hours: separator hours. */
export interface MachineFacts {
  readonly hours: number;
  /** hours to be threshed until harvest ends */
  readonly seasonHours: number;
  /** the crop coming up, for settings */
  readonly crop?: string;
  /** when that was changed */
  readonly cropSince?: Day;
  /** model of the header on it, for settings */
  readonly header?: string;
  /** serial of the header on it: what was read of another is not of this one */
  readonly headerSerial?: string;
  /** when it took the place of another */
  readonly headerSince?: string;
  /** the day; without it nothing falls due by the calendar */
  readonly today?: Day;
  /** what stopping and working cost, where the branch has said so */
  readonly costs?: StopCosts;
  /** what the fleet has shown, by component class; the sheet's rate where it says nothing */
  readonly rates?: Readonly<Record<string, ClassRate>>;
  /** its season and how it works; without it nothing falls due by the season */
  readonly use?: UseRate;
}

/** One place of a check in one state, as its kind judges it. */
export interface Seen {
  readonly place: PlaceHistory;
  /** readings of the state judged, oldest first */
  readonly readings: readonly Reading[];
  /** the newest of them that is what the check is there for */
  readonly main: Reading;
  /**
   * machine hours at which the part then in place was new; undefined when no renewal is on record
   */
  readonly renewedAt: number | undefined;
  /** the reading that put it on record */
  readonly renewal?: Reading | undefined;
  /** machine hours now, never before the main reading */
  readonly now: number;
}

/**
 * What a kind of check reads out of one place in one state. Every field is there: objects of one
 * shape are read many times faster.
 */
export interface Shown {
  readonly findings: readonly Finding[];
  /** wear fraction and its expanded uncertainty, where the check measures wear */
  readonly wear: number | undefined;
  readonly expanded: number | undefined;
  /** median reading and its expanded uncertainty, in the core's own unit */
  readonly value: number | undefined;
  readonly expandedValue: number | undefined;
  readonly forecast: WearForecast | undefined;
  readonly travelLeft: number | undefined;
  /** % */
  readonly elongation: number | undefined;
  readonly plan: TakeUpPlan | undefined;
  /** how many to renew of a counted set */
  readonly renew: number | undefined;
}

/** Findings with what else was read out; what is not named is undefined. */
export function shown(
  findings: readonly Finding[],
  also: Partial<Omit<Shown, 'findings'>> = {},
): Shown {
  return {
    findings,
    wear: also.wear,
    expanded: also.expanded,
    value: also.value,
    expandedValue: also.expandedValue,
    forecast: also.forecast,
    travelLeft: also.travelLeft,
    elongation: also.elongation,
    plan: also.plan,
    renew: also.renew,
  };
}

/** A reading of another kind than the check takes proves nothing. */
export const NOT_MEASURED: Finding<'notMeasured'> = {
  id: 'notMeasured',
  numbers: { travelOnly: false },
};

/**
 * A kind of check: all that differs from kind to kind. Its contract is beside it; its sentences are
 * in its `words.ts`.
 */
export interface Kind<K extends CheckKind> {
  /** as a technician says it */
  readonly name: string;
  /** kinds of value its readings carry, the main one first, beside a skip */
  readonly takes: readonly [ReadingKind, ...ReadingKind[]];
  /** what it wants, in a few words: "new 38 mm · limit 35 mm" */
  wants(check: CheckOf<K>): string;
  /** its drawing in words, without the component's name */
  drawn(check: CheckOf<K>): string;
  /** what is wrong with a value of a kind that it takes, whatever else the reading says */
  admit(check: CheckOf<K>, value: ReadingValue): FieldTrouble[];
  judge(check: CheckOf<K>, seen: Seen, facts: MachineFacts): Shown;
  /** what cannot well be: challenged at entry, and kept only with a word of why */
  implausible?(check: CheckOf<K>, value: ReadingValue): ImplausibleNumbers | undefined;
  /** what one reading shows that only a new part, a turn or a repair puts right */
  spoilt?(check: CheckOf<K>, reading: Reading): Finding | undefined;
  /** a finding that concerns several places at once */
  between?(check: CheckOf<K>, places: readonly PlaceHistory[]): Finding | undefined;
  /** ticks of the tally strip, where it wears */
  strip?(check: CheckOf<K>, place: PlaceHistory): readonly StripTick[];
}
