import type { ComponentType } from 'react';
import { z } from 'zod';
import type { CheckKind, CheckOf, Machine } from '@green-tally/core/contracts';
import type { Entered } from '../entries';

/** Kinds of check that are seen or done, not measured. */
export type SeenCheckKind = Extract<
  CheckKind,
  'gonogo' | 'condition' | 'level' | 'setting' | 'service'
>;
export type SeenCheck = CheckOf<SeenCheckKind>;

/** What is chosen and written for one place. */
export const Seen = z.object({
  choice: z.string(),
  seen: z.array(z.string()),
  text: z.string(),
});
export type Seen = z.infer<typeof Seen>;
export const NOTHING_SEEN: Seen = { choice: '', seen: [], text: '' };

/** One of the answers a place may get. */
export interface Answer {
  readonly value: string;
  readonly title: string;
}

/** What is asked beside the choice. */
export interface MoreProps<K extends SeenCheckKind> {
  readonly check: CheckOf<K>;
  readonly seen: Seen;
  /** " (left)" where there are several places */
  readonly of: string;
  readonly onChange: (part: Partial<Seen>) => void;
}

/** How a kind is seen: what is asked, what may be answered, and the value it makes. */
export interface SeenKind<K extends SeenCheckKind> {
  readonly question: string;
  answers(check: CheckOf<K>): readonly Answer[];
  /** the answer most places give, offered for all at once */
  usual(check: CheckOf<K>, machine: Machine): string | undefined;
  /** the chosen answer as a value, or what is missing */
  value(check: CheckOf<K>, seen: Seen): Entered;
  /** what the sheet wants here, said before it is looked at */
  readonly Wanted?: ComponentType<{ check: CheckOf<K>; machine: Machine }>;
  readonly More?: ComponentType<MoreProps<K>>;
}
