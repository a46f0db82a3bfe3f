import type { Database } from '../db';

/** Phones that were away longer than this ask for a machine whole. */
const WRITES_DAYS = 120;
/** A photo that stopped half way is announced anew by a phone that comes back later. */
const UPLOADS_DAYS = 30;
/** A report is looked at within this time. */
const IMPORTS_DAYS = 14;
/** A search for a plan is looked at, published or dropped within this time. */
const SEARCHES_DAYS = 3;

/** Two seasons of what a fleet service said are enough to look back on; the last of a meter stays. */
const HOURS_DAYS = 800;

/**
 * Takes away what nobody needs any more: sessions and tries that have ended, reports of old imports,
 * the record of writes from before any phone was last heard of. Facts are never taken away.
 */
export async function clearUp(db: Database): Promise<void> {
  for (const sql of [
    'DELETE FROM session WHERE expire < now()',
    'DELETE FROM tries WHERE until < now()',
    `DELETE FROM imports WHERE at < now() - ${IMPORTS_DAYS} * interval '1 day'`,
    `DELETE FROM photo_uploads WHERE at < now() - ${UPLOADS_DAYS} * interval '1 day'`,
    `DELETE FROM plan_searches WHERE at < now() - ${SEARCHES_DAYS} * interval '1 day'`,
    `DELETE FROM fleet_hours f WHERE at < now() - ${HOURS_DAYS} * interval '1 day' AND state <> 'challenged'
       AND EXISTS (SELECT 1 FROM fleet_hours n WHERE n.machine_id = f.machine_id AND n.meter = f.meter AND n.state = 'taken' AND n.at > f.at)`,
    `DELETE FROM machine_writes WHERE at < now() - ${WRITES_DAYS} * interval '1 day'`,
  ])
    await db.sequelize.query(sql);
}
