import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import {
  SpecSheet,
  type Machine,
  type MachineFile,
  type Reading,
  type Visit,
  type Walk,
  type WorkItem,
} from '@green-tally/core/contracts';
import type { Database } from './connection';
import { MachineRow, PersonRow, ReadingRow, SheetRow, VisitRow, WalkRow, WorkRow } from './models';

/** Rows to the shapes of the contracts. Moments leave as UTC text. */
export const toMachine = (row: MachineRow): Machine => ({
  id: row.id,
  serial: row.serial,
  model: row.model,
  customer: row.customer,
  branch: row.branch,
  builtOn: row.builtOn,
  hours: row.hours,
  header: row.header ?? null,
  harvest: row.harvest,
  ...(row.equipment ? { equipment: row.equipment } : {}),
  ...(row.rejudged ? { rejudged: row.rejudged } : {}),
});
export const toWalk = (row: WalkRow): Walk => ({
  id: row.id,
  machineId: row.machineId,
  startedAt: row.startedAt.toISOString(),
  finishedAt: row.finishedAt?.toISOString() ?? null,
  madeSafeAt: row.madeSafeAt?.toISOString() ?? null,
  hours: row.hours,
  by: row.by,
  noticed: row.noticed,
});
export const toReading = (row: ReadingRow): Reading => ({
  id: row.id,
  machineId: row.machineId,
  walkId: row.walkId ?? null,
  checkId: row.checkId,
  sheet: row.sheet,
  place: row.place,
  state: row.state,
  value: row.value,
  renewed: row.renewed,
  settled: row.settled,
  positionConfirmed: row.positionConfirmed,
  tool: row.tool ?? null,
  takenAt: row.takenAt.toISOString(),
  hours: row.hours,
  by: row.by,
  note: row.note,
  strikes: row.strikes ?? null,
});
export const toWork = (row: WorkRow): WorkItem => ({
  id: row.id,
  machineId: row.machineId,
  checkId: row.checkId,
  decision: row.decision,
  places: row.places,
  reason: row.reason,
  minutes: row.minutes,
  cover: row.cover ?? null,
  parts: row.parts,
  acceptedBy: row.acceptedBy,
  acceptedAt: row.acceptedAt.toISOString(),
  withdrawnAt: row.withdrawnAt?.toISOString() ?? null,
});
const toVisit = (row: VisitRow, names: ReadonlyMap<string, string>): Visit => ({
  id: row.id,
  machineId: row.machineId,
  technicianId: row.technicianId,
  technician: names.get(row.technicianId) ?? '',
  startsOn: row.startsOn,
  endsOn: row.endsOn,
  hours: row.hours,
  site: row.site,
  note: row.note,
  workIds: row.workIds,
  version: row.version,
});

const within = (transaction: Transaction | undefined) => (transaction ? { transaction } : {});

/** Revisions never change, so each is read into its contract once. jsonb keeps neither the order of fields nor defaults that came later; the contract gives both back. */
const readSheets = new Map<string, SpecSheet>();
const SHEETS_KEPT = 400;

/** A stored revision as the contract knows it. */
export function sheetOf(row: { model: string; revision: number; document: SpecSheet }): SpecSheet {
  const key = `${row.model}|${row.revision}`;
  const kept = readSheets.get(key);
  if (kept) return kept;
  const sheet = SpecSheet.parse(row.document);
  readSheets.set(key, sheet);
  const oldest = readSheets.keys().next().value;
  if (readSheets.size > SHEETS_KEPT && oldest !== undefined) readSheets.delete(oldest);
  return sheet;
}

/** Latest revision of each model's sheet, and the older ones that some reading or re-judging still refers to; in one query. */
async function sheetsInUse(
  transaction?: Transaction,
): Promise<{ current: SpecSheet[]; earlier: SpecSheet[] }> {
  const rows = await connection().query<{
    model: string;
    revision: number;
    document: SpecSheet;
    newest: boolean;
  }>(
    `SELECT * FROM (SELECT model, revision, document, revision = max(revision) OVER (PARTITION BY model) AS newest FROM spec_sheets) s
     WHERE newest OR EXISTS (SELECT 1 FROM readings r WHERE r.sheet->>'model' = s.model AND (r.sheet->>'revision')::int = s.revision) OR EXISTS (SELECT 1 FROM machines m WHERE (m.rejudged->>s.model)::int = s.revision)
     ORDER BY model, revision`,
    { type: QueryTypes.SELECT, ...within(transaction) },
  );
  const of = (newest: boolean) => rows.filter((r) => r.newest === newest).map((r) => sheetOf(r));
  return { current: of(true), earlier: of(false) };
}

