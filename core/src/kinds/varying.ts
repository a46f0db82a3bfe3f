import type { Check } from '../contracts';
import { fitsMachine } from '../contracts';

/** What tells a machine's version: its serial, the year it was built, its equipment. */
export interface Version {
  readonly serial: string;
  /** undefined for a header, which is known by its serial alone */
  readonly year: number | undefined;
  readonly equipment: Readonly<Record<string, string>>;
}

/** Checks as they are at a place, made once: they are asked for at every judgement. */
const atPlaces = new WeakMap<Check, Map<string, Check>>();

/** A check as it is at one place: what the sheet says differs there put in the place of the rest. */
export function atPlace<C extends Check>(check: C, place: string): C;
export function atPlace(check: Check, place: string): Check {
  const differs = check.perPlace?.[place];
  if (!differs) return check;
  let known = atPlaces.get(check);
  if (!known) atPlaces.set(check, (known = new Map()));
  let here = known.get(place);
  if (!here) known.set(place, (here = withDifferences(check, differs)));
  return here;
}

/** A check as it is on one machine; undefined where the machine has it not. */
export function onMachine(check: Check, machine: Version): Check | undefined {
  if (check.fits && !fitsMachine(check.fits, machine)) return undefined;
  const version = check.versions?.find(
    (v) => fitsMachine(v, machine) && equipped(v.when, machine.equipment),
  );
  if (!version) return check;
  const { serials: _serials, built: _built, when: _when, ...differs } = version;
  return withDifferences(check, differs);
}

function equipped(
  when: Readonly<Record<string, readonly string[]>> | undefined,
  equipment: Version['equipment'],
): boolean {
  return Object.entries(when ?? {}).every(([id, options]) => options.includes(equipment[id] ?? ''));
}

/** The contract has seen to it that what differs leaves a check of the same kind. */
const withDifferences = <C extends Check>(check: C, differs: object): C => ({
  ...check,
  ...differs,
});
