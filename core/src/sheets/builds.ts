import { compareSerials, type SpecSheet } from '../contracts';

/** A machine or header of a model, and what is said of its build. */
export interface Built {
  readonly serial: string;
  readonly equipment?: Readonly<Record<string, string>> | null | undefined;
}

/** Machines that a changed sheet would take for built otherwise than they are. */
export interface LostBuild {
  /** the equipment, by its name */
  readonly equipment: string;
  /** what they are built with, by the name it had */
  readonly option: string;
  readonly serials: readonly string[];
}

/**
 * Whose build a new revision would change without a word: the option they are built with, said or
 * taken as the first, is not there any more or is no longer the one that is taken.
 * @param before the revision in force
 * @param machines of the sheet's model
 */
export function lostBuilds(
  before: SpecSheet,
  after: SpecSheet,
  machines: readonly Built[],
): LostBuild[] {
  return before.equipment.flatMap((was) => {
    const is = after.equipment.find((e) => e.id === was.id);
    if (!is) return [];
    const serials = new Map<string, string[]>();
    for (const { serial, equipment } of machines) {
      const built = taken(was, equipment?.[was.id]);
      if (taken(is, equipment?.[was.id])?.id === built?.id || !built) continue;
      serials.set(built.name, [...(serials.get(built.name) ?? []), serial]);
    }
    return [...serials].map(([option, of]) => ({
      equipment: was.name,
      option,
      serials: of.sort(compareSerials),
    }));
  });
}

type Equipment = SpecSheet['equipment'][number];

const taken = (
  { options }: Equipment,
  said: string | undefined,
): Equipment['options'][number] | undefined => options.find((o) => o.id === said) ?? options[0];
