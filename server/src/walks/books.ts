import type {
  FieldTrouble,
  Machine,
  Person,
  Reading,
  SpecSheet,
} from '@green-tally/core/contracts';
import { inBranch } from '@green-tally/core/rights';
import { admission, type MeterMark } from '@green-tally/core/walk';
import { currentSheets, MachineRow, modelsOf, toMachine } from '../db';

/** What readings are held against before they are stored. */
export interface Books {
  readonly machines: ReadonlyMap<string, Machine>;
  readonly sheets: readonly SpecSheet[];
  /** what each machine admits, once it was asked for */
  readonly admits: Map<string, ReturnType<typeof admission>>;
  /** as the machines stood when they were looked up */
  readonly versions: ReadonlyMap<string, number>;
  readonly today: string;
  /** the moment it is, where readings come as they are taken */
  readonly now?: string | undefined;
  readonly person: Person;
}

/** The books of some machines: what readings of theirs are held against, and nothing else. */
export async function openBooks(
  by: Pick<Books, 'person' | 'today' | 'now'>,
  ids: readonly string[],
): Promise<Books> {
  const rows = await MachineRow.findAll({ where: { id: [...new Set(ids)] } });
  const machines = rows.map(toMachine);
  return {
    machines: new Map(machines.map((m) => [m.id, m])),
    admits: new Map(),
    versions: new Map(rows.map((r) => [r.id, r.version])),
    sheets: await currentSheets(undefined, [...new Set(machines.flatMap(modelsOf))]),
    ...by,
  };
}

/** Troubles of one reading, from nothing known of other readings. */
export function troublesOf(
  reading: Reading,
  books: Books,
  marks: readonly MeterMark[] = [],
): FieldTrouble[] {
  const machine = books.machines.get(reading.machineId);
  if (!machine) return [{ field: 'machineId', message: 'There is no such machine.' }];
  if (!inBranch(books.person, machine.branch))
    return [
      {
        field: 'machineId',
        message: `${machine.serial} belongs to ${machine.branch}; you work for ${books.person.branch}.`,
      },
    ];
  const admits = books.admits.get(machine.id) ?? admission(machine, books.sheets);
  books.admits.set(machine.id, admits);
  return admits(reading, { today: books.today, now: books.now, marks });
}
