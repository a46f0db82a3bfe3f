import { QueryTypes, type Transaction } from 'sequelize';
import type { Reading } from '@green-tally/core/contracts';
import type { Database } from './connection';

/** Columns of a reading's row, in the order of the statement, with their types. */
const COLUMNS = {
  id: 'uuid',
  machine_id: 'uuid',
  walk_id: 'uuid',
  check_id: 'text',
  sheet: 'jsonb',
  place: 'text',
  state: 'text',
  value: 'jsonb',
  renewed: 'boolean',
  repaired: 'boolean',
  fit: 'jsonb',
  settled: 'boolean',
  position_confirmed: 'boolean',
  tool: 'jsonb',
  taken_at: 'timestamptz',
  hours: 'double precision',
  by: 'text',
  note: 'text',
  strikes: 'uuid',
} as const;
const NAMES = Object.keys(COLUMNS).join(', ');
const TYPED = Object.entries(COLUMNS)
  .map(([name, type]) => `${name} ${type}`)
  .join(', ');
const ROWS_A_STATEMENT = 1000;

type Row = Record<keyof typeof COLUMNS, unknown>;

const rowOf = (r: Reading): Row => ({
  id: r.id,
  machine_id: r.machineId,
  walk_id: r.walkId,
  check_id: r.checkId,
  sheet: r.sheet,
  place: r.place,
  state: r.state,
  value: r.value,
  renewed: r.renewed,
  repaired: r.repaired,
  fit: r.fit,
  settled: r.settled,
  position_confirmed: r.positionConfirmed,
  tool: r.tool,
  taken_at: r.takenAt,
  hours: r.hours,
  by: r.by,
  note: r.note,
  strikes: r.strikes,
});

/**
 * Stores readings; ones already there are left as they are. Rows go over as one value a thousand,
 * whatever their number of columns.
 * @param done is told how many have gone over
 * @returns ids that were new
 */
export async function insertReadings(
  db: Database,
  readings: readonly Reading[],
  transaction: Transaction,
  done: (rows: number) => Promise<void> = () => Promise.resolve(),
): Promise<Set<string>> {
  const stored = new Set<string>();
  for (let i = 0; i < readings.length; i += ROWS_A_STATEMENT) {
    const part = readings.slice(i, i + ROWS_A_STATEMENT);
    const fresh = await db.sequelize.query<{ id: string }>(
      `INSERT INTO readings (${NAMES}) SELECT ${NAMES} FROM json_to_recordset($1) AS r (${TYPED})
       ON CONFLICT (id) DO NOTHING RETURNING id`,
      { bind: [JSON.stringify(part.map(rowOf))], transaction, type: QueryTypes.SELECT },
    );
    fresh.forEach((r) => stored.add(r.id));
    await done(i + part.length);
  }
  return stored;
}
