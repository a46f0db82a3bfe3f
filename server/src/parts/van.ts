import { Op } from 'sequelize';
import type { Person, VanList, Visit } from '@green-tally/core/contracts';
import { vanList } from '@green-tally/core/parts';
import { checksFor } from '@green-tally/core/walk';
import { handsOf, machineFileOf, namesOf, PersonRow, toVisit, VisitRow } from '../db';
import { NotFound } from '../errors';
import { machineToSee, toSee } from '../people/sight';

/** What is loaded for one visit. @throws NotFound; Forbidden for people of another branch */
export async function vanOfVisit(id: string, person: Person): Promise<VanList> {
  const row = await VisitRow.findByPk(id);
  if (!row) throw new NotFound('visit');
  await machineToSee(row.machineId, person);
  const [visit] = await named([row]);
  return vanOf(visit ? [visit] : [], visit?.technician ?? '', null);
}

/** What a technician loads for the visits of a day. @throws NotFound, Forbidden */
export async function vanOfDay(technicianId: string, on: string, person: Person): Promise<VanList> {
  const technician = await PersonRow.findByPk(technicianId);
  if (!technician) throw new NotFound('technician');
  await toSee(person, technician.branch);
  const rows = await VisitRow.findAll({
    where: {
      [Op.or]: [{ technicianId }, { mateId: technicianId }],
      startsOn: { [Op.lte]: on },
      endsOn: { [Op.gte]: on },
    },
    order: ['startsOn', 'id'],
  });
  return vanOf(await named(rows), technician.name, on);
}

async function named(rows: readonly VisitRow[]): Promise<Visit[]> {
  const names = await namesOf(rows.flatMap(handsOf));
  return rows.map((r) => toVisit(r, names));
}

async function vanOf(
  visits: readonly Visit[],
  technician: string,
  on: string | null,
): Promise<VanList> {
  const jobs = [];
  const told: VanList['visits'] = [];
  for (const { id, machineId, site, startsOn, endsOn, hours, workIds } of visits) {
    const read = await machineFileOf(machineId);
    if (!read) continue;
    const { machine, sheets, work } = read.file;
    const checks = checksFor(machine, sheets);
    const items = work.filter((w) => workIds.includes(w.id) && !w.withdrawnAt);
    const nameOf = (checkId: string) => checks.find((c) => c.id === checkId)?.component ?? checkId;
    jobs.push({ serial: machine.serial, items, checks });
    told.push({
      ...{ id, machineId, site, startsOn, endsOn, hours },
      serial: machine.serial,
      model: machine.model,
      customer: machine.customer,
      work: items.map((w) => ({
        id: w.id,
        component: nameOf(w.checkId),
        decision: w.decision,
        reason: w.reason,
      })),
    });
  }
  return { technician, on, visits: told, ...vanList(jobs) };
}
