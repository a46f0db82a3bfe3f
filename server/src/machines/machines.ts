import { col, fn, literal, Op, UniqueConstraintError, where, type Transaction } from 'sequelize';
import type { z } from 'zod';
import type {
  Machine,
  MachineChange,
  MachineFile,
  NewMachine,
  Person,
} from '@green-tally/core/contracts';
import { harvestTroubles, type HarvestOf } from '@green-tally/core/harvest';
import { inBranch } from '@green-tally/core/rights';
import { keepHeaders } from '../books/keepHeaders';
import {
  holdLock,
  machineFileOf,
  machinesChanged,
  MachineRow,
  planMoved,
  ReadingRow,
  toMachine,
  within,
  type Database,
} from '../db';
import { Conflict, Forbidden, Invalid, invalidField, NotFound } from '../errors';

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
  { person, today }: { readonly person: Person; readonly today: string },
): Promise<Machine> {
  const machine: Machine = { ...wish, branch: wish.branch ?? person.branch };
  if (!inBranch(person, machine.branch))
    throw new Forbidden('Another branch', `You work for ${person.branch}.`);
  refuseMachine(machine, today);
  try {
    await db.transaction(async (transaction) => {
      // serials that differ by their letters' case alone are one
      await holdLock(db.sequelize, 'serials', transaction);
      const there = await MachineRow.findOne({
        where: where(fn('lower', col('serial')), machine.serial.toLowerCase()),
        transaction,
      });
      if (there) throw serialTaken(there.serial);
      await MachineRow.create(machine, { transaction });
      await keepHeaders([machine], transaction);
      await machinesChanged(db, { ids: [machine.id] }, transaction);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw serialTaken(machine.serial);
  }
  return machine;
}

const serialTaken = (serial: string) =>
  new Conflict('Serial taken', `A machine with serial ${serial} is on the books.`, [
    { field: 'serial', message: 'wanted a serial not used yet' },
  ]);

/** What cannot be of a machine as it is added. @throws Invalid naming the field */
function refuseMachine(machine: Machine, today: string): void {
  if (machine.builtOn > today)
    throw invalidField(
      'builtOn',
      `${machine.serial} cannot have been built on ${machine.builtOn}; today is ${today}.`,
      'a day that is past',
    );
  refuseHarvest(machine.harvest, { machine, today });
}

/** @throws Invalid for a harvest that cannot be */
function refuseHarvest(harvest: Machine['harvest'], of: HarvestOf): void {
  const [trouble] = harvestTroubles(harvest, of);
  if (trouble)
    throw new Invalid('Some of this cannot be used', trouble.message, [
      { ...trouble, field: `harvest.${trouble.field}` },
    ]);
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

/** Who changes a machine, and when. */
interface Changing {
  readonly person: Person;
  readonly now: Date;
  readonly today: string;
}

/**
 * Changes hours, harvest, header or build. @throws Invalid when harvest lies before the machine was
 * built
 */
export async function changeMachine(
  db: Database,
  id: string,
  change: z.output<typeof MachineChange>,
  { person, now, today }: Changing,
): Promise<Machine> {
  const row = await machineToChange(id, person);
  if (change.harvest) refuseHarvest(change.harvest, { machine: row, today, before: row.harvest });
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
  await db.transaction(async (transaction) => {
    // what is entered is the books'; readings at more hours bring it up from there
    const hours = kept.hours === undefined ? {} : { bookHours: kept.hours };
    await row.update({ ...kept, ...hours }, { transaction });
    if (swapped) await keepHeaders([toMachine(row)], transaction);
    await machinesChanged(db, { ids: [id] }, transaction);
    if (kept.harvest) await planMoved(db, row.branch, transaction);
  });
  return toMachine(row);
}
