import type { Role } from '../contracts';

/** Who may do what. The one place where it is written; tested as a matrix. */
export const RIGHTS = {
  look: ['technician', 'planner', 'admin'],
  takeReadings: ['technician', 'planner', 'admin'],
  acceptWork: ['technician', 'planner', 'admin'],
  planVisits: ['planner', 'admin'],
  keepMachines: ['planner', 'admin'],
  importReadings: ['planner', 'admin'],
  keepSheets: ['planner', 'admin'],
  keepCosts: ['planner', 'admin'],
  keepParts: ['planner', 'admin'],
  keepPeople: ['admin'],
} as const satisfies Record<string, readonly Role[]>;

export type Right = keyof typeof RIGHTS;

/** Whether a role holds a right. */
export function mayDo(role: Role, right: Right): boolean {
  const holders: readonly Role[] = RIGHTS[right];
  return holders.includes(role);
}

/** Writes to a machine need its own branch; an admin works in all. */
export function inBranch(person: { role: Role; branch: string }, branch: string): boolean {
  return person.role === 'admin' || person.branch === branch;
}
