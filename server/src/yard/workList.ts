import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import type { Decision, WorkAsked, WorkList, WorkState } from '@green-tally/core/contracts';
import type { Database } from '../db';
import { cursorAt, placeAt } from '../paging';
import { besidesOf, freshen, type Looking, type Now } from '../standings/fresh';

/** Lines of a branch's machines, the machine whose harvest is nearest first, each in its own order. */
const LINES = `
  SELECT json_build_object('id', m.id, 'serial', m.serial, 'model', m.model, 'customer', m.customer, 'branch', m.branch) AS machine,
    m.harvest->>'start' AS harvest, w.line, w.state, w.decision,
    ARRAY[m.harvest->>'start', m.serial, m.id::text, to_char(w.n, 'FM00000')] COLLATE "C" AS place
  FROM work_lines w JOIN machines m ON m.id = w.machine_id
  WHERE ($1::text IS NULL OR m.branch = $1)
    AND ($2::text IS NULL OR w.state = $2)
    AND ($3::text IS NULL OR w.decision = $3)
    AND ($4::text IS NULL OR w.line->'work'->'parts' @> jsonb_build_array(jsonb_build_object('number', $4::text)))
    AND ($5::text IS NULL OR strpos(lower(concat_ws(' ', m.serial, m.model, m.customer, w.line->>'component')), $5) > 0)`;

type Choice = Partial<Pick<WorkAsked, 'state' | 'decision' | 'part' | 'q'>>;

const wantedOf = (branch: string | undefined, { state, decision, part, q }: Choice): unknown[] => [
  branch ?? null,
  state ?? null,
  decision ?? null,
  part ?? null,
  q?.trim().toLowerCase() || null,
];

type Row = WorkList['rows'][number] & { readonly place: readonly string[] };

/**
 * A page of the work of a branch (all branches when undefined). Its first page also counts all lines.
 * @throws Invalid for a cursor that is none
 */
export async function workListOf(looking: Looking, asked: WorkAsked): Promise<WorkList> {
  const { db, branch, today } = looking;
  const now = await freshen(looking);
  const place = asked.cursor === undefined ? null : placeAt(asked.cursor, Place, 'the work');
  const rows = await db.sequelize.query<Row>(
    `SELECT machine, harvest, line, place FROM (${LINES}) l WHERE $6::text[] IS NULL OR place > $6
     ORDER BY place LIMIT $7`,
    { bind: [...wantedOf(branch, asked), place, asked.limit + 1], type: QueryTypes.SELECT },
  );
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

const Place = z.array(z.string().max(200)).length(4);

/** So many parts are offered to choose by. */
const PARTS_SHOWN = 40;

async function togetherOf(
  db: Database,
  branch: string | undefined,
  now: Now,
  asked: WorkAsked,
): Promise<NonNullable<WorkList['all']>> {
  const counts = await db.sequelize.query<{ state: WorkState; decision: Decision; lines: number }>(
    `SELECT state, decision, count(*)::int AS lines FROM (${LINES}) l GROUP BY 1, 2`,
    { bind: wantedOf(branch, {}), type: QueryTypes.SELECT },
  );
  const parts = await db.sequelize.query<NonNullable<WorkList['all']>['parts'][number]>(
    `SELECT p->>'number' AS number, min(p->>'name') AS name, count(*)::int AS lines,
       sum((p->>'quantity')::int)::int AS quantity
     FROM (${LINES}) l, jsonb_array_elements(l.line->'work'->'parts') p
     GROUP BY 1 ORDER BY 3 DESC, 1 LIMIT ${PARTS_SHOWN}`,
    { bind: wantedOf(branch, { state: asked.state }), type: QueryTypes.SELECT },
  );
  const [wanted] = await db.sequelize.query<{ lines: number }>(
    `SELECT count(*)::int AS lines FROM (${LINES}) l`,
    { bind: wantedOf(branch, asked), type: QueryTypes.SELECT },
  );
  const states: Partial<Record<WorkState, number>> = {};
  const decisions: Partial<Record<Decision, number>> = {};
  for (const { state, decision, lines } of counts) {
    states[state] = (states[state] ?? 0) + lines;
    if (state === asked.state) decisions[decision] = (decisions[decision] ?? 0) + lines;
  }
  return {
    states,
    decisions,
    parts,
    wanted: wanted?.lines ?? 0,
    ...(await besidesOf(db, branch, now)),
  };
}
