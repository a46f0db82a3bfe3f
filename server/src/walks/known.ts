import { QueryTypes, type Transaction } from 'sequelize';
import type { Reading } from '@green-tally/core/contracts';
import type { MeterMark } from '@green-tally/core/walk';
import { connection, ReadingRow, SheetRow, toReading, WalkRow } from '../db';

/** What is there already that bears on a batch. */
export interface Known {
  readonly there: ReadonlyMap<string, Reading>;
  /** by machine and whole hour; grows with the batch */
  readonly meters: Map<string, Map<number, MeterMark>>;
  /** what is struck, by what */
  readonly struck: ReadonlyMap<string, string>;
  /** of which machine a walk is */
  readonly walks: ReadonlyMap<string, string>;
  readonly revisions: ReadonlySet<string>;
}

/** A revision of a sheet, as it is looked up. */
export const sheetKey = ({ model, revision }: Reading['sheet']): string => `${model}|${revision}`;

/** What is there already that bears on some readings. */
export async function known(
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Known> {
  const struck = readings.flatMap((r) => r.strikes ?? []);
  const meters = await metersOf(
    [...new Set(readings.map((r) => r.machineId))],
    struck,
    transaction,
  );
  return {
    there: await existing(readings, transaction),
    meters,
    struck: await strikesOf(struck, transaction),
    walks: await walksOf(readings, transaction),
    revisions: await revisionsOf(readings, transaction),
  };
}

async function strikesOf(
  ids: readonly string[],
  transaction: Transaction,
): Promise<Known['struck']> {
  const rows = await ReadingRow.findAll({
    attributes: ['id', 'strikes'],
    where: { strikes: [...ids] },
    transaction,
  });
  return new Map(rows.map((r) => [r.strikes ?? '', r.id]));
}

async function walksOf(
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Known['walks']> {
  const ids = [...new Set(readings.flatMap((r) => r.walkId ?? []))];
  const rows = await WalkRow.findAll({
    attributes: ['id', 'machineId'],
    where: { id: ids },
    transaction,
  });
  return new Map(rows.map((r) => [r.id, r.machineId]));
}

async function revisionsOf(
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Known['revisions']> {
  const rows = await SheetRow.findAll({
    attributes: ['model', 'revision'],
    where: { model: [...new Set(readings.map((r) => r.sheet.model))] },
    transaction,
  });
  return new Set(rows.map(sheetKey));
}

/** What the meters of machines were read at, but for readings that are struck or about to be. */
async function metersOf(
  machines: readonly string[],
  struck: readonly string[],
  transaction: Transaction,
): Promise<Known['meters']> {
  const rows = await connection().query<{
    machine: string;
    hour: number;
    least: number;
    most: number;
    first: Date;
    last: Date;
  }>(
    `SELECT machine_id AS machine, floor(hours) AS hour, min(hours) AS least, max(hours) AS most, min(taken_at) AS first, max(taken_at) AS last
     FROM readings WHERE machine_id IN (:machines) AND value->>'kind' <> 'strike' AND id NOT IN (:struck) AND id NOT IN (
       SELECT strikes FROM readings WHERE machine_id IN (:machines) AND strikes IS NOT NULL)
     GROUP BY machine_id, floor(hours)`,
    {
      type: QueryTypes.SELECT,
      replacements: { machines: [...machines], struck: struck.length ? [...struck] : [NO_ID] },
      transaction,
    },
  );
  const meters: Known['meters'] = new Map();
  for (const { machine, hour, first, last, ...mark } of rows) {
    const own = meters.get(machine) ?? new Map<number, MeterMark>();
    own.set(hour, { ...mark, first: first.toISOString(), last: last.toISOString() });
    meters.set(machine, own);
  }
  return meters;
}

const NO_ID = '00000000-0000-0000-0000-000000000000';

async function existing(
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Map<string, Reading>> {
  const ids = [...new Set(readings.flatMap((r) => (r.strikes ? [r.id, r.strikes] : [r.id])))];
  const rows = await ReadingRow.findAll({ where: { id: ids }, transaction });
  return new Map(rows.map((r) => [r.id, toReading(r)]));
}
