import type { ReadingValue } from '@green-tally/core/contracts';
import type { BRANCHES } from '../people';

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
