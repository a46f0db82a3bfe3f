import { randomUUID } from 'node:crypto';
import { literal, Op, QueryTypes, type Transaction } from 'sequelize';
import type { Person } from '@green-tally/core/contracts';
import type {
  HoursAnswer,
  HoursPage,
  HoursReport,
  HoursTaken,
  Meter,
} from '@green-tally/core/contracts/hours';
import { hoursDoubt } from '@green-tally/core/fleetHours';
import { FleetHoursRow, lockMachines, MachineRow, machinesChanged, type Database } from '../db';
import { Away, Conflict, NotFound } from '../errors';
import { machineToChange } from '../machines/machines';
import { readSnapshot, type Equipment } from './snapshot';

/*
 * Hours that a fleet service reports. What goes on as a meter does is taken; what does not waits for a
 * person. Separator and engine are kept apart; only the separator's stand in a machine's books.
 */

/** The service is given so long for a page, ms; and has no more pages than this. */
const PATIENCE = 8000;
const MOST_PAGES = 200;
/** A meter that has moved by less stands still, h. */
const SAME = 0.05;

/**
 * Asks the service for its whole snapshot and takes it.
 * @throws Away where it does not answer, Invalid where it talks nonsense
 */
export async function askFleet(db: Database, service: string | undefined): Promise<HoursTaken> {
  const all: Equipment[] = [];
  let at = service && new URL('/fleet/1', service);
  for (let n = 0; at && n < MOST_PAGES; n += 1) {
    const response = await fetch(at, {
      signal: AbortSignal.timeout(PATIENCE),
      headers: { accept: 'application/json' },
    }).catch(() => undefined);
    if (!response?.ok)
      throw new Away(
        'The fleet service does not answer',
        `It said ${response ? response.status : 'nothing'}. The hours stay as they are; try again later.`,
      );
    const page = readSnapshot(await response.text());
    all.push(...page.equipment);
    const next: URL | undefined = page.next === undefined ? undefined : new URL(page.next, at);
    // it is asked nothing that lies elsewhere
    at = next?.origin === at.origin ? next : undefined;
  }
  return takeHours(db, all, service ? new URL(service).host : '');
}

/** Takes what a snapshot says, machine by machine, each whole or not at all. */
export async function takeHours(
  db: Database,
  equipment: readonly Equipment[],
  source: string,
  branch?: string,
): Promise<HoursTaken> {
  const result = { taken: 0, challenged: 0, known: 0, unknown: [] as string[] };
  const machines = await MachineRow.findAll({ attributes: ['id', 'serial', 'branch'] });
  const bySerial = new Map(machines.map((m) => [m.serial.toLowerCase(), m]));
  for (const one of equipment) {
    const machine = bySerial.get(one.serial.toLowerCase());
    if (!machine || (branch !== undefined && machine.branch !== branch)) {
      if (result.unknown.length < 100) result.unknown.push(one.serial);
      continue;
    }
    await db.transaction(async (transaction) => {
      await lockMachines(db, [machine.id], transaction);
      for (const meter of ['engine', 'separator'] as const) {
        const said = one[meter];
        if (said)
          result[await takeOne(db, machine.id, { meter, ...said, source }, transaction)] += 1;
      }
    });
  }
  return result;
}

interface Said {
  readonly meter: Meter;
  readonly hours: number;
  readonly at: string;
  readonly source: string;
}

/** What is known of a meter: its last report that was taken, and what the books say. */
async function meterBefore(machineId: string, meter: Meter, transaction: Transaction) {
  const last = await FleetHoursRow.findOne({
    where: { machineId, meter, state: 'taken' },
    order: [['at', 'DESC']],
    transaction,
  });
  if (last) return { last, stood: { hours: last.hours + last.offset, at: last.at.toISOString() } };
  if (meter === 'engine') return { last, stood: null };
  const machine = await MachineRow.findByPk(machineId, { attributes: ['hours'], transaction });
  return { last, stood: machine && { hours: machine.hours, at: null } };
}

async function takeOne(
  db: Database,
  machineId: string,
  { meter, hours, at, source }: Said,
  transaction: Transaction,
): Promise<'taken' | 'challenged' | 'known'> {
  const where = { machineId, meter };
  const when = new Date(at);
  const { last, stood } = await meterBefore(machineId, meter, transaction);
  const there = await FleetHoursRow.findOne({ where: { ...where, at: when }, transaction });
  if (there || (last && last.at >= when)) return 'known';
  const offset = last?.offset ?? 0;
  const doubt = doubtOf({ hours: hours + offset, at }, stood);
  if (!doubt && last && Math.abs(hours - last.hours) < SAME) {
    // it stands still: nothing new is to be kept but when it was last heard of
    await last.update({ at: when }, { transaction });
    return 'known';
  }
  // one question a meter: a newer report takes the place of one that nobody has answered yet
  if (doubt) await FleetHoursRow.destroy({ where: { ...where, state: 'challenged' }, transaction });
  const state = doubt ? 'challenged' : 'taken';
  await FleetHoursRow.create(
    {
      ...{ ...where, id: randomUUID(), hours, offset, at: when, source, state },
      ...{ doubt: doubt ?? null, before: stood, answeredBy: null },
    },
    { transaction },
  );
  if (!doubt && meter === 'separator') await raise(db, machineId, hours + offset, transaction);
  return state;
}

