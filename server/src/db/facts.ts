import { QueryTypes, type Transaction } from 'sequelize';
import { Reading, type Machine, type MachineFile, type SpecSheet, type Visit, type Walk, type WorkItem } from '@green-tally/core/contracts';
import type { Database } from './connection';
import { MachineRow, PersonRow, ReadingRow, SheetRow, VisitRow, WalkRow, WorkRow } from './models';

/** Rows to the shapes of the contracts. Moments leave as UTC text. */
export const toMachine = (row: MachineRow): Machine => ({
  id: row.id, serial: row.serial, model: row.model, customer: row.customer, branch: row.branch, builtOn: row.builtOn, hours: row.hours, header: row.header ?? null, harvest: row.harvest,
});
export const toWalk = (row: WalkRow): Walk => ({
  id: row.id, machineId: row.machineId, startedAt: row.startedAt.toISOString(), finishedAt: row.finishedAt?.toISOString() ?? null, madeSafeAt: row.madeSafeAt?.toISOString() ?? null,
  hours: row.hours, by: row.by, noticed: row.noticed,
});
export const toReading = (row: ReadingRow): Reading => ({
  id: row.id, machineId: row.machineId, walkId: row.walkId ?? null, checkId: row.checkId, sheet: row.sheet, place: row.place, state: row.state, value: row.value, renewed: row.renewed,
  settled: row.settled, positionConfirmed: row.positionConfirmed, tool: row.tool ?? null, takenAt: row.takenAt.toISOString(), hours: row.hours, by: row.by, note: row.note, strikes: row.strikes ?? null,
});
export const toWork = (row: WorkRow): WorkItem => ({
  id: row.id, machineId: row.machineId, checkId: row.checkId, decision: row.decision, places: row.places, reason: row.reason, minutes: row.minutes, cover: row.cover ?? null, parts: row.parts,
  acceptedBy: row.acceptedBy, acceptedAt: row.acceptedAt.toISOString(), withdrawnAt: row.withdrawnAt?.toISOString() ?? null,
});
const toVisit = (row: VisitRow, names: ReadonlyMap<string, string>): Visit => ({
  id: row.id, machineId: row.machineId, technicianId: row.technicianId, technician: names.get(row.technicianId) ?? '', startsOn: row.startsOn, endsOn: row.endsOn, hours: row.hours,
  site: row.site, note: row.note, workIds: row.workIds, version: row.version,
});

const within = (transaction: Transaction | undefined) => (transaction ? { transaction } : {});

/** Latest revision of each model's sheet. */
export async function currentSheets(transaction?: Transaction): Promise<SpecSheet[]> {
  const rows = await SheetRow.findAll({ ...within(transaction), order: [['model', 'ASC'], ['revision', 'ASC']] });
  return [...new Map(rows.map((r) => [r.model, r.document])).values()];
}

/**
 * Everything needed to judge some machines, in one query a table.
 * @param transaction pass the one that holds a lock: a second connection asked for under a lock could wait for ever
 */
export async function machineFiles(where: { id?: string; branch?: string } = {}, transaction?: Transaction): Promise<MachineFile[]> {
  const machines = await MachineRow.findAll({ where, ...within(transaction), order: [['serial', 'ASC']] });
  const machineId = machines.map((m) => m.id);
  const raw = { where: { machineId }, ...within(transaction) };
  const [sheets, readings, walks, work, visits, people] = await Promise.all([
    currentSheets(transaction),
    ReadingRow.findAll({ ...raw, order: [['takenAt', 'ASC'], ['id', 'ASC']] }),
    WalkRow.findAll({ ...raw, order: [['startedAt', 'ASC']] }),
    WorkRow.findAll({ ...raw, order: [['acceptedAt', 'ASC']] }),
    VisitRow.findAll({ ...raw, order: [['startsOn', 'ASC']] }),
    PersonRow.findAll({ attributes: ['id', 'name'], ...within(transaction) }),
  ]);
  const names = new Map(people.map((p) => [p.id, p.name]));
  const [r, w, k, v] = [byMachine(readings), byMachine(walks), byMachine(work), byMachine(visits)];
  return machines.map((row) => {
    const models = [row.model, row.header?.model];
    return {
      machine: toMachine(row),
      sheets: sheets.filter((s) => models.includes(s.model)),
      readings: (r.get(row.id) ?? []).map(toReading),
      walks: (w.get(row.id) ?? []).map(toWalk),
      work: (k.get(row.id) ?? []).map(toWork),
      visits: (v.get(row.id) ?? []).map((visit) => toVisit(visit, names)),
    };
  });
}

function byMachine<T extends { machineId: string }>(rows: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(row.machineId);
    if (group) group.push(row);
    else groups.set(row.machineId, [row]);
  }
  return groups;
}

/** Moves the facts' version on; call it inside each writing transaction. Derived views are cached under it. */
export async function factsChanged(db: Database, transaction: Transaction): Promise<void> {
  await db.sequelize.query(`UPDATE settings SET value = (value::bigint + 1)::text WHERE key = 'factsVersion'`, { transaction });
}

/** The facts' version now. */
export async function factsVersion(db: Database): Promise<string> {
  const [row] = await db.sequelize.query<{ value: string }>(`SELECT value FROM settings WHERE key = 'factsVersion'`, { type: QueryTypes.SELECT });
  return row?.value ?? '0';
}

const COLUMNS = 'id, machine_id, walk_id, check_id, sheet, place, state, value, renewed, settled, position_confirmed, tool, taken_at, hours, by, note, strikes';
const ROWS_A_STATEMENT = 1000;

/**
 * Stores readings; ones already there are left as they are.
 * @returns ids that were new
 */
export async function insertReadings(db: Database, readings: readonly Reading[], transaction: Transaction): Promise<Set<string>> {
  const stored = new Set<string>();
  for (let i = 0; i < readings.length; i += ROWS_A_STATEMENT) {
    const part = readings.slice(i, i + ROWS_A_STATEMENT);
    const bind = part.flatMap((r) => [
      r.id, r.machineId, r.walkId, r.checkId, JSON.stringify(r.sheet), r.place, r.state, JSON.stringify(r.value), r.renewed, r.settled, r.positionConfirmed,
      r.tool ? JSON.stringify(r.tool) : null, r.takenAt, r.hours, r.by, r.note, r.strikes,
    ]);
    const width = bind.length / part.length;
    const rows = part.map((_, row) => `(${Array.from({ length: width }, (__, c) => `$${row * width + c + 1}`).join(',')})`).join(',');
    const fresh = await db.sequelize.query<{ id: string }>(`INSERT INTO readings (${COLUMNS}) VALUES ${rows} ON CONFLICT (id) DO NOTHING RETURNING id`, { bind, transaction, type: QueryTypes.SELECT });
    fresh.forEach((r) => stored.add(r.id));
  }
  return stored;
}
