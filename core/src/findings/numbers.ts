import type {
  CountCheck,
  Day,
  Feel,
  Interval,
  LevelCheck,
  ServiceCheck,
  ValueOf,
} from '../contracts';
import type { LeaveOrRenew } from '../forecast';

/**
 * Repeats as they were judged; values in the core's own unit of the quantity. `expanded`: U, k = 2.
 */
export interface MeasuredNumbers {
  readonly value: number;
  readonly expanded: number;
  readonly count: number;
  readonly spread: number;
}

/** Wear against its limit. `chain`: the same as elongation, %, where the check is one. */
export interface WearNumbers extends MeasuredNumbers {
  readonly nominal: number;
  readonly limit: number;
  /** 0 new, 1 at the limit */
  readonly wear: number;
  readonly chain?:
    | {
        readonly percent: number;
        readonly limitPercent: number;
        readonly pitches: number;
        readonly pitchesNeeded: number;
      }
    | undefined;
}

/** A reading against its band, of which one edge at least is there. */
export interface BandNumbers extends MeasuredNumbers {
  readonly low?: number | undefined;
  readonly high?: number | undefined;
}

/** An indicator against its mark, mm, or a feel. */
export type TensionNumbers =
  | {
      readonly by: number;
      readonly stands: ValueOf<'mark'>['stands'];
      readonly past: number;
      readonly short: number;
    }
  | { readonly feel: Feel };

/** The travel of an adjuster and what links taken out would give. mm, %, h. */
export interface TravelNumbers {
  readonly left: number;
  readonly total: number;
  readonly reserve: number;
  readonly percent: number;
  readonly limitPercent: number;
  readonly eatenInSeason: number;
  /** the shortening that fits; undefined when none does */
  readonly shorten?:
    | { readonly linksOut: number; readonly offsetLink: boolean; readonly travelLeft: number }
    | undefined;
}

export interface GaugeNumbers {
  readonly gauge: string;
  readonly fits: boolean;
}

export interface CountNumbers extends Pick<CountCheck, 'total' | 'counted' | 'allowed'> {
  readonly missing: number;
  readonly damaged: number;
  readonly oneEdge: number;
  readonly bothEdges: number;
  readonly bad: number;
  readonly renew: number;
  readonly mates: number;
  readonly school: CountCheck['renew'];
  /** edges are asked for */
  readonly edges: boolean;
}

export interface ConditionNumbers {
  readonly grade: ValueOf<'condition'>['grade'];
  readonly found: string;
}

export interface LevelNumbers extends Pick<LevelCheck, 'eye' | 'product'> {
  readonly level: ValueOf<'level'>['level'];
  readonly colour: string;
  /** what is in it; empty: as the sheet says */
  readonly used: string;
  /** litres added */
  readonly toppedUp: number | null;
}

export interface SettingNumbers {
  readonly option: string;
  readonly crop: string;
}
export interface WantedSettingNumbers extends SettingNumbers {
  readonly wanted: string;
  readonly because: string;
}

export interface ServiceNumbers extends Pick<ServiceCheck, 'asks' | 'product'> {
  readonly amount: number;
  readonly wanted: number;
  readonly most: number;
  readonly used: string;
}

/** When a service falls due. Machine hours; 0 hours or days where the interval names none. */
export interface ServiceDueNumbers extends Pick<ServiceCheck, 'asks' | 'product'> {
  readonly wanted: number;
  readonly doneHours: number;
  readonly every: number;
  readonly days: number;
  readonly lookAgain: number;
  /** the day it falls due by the calendar, where that comes before its hours */
  readonly on: Day | null;
}

/** A value that cannot well be: in the core's own unit, with the edge of what can. */
export interface ImplausibleNumbers {
  readonly value: number;
  readonly edge: number;
  readonly side: 'betterThanNew' | 'tooFar';
}

/** Both sums of leaving and renewing, with what went into them. Money of the branch. */
export interface BothSums {
  readonly leave: number;
  readonly renew: number;
  /** chance from which renewing is cheaper */
  readonly breakEven: number;
  readonly currency: string;
  /** component class whose shop rule says what a stop takes; undefined where the sheet does */
  readonly stopRule: string | undefined;
  readonly terms: Omit<LeaveOrRenew, 'chance' | 'discount'>;
}

/** Why there are no sums: the branch has not said its costs, or parts have no price. */
export interface NoSums {
  readonly lacks: 'costs' | 'prices';
  /** part numbers */
  readonly parts: readonly string[];
}

/** Whose wear a forecast starts from: what the sheet expects, or what the fleet has shown. */
export interface RateSource {
  readonly of: 'sheet' | 'branch' | 'everywhere';
  /** lives of the fleet that showed how fast it wears */
  readonly lives: number;
}

/** What is forecast, with both sums where costs are known. Machine hours, money of the branch. */
export interface NotWorthLeavingNumbers {
  /** what is reached: a wear limit, the end of an adjuster's travel, the edge of a band */
  readonly what: 'limit' | 'travel' | 'band';
  readonly chance: number;
  /** hour at which the limit is reached with even chance */
  readonly expectedAt: number;
  readonly sums?: BothSums | undefined;
  readonly noSums?: NoSums | undefined;
  /** chance from which the shop renews where no costs are known */
  readonly shopRule: number;
  readonly age?: { readonly from: number; readonly to: number } | undefined;
  readonly rate?: RateSource | undefined;
}

/** What was read before and no longer counts. Machine hours. */
export interface LapsedNumbers {
  readonly on: Day;
  readonly atHours: number;
  readonly interval: Interval;
  /** the hour and the day it fell due, where its rule names them */
  readonly dueAt: number | null;
  readonly early: boolean;
}

/** What of a check has to come from the maker's manual. */
export type ToEnter = 'limit' | 'takeUp' | 'amount' | 'total' | 'options';

/** What a check is judged by and nobody has entered yet. */
export interface NoLimitNumbers {
  readonly wants: readonly ToEnter[];
}
