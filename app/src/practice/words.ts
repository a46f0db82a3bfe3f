import type { CaseSpec, Choice, Trap } from '@green-tally/core/practice';

/** How hard a case is, in words. */
export const DIFFICULTY_WORDS: Readonly<
  Record<CaseSpec['difficulty'], { title: string; text: string }>
> = {
  first: { title: 'First steps', text: 'two things lie in wait, readings are steady' },
  seasoned: { title: 'Seasoned', text: 'four things lie in wait, tools read as they do' },
  sly: { title: 'Sly', text: 'everything that can mislead does, readings scatter' },
};

/** What lies in wait, in words, for who sets a case. */
export const TRAP_WORDS: Readonly<Record<Trap, string>> = {
  slotRunOut: 'Slot used up',
  unsettled: 'Settles after running',
  looksFine: 'Looks fine, is not',
  oneSide: 'One side only',
  wrongPosition: 'Hangs wrong',
  narrowLimit: 'Narrow limit',
};

/** What is decided, as a hand says it. */
export const CHOICE_WORDS: Readonly<Record<Choice, string>> = {
  leave: 'Leave it',
  adjust: 'Adjust',
  shorten: 'Shorten',
  turn: 'Turn',
  replace: 'Replace',
};
