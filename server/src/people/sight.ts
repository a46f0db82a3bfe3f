import type { z } from 'zod';
import type { Person } from '@green-tally/core/contracts';
import type { Access } from '@green-tally/core/contracts/staff';
import { inBranch } from '@green-tally/core/rights';
import { MachineRow, SettingRow } from '../db';
import { Forbidden, NotFound } from '../errors';

/*
 * Whose machines a person may look at. An admin sees all; others their own branch's, or all where the
 * place has set it so. Writing is another matter: that is for the own branch whatever is set.
 */

const KEY = 'reads';

/** What is set; the own branch alone unless it is. */
export async function accessNow(): Promise<z.infer<typeof Access>> {
  const kept = await SettingRow.findByPk(KEY);
  return { reads: kept?.value === 'all' ? 'all' : 'own' };
}

/** Sets whose machines people may look at. */
export async function keepAccess(access: z.infer<typeof Access>): Promise<z.infer<typeof Access>> {
  await SettingRow.upsert({ key: KEY, value: access.reads });
  return access;
}

/** Whether a person may look at what is a branch's. A token is of its branch, whatever is set. */
export const maySee = async (person: Person, branch: string): Promise<boolean> =>
  inBranch(person, branch) || (!('byToken' in person) && (await accessNow()).reads === 'all');

/** @throws Forbidden when it is another branch's, and those are not open to each other */
export async function toSee(person: Person, branch: string): Promise<void> {
  if (await maySee(person, branch)) return;
  throw new Forbidden(
    'Another branch',
    `This belongs to another branch; you work for ${person.branch}. An admin can open the branches to each other.`,
  );
}

/** @throws NotFound, Forbidden */
export async function machineToSee(id: string, person: Person): Promise<void> {
  const machine = await MachineRow.findByPk(id, { attributes: ['branch'] });
  if (!machine) throw new NotFound('machine');
  await toSee(person, machine.branch);
}

/**
 * The branch whose list is looked at: the one asked for, else the own; undefined is all of them, for
 * an admin. @throws Forbidden
 */
export async function branchToSee(
  person: Person,
  asked: string | undefined,
): Promise<string | undefined> {
  if (asked === undefined) return person.role === 'admin' ? undefined : person.branch;
  await toSee(person, asked);
  return asked;
}
