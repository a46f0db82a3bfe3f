// What was taken, and what the database holds of it.
import { isDeepStrictEqual } from 'node:util';

/** What was taken and answered, by kind and id. */
export const newScript = () => ({
  readings: new Map(),
  refused: new Map(),
  walks: new Map(),
  ticks: new Map(),
  photos: new Map(),
});

/** What the database holds, against what was taken. */
export async function compare(url, script) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const rows = async (text) => (await client.query(text)).rows;
  const faults = [];
  const readings = await rows(
    `SELECT id, machine_id AS "machineId", walk_id AS "walkId", check_id AS "checkId", sheet, place, state, value, position_confirmed AS "positionConfirmed",
       to_char(taken_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS "takenAt", hours, note FROM readings WHERE note LIKE 'storm %'`,
  );
  const stored = new Map(readings.map((r) => [r.id, r]));
  for (const [id, { by: _by, ...taken }] of script.readings) {
    const there = stored.get(id);
    if (!there) faults.push(`lost: reading ${id}`);
    else if (!isDeepStrictEqual({ ...there }, taken)) faults.push(`changed: reading ${id}`);
  }
  const [{ doubled }] = await rows(
    `SELECT count(*)::int - count(DISTINCT note)::int AS doubled FROM readings WHERE note LIKE 'storm %'`,
  );
  if (doubled) faults.push(`doubled: ${doubled} readings`);
  for (const id of stored.keys())
    if (!script.readings.has(id)) faults.push(`nobody’s: reading ${id}`);
  const has = async (what, table, more = '') => {
    const ids = new Set((await rows(`SELECT id FROM ${table} ${more}`)).map((r) => r.id));
    for (const id of script[what].keys()) if (!ids.has(id)) faults.push(`lost: ${what} ${id}`);
  };
  await has('walks', 'walks');
  await has('ticks', 'ticks');
  await has('photos', 'photos');
  await client.end();
  return { faults, stored: stored.size };
}
