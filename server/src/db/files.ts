import type { Transaction } from 'sequelize';
import type { Machine, MachineFile, Reading, SpecSheet } from '@green-tally/core/contracts';
import { costsInUse } from './costs';
import {
  MachineRow,
  PersonRow,
  PhotoRow,
  SaidRow,
  ReadingRow,
  TickRow,
  VisitRow,
  WalkRow,
  WorkRow,
} from './models';
import { fleetRates } from './rates';
import { toMachine, toPhoto, toReading, toSaid, toTick, toVisit, toWalk, toWork } from './rows';
import { newestOf, sheetsOf, type SheetRef } from './sheets';
import { within } from './within';

/** A machine with its sheets, newest revisions. @returns undefined when there is no such machine */
export async function machineWithSheets(
  id: string,
  transaction?: Transaction,
): Promise<{ machine: Machine; sheets: SpecSheet[] } | undefined> {
  const row = await MachineRow.findByPk(id, within(transaction));
  if (!row) return undefined;
  const machine = toMachine(row);
  return {
    machine,
    sheets: await sheetsOf(await newestOf(modelsOf(machine), transaction), transaction),
  };
}

/** Models whose sheets a machine is judged by: its own, and its header's. */
export const modelsOf = ({ model, header }: Pick<Machine, 'model' | 'header'>): string[] =>
  header ? [model, header.model] : [model];

/** A machine's file, and the version of its facts that it holds at least. */
export interface VersionedFile {
  readonly file: MachineFile;
  readonly version: number;
  /** of the fleet's rates in it */
  readonly rates: number;
}

/**
 * Everything needed to judge one machine. The version is read first: what comes in meanwhile may
 * be in the file already, but nothing of that version is missing.
 * @param transaction pass the one that holds a lock: a second connection asked for under a lock
 *   could wait for ever
 * @returns undefined when there is no such machine
 */
export async function machineFileOf(
  id: string,
  transaction?: Transaction,
): Promise<VersionedFile | undefined> {
  const row = await MachineRow.findByPk(id, within(transaction));
  if (!row) return undefined;
  const machine = toMachine(row);
  const where = { where: { machineId: id }, raw: true as const, ...within(transaction) };
  const readings = await readingsOf(id, transaction);
  const walks = await WalkRow.findAll({ ...where, order: [['startedAt', 'ASC']] });
  const work = await WorkRow.findAll({ ...where, order: [['acceptedAt', 'ASC']] });
  const visits = await VisitRow.findAll({ ...where, order: [['startsOn', 'ASC']] });
  const ticks = await TickRow.findAll({ ...where, order: [['at', 'ASC']] });
  const photos = await PhotoRow.findAll({ ...where, order: [['takenAt', 'ASC']] });
  const said = await SaidRow.findAll({ ...where, order: [['at', 'ASC']] });
  const names = await namesOf(visits.flatMap(handsOf), transaction);
  const refs = await refsOf(
    machine,
    readings.map((r) => r.sheet),
    transaction,
  );
  const sheets = await sheetsOf(refs.current, transaction);
  const rates = await fleetRates(transaction);
  return {
    version: row.version,
    rates: rates.id,
    file: {
      machine,
      sheets,
      earlier: await sheetsOf(refs.earlier, transaction),
      readings,
      walks: walks.map(toWalk),
      work: work.map(toWork),
      visits: visits.map((visit) => toVisit(visit, names)),
      ticks: ticks.map(toTick),
      photos: photos.map(toPhoto),
      said: said.map(toSaid),
      costs: (await costsInUse(transaction))(machine, sheets),
      rates: ofChecks(rates.of(row.branch), sheets),
      hands: ofChecks(rates.hands, sheets),
      times: ofChecks(rates.times(row.branch), sheets),
    },
  };
}

/** All readings of a machine in the order they were taken. */
export async function readingsOf(id: string, transaction?: Transaction): Promise<Reading[]> {
  const rows = await ReadingRow.findAll({
    where: { machineId: id },
    raw: true,
    order: [
      ['takenAt', 'ASC'],
      ['id', 'ASC'],
    ],
    ...within(transaction),
  });
  return rows.map(toReading);
}

/** Who works on a visit. */
export const handsOf = ({
  technicianId,
  mateId,
}: Pick<VisitRow, 'technicianId' | 'mateId'>): string[] =>
  mateId ? [technicianId, mateId] : [technicianId];

/** Names of people by id. */
export async function namesOf(
  ids: readonly string[],
  transaction?: Transaction,
): Promise<Map<string, string>> {
  if (!ids.length) return new Map();
  const people = await PersonRow.findAll({
    attributes: ['id', 'name'],
    where: { id: [...new Set(ids)] },
    ...within(transaction),
  });
  return new Map(people.map((p) => [p.id, p.name]));
}

/**
 * Which revisions a machine is judged by, given those its readings were taken by: the newest of its models, and older ones that a reading
 * of it was taken by or that it was judged anew under.
 */
export async function refsOf(
  machine: Machine,
  read: readonly SheetRef[],
  transaction?: Transaction,
): Promise<{ current: SheetRef[]; earlier: SheetRef[] }> {
  const current = await newestOf(modelsOf(machine), transaction);
  const newest = new Map(current.map((s) => [s.model, s.revision]));
  const used: SheetRef[] = [
    ...read,
    ...Object.entries(machine.rejudged ?? {}).map(([model, revision]) => ({ model, revision })),
  ];
  const earlier = new Map(
    used
      .filter((s) => newest.has(s.model) && newest.get(s.model) !== s.revision)
      .map((s) => [`${s.model}|${s.revision}`, s]),
  );
  return {
    current,
    earlier: [...earlier.values()].sort(
      (a, b) => a.model.localeCompare(b.model) || a.revision - b.revision,
    ),
  };
}

/** What bears on the checks of some sheets, by class: no machine needs that of all the others. */
export function ofChecks<T>(
  rates: Readonly<Record<string, T>>,
  sheets: readonly SpecSheet[],
): Readonly<Record<string, T>> {
  const known = new Set(sheets.flatMap((s) => s.checks.map((c) => c.wearClass ?? c.id)));
  return Object.fromEntries(
    Object.entries(rates).filter(([key]) => known.has(key.split(' ')[0] ?? key)),
  );
}
