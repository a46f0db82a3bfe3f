import { UniqueConstraintError } from 'sequelize';
import type { Person, WorkItem } from '@green-tally/core/contracts';
import { checksFor } from '@green-tally/core/walk';
import { currentSheets, factsChanged, MachineRow, toMachine, toWork, VisitRow, WorkRow, type Database } from '../db';
import { notFound, ProblemError } from '../http/problem';
import { inBranch } from '../http/roles';

/** Looks a machine up for a write; 404 when unknown, 403 when it belongs to another branch. */
export async function machineToChange(id: string, person: Person): Promise<MachineRow> {
  const machine = await MachineRow.findByPk(id);
  if (!machine) throw notFound('machine');
  if (!inBranch(person, machine.branch)) throw new ProblemError(403, 'Another branch', `${machine.serial} belongs to ${machine.branch}; you work for ${person.branch}.`);
  return machine;
}

/** Stores accepted decisions, all or none; one that is there already is left as it is. */
export async function acceptWork(db: Database, items: readonly WorkItem[], person: Person): Promise<WorkItem[]> {
  const sheets = await currentSheets();
  for (const item of items) {
    const machine = toMachine(await machineToChange(item.machineId, person));
    if (!checksFor(machine, sheets).some((c) => c.id === item.checkId)) {
      throw new ProblemError(400, 'Some of this cannot be used', `${machine.serial} has no check "${item.checkId}".`, [{ field: 'checkId', message: 'wanted a check of this machine' }]);
    }
  }
  return db.sequelize.transaction(async (transaction) => {
    for (const item of items) {
      const there = await WorkRow.findByPk(item.id, { transaction });
      if (!there) await WorkRow.create({ ...item, acceptedBy: person.name, acceptedAt: new Date(item.acceptedAt), withdrawnAt: null }, { transaction });
    }
    await factsChanged(db, transaction);
    return (await WorkRow.findAll({ where: { id: items.map((i) => i.id) }, transaction })).map(toWork);
  }).catch((error: unknown) => {
    if (error instanceof UniqueConstraintError) throw new ProblemError(409, 'Just accepted', 'Somebody accepted the same work at this moment. Look again.');
    throw error;
  });
}

/** Takes an accepted item back; it stays on record with the time it was withdrawn, and leaves its visit. */
export async function withdrawWork(db: Database, id: string, person: Person, at: Date): Promise<WorkItem> {
  const row = await WorkRow.findByPk(id);
  if (!row) throw notFound('work item');
  await machineToChange(row.machineId, person);
  return db.sequelize.transaction(async (transaction) => {
    if (!row.withdrawnAt) await row.update({ withdrawnAt: at }, { transaction });
    const visits = await VisitRow.findAll({ where: { machineId: row.machineId }, transaction });
    for (const visit of visits.filter((v) => v.workIds.includes(id))) {
      await visit.update({ workIds: visit.workIds.filter((w) => w !== id), version: visit.version + 1 }, { transaction });
    }
    await factsChanged(db, transaction);
    return toWork(row);
  });
}
