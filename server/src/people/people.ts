import { UniqueConstraintError } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import type { z } from 'zod';
import type { NewPerson, Person, Setup } from '@green-tally/core/contracts';
import { BranchRow, PersonRow, type Database } from '../db';
import { Conflict } from '../errors';
import { hashPassword, passwordFits } from './passwords';

const toPerson = (row: PersonRow): Person => ({
  id: row.id,
  name: row.name,
  signIn: row.signIn,
  role: row.role,
  branch: row.branch,
});

export async function findPerson(id: string): Promise<Person | null> {
  const row = await PersonRow.findByPk(id);
  return row ? toPerson(row) : null;
}

/** What a person sees of lists: the own branch, an admin all of them. */
export const ownBranch = (person: Person): { branch?: string } =>
  person.role === 'admin' ? {} : { branch: person.branch };

export async function listPeople(): Promise<Person[]> {
  return (await PersonRow.findAll({ order: [['name', 'ASC']] })).map(toPerson);
}

/**
 * Hash of nothing anyone can type, so that an unknown name costs as much time as a wrong password.
 */
const NOBODY = hashPassword(uuidv7());

/** The person behind a sign-in name and password, or null. */
export async function signInAs(
  signIn: string,
  password: string,
  db: Database,
): Promise<Person | null> {
  const row = await PersonRow.findOne({
    where: db.sequelize.where(
      db.sequelize.fn('lower', db.sequelize.col('sign_in')),
      signIn.toLowerCase(),
    ),
  });
  const fits = await passwordFits(password, row?.passwordHash ?? (await NOBODY));
  return row && fits ? toPerson(row) : null;
}

/** Makes the first admin and branch of an empty place; refused once anyone is there. */
export async function setUp(setup: z.infer<typeof Setup>, db: Database): Promise<Person> {
  return db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query('SELECT pg_advisory_xact_lock(7142)', { transaction });
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
  try {
    return toPerson(
      await PersonRow.create({
        id: uuidv7(),
        name: person.name,
        signIn: person.signIn,
        role: person.role,
        branch,
        passwordHash: await hashPassword(person.password),
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
