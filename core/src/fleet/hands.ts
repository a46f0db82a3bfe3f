import type { Check, ClassHands, Reading } from '../contracts';
import { byCheck, byPlace, isWork, live, roundOf } from '../history';
import { classKey } from '../kinds';

/** By component class. */
export type HandsByClass = Readonly<Record<string, ClassHands>>;

/**
 * In how many looks at each component class of a machine somebody put a hand to it: a look is one
 * place in one walk, a hand is something left otherwise than it was found, or a new part. Services
 * are work by themselves and say nothing of wear; a skip is no look.
 */
export function handsOf(checks: readonly Check[], readings: readonly Reading[]): HandsByClass {
  const own = byCheck(live(readings));
  const classes = new Map<string, ClassHands>();
  for (const check of checks) {
    if (check.kind === 'service') continue;
    const key = classKey(check, 'wear');
    for (const place of byPlace(own.get(check.id) ?? []).values())
      classes.set(key, sum(classes.get(key), looksAt(place)));
  }
  return Object.fromEntries(classes);
}

function looksAt(readings: readonly Reading[]): ClassHands {
  const looked = readings.filter((r) => r.value.kind !== 'skip');
  const rounds = new Set(looked.map(roundOf));
  const worked = new Set(looked.filter(isWork).map(roundOf));
  return { looks: rounds.size, hands: worked.size };
}

/** What all machines have shown together. */
export function handsTogether(machines: readonly HandsByClass[]): HandsByClass {
  const classes = new Map<string, ClassHands>();
  for (const machine of machines)
    for (const [key, hands] of Object.entries(machine))
      classes.set(key, sum(classes.get(key), hands));
  return Object.fromEntries(classes);
}

const sum = (a: ClassHands = { looks: 0, hands: 0 }, b: ClassHands): ClassHands => ({
  looks: a.looks + b.looks,
  hands: a.hands + b.hands,
});
