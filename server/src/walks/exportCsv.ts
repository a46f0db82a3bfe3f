import { MachineRow, ReadingRow, toReading } from '../db';
import { writeReadingsCsv } from './writeCsv';

/** Readings of some machines as the open file, asked of the database and nothing else with them. */
export async function exportReadings(where: { id?: string; branch?: string }): Promise<string> {
  const machines = await MachineRow.findAll({
    attributes: ['id', 'serial'],
    where,
    order: [['serial', 'ASC']],
  });
  const serials = new Map(machines.map((m) => [m.id, m.serial]));
  const place = new Map(machines.map((m, i) => [m.id, i]));
  const rows = await ReadingRow.findAll({
    where: { machineId: [...serials.keys()] },
    order: [
      ['takenAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  const byMachine = (a: ReadingRow, b: ReadingRow) =>
    (place.get(a.machineId) ?? 0) - (place.get(b.machineId) ?? 0);
  return writeReadingsCsv(rows.sort(byMachine).map(toReading), serials);
}
