import type { Check, SpecSheet } from '../contracts';
import { fieldChanges, type FieldChange } from './diff';

/** A check that two models have, and what differs in it. */
export interface Beside {
  readonly one: Check;
  readonly two: Check;
  /** none: they are alike */
  readonly fields: readonly FieldChange[];
}

/** Two models side by side. */
export interface ModelsBeside {
  readonly both: readonly Beside[];
  readonly onlyOne: readonly Check[];
  readonly onlyTwo: readonly Check[];
}

/**
 * Holds two models side by side, check by check: by their ids, and where those differ by what is
 * read, then by the component where each has one alone. Where it stands in the book, and what
 * differs on some machines, says nothing of the model.
 */
export function besideEachOther(one: SpecSheet, two: SpecSheet): ModelsBeside {
  const pairs = new Map<string, Check>();
  let left: readonly Check[] = two.checks;
  for (const key of KEYS) {
    const open = one.checks.filter((c) => !pairs.has(c.id));
    for (const check of open) {
      const like = (c: Check) => key(c) === key(check);
      const mates = left.filter(like);
      const [mate] = mates;
      if (!mate || mates.length > 1 || open.filter(like).length > 1) continue;
      pairs.set(check.id, mate);
      left = left.filter((c) => c !== mate);
    }
  }
  return {
    both: one.checks.flatMap((check) => {
      const mate = pairs.get(check.id);
      return mate ? [{ one: check, two: mate, fields: differing(check, mate) }] : [];
    }),
    onlyOne: one.checks.filter((c) => !pairs.has(c.id)),
    onlyTwo: left,
  };
}

const KEYS: readonly ((check: Check) => string)[] = [
  (c) => c.id,
  (c) => `${plain(c.component)}|${plain(c.measures)}`,
  (c) => plain(c.component),
];
const plain = (text: string): string => text.trim().toLowerCase();

const differing = (one: Check, two: Check): FieldChange[] =>
  fieldChanges(one, two).filter(
    ({ field }) => field !== 'id' && field !== 'source' && !field.startsWith('versions'),
  );
