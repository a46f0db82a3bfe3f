import { QueryTypes } from 'sequelize';
import { ROUTES } from '@green-tally/core/api';
import type { AuditAsked, AuditPage } from '@green-tally/core/contracts/staff';
import type { Database } from '../db';
import { pageOfRows, unknownCursor } from '../paging';

interface Kept {
  readonly id: string;
  readonly at: Date;
  readonly by: string;
  readonly what: string;
  readonly subject: string;
  readonly detail: string;
}

/** Who changed what, newest first. */
export async function auditPage(db: Database, asked: AuditAsked): Promise<AuditPage> {
  const { by, from, to, cursor, limit } = asked;
  if (cursor !== undefined && !/^\d{1,18}$/.test(cursor))
    throw unknownCursor(cursor, 'what was changed');
  const rows = await db.sequelize.query<Kept>(
    `SELECT id::text, at, by, what, subject, detail FROM audit
     WHERE ($1::text IS NULL OR by ILIKE '%' || $1 || '%') AND ($2::date IS NULL OR at >= $2::date)
       AND ($3::date IS NULL OR at < $3::date + 1) AND ($4::bigint IS NULL OR id < $4::bigint)
     ORDER BY audit.id DESC LIMIT $5`,
    {
      bind: [by ?? null, from ?? null, to ?? null, cursor ?? null, limit + 1],
      type: QueryTypes.SELECT,
    },
  );
  const { items, next } = pageOfRows(rows, limit, (r) => r.id);
  return {
    entries: items.map(({ at, what, ...entry }) => ({
      ...entry,
      at: at.toISOString(),
      what: inWords(what),
    })),
    next,
  };
}

/** A route of the table says what it does; whatever else is kept is in words already. */
const inWords = (what: string): string => {
  const summary = Object.entries(ROUTES).find(([id]) => id === what)?.[1].summary ?? what;
  return summary;
};
