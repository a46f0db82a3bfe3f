import { Op } from 'sequelize';
import type { CrewPage, MapSpot, Person, TechnicianHours } from '@green-tally/core/contracts';
import { BoardSetting } from '@green-tally/core/contracts/board';
import { USUAL_WEEK } from '@green-tally/core/crew';
import { inBranch } from '@green-tally/core/rights';
import {
  BoardSettingRow,
  BranchRow,
  CustomerRow,
  holdLock,
  PersonRow,
  planMoved,
  spotOf,
  TechnicianHoursRow,
  type Database,
} from '../db';
import { Conflict, Forbidden, invalidField, NotFound } from '../errors';

/** How a branch plans until it says otherwise. Shop rules, money in whatever it reckons in. */
const UNSAID: Omit<BoardSetting, 'branch' | 'version'> = {
  bays: 2,
  home: null,
  km: 1,
  overTime: 60,
  change: 80,
  holidays: [],
  skills: [],
  twoHands: [],
  notAtFarm: [],
  ripe: { earlier: 5, later: 7 },
};

/** How a branch plans its visits. */
export async function settingOf(branch: string): Promise<BoardSetting> {
  const row = await BoardSettingRow.findByPk(branch);
  return BoardSetting.parse({
    ...UNSAID,
    ...row?.document,
    branch,
    version: row?.version ?? 0,
  });
}

/** A technician's hours; one who is suspended has none, and stays on the board for the visits left to them. */
export type Hours = TechnicianHours & { readonly name: string; readonly suspended: boolean };

/** What technicians of a branch can do and when: the usual week where nobody has said. */
export async function hoursOf(branch: string): Promise<Hours[]> {
  const people = await PersonRow.findAll({
    where: { branch, role: 'technician' },
    order: ['name'],
  });
  const rows = new Map(
    (await TechnicianHoursRow.findAll({ where: { personId: people.map((p) => p.id) } })).map(
      (r) => [r.personId, r],
    ),
  );
  return people.map(({ id, name, suspendedAt }) => {
    const row = rows.get(id);
    return {
      personId: id,
      name,
      suspended: suspendedAt !== null,
      skills: row?.skills ?? [],
      week: row?.week ?? [...USUAL_WEEK],
      away: row?.away ?? [],
      version: row?.version ?? 0,
    };
  });
}

/** All that a branch plans by. */
export async function crewPage(branch: string): Promise<CrewPage> {
  const [setting, technicians, customers] = await Promise.all([
    settingOf(branch),
    hoursOf(branch),
    CustomerRow.findAll({ where: { branch }, order: ['name'] }),
  ]);
  return {
    setting,
    technicians: technicians.flatMap(({ suspended, ...t }) => (suspended ? [] : t)),
    farms: customers.map(({ id, name, place, x, y }) => ({ id, name, place, spot: spotOf(x, y) })),
  };
}

/** Who changes what a branch plans by, and when. */
interface Doing {
  readonly person: Person;
  readonly now: Date;
}

/** @throws Forbidden for another branch; NotFound; Conflict when somebody was faster */
export async function keepSetting(
  db: Database,
  { branch, version, ...document }: BoardSetting,
  { person, now }: Doing,
): Promise<BoardSetting> {
  refuseOther(person, branch);
  if (!(await BranchRow.findOne({ where: { name: branch } }))) throw new NotFound('branch');
  const names = document.skills.map((s) => s.name.toLowerCase());
  const twice = names.findIndex((n, i) => names.indexOf(n) < i);
  if (twice >= 0)
    throw invalidField(
      `skills.${twice}.name`,
      `"${names[twice] ?? ''}" is there twice.`,
      'each skill once',
    );
  await db.transaction(async (transaction) => {
    await holdLock(db.sequelize, 'boards', transaction, branch);
    const row = await BoardSettingRow.findByPk(branch, { transaction });
    if ((row?.version ?? 0) !== version) throw changedMeanwhile('how this branch plans');
    const values = { branch, document, version: version + 1, by: person.name, at: now };
    if (row) await row.update(values, { transaction });
    else await BoardSettingRow.create(values, { transaction });
    await planMoved(db, branch, transaction);
  });
  return { branch, ...document, version: version + 1 };
}

/**
 * Keeps what a technician can do and when.
 * @throws NotFound where there is no such technician; Forbidden; Invalid for a skill nobody has named
 */
export async function keepHours(
  db: Database,
  { personId, version, ...hours }: TechnicianHours,
  person: Person,
): Promise<TechnicianHours> {
  const who = await PersonRow.findOne({ where: { id: personId, role: 'technician' } });
  if (!who) throw new NotFound('technician');
  refuseOther(person, who.branch);
  const { skills } = await settingOf(who.branch);
  hours.skills.forEach((skill, i) => {
    if (!skills.some((s) => s.name === skill))
      throw invalidField(
        `skills.${i}`,
        `${who.branch} has no skill "${skill}".`,
        `one of ${skills.map((s) => s.name).join(', ') || 'none: name skills first'}`,
      );
  });
  await db.transaction(async (transaction) => {
    await PersonRow.findByPk(personId, { transaction, lock: true });
    const row = await TechnicianHoursRow.findByPk(personId, { transaction });
    if ((row?.version ?? 0) !== version) throw changedMeanwhile(`${who.name}’s hours`);
    const values = { personId, ...hours, version: version + 1 };
    if (row) await row.update(values, { transaction });
    else await TechnicianHoursRow.create(values, { transaction });
    await planMoved(db, who.branch, transaction);
  });
  return { personId, ...hours, version: version + 1 };
}

/** Says where farms lie, all or none; null: nobody knows any more. @throws NotFound, Forbidden */
export async function keepFarms(
  db: Database,
  farms: readonly { readonly id: string; readonly spot: MapSpot | null }[],
  person: Person,
): Promise<number> {
  const rows = await CustomerRow.findAll({ where: { id: { [Op.in]: farms.map((f) => f.id) } } });
  if (rows.length < new Set(farms.map((f) => f.id)).size) throw new NotFound('customer');
  for (const { branch } of rows) refuseOther(person, branch);
  await db.transaction(async (transaction) => {
    for (const { id, spot } of farms)
      await CustomerRow.update(
        { x: spot?.x ?? null, y: spot?.y ?? null },
        { where: { id }, transaction },
      );
    for (const branch of new Set(rows.map((r) => r.branch)))
      await planMoved(db, branch, transaction);
  });
  return farms.length;
}

function refuseOther(person: Person, branch: string): void {
  if (!inBranch(person, branch))
    throw new Forbidden('Another branch', `${branch} is not yours; you work for ${person.branch}.`);
}

const changedMeanwhile = (what: string) =>
  new Conflict(
    'Changed meanwhile',
    `Somebody else has changed ${what} since you opened it. Look at it as it is now.`,
    [{ field: 'version', message: 'wanted the one that is there now' }],
  );
