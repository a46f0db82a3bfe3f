import { Router } from 'express';
import { UniqueConstraintError } from 'sequelize';
import { z } from 'zod';
import { Id, Machine, MachineChange } from '@green-tally/core/contracts';
import { factsChanged, machineFiles, MachineRow, toMachine } from '../db';
import { machineToChange } from '../work/work';
import { yardOf } from '../yard/yard';
import type { Setting } from './app';
import { notFound, ProblemError } from './problem';
import { inBranch } from './roles';
import { allow, personOf } from './session';

/** Id of a path; what is no id names nothing, so 404. */
export function idOf(text: unknown, what: string): string {
  const id = Id.safeParse(text);
  if (!id.success) throw notFound(what);
  return id.data;
}

/** The Yard and machines. */
export function yardRoutes({ db, clock }: Setting): Router {
  const routes = Router();

  routes.get('/yard', allow('look'), async (req, res) => {
    const person = personOf(res);
    const { branch } = z.object({ branch: z.string().max(120).optional() }).parse(req.query);
    res.json(
      await yardOf(
        db,
        branch ?? (person.role === 'admin' ? undefined : person.branch),
        clock.today(),
      ),
    );
  });

  routes.get('/machines/:id', allow('look'), async (req, res) => {
    const [file] = await machineFiles({ id: idOf(req.params['id'], 'machine') });
    if (!file) throw notFound('machine');
    res.json(file);
  });

  routes.post('/machines', allow('keepMachines'), async (req, res) => {
    const person = personOf(res);
    const machine = Machine.parse({ branch: person.branch, ...req.body });
    if (!inBranch(person, machine.branch))
      throw new ProblemError(403, 'Another branch', `You work for ${person.branch}.`);
    try {
      await db.sequelize.transaction(async (transaction) => {
        await MachineRow.create(machine, { transaction });
        await factsChanged(db, transaction);
      });
    } catch (error) {
      if (error instanceof UniqueConstraintError)
        throw new ProblemError(
          409,
          'Serial taken',
          `A machine with serial ${machine.serial} is on the books.`,
          [{ field: 'serial', message: 'wanted a serial not used yet' }],
        );
      throw error;
    }
    res.status(201).json(machine);
  });

  routes.patch('/machines/:id', allow('keepMachines'), async (req, res) => {
    const row = await machineToChange(idOf(req.params['id'], 'machine'), personOf(res));
    const change = MachineChange.parse(req.body);
    if (change.harvest && change.harvest.start < row.builtOn)
      throw new ProblemError(
        400,
        'Some of this cannot be used',
        `Harvest cannot start before ${row.serial} was built, ${row.builtOn}.`,
        [{ field: 'harvest.start', message: 'wanted a date after the machine was built' }],
      );
    await db.sequelize.transaction(async (transaction) => {
      await row.update(change, { transaction });
      await factsChanged(db, transaction);
    });
    res.json(toMachine(row));
  });
  return routes;
}