/** Latest revision of each model's sheet. */
export async function currentSheets(transaction?: Transaction): Promise<SpecSheet[]> {
  return (await sheetsInUse(transaction)).current;
}

function connection(): Sequelize {
  const { sequelize } = SheetRow;
  if (!sequelize) throw new Error('the database is not open');
  return sequelize;
}

/**
 * A machine with its sheets, newest revisions, in one query.
 * @returns undefined when there is no such machine
 */
export async function machineWithSheets(
  id: string,
): Promise<{ machine: Machine; sheets: SpecSheet[] } | undefined> {
  const rows = await connection().query<{
    machine: Machine;
    model: string | null;
    revision: number;
    document: SpecSheet;
  }>(
    `SELECT jsonb_build_object('id', m.id, 'serial', m.serial, 'model', m.model, 'customer', m.customer, 'branch', m.branch, 'builtOn', m.built_on, 'hours', m.hours, 'header', m.header, 'harvest', m.harvest, 'equipment', m.equipment) AS machine,
       s.model, s.revision, s.document
     FROM machines m LEFT JOIN LATERAL (SELECT DISTINCT ON (model) * FROM spec_sheets WHERE model IN (m.model, m.header->>'model') ORDER BY model, revision DESC) s ON true WHERE m.id = :id`,
    { type: QueryTypes.SELECT, replacements: { id } },
  );
  const [first] = rows;
  return (
    first && {
      machine: { ...first.machine, equipment: first.machine.equipment ?? undefined },
      sheets: rows.flatMap((r) =>
        r.model === null
          ? []
          : [sheetOf({ model: r.model, revision: r.revision, document: r.document })],
      ),
    }
  );
}

/**
 * Everything needed to judge some machines, in one query a table.
 * @param transaction pass the one that holds a lock: a second connection asked for under a lock could wait for ever
 */
export async function machineFiles(
  where: { id?: string; branch?: string } = {},
  transaction?: Transaction,
): Promise<MachineFile[]> {
  const machines = await MachineRow.findAll({
    where,
    ...within(transaction),
    order: [['serial', 'ASC']],
  });
  const machineId = machines.map((m) => m.id);
  const raw = { where: { machineId }, ...within(transaction) };
  const [sheets, readings, walks, work, visits, people] = await Promise.all([
    sheetsInUse(transaction),
    ReadingRow.findAll({
      ...raw,
      order: [
        ['takenAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
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
      sheets: sheets.current.filter((s) => models.includes(s.model)),
      earlier: sheets.earlier.filter((s) => models.includes(s.model)),
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
  await db.sequelize.query(
    `UPDATE settings SET value = (value::bigint + 1)::text WHERE key = 'factsVersion'`,
    { transaction },
  );
}

/** The facts' version now. */
export async function factsVersion(db: Database): Promise<string> {
  const [row] = await db.sequelize.query<{ value: string }>(
    `SELECT value FROM settings WHERE key = 'factsVersion'`,
    { type: QueryTypes.SELECT },
  );
  return row?.value ?? '0';
}

const COLUMNS =
  'id, machine_id, walk_id, check_id, sheet, place, state, value, renewed, settled, position_confirmed, tool, taken_at, hours, by, note, strikes';
const ROWS_A_STATEMENT = 1000;

/**
 * Stores readings; ones already there are left as they are.
 * @returns ids that were new
 */
export async function insertReadings(
  db: Database,
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Set<string>> {
  const stored = new Set<string>();
  for (let i = 0; i < readings.length; i += ROWS_A_STATEMENT) {
    const part = readings.slice(i, i + ROWS_A_STATEMENT);
    const bind = part.flatMap((r) => [
      r.id,
      r.machineId,
      r.walkId,
      r.checkId,
      JSON.stringify(r.sheet),
      r.place,
      r.state,
      JSON.stringify(r.value),
      r.renewed,
      r.settled,
      r.positionConfirmed,
      r.tool ? JSON.stringify(r.tool) : null,
      r.takenAt,
      r.hours,
      r.by,
      r.note,
      r.strikes,
    ]);
    const width = bind.length / part.length;
    const rows = part
      .map(
        (_, row) =>
          `(${Array.from({ length: width }, (__, c) => `$${row * width + c + 1}`).join(',')})`,
      )
      .join(',');
    const fresh = await db.sequelize.query<{ id: string }>(
      `INSERT INTO readings (${COLUMNS}) VALUES ${rows} ON CONFLICT (id) DO NOTHING RETURNING id`,
      { bind, transaction, type: QueryTypes.SELECT },
    );
    fresh.forEach((r) => stored.add(r.id));
  }
  return stored;
}
