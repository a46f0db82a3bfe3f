import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { QueryTypes } from 'sequelize';
import type { z } from 'zod';
import type { HarvestMove, Machine, Person } from '@green-tally/core/contracts';
import { harvestTroubles } from '@green-tally/core/harvest';
import { lockMachines, machinesChanged, planMoved, type Database } from '../db';
import { invalidField } from '../errors';

const moved = (day: string, days: number): string =>
  formatISO(addDays(parseISO(day), days), { representation: 'date' });

/**
 * Moves the harvest of a crop in one's branch, of all customers or of one; all machines or none.
 * @returns how many machines
 * @throws Invalid where nobody cuts that crop, or harvest would begin before a machine was built
 */
export async function moveHarvests(
  db: Database,
  { crop, customer, days }: z.output<typeof HarvestMove>,
  { person, today }: { readonly person: Person; readonly today: string },
): Promise<number> {
  return db.transaction(async (transaction) => {
    const rows = await db.sequelize.query<{
      id: string;
      serial: string;
      builtOn: string;
      harvest: Machine['harvest'];
    }>(
      `SELECT id, serial, built_on::text AS "builtOn", harvest FROM machines
       WHERE branch = $1 AND harvest->>'crop' = $2 AND ($3::text IS NULL OR customer = $3) ORDER BY id`,
      { bind: [person.branch, crop, customer], type: QueryTypes.SELECT, transaction },
    );
    if (!rows.length)
      throw invalidField(
        'crop',
        `No machine of ${customer ?? person.branch} cuts ${crop}.`,
        'a crop that is cut there',
      );
    const ids = rows.map((r) => r.id);
    await lockMachines(db, ids, transaction);
    for (const { id, serial, builtOn, harvest } of rows) {
      const start = moved(harvest.start, days);
      const next = { ...harvest, start, end: moved(harvest.end, days) };
      const [trouble] = harvestTroubles(next, {
        machine: { serial, builtOn },
        today,
        before: harvest,
      });
      if (trouble) throw invalidField('days', trouble.message, 'fewer days');
      await db.sequelize.query('UPDATE machines SET harvest = $2 WHERE id = $1', {
        bind: [id, JSON.stringify(next)],
        transaction,
      });
    }
    await machinesChanged(db, { ids }, transaction);
    await planMoved(db, person.branch, transaction);
    return ids.length;
  });
}
