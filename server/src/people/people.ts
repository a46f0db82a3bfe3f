import { UniqueConstraintError } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import type { z } from 'zod';
import type { NewPerson, Person, Setup } from '@green-tally/core/contracts';
import { BranchRow, holdLock, PersonRow, type Database } from '../db';
import { Conflict } from '../errors';
import { hashIsOld, hashPassword, passwordFits, refuseGuessable } from './passwords';
import { countTry, forgetTries } from './tries';

export const toPerson = (row: PersonRow): Person => ({
  id: row.id,
  name: row.name,
  signIn: row.signIn,
  role: row.role,
  branch: row.branch,
  ...(row.suspendedAt ? { suspended: true } : {}),
});

/** Who is signed in, as far as they still may be. */
export interface SignedIn {
  readonly person: Person;
  /** has a password that an admin has set, and is to set their own first */
  readonly mustChange: boolean;
}

/** The person of a session; null for one who is gone or suspended. */
export async function findPerson(id: string): Promise<SignedIn | null> {
  const row = await PersonRow.findByPk(id);
  return row && !row.suspendedAt ? { person: toPerson(row), mustChange: row.mustChange } : null;
}

/** What a person sees of lists: the own branch, an admin all of them. */
export const ownBranch = (person: Person): { branch?: string } =>
  person.role === 'admin' ? {} : { branch: person.branch };

/** People of a branch, or of the whole place, by name. */
export async function listPeople({ branch }: { readonly branch?: string }): Promise<Person[]> {
  const where = branch === undefined ? {} : { where: { branch } };
  return (await PersonRow.findAll({ ...where, order: [['name', 'ASC']] })).map(toPerson);
}

/**
 * Hash of nothing anyone can type, so that an unknown name costs as much time as a wrong password.
 */
const NOBODY = hashPassword(uuidv7());

/**
 * The person behind a sign-in name and password, or null. A hash made in an earlier way is made anew.
 * @throws TooMany when the account was tried too often
 */
export async function signInAs(
  signIn: string,
  password: string,
  db: Database,
): Promise<SignedIn | null> {
  await countTry(db, signIn);
  const row = await PersonRow.findOne({
    where: db.sequelize.where(
      db.sequelize.fn('lower', db.sequelize.col('sign_in')),
      signIn.toLowerCase(),
    ),
  });
  const fits = await passwordFits(password, row?.passwordHash ?? (await NOBODY));
  if (!row || !fits || row.suspendedAt) return null;
  await forgetTries(db, signIn);
  if (hashIsOld(row.passwordHash)) await row.update({ passwordHash: await hashPassword(password) });
  return { person: toPerson(row), mustChange: row.mustChange };
}

/** Makes the first admin and branch of an empty place; refused once anyone is there. */
export async function setUp(setup: z.infer<typeof Setup>, db: Database): Promise<Person> {
  refuseGuessable(setup.password, [setup.name, setup.signIn, setup.branch]);
  return db.transaction(async (transaction) => {
    await holdLock(db.sequelize, 'people', transaction);
    if (await PersonRow.count({ transaction }))
      throw new Conflict('Already set up', 'This place has people already. Sign in instead.');
    await BranchRow.create({ id: uuidv7(), name: setup.branch }, { transaction });
    const row = await PersonRow.create(
      {
        id: uuidv7(),
        name: setup.name,
        signIn: setup.signIn,
        passwordHash: await hashPassword(setup.password),
        role: 'admin',
        branch: setup.branch,
      },
      { transaction },
    );
    return toPerson(row);
  });
}

/** Adds a person to a branch. @throws Conflict when the sign-in name is taken */
export async function addPerson(
  person: z.infer<typeof NewPerson>,
  branch: string,
): Promise<Person> {
  refuseGuessable(person.password, [person.name, person.signIn]);
  try {
    return toPerson(
      await PersonRow.create({
        id: uuidv7(),
        name: person.name,
        signIn: person.signIn,
        role: person.role,
        branch,
        passwordHash: await hashPassword(person.password),
        // somebody else has chosen it
        mustChange: true,
      }),
    );
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw new Conflict('Name taken', `"${person.signIn}" is taken.`, [
        { field: 'signIn', message: 'wanted a sign-in name that nobody has yet' },
      ]);
    throw error;
  }
}
