import { Readable } from 'node:stream';
import { MachineRow, readingsOf } from '../db';
import { writeReadingsCsv } from './writeCsv';

/**
 * Readings of some machines as the open file, machine by machine by serial: read and written one
 * machine at a time, so that the file is never held whole.
 */
export function exportReadings(where: { id?: string; branch?: string }): Readable {
  async function* text() {
    const machines = await MachineRow.findAll({
      attributes: ['id', 'serial'],
      where,
      order: [['serial', 'ASC']],
    });
    const serials = new Map(machines.map((m) => [m.id, m.serial]));
    yield writeReadingsCsv([], serials);
    for (const { id } of machines) {
      const readings = await readingsOf(id);
      if (readings.length) yield writeReadingsCsv(readings, serials, false);
    }
  }
  return Readable.from(text());
}
