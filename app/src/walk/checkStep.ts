/*
 * One check of the walk, step by step.
 *
 *              it stands so                        done
 *   unset ──────────────────────▶ entering ──────────────────▶ verdict
 *    ▲ │ ▲                        ▲ ▲ │ ▲ │                      │   ▲
 *    │ │ │  stands otherwise      │ │ │ │ │ skip           begin │   │ seeVerdict
 *    │ │ └────────────────────────┼─┼─┘ │ ▼                      │   │ (entering)
 *    │ │                   looked │ │   skipping ◀── skip, unset │   │
 *    │ └─ as left, must run ─▶ settling    back, done            │   │
 *    └────────────────────────────────── begin, not so ──────────┴───┘
 *
 * unset     the machine does not stand as the check wants: nothing can be entered; it may be skipped
 * settling  put right, but it has to run and be looked at again before it counts
 * entering  readings are taken
 * skipping  why it is not measured is being said
 * verdict   what the readings came to, and what may be done about it
 */
import type { Reading } from '@green-tally/core/contracts';

/** What is to be entered. */
export interface Wish {
  readonly state: Reading['state'];
  readonly places: readonly string[];
  /** the readings taken replace earlier ones, which are struck through */
  readonly strike: boolean;
  /** a new part was put in */
  readonly renewed: boolean;
  /** turned or repaired: what was found damaged or worn on one edge is put right */
  readonly repaired: boolean;
  readonly linksOut: number;
  /** readings from this moment on belong to the entry; empty: all of this walk's */
  readonly since: string;
}

export type CheckStep =
  | { readonly at: 'unset'; readonly wish: Wish }
  | { readonly at: 'settling'; readonly wish: Wish }
  | { readonly at: 'entering'; readonly wish: Wish; readonly settled: boolean }
  | { readonly at: 'skipping'; readonly wish: Wish }
  | { readonly at: 'verdict' };

export type CheckEvent =
  | { readonly type: 'looked' }
  | { readonly type: 'skip' }
  | { readonly type: 'back' }
  | { readonly type: 'done' }
  | { readonly type: 'seeVerdict' }
  | { readonly type: 'begin'; readonly wish: Wish };

/** What the check and the machine bring to a step. */
export interface StepFacts {
  /** the machine stands as the check wants */
  readonly confirmed: boolean;
  /** an adjustment counts only after running and looking again */
  readonly runsToSettle: boolean;
}

/** Everything of a check, as it is found. */
export const fresh = (places: readonly string[], since = ''): Wish => ({
  state: 'asFound',
  places,
  strike: false,
  renewed: false,
  repaired: false,
  linksOut: 0,
  since,
});

/**
 * Where a check begins: at its verdict when all is read and nothing has loosened it since, else at
 * its entry.
 */
export function firstStep(wish: Wish | undefined, facts: StepFacts): CheckStep {
  return wish ? toEntry(wish, facts) : { at: 'verdict' };
}

/** What follows an event; one that does not belong to a step changes nothing. */
export function nextStep(step: CheckStep, event: CheckEvent, facts: StepFacts): CheckStep {
  switch (event.type) {
    case 'begin':
      return toEntry(event.wish, facts);
    case 'looked':
      return step.at === 'settling' ? { at: 'entering', wish: step.wish, settled: true } : step;
    case 'skip':
      return toSkipping(step);
    case 'back':
      return step.at === 'skipping' ? toEntry(step.wish, facts) : step;
    case 'seeVerdict':
      return step.at === 'entering' ? { at: 'verdict' } : step;
    case 'done':
      return isOpen(step) ? { at: 'verdict' } : step;
  }
}

/** Something is being said about the check: a reading, or why there is none. */
const isOpen = (step: CheckStep) => step.at === 'entering' || step.at === 'skipping';

/** Only what was found can be left unmeasured; what was put right is measured. */
const toSkipping = (step: CheckStep): CheckStep =>
  (step.at === 'entering' || step.at === 'unset') && step.wish.state === 'asFound'
    ? { at: 'skipping', wish: step.wish }
    : step;

function toEntry(wish: Wish, { confirmed, runsToSettle }: StepFacts): CheckStep {
  if (!confirmed) return { at: 'unset', wish };
  return wish.state === 'asLeft' && runsToSettle
    ? { at: 'settling', wish }
    : { at: 'entering', wish, settled: false };
}

/**
 * Where a check stands once it is known how the machine does: what was being entered waits while it
 * stands otherwise, whoever moved it, and goes on when it stands so again.
 */
export function asItStands(step: CheckStep, facts: StepFacts): CheckStep {
  if (step.at === 'unset' && facts.confirmed) return toEntry(step.wish, facts);
  return (step.at === 'entering' || step.at === 'settling') && !facts.confirmed
    ? { at: 'unset', wish: step.wish }
    : step;
}

/** The readings that an entry has taken so far, of this walk's live ones. */
export function takenIn({ state, since }: Wish, own: readonly Reading[]): readonly Reading[] {
  return own.filter((r) => r.state === state && r.takenAt >= since);
}

/** The reading that one being taken strikes through; undefined when it strikes none. */
export function struckBy(
  { strike, state, since }: Wish,
  own: readonly Reading[],
  taken: Pick<Reading, 'place' | 'value'>,
): Reading | undefined {
  if (!strike) return undefined;
  return own.findLast(
    (r) =>
      r.place === taken.place &&
      r.value.kind === taken.value.kind &&
      r.state === state &&
      r.takenAt < since,
  );
}
