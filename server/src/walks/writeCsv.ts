import { stringify } from 'csv-stringify/sync';
import type { Reading } from '@green-tally/core/contracts';
import { writeCsvValue } from '@green-tally/core/kinds';
import { printNumber } from '@green-tally/core/units';
import { COLUMN_NAMES } from './columns';

/** Writes readings in the open format; what it writes, `readReadingsCsv` reads back the same. */
export function writeReadingsCsv(
  readings: readonly Reading[],
  serials: ReadonlyMap<string, string>,
): string {
  const rows = readings.flatMap((r) => {
    const base = {
      machine: serials.get(r.machineId) ?? '',
      check: r.checkId,
      place: r.place,
      taken_at: r.takenAt,
      hours: printNumber(r.hours, 2),
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
    header: true,
    columns: COLUMN_NAMES,
    escape_formulas: true,
  });
}
