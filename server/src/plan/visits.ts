import type { Person, Visit, VisitPlan } from '@green-tally/core/contracts';
import { standingOf, visitEnd, workingDayFrom } from '@green-tally/core/plan';
import {
  lockMachines,
  machinesChanged,
  PersonRow,
  VisitRow,
  type Database,
  type MachineRow,
} from '../db';
import { Conflict, invalidField, NotFound } from '../errors';
import { machineFile, machineToChange } from '../machines/machines';

/**
 * Makes or moves a machine's visit: it takes all open accepted work that no other visit holds, and
 * its end follows from the labour.
 * @throws Invalid on a date before the machine existed or in the past, an unknown technician, or no
 *   work; Conflict when changed meanwhile
 */
export async function planVisit(
  db: Database,
  plan: VisitPlan,
  person: Person,
  today: string,
): Promise<Visit> {
  const machine = await machineToChange(plan.machineId, person);
  await checkPlan(plan, machine, today);
  await db.sequelize.transaction(async (transaction) => {
    await lockMachines(db, [plan.machineId], transaction);
    const there = await VisitRow.findByPk(plan.id, { transaction });
    checkVersion(plan, there);
    if (there && plan.version === null) return;
    const file = await machineFile(plan.machineId, transaction);
    const standing = standingOf(file, today);
    const open = standing.work.filter((w) => !w.done && (!w.visit || w.visit.id === plan.id));
    if (!open.length) throw nothingToDo(machine);
    // work without minutes of its own, a task, still takes a visit
    const hours = Math.max(LEAST_HOURS, standing.labourOf(open).hours);
    const startsOn = workingDayFrom(plan.startsOn);
    const row = {
      machineId: plan.machineId,
      technicianId: plan.technicianId,
      startsOn,
      endsOn: visitEnd(startsOn, hours),
      hours,
      site: plan.site,
      note: plan.note,
      workIds: open.map((w) => w.id),
    };
    if (there) await there.update({ ...row, version: there.version + 1 }, { transaction });
    else await VisitRow.create({ id: plan.id, ...row, version: 1 }, { transaction });
    await machinesChanged(db, { ids: [plan.machineId] }, transaction);
  });
  const { visits } = await machineFile(plan.machineId);
  const visit = visits.find((v) => v.id === plan.id);
  if (!visit) throw new NotFound('visit');
  return visit;
}

async function checkPlan(plan: VisitPlan, machine: MachineRow, today: string): Promise<void> {
  const { technicianId, startsOn } = plan;
  if (!(await PersonRow.findByPk(technicianId)))
    throw invalidField(
      'technicianId',
      'There is no such technician.',
      'a technician of this place',
    );
  if (startsOn < machine.builtOn)
    throw invalidField(
      'startsOn',
      `${startsOn} lies before ${machine.serial} was built, ${machine.builtOn}.`,
      'a date after the machine was built',
    );
  if (startsOn < today)
    throw invalidField(
      'startsOn',
      `${startsOn} is past; today is ${today}.`,
      'today or a later date',
    );
}

/**
 * A new visit names no version; sent again it is left as it is. A change names the version it saw.
 */
function checkVersion(plan: VisitPlan, there: VisitRow | null): void {
  if (there && there.machineId !== plan.machineId) throw new NotFound('visit on this machine');
  if (plan.version === null) return;
  if (!there)
    throw new Conflict(
      'Visit is gone',
      'Somebody removed this visit meanwhile. Look again and plan it anew.',
    );
  if (there.version !== plan.version)
    throw new Conflict(
      'Changed meanwhile',
      'Somebody changed this visit meanwhile. Look at it as it is now, then change it again.',
    );
}

/** The shortest visit there is, h. */
const LEAST_HOURS = 0.25;

const nothingToDo = ({ serial }: MachineRow) =>
  invalidField(
    'machineId',
    `${serial} has no accepted work to visit it for. Accept its decisions into work first.`,
    'a machine with accepted work',
  );

/** Removes a visit; its work stays, unplanned. */
export async function dropVisit(db: Database, id: string, person: Person): Promise<void> {
  const row = await VisitRow.findByPk(id);
  if (!row) throw new NotFound('visit');
  await machineToChange(row.machineId, person);
  await db.sequelize.transaction(async (transaction) => {
    await lockMachines(db, [row.machineId], transaction);
    await row.destroy({ transaction });
    await machinesChanged(db, { ids: [row.machineId] }, transaction, [id]);
  });
}
