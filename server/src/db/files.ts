import { QueryTypes, type Transaction } from 'sequelize';
import type { Machine, MachineFile, SpecSheet } from '@green-tally/core/contracts';
import { costsInUse } from './costs';
import { MachineRow, PersonRow, ReadingRow, TickRow, VisitRow, WalkRow, WorkRow } from './models';
import { fleetRates } from './rates';
import { toMachine, toReading, toTick, toVisit, toWalk, toWork } from './rows';
import { sheetOf, sheetsInUse } from './sheets';
import { connection, within } from './within';

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
    `SELECT jsonb_build_object('id', m.id, 'serial', m.serial, 'model', m.model,
         'customer', m.customer, 'branch', m.branch, 'builtOn', m.built_on, 'hours', m.hours,
         'header', m.header, 'harvest', m.harvest, 'equipment', m.equipment) AS machine,
       s.model, s.revision, s.document
     FROM machines m LEFT JOIN LATERAL (
       SELECT DISTINCT ON (model) * FROM spec_sheets
       WHERE model IN (m.model, m.header->>'model') ORDER BY model, revision DESC) s ON true
     WHERE m.id = :id`,
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
 * @param transaction pass the one that holds a lock: a second connection asked for under a lock
 *   could wait for ever
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
  const [sheets, readings, walks, work, visits, ticks, people, costs, rates] = await Promise.all([
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
    TickRow.findAll({ ...raw, order: [['at', 'ASC']] }),
    PersonRow.findAll({ attributes: ['id', 'name'], ...within(transaction) }),
    costsInUse(transaction),
    fleetRates(transaction),
  ]);
  const names = new Map(people.map((p) => [p.id, p.name]));
  const [r, w, k] = [byMachine(readings), byMachine(walks), byMachine(work)];
  const [v, t] = [byMachine(visits), byMachine(ticks)];
  return machines.map((row) => {
    const models = [row.model, row.header?.model];
    const own = sheets.current.filter((s) => models.includes(s.model));
    return {
      machine: toMachine(row),
      sheets: own,
      earlier: sheets.earlier.filter((s) => models.includes(s.model)),
      readings: (r.get(row.id) ?? []).map(toReading),
      walks: (w.get(row.id) ?? []).map(toWalk),
      work: (k.get(row.id) ?? []).map(toWork),
      visits: (v.get(row.id) ?? []).map((visit) => toVisit(visit, names)),
      ticks: (t.get(row.id) ?? []).map(toTick),
      costs: costs(row, own),
      rates: ofChecks(rates(row.branch), own),
    };
  });
}

/** The rates that bear on the checks of some sheets: no machine needs those of all the others. */
function ofChecks(rates: MachineFile['rates'], sheets: readonly SpecSheet[]): MachineFile['rates'] {
  const known = new Set(sheets.flatMap((s) => s.checks.map((c) => c.wearClass ?? c.id)));
  return Object.fromEntries(
    Object.entries(rates).filter(([key]) => known.has(key.split(' ')[0] ?? key)),
  );
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
