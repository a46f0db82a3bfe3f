import type { ConditionNumbers, FindingNumbers, Sentences } from '../../findings';

const seen = ({ found, grade }: ConditionNumbers): string =>
  found ? `Seen: ${found}` : `It is ${grade}`;

export const CONDITION_SENTENCES = {
  damaged: ({ found }) =>
    `Damage seen${found ? `: ${found}` : ''}. A damaged one is renewed whatever it measures.`,
  putRight: (n) => `${seen(n)}. Put it right.`,
  edgeSpent: (n) => `${seen(n)}. This edge is spent, turn it to the good one.`,
  marked: (n) => `${seen(n)}. Not yet damaged: look again.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideCondition = (): string => 'Sound.';
