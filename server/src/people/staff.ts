import { ForeignKeyConstraintError, QueryTypes, type Transaction } from 'sequelize';
import type { z } from 'zod';
import type { Person } from '@green-tally/core/contracts';
import type {
  PasswordChange,
  PersonChange,
  Staff,
  StaffPerson,
} from '@green-tally/core/contracts/staff';
import { alsoSay, BranchRow, holdLock, PersonRow, planMoved, type Database } from '../db';
import { Conflict, invalidField, NotFound } from '../errors';
import { hashPassword, passwordFits, refuseGuessable } from './passwords';
import { toPerson } from './people';
import { endAll, SESSION_MS } from './sessions';
import { countTry, forgetTries } from './tries';

interface Beside {
  readonly id: string;
  readonly sessions: number;
  readonly expire: Date | null;
  readonly visits: number;
}

/** People as an admin sees them, by name. */
export async function staffList(db: Database, today: string): Promise<z.infer<typeof Staff>> {
  const [rows, beside, branches] = await Promise.all([
    PersonRow.findAll({ order: [['name', 'ASC']] }),
    db.sequelize.query<Beside>(
      `SELECT p.id, count(s.sid)::int AS sessions, max(s.expire) AS expire,
         (SELECT count(*)::int FROM visits v WHERE v.technician_id = p.id AND v.ends_on >= $1 AND v.finished_at IS NULL) AS visits
       FROM people p LEFT JOIN session s ON s.sess->>'personId' = p.id::text AND s.expire > now()
       GROUP BY p.id`,
      { bind: [today], type: QueryTypes.SELECT },
    ),
    BranchRow.findAll({ order: [['name', 'ASC']] }),
  ]);
  const by = new Map(beside.map((b) => [b.id, b]));
  return {
    people: rows.map((row) => staffPerson(row, by.get(row.id))),
    branches: branches.map((b) => b.name),
  };
}

const staffPerson = (row: PersonRow, beside: Beside | undefined): StaffPerson => ({
  ...toPerson(row),
  suspendedAt: row.suspendedAt?.toISOString() ?? null,
  mustChange: row.mustChange,
  sessions: beside?.sessions ?? 0,
  lastSeen: beside?.expire ? new Date(beside.expire.getTime() - SESSION_MS).toISOString() : null,
  visits: beside?.visits ?? 0,
});

async function oneOf(db: Database, id: string, today: string): Promise<StaffPerson> {
  const found = (await staffList(db, today)).people.find((p) => p.id === id);
  if (!found) throw new NotFound('person');
  return found;
}

/** Who changes people, and when. */
export interface Keeper {
  readonly db: Database;
  readonly person: Person;
  readonly today: string;
  readonly now: Date;
}

async function rowOf(id: string, transaction?: Transaction): Promise<PersonRow> {
  const row = await PersonRow.findByPk(id, transaction ? { transaction, lock: true } : {});
  if (!row) throw new NotFound('person');
  return row;
}

/**
 * Changes a person. One who is suspended is signed out everywhere, and their calendar links end.
 * @throws Invalid where it would shut oneself out, or leave the place without an admin
 */
export async function changePerson(
  { db, person: keeper, today, now }: Keeper,
  id: string,
  change: PersonChange,
): Promise<StaffPerson> {
  await db.transaction(async (transaction) => {
    // of two who take each other's rights away at once the second finds what the first has done
    await holdLock(db.sequelize, 'people', transaction);
    const row = await rowOf(id, transaction);
    const before = toPerson(row);
    if (change.branch !== undefined) await knownBranch(change.branch, transaction);
    const after = changed(row, change, now);
    if (before.role === 'admin' && (after.role !== 'admin' || after.suspendedAt)) {
      refuseOneself(id, keeper, change);
      await anotherAdmin(id, transaction);
    }
    await row.update(after, { transaction });
    await endRights(db, { row, before, now }, transaction);
    for (const branch of new Set([before.branch, row.branch]))
      await planMoved(db, branch, transaction);
    alsoSay({ subject: before.name, detail: changedWords(before, toPerson(row)) });
  });
  return oneOf(db, id, today);
}

const changed = (row: PersonRow, change: PersonChange, now: Date) => ({
  name: change.name ?? row.name,
  role: change.role ?? row.role,
  branch: change.branch ?? row.branch,
  suspendedAt: suspension(row, change.suspended, now),
});

/** Since when; once more changes nothing. */
function suspension(row: PersonRow, suspended: boolean | undefined, now: Date): Date | null {
  if (suspended === undefined) return row.suspendedAt;
  return suspended ? (row.suspendedAt ?? now) : null;
}

function refuseOneself(id: string, keeper: Person, change: PersonChange): void {
  if (id === keeper.id)
    throw invalidField(
      change.suspended ? 'suspended' : 'role',
      'You would shut yourself out.',
      'another admin to do this',
    );
}

