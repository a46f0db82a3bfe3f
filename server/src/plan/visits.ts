import type { Person, Visit, VisitPlan } from '@green-tally/core/contracts';
import { standingOf, visitEnd, workingDayFrom } from '@green-tally/core/plan';
import { labourHours } from '@green-tally/core/work';
import { factsChanged, machineFiles, PersonRow, VisitRow, type Database } from '../db';
import { notFound, ProblemError } from '../http/problem';
import { machineToChange } from '../work/work';

const fieldProblem = (field: string, detail: string, message: string): ProblemError =>
  new ProblemError(400, 'Some of this cannot be used', detail, [{ field, message }]);

/**
 * Makes or moves a machine's visit: it takes all open accepted work that no other visit holds, and its end follows from the labour.
 * @throws ProblemError 400 on a date before the machine existed or in the past, an unknown technician, or no work; 409 when changed meanwhile
 */
export async function planVisit(
  db: Database,
  plan: VisitPlan,
  person: Person,
  today: string,
): Promise<Visit> {
  const machine = await machineToChange(plan.machineId, person);
  const technician = await PersonRow.findByPk(plan.technicianId);
  if (!technician)
    throw fieldProblem(
      'technicianId',
      'There is no such technician.',
      'wanted a technician of this place',
    );
  if (plan.startsOn < machine.builtOn)
    throw fieldProblem(
      'startsOn',
      `${plan.startsOn} lies before ${machine.serial} was built, ${machine.builtOn}.`,
      'wanted a date after the machine was built',
    );
  if (plan.startsOn < today)
    throw fieldProblem(
      'startsOn',
      `${plan.startsOn} is past; today is ${today}.`,
      'wanted today or a later date',
    );
  await db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query('SELECT pg_advisory_xact_lock(7143)', { transaction });
    const there = await VisitRow.findByPk(plan.id, { transaction });
    if (there && there.machineId !== plan.machineId) throw notFound('visit on this machine');
    if (there && plan.version === null) return;
    if (!there && plan.version !== null)
      throw new ProblemError(
        409,
        'Visit is gone',
        'Somebody removed this visit meanwhile. Look again and plan it anew.',
      );
    if (there && there.version !== plan.version)
      throw new ProblemError(
        409,
        'Changed meanwhile',
        'Somebody changed this visit meanwhile. Look at it as it is now, then change it again.',
      );
    const [file] = await machineFiles({ id: plan.machineId }, transaction);
    if (!file) throw notFound('machine');
    const open = standingOf(file, today).work.filter(
      (w) => !w.done && (!w.visit || w.visit.id === plan.id),
    );
    const hours = labourHours(open);
    if (hours === 0)
      throw fieldProblem(
        'machineId',
        `${machine.serial} has no accepted work to visit it for. Accept its decisions into work first.`,
        'wanted a machine with accepted work',
      );
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
    await factsChanged(db, transaction);
  });
  const [file] = await machineFiles({ id: plan.machineId });
  const visit = file?.visits.find((v) => v.id === plan.id);
  if (!visit) throw notFound('visit');
  return visit;
}

/** Removes a visit; its work stays, unplanned. */
export async function dropVisit(db: Database, id: string, person: Person): Promise<void> {
  const row = await VisitRow.findByPk(id);
  if (!row) throw notFound('visit');
  await machineToChange(row.machineId, person);
  await db.sequelize.transaction(async (transaction) => {
    await row.destroy({ transaction });
    await factsChanged(db, transaction);
  });
}
