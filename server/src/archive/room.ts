import { QueryTypes, type Transaction } from 'sequelize';
import { ARCHIVE_LISTS } from '@green-tally/core/archive';
import type { Person } from '@green-tally/core/contracts';
import { PersonRow, type Database } from '../db';
import { Conflict } from '../errors';

/** An archive goes into an empty place: nothing is mixed, nothing is overwritten. */
export async function refuseFull(db: Database, transaction: Transaction): Promise<void> {
  for (const { name, table } of ARCHIVE_LISTS) {
    if (SET_UP.has(name)) continue;
    const [row] = await db.sequelize.query<{ n: number }>(
      `SELECT count(*)::int AS n FROM ${table}`,
      { transaction, type: QueryTypes.SELECT },
    );
    if (row?.n)
      throw new Conflict(
        'This place is not empty',
        `There are ${row.n} ${name.replaceAll('-', ' ')} here. An archive goes into a place that was just set up; nothing is mixed.`,
      );
  }
}

/** What setting a place up leaves behind. */
const SET_UP: ReadonlySet<string> = new Set(['branches', 'people', 'audit']);

/**
 * Takes away who set the place up, for the archive to say who works here; puts back the admin who brings
 * it in: as the one of the archive with the same sign-in name, or beside them.
 */
export async function makeRoom(
  { db, person }: { readonly db: Database; readonly person?: Person | undefined },
  transaction: Transaction,
): Promise<() => Promise<void>> {
  const all = await PersonRow.findAll({ transaction });
  const me = all.find((p) => p.id === person?.id);
  const others = all.filter((p) => p !== me);
  if (others.length)
    throw new Conflict(
      'This place is not empty',
      `${others.map((p) => p.name).join(', ')} work here already. An archive goes into a place that was just set up.`,
    );
  const sql = (text: string, bind: unknown[] = []) =>
    db.sequelize.query(text, { bind, transaction });
  await sql('DELETE FROM people');
  const branches = await db.sequelize.query<{ id: string; name: string }>(
    'DELETE FROM branches RETURNING id, name',
    { transaction, type: QueryTypes.SELECT },
  );
  return async () => {
    if (!me) return;
    const same = await PersonRow.findOne({ where: { signIn: me.signIn }, transaction });
    if (same) {
      await sql('UPDATE people SET password_hash = $2 WHERE id = $1', [same.id, me.passwordHash]);
      await sql(
        `UPDATE session SET sess = (sess::jsonb || jsonb_build_object('personId', $2::text))::json WHERE sess->>'personId' = $1`,
        [me.id, same.id],
      );
      return;
    }
    for (const { id, name } of branches.filter((b) => b.name === me.branch))
      await sql(
        'INSERT INTO branches (id, name) SELECT $1, $2 WHERE NOT EXISTS (SELECT 1 FROM branches WHERE name = $2)',
        [id, name],
      );
    await PersonRow.create({ ...me.get() }, { transaction });
  };
}
