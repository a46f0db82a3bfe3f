import type { Check, Reading } from '../contracts';
import { byCheck } from '../history';
import type { MachineFacts } from '../kinds';
import { checked, judgeOwn, type CheckVerdict } from './judge';

/**
 * Judges all checks of a machine in one pass over its readings. A check that nothing has changed for
 * since it was judged last is not judged again: the same readings, the very same objects, and facts
 * that say the same. After a reading of one the others stand as they did.
 * @returns a verdict for each check that has been read, in the order of the checks
 * @throws InputError when a reading cannot belong to its check
 */
export function judgeMachine(
  checks: readonly Check[],
  readings: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict[] {
  const known = last && sameFacts(last, facts) ? last : checked(facts);
  last = known;
  const own = byCheck(readings);
  return checks.flatMap((check) => judged(check, own.get(check.id) ?? NONE, known) ?? []);
}

const NONE: readonly Reading[] = [];

/** What a machine was judged by last: checks remember it, and the same is the same object. */
let last: MachineFacts | undefined;

/** What a check was judged from last, and what came of it. */
interface Before {
  readonly readings: readonly Reading[];
  readonly facts: MachineFacts;
  readonly verdict: CheckVerdict | undefined;
}
const before = new WeakMap<Check, Before>();

function judged(
  check: Check,
  readings: readonly Reading[],
  facts: MachineFacts,
): CheckVerdict | undefined {
  const was = before.get(check);
  if (was?.facts === facts && sameRows(was.readings, readings)) return was.verdict;
  const verdict = judgeOwn(check, readings, facts);
  before.set(check, { readings, facts, verdict });
  return verdict;
}

const sameRows = (a: readonly Reading[], b: readonly Reading[]): boolean =>
  a.length === b.length && a.every((r, i) => r === b[i]);

/** Costs and rates are the same where they are the same object; its use, by its figures. */
function sameFacts(a: MachineFacts, b: MachineFacts): boolean {
  if (a === b) return true;
  const { use: useA, ...restA } = a;
  const { use: useB, ...restB } = b;
  return sameFields(restA, restB) && sameFields(useA ?? {}, useB ?? {});
}

function sameFields(a: object, b: object): boolean {
  const [of, other] = [Object.entries(a), new Map(Object.entries(b))];
  return of.length === other.size && of.every(([k, v]) => other.has(k) && other.get(k) === v);
}
