import type { Transaction } from 'sequelize';
import type { Person, WorkedEntry, WorkItem } from '@green-tally/core/contracts';
import { standingOf } from '@green-tally/core/plan';
import { checksFor } from '@green-tally/core/walk';
import { substituted, workedOn, workKey } from '@green-tally/core/work';
import {
  currentSheets,
  lockMachines,
  machineFileOf,
  machinesChanged,
  modelsOf,
  toMachine,
  toWork,
  VisitRow,
  WorkRow,
  type Database,
} from '../db';
import { Conflict, invalidField, NotFound } from '../errors';
import { machineToChange } from '../machines/machines';

/**
 * Stores accepted decisions, all or none. One that is there already is left as it is, and a check
 * that has open work takes
 * no second item: two people, or two taps, accept it once.
 */
export async function acceptWork(
  db: Database,
  items: readonly WorkItem[],
  person: Person,
  today: string,
): Promise<WorkItem[]> {
  for (const item of items) {
    const machine = toMachine(await machineToChange(item.machineId, person));
    const sheets = await currentSheets(undefined, modelsOf(machine));
    if (!checksFor(machine, sheets).some((c) => c.id === item.checkId)) {
      throw invalidField(
        'checkId',
        `${machine.serial} has no check "${item.checkId}".`,
        'a check of this machine',
      );
    }
  }
  return db.transaction(async (transaction) => {
    await lockMachines(
      db,
      items.map((i) => i.machineId),
      transaction,
    );
    const open = await openWork([...new Set(items.map((i) => i.machineId))], today, transaction);
    for (const item of items) {
      const there = await WorkRow.findByPk(item.id, { transaction });
      if (!there && !open.has(`${item.machineId} ${workKey(item)}`))
        await WorkRow.create(
          {
            ...item,
            worked: [],
            acceptedBy: person.name,
            acceptedAt: new Date(item.acceptedAt),
            withdrawnAt: null,
          },
          { transaction },
        );
    }
    await machinesChanged(db, { ids: items.map((i) => i.machineId) }, transaction);
    return (await WorkRow.findAll({ where: { id: items.map((i) => i.id) }, transaction })).map(
      toWork,
    );
  });
}

/** Work of some machines that is accepted and not yet done, as "machine work". */
async function openWork(
  machineIds: readonly string[],
  today: string,
  transaction: Transaction,
): Promise<Set<string>> {
  const open = new Set<string>();
  for (const id of machineIds) {
    const read = await machineFileOf(id, transaction);
    if (read)
      standingOf(read.file, today)
        .work.filter((w) => !w.done)
        .forEach((w) => open.add(`${id} ${workKey(w)}`));
  }
  return open;
}

/** Which work is changed, and by whom. */
interface Changing {
  readonly db: Database;
  readonly id: string;
  readonly person: Person;
}

/** Changes one item while nobody else writes to its machine, and tells that it did. @throws NotFound, Forbidden */
async function changeWork(
  { db, id, person }: Changing,
  change: (row: WorkRow, transaction: Transaction) => Promise<WorkItem>,
): Promise<WorkItem> {
  const found = await WorkRow.findByPk(id);
  if (!found) throw new NotFound('work item');
  await machineToChange(found.machineId, person);
  return db.transaction(async (transaction) => {
    await lockMachines(db, [found.machineId], transaction);
    const row = await WorkRow.findByPk(id, { transaction, rejectOnEmpty: true });
    const changed = await change(row, transaction);
    await machinesChanged(db, { ids: [row.machineId] }, transaction);
    return changed;
  });
}

/**
 * Takes an accepted item back; it stays on record with the time it was withdrawn, and leaves its
 * visit.
 */
export async function withdrawWork(
  db: Database,
  id: string,
  person: Person,
  at: Date,
): Promise<WorkItem> {
  return changeWork({ db, id, person }, async (row, transaction) => {
    if (!row.withdrawnAt) await row.update({ withdrawnAt: at }, { transaction });
    const visits = await VisitRow.findAll({ where: { machineId: row.machineId }, transaction });
    for (const visit of visits.filter((v) => v.workIds.includes(id))) {
      await visit.update(
        { workIds: visit.workIds.filter((w) => w !== id), version: visit.version + 1 },
        { transaction },
      );
    }
    return toWork(row);
  });
}

/**
 * Notes that somebody worked on an accepted item: who, how long, what was fitted. One that is there
 * already is left as it is; one that was wrong is taken back by one that strikes it.
 * @throws NotFound, Invalid where it strikes what is not there
 */
export async function noteWorked(
  db: Database,
  id: string,
  entry: WorkedEntry,
  person: Person,
): Promise<WorkItem> {
  return changeWork({ db, id, person }, async (row, transaction) => {
    const worked = row.worked ?? [];
    if (worked.some((w) => w.id === entry.id)) return toWork(row);
    if (entry.strikes !== null && !worked.some((w) => w.id === entry.strikes && !w.strikes))
      throw invalidField(
        'strikes',
        'There is no such entry of this work to take back.',
        'the id of an entry of this work',
      );
    if (worked.length >= MOST_ENTRIES)
      throw invalidField(
        'id',
        `This work has ${MOST_ENTRIES} entries already.`,
        'a new work item for what is done beyond them',
      );
    await row.update({ worked: [...worked, { ...entry, by: person.name }] }, { transaction });
    return toWork(row);
  });
}

/**
 * The heavy part of the sheet in the place of one that is short.
 * @throws NotFound, Conflict where the work is done or has changed since
 */
export async function substitutePart(
  db: Database,
  id: string,
  number: string,
  person: Person,
): Promise<WorkItem> {
  return changeWork({ db, id, person }, async (row, transaction) => {
    const item = toWork(row);
    if (item.withdrawnAt || workedOn(item).length)
      throw new Conflict(
        'No longer open',
        'This work was taken back or worked on meanwhile; its parts stay as they are. Load the parts again.',
        [{ field: 'id', message: 'wanted open work' }],
      );
    const changed = substituted(item, number);
    if (!changed)
      throw new Conflict(
        'No such part any more',
        `This work has no part ${number} that another may go in the place of. Load the parts again.`,
        [{ field: 'number', message: 'wanted a part of the work with a substitute' }],
      );
    const { parts, minutes, reason, proposed } = changed;
    await row.update({ parts, minutes, reason, proposed }, { transaction });
    return toWork(row);
  });
}

/** So many times work on one item is noted, at most: as its contract says. */
const MOST_ENTRIES = 50;
