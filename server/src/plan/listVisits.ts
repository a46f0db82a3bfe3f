import type { Machine, Visit, WorkItem } from '@green-tally/core/contracts';
import { MachineRow, PersonRow, toMachine, toVisit, toWork, VisitRow, WorkRow } from '../db';

/** A visit with the machine it is to. */
export interface VisitOnMachine {
  readonly visit: Visit;
  readonly machine: Machine;
}

/** Visits of a branch, or of all, earliest first, with their machines. */
export async function listVisits(where: { branch?: string }): Promise<VisitOnMachine[]> {
  const machines = await MachineRow.findAll({ where });
  const byId = new Map(machines.map((m) => [m.id, toMachine(m)]));
  const rows = await VisitRow.findAll({
    where: { machineId: [...byId.keys()] },
    order: [
      ['startsOn', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  const people = await PersonRow.findAll({
    attributes: ['id', 'name'],
    where: { id: [...new Set(rows.map((r) => r.technicianId))] },
  });
  const names = new Map(people.map((p) => [p.id, p.name]));
  return rows.flatMap((row) => {
    const machine = byId.get(row.machineId);
    return machine ? [{ visit: toVisit(row, names), machine }] : [];
  });
}

/** The work that some visits hold, by id. */
export async function workOfVisits(
  visits: readonly VisitOnMachine[],
): Promise<ReadonlyMap<string, WorkItem>> {
  const rows = await WorkRow.findAll({ where: { id: visits.flatMap((v) => v.visit.workIds) } });
  return new Map(rows.map((r) => [r.id, toWork(r)]));
}
