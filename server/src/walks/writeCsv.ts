import { stringify } from 'csv-stringify/sync';
import type { Reading } from '@green-tally/core/contracts';
import { writeCsvValue } from '@green-tally/core/csv';
import { COLUMN_NAMES } from './columns';

/**
 * Writes readings in the open format; what it writes, `readReadingsCsv` reads back the same.
 * @param header whether the columns are named first
 */
export function writeReadingsCsv(
  readings: readonly Reading[],
  serials: ReadonlyMap<string, string>,
  header = true,
): string {
  const rows = readings.flatMap((r) => {
    const base = {
      machine: serials.get(r.machineId) ?? '',
      check: r.checkId,
      place: r.place,
      taken_at: r.takenAt,
      // as it was read, lest it come back as another reading
      hours: String(r.hours),
      state: r.state === 'asLeft' ? 'as left' : 'as found',
      by: r.by,
      position_confirmed: r.positionConfirmed ? 'yes' : 'no',
      renewed: r.renewed ? 'yes' : 'no',
      repaired: r.repaired ? 'yes' : 'no',
      crop: r.fit?.crop ?? '',
      header: r.fit?.header ?? '',
      settled: r.settled ? 'yes' : 'no',
      strikes: r.strikes ?? '',
      walk: r.walkId ?? '',
      tool: r.tool ? `${r.tool.name} ±${r.tool.resolution}` : '',
      note: r.note,
      links_out: r.value.kind === 'travel' ? String(r.value.linksOut) : '',
      id: r.id,
    };
    return [{ ...base, ...writeCsvValue(r.value) }];
  });
  return stringify(rows, {
    header,
    columns: COLUMN_NAMES,
    escape_formulas: true,
  });
}
