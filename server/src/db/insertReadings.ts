import { QueryTypes, type Transaction } from 'sequelize';
import type { Reading } from '@green-tally/core/contracts';
import type { Database } from './connection';

const COLUMNS =
  'id, machine_id, walk_id, check_id, sheet, place, state, value, renewed, repaired, fit, settled, position_confirmed, tool, taken_at, hours, by, note, strikes';
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
      r.repaired,
      r.fit ? JSON.stringify(r.fit) : null,
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
