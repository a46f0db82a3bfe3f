import type { ReactNode } from 'react';
import type {
  Check,
  MachineFile,
  Reading,
  ReadingTool,
  ReadingValue,
  Walk,
} from '@green-tally/core/contracts';
import type { CheckVerdict } from '@green-tally/core/verdict';

/** A value taken at a place. */
export interface Taken {
  readonly place: string;
  readonly value: ReadingValue;
  /** the reading of that place that it takes the stead of */
  readonly strikes?: string | undefined;
  /** what it was measured with; the sheet's tool unless said */
  readonly tool?: ReadingTool;
}

/** What every way of entering a reading is given. */
export interface EntryProps<C extends Check = Check> {
  readonly check: C;
  readonly file: MachineFile;
  readonly walk: Walk;
  readonly state: Reading['state'];
  /** places to read, in order */
  readonly places: readonly string[];
  /** this walk's readings of the check in this state, none struck */
  readonly readings: readonly Reading[];
  readonly verdict: CheckVerdict | undefined;
  /** key under which half-typed entries are kept */
  readonly draftKey: string;
  /** links to take out, when the chain is being shortened */
  readonly linksOut: number;
  /**
   * stores readings as they are taken; tells whether they are stored
   * @param last with them all places are read
   */
  readonly onTake: (taken: readonly Taken[], last?: boolean) => Promise<boolean>;
  /** all places are read: show the verdict */
  readonly onDone: () => void;
  /** lays the entry into the screen: what scrolls, and what the thumb does */
  readonly frame: (body: ReactNode, footer: ReactNode) => ReactNode;
}

/** What was typed or chosen: a value, or what is missing or wrong in words. */
export type Entered = { readonly value: ReadingValue } | { readonly trouble: string };
