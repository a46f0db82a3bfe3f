import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { DueLine, type DueAsked, type DueList, type DueState } from '@green-tally/core/contracts';
import { DUE_STATES } from '@green-tally/core/plan';
import type { Database } from '../db';
import { cursorAt, placeAt } from '../paging';
import { besidesOf, freshen, type Looking, type Now } from '../standings/fresh';

/** Rows of the list, joined; `key` is their place in its order. */
interface Joined {
  readonly machine: DueList['rows'][number]['machine'];
  readonly harvest: string;
  readonly line: DueLine;
  readonly place: readonly string[];
}

/** Lines of a branch's machines, in the list's order: how near, day, harvest, serial. */
const LINES = `
  SELECT json_build_object('id', m.id, 'serial', m.serial, 'model', m.model, 'customer', m.customer, 'branch', m.branch) AS machine,
    m.harvest->>'start' AS harvest, d.line, d.kind, d.state,
    ARRAY[d.state::text, d.day, m.harvest->>'start', m.serial, to_char(d.n, 'FM00000')] COLLATE "C" AS place
  FROM due_lines d JOIN machines m ON m.id = d.machine_id
  WHERE ($1::text IS NULL OR m.branch = $1)
    AND ($2::int[] IS NULL OR d.state = ANY($2))
    AND ($3::text IS NULL OR d.kind = $3)
    AND ($4::text IS NULL OR strpos(lower(concat_ws(' ', m.serial, m.model, m.customer, d.line->>'component', d.line->>'what')), $4) > 0)`;

const wantedOf = (
  branch: string | undefined,
  { states, kind, q }: Partial<DueAsked>,
): unknown[] => [
  branch ?? null,
  states ? states.map((s) => DUE_STATES.indexOf(s)) : null,
  kind ?? null,
  q?.trim().toLowerCase() || null,
];

/**
 * A page of what is due on the machines of a branch (all branches when undefined), nearest first.
 * Its first page also counts all lines. @throws Invalid for a cursor that is none
 */
export async function dueListOf(looking: Looking, asked: DueAsked): Promise<DueList> {
  const { db, branch, today } = looking;
  const now = await freshen(looking);
  const rows = await pageOfLines(db, branch, asked);
  const shown = rows.slice(0, asked.limit);
  const last = shown.at(-1);
  return {
    today,
    branch: branch ?? 'All branches',
    rows: shown.map(({ machine, harvest, line }) => ({ machine, harvest, line })),
    next: rows.length > asked.limit && last ? cursorAt(last.place) : null,
    all: asked.cursor === undefined ? await togetherOf(db, branch, now, asked) : null,
  };
}

function pageOfLines(db: Database, branch: string | undefined, asked: DueAsked): Promise<Joined[]> {
  const place = asked.cursor === undefined ? null : placeAt(asked.cursor, Place, 'what is due');
  return db.sequelize.query<Joined>(
    `SELECT * FROM (${LINES}) l WHERE $5::text[] IS NULL OR place > $5
     ORDER BY place LIMIT $6`,
    {
      bind: [...wantedOf(branch, asked), place, asked.limit + 1],
      type: QueryTypes.SELECT,
    },
  );
}

const Place = z.array(z.string().max(200)).length(5);

async function togetherOf(
  db: Database,
  branch: string | undefined,
  now: Now,
  asked: DueAsked,
): Promise<NonNullable<DueList['all']>> {
  const counts = await db.sequelize.query<{ state: number; kind: DueLine['kind']; lines: number }>(
    `SELECT state, kind, count(*)::int AS lines FROM (${LINES}) l GROUP BY 1, 2`,
    { bind: wantedOf(branch, {}), type: QueryTypes.SELECT },
  );
  const [wanted] = await db.sequelize.query<{ lines: number }>(
    `SELECT count(*)::int AS lines FROM (${LINES}) l`,
    { bind: wantedOf(branch, asked), type: QueryTypes.SELECT },
  );
  const states: Partial<Record<DueState, number>> = {};
  for (const { state, lines } of counts) {
    const name = DUE_STATES[state];
    if (name) states[name] = (states[name] ?? 0) + lines;
  }
  const kinds = new Set(counts.map((c) => c.kind));
  return {
    states,
    kinds: DueLine.shape.kind.options.filter((k) => kinds.has(k)),
    wanted: wanted?.lines ?? 0,
    ...(await besidesOf(db, branch, now)),
  };
}

/**
 * All lines of a branch, in the list's order, read through a cursor: never the whole list at once,
 * and all of one moment.
 */
export async function* linesOf(looking: Looking): AsyncGenerator<DueList['rows'][number]> {
  const { db, branch } = looking;
  await freshen(looking);
  const transaction = await db.sequelize.transaction();
  try {
    await db.sequelize.query(`DECLARE lines NO SCROLL CURSOR FOR ${LINES} ORDER BY place`, {
      bind: wantedOf(branch, {}),
      transaction,
    });
    for (;;) {
      const rows = await db.sequelize.query<Joined>('FETCH 1000 FROM lines', {
        type: QueryTypes.SELECT,
        transaction,
      });
      if (!rows.length) return;
      yield* rows;
    }
  } finally {
    await transaction.rollback();
  }
}
