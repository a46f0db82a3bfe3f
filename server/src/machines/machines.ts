import { literal, Op, UniqueConstraintError, type Transaction } from 'sequelize';
import type { z } from 'zod';
import type {
  Machine,
  MachineChange,
  MachineFile,
  NewMachine,
  Person,
} from '@green-tally/core/contracts';
import { inBranch } from '@green-tally/core/rights';
import { keepHeaders } from '../books/keepHeaders';
import {
  machineFileOf,
  machinesChanged,
  MachineRow,
  ReadingRow,
  toMachine,
  within,
  type Database,
} from '../db';
import { Conflict, Forbidden, invalidField, NotFound } from '../errors';

/** Everything needed to judge one machine. @throws NotFound */
export async function machineFile(id: string, transaction?: Transaction): Promise<MachineFile> {
  const read = await machineFileOf(id, transaction);
  if (!read) throw new NotFound('machine');
  return read.file;
}

/** Looks a machine up for a write. @throws NotFound; Forbidden when it belongs to another branch */
export async function machineToChange(
  id: string,
  person: Person,
  transaction?: Transaction,
): Promise<MachineRow> {
  const machine = await MachineRow.findByPk(id, within(transaction));
  if (!machine) throw new NotFound('machine');
  if (!inBranch(person, machine.branch))
    throw new Forbidden(
      'Another branch',
      `${machine.serial} belongs to ${machine.branch}; you work for ${person.branch}.`,
    );
  return machine;
}

/**
 * Adds a machine, to the person's own branch unless said. @throws Forbidden; Conflict when the
 * serial is taken
 */
export async function addMachine(
  db: Database,
  wish: z.output<typeof NewMachine>,
  person: Person,
): Promise<Machine> {
  const machine: Machine = { ...wish, branch: wish.branch ?? person.branch };
  if (!inBranch(person, machine.branch))
    throw new Forbidden('Another branch', `You work for ${person.branch}.`);
  try {
    await db.sequelize.transaction(async (transaction) => {
      await MachineRow.create(machine, { transaction });
      await keepHeaders([machine], transaction);
      await machinesChanged(db, { ids: [machine.id] }, transaction);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new Conflict('Serial taken', `A machine with serial ${machine.serial} is on the books.`, [
      { field: 'serial', message: 'wanted a serial not used yet' },
    ]);
  }
  return machine;
}

/** Hours do not go below what a reading that stands was taken at. @throws Invalid naming the field */
async function refuseLess({ id, serial }: MachineRow, hours: number): Promise<void> {
  const struck = literal(
    '(SELECT strikes FROM readings s WHERE s.machine_id = "ReadingRow".machine_id AND s.strikes IS NOT NULL)',
  );
  const most = await ReadingRow.max<number | null, ReadingRow>('hours', {
    where: {
      machineId: id,
      id: { [Op.notIn]: struck },
      value: { kind: { [Op.ne]: 'strike' } },
    },
  });
  if (most !== null && hours < most)
    throw invalidField(
      'hours',
      `${serial} was read at ${most} h already. Strike that reading first if it was wrong.`,
      `at least ${most}`,
    );
}

/**
 * Changes hours, harvest, header or build. @throws Invalid when harvest lies before the machine was
 * built
 */
export async function changeMachine(
  db: Database,
  id: string,
  change: z.output<typeof MachineChange>,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<Machine> {
  const row = await machineToChange(id, person);
  if (change.harvest && change.harvest.start < row.builtOn)
    throw invalidField(
      'harvest.start',
      `Harvest cannot start before ${row.serial} was built, ${row.builtOn}.`,
      'a date after the machine was built',
    );
  if (change.hours !== undefined) await refuseLess(row, change.hours);
  const { header } = change;
  const swapped = header && header.serial !== row.header?.serial;
  // what was read before and does not say of which header is not of the one that comes on now
  const kept = swapped
    ? { ...change, header: { ...header, since: now.toISOString() } }
    : header
      ? { ...change, header: { ...header, since: row.header?.since } }
      : { ...change };
  if (kept.harvest) {
    const { crop, cropSince } = row.harvest;
    const since = kept.harvest.crop === crop ? cropSince : now.toISOString().slice(0, 10);
    kept.harvest = { ...kept.harvest, cropSince: since };
  }
  await db.sequelize.transaction(async (transaction) => {
    await row.update(kept, { transaction });
    if (swapped) await keepHeaders([toMachine(row)], transaction);
    await machinesChanged(db, { ids: [id] }, transaction);
  });
  return toMachine(row);
}