const doubtOf = (
  next: { readonly hours: number; readonly at: string },
  stood: { readonly hours: number; readonly at: string | null } | null,
) =>
  hoursDoubt(next, {
    last: stood?.at ? { hours: stood.hours, at: stood.at } : undefined,
    books: stood?.hours,
  });

/** The machine's books go up to what its separator shows; they never go down by themselves. */
async function raise(
  db: Database,
  id: string,
  hours: number,
  transaction: Transaction,
): Promise<void> {
  const [, raised] = await db.sequelize.query(
    'UPDATE machines SET hours = $2, book_hours = greatest(book_hours, $2) WHERE id = $1 AND hours < $2',
    { bind: [id, hours], type: QueryTypes.UPDATE, transaction },
  );
  if (raised) await machinesChanged(db, { ids: [id] }, transaction);
}

/** What waits for a person, and what stands last, of a branch. */
export async function hoursPage(service: boolean, person: Person): Promise<HoursPage> {
  const machines = new Map(
    (
      await MachineRow.findAll({
        where: person.role === 'admin' ? {} : { branch: person.branch },
        attributes: ['id', 'serial', 'model'],
      })
    ).map((m) => [m.id, m]),
  );
  const told = (rows: readonly FleetHoursRow[]) =>
    rows.flatMap((r) => toReport(r, machines.get(r.machineId)) ?? []);
  const where = { machineId: [...machines.keys()] };
  const order: [string, string][] = [
    ['at', 'DESC'],
    ['id', 'ASC'],
  ];
  const newest = literal(
    '"FleetHoursRow"."id" IN (SELECT DISTINCT ON (machine_id, meter) id FROM fleet_hours WHERE state = \'taken\' ORDER BY machine_id, meter, at DESC)',
  );
  return {
    service,
    challenged: told(
      await FleetHoursRow.findAll({ where: { ...where, state: 'challenged' }, order }),
    ),
    latest: told(
      await FleetHoursRow.findAll({
        where: { [Op.and]: [where, { state: 'taken' }, newest] },
        order,
      }),
    ),
  };
}

function toReport(row: FleetHoursRow, machine: MachineRow | undefined): HoursReport | undefined {
  if (!machine) return undefined;
  const { id, meter, hours, offset, source, state, doubt, before, answeredBy } = row;
  return {
    machine: { id: machine.id, serial: machine.serial, model: machine.model },
    ...{
      id,
      meter,
      hours,
      offset,
      source,
      state,
      doubt,
      before,
      answeredBy,
      at: row.at.toISOString(),
    },
  };
}

/**
 * What a person says to a challenged report: right (the books go up to it), swapped (the new meter goes
 * on from where the old one stood), or wrong (it is set aside).
 * @throws NotFound, Forbidden; Conflict where it was answered already
 */
export async function answerHours(
  db: Database,
  id: string,
  { answer, person }: HoursAnswer & { readonly person: Person },
): Promise<HoursReport> {
  const found = await FleetHoursRow.findByPk(id);
  if (!found) throw new NotFound('report');
  await machineToChange(found.machineId, person);
  return db.transaction(async (transaction) => {
    await lockMachines(db, [found.machineId], transaction);
    const row = await FleetHoursRow.findByPk(id, { transaction });
    const machine = await MachineRow.findByPk(found.machineId, { transaction });
    if (!row || !machine) throw new NotFound('report');
    if (row.state !== 'challenged')
      throw new Conflict(
        'Answered already',
        `${row.answeredBy ?? 'Somebody'} has answered this one.`,
        [{ field: 'id', message: 'wanted one that still waits' }],
      );
    const stood = row.before?.hours ?? machine.hours;
    await row.update(
      {
        state: answer === 'wrong' ? 'refused' : 'taken',
        offset: answer === 'swapped' ? stood - row.hours : row.offset,
        answeredBy: person.name,
      },
      { transaction },
    );
    if (answer === 'right' && row.meter === 'separator')
      await raise(db, row.machineId, row.hours + row.offset, transaction);
    const report = toReport(row, machine);
    if (!report) throw new NotFound('report');
    return report;
  });
}