/** What a session was opened with is not what it would be opened with now: it ends. */
async function endRights(
  db: Database,
  { row, before, now }: { readonly row: PersonRow; readonly before: Person; readonly now: Date },
  transaction: Transaction,
): Promise<void> {
  if (row.suspendedAt || row.role !== before.role || row.branch !== before.branch)
    await endAll(db, row.id, { transaction });
  if (row.suspendedAt)
    await db.sequelize.query(
      'UPDATE calendar_feeds SET revoked_at = $2 WHERE person_id = $1 AND revoked_at IS NULL',
      { bind: [row.id, now], transaction },
    );
}

/** From what to what, for the record. */
function changedWords(before: Person, after: Person): string {
  const fields = ['name', 'role', 'branch'] as const;
  return [
    ...fields.filter((f) => before[f] !== after[f]).map((f) => `${f}: ${before[f]} → ${after[f]}`),
    ...(before.suspended === after.suspended
      ? []
      : [after.suspended ? 'suspended' : 'let in again']),
  ].join('; ');
}

async function knownBranch(name: string, transaction: Transaction): Promise<void> {
  if (await BranchRow.findOne({ where: { name }, transaction })) return;
  throw invalidField('branch', `There is no branch ${name}.`, 'a branch of this place');
}

async function anotherAdmin(id: string, transaction: Transaction): Promise<void> {
  const admins = await PersonRow.findAll({
    where: { role: 'admin', suspendedAt: null },
    transaction,
  });
  if (admins.some((a) => a.id !== id)) return;
  throw invalidField('role', 'This is the last admin.', 'another admin first');
}

/**
 * Removes a person who stands nowhere on record: added by mistake, say. @throws Conflict for others
 */
export async function removePerson({ db, person: keeper }: Keeper, id: string): Promise<void> {
  if (id === keeper.id)
    throw invalidField('id', 'You would remove yourself.', 'another admin to do this');
  try {
    await db.transaction(async (transaction) => {
      await holdLock(db.sequelize, 'people', transaction);
      const row = await rowOf(id, transaction);
      if (row.role === 'admin') await anotherAdmin(id, transaction);
      await refuseOnRecord(db, row, transaction);
      alsoSay({ subject: row.name, detail: `${row.role}, ${row.branch}` });
      await endAll(db, id, { transaction });
      await row.destroy({ transaction });
    });
  } catch (error) {
    if (!(error instanceof ForeignKeyConstraintError)) throw error;
    throw onRecord();
  }
}

const onRecord = () =>
  new Conflict(
    'On record',
    'This person stands on record: visits, readings or imports name them. Suspend them instead.',
    [{ field: 'id', message: 'wanted a person whom nothing names' }],
  );

/** Facts name people in words: whoever took a reading stays known by name. */
async function refuseOnRecord(
  db: Database,
  { name }: PersonRow,
  transaction: Transaction,
): Promise<void> {
  const [found] = await db.sequelize.query<{ there: boolean }>(
    `SELECT EXISTS (SELECT 1 FROM readings WHERE by = $1) OR EXISTS (SELECT 1 FROM walks WHERE by = $1)
       OR EXISTS (SELECT 1 FROM work_items WHERE accepted_by = $1) OR EXISTS (SELECT 1 FROM ticks WHERE by = $1)
       OR EXISTS (SELECT 1 FROM spec_sheets WHERE published_by = $1) AS there`,
    { bind: [name], type: QueryTypes.SELECT, transaction },
  );
  if (found?.there) throw onRecord();
}

/** Sets a password that lets a person in once, to set their own; they are signed out everywhere. */
export async function resetPassword(
  { db, today }: Keeper,
  id: string,
  password: string,
): Promise<StaffPerson> {
  const row = await rowOf(id);
  refuseGuessable(password, [row.name, row.signIn]);
  const passwordHash = await hashPassword(password);
  await db.transaction(async (transaction) => {
    alsoSay({ subject: row.name, detail: '' });
    await row.update({ passwordHash, mustChange: true }, { transaction });
    await endAll(db, id, { transaction });
  });
  await forgetTries(db, row.signIn);
  return oneOf(db, id, today);
}

/** Signs all devices of a person out. */
export async function signOutEverywhere({ db, today }: Keeper, id: string): Promise<StaffPerson> {
  const row = await rowOf(id);
  alsoSay({ subject: row.name, detail: '' });
  await endAll(db, id);
  return oneOf(db, id, today);
}

/**
 * Changes one's own password. @param here sid of the device, which stays signed in
 * @throws Invalid when the old one is wrong, TooMany when it was wrong too often
 */
export async function changePassword(
  { db, person }: Pick<Keeper, 'db' | 'person'>,
  { old, password }: PasswordChange,
  here: string,
): Promise<void> {
  const row = await rowOf(person.id);
  await countTry(db, row.signIn);
  if (!(await passwordFits(old, row.passwordHash)))
    throw invalidField(
      'old',
      'That is not the password you have now.',
      'the password you sign in with',
    );
  await forgetTries(db, row.signIn);
  if (old === password)
    throw invalidField('password', 'That is the password you have already.', 'another password');
  refuseGuessable(password, [row.name, row.signIn]);
  const passwordHash = await hashPassword(password);
  await db.transaction(async (transaction) => {
    alsoSay({ subject: row.name, detail: '' });
    await row.update({ passwordHash, mustChange: false }, { transaction });
    await endAll(db, person.id, { but: here, transaction });
  });
}
