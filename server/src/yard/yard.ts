import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import type { Yard, YardAsked, YardRow } from '@green-tally/core/contracts';
import { MachineRow, toMachine, type Database } from '../db';
import { cursorAt, placeAt, unknownCursor } from '../paging';
import {
  isBehind,
  JUDGED_INLINE,
  judgeSome,
  nowOf,
  type Looking,
  type Now,
} from '../standings/fresh';
import type { StandingRow } from '../standings/judge';

/** A row of the joined tables. */
interface Joined {
  readonly id: string;
  readonly key: string | number;
  readonly serial: string;
  readonly row: StandingRow | null;
  readonly trouble: string | null;
  readonly behind: boolean;
  readonly chance: number | null;
  readonly awaits: number;
}

/** By what the Yard is put in order, as SQL: one key a machine, of a type that sorts as it should. */
const ORDERS: Readonly<Record<YardAsked['order'], string>> = {
  slack: 's.slack',
  serial: `'' COLLATE "C"`,
  customer: 'lower(m.customer) COLLATE "C"',
  harvest: `m.harvest->>'start' COLLATE "C"`,
};

/** One that was never judged stands first, with those that cannot be. */
const UNJUDGED = -32_768;

/** The first steps that wait for a planner. */
const WAITS = ['acceptSkips', 'acceptWork', 'planVisit', 'visitLate', 'trouble'];

/**
 * A page of the Yard of a branch (all branches when undefined) on a day: every machine's standing as
 * it was kept, in the order asked for. Its first page also tells of all machines that are asked for
 * together. A standing older than its facts says so.
 * @throws Invalid for a cursor that is none
 */
export async function yardOf(looking: Looking, asked: YardAsked): Promise<Yard> {
  const { db, branch, today } = looking;
  const now = await nowOf(looking);
  const all = asked.cursor === undefined ? await allOf(looking, now) : undefined;
  if (!all) await judgeSome(looking, now);
  const rows = await pageOfYard(db, looking, { now, asked, unjudged: all?.unjudged !== 0 });
  const shown = rows.slice(0, asked.limit);
  const last = shown.at(-1);
  const byId = new Map(
    (await MachineRow.findAll({ where: { id: shown.map((r) => r.id) } })).map((m) => [
      m.id,
      toMachine(m),
    ]),
  );
  return {
    today,
    branch: branch ?? 'All branches',
    rows: shown.flatMap(({ id, row, behind, chance, awaits }): YardRow[] => {
      const machine = byId.get(id);
      return machine && row ? [{ ...row, machine, behind, chance, awaits }] : [];
    }),
    apart: shown.flatMap(({ id, row, trouble }) => {
      const machine = byId.get(id);
      return machine && !row ? [{ machine, trouble }] : [];
    }),
    next: rows.length > asked.limit && last ? cursorAt([String(last.key), last.serial]) : null,
    all: all ? { ...all.together, wanted: await wantedOf(db, branch) } : null,
  };
}

const Place = z.tuple([z.string(), z.string()]);

interface Paging {
  readonly now: Now;
  readonly asked: YardAsked;
  /** whether there may be machines without a standing */
  readonly unjudged: boolean;
}

/**
 * Where a page is read from and its key. By slack, which is what is mostly asked for, the standings
 * are read in their own order and no further than the page goes.
 */
function readFrom(
  order: YardAsked['order'],
  unjudged: boolean,
): { readonly from: string; readonly by: string; readonly type: 'int' | 'text' } {
  const from = 'machines m LEFT JOIN machine_standings s ON s.machine_id = m.id';
  if (order !== 'slack') return { from, by: ORDERS[order], type: 'text' };
  return unjudged
    ? { from, by: `COALESCE(s.slack, ${UNJUDGED})`, type: 'int' }
    : {
        from: 'machine_standings s JOIN machines m ON m.id = s.machine_id',
        by: ORDERS.slack,
        type: 'int',
      };
}

/** The place that a cursor stands for; that in the order of slack begins with a whole number. */
function placeOf({ cursor, order }: YardAsked): z.infer<typeof Place> | [null, null] {
  if (cursor === undefined) return [null, null];
  const place = placeAt(cursor, Place, 'machines');
  if (order === 'slack' && !/^-?\d{1,9}$/.test(place[0])) throw unknownCursor(cursor, 'machines');
  return place;
}

async function pageOfYard(
  db: Database,
  { branch }: Looking,
  { now: { today, rates }, asked, unjudged }: Paging,
): Promise<Joined[]> {
  const { q, order, walk, waits, crop, late, parts, lacks, limit } = asked;
  const [key, serial] = placeOf(asked);
  const { from, by, type } = readFrom(order, unjudged);
  return db.sequelize.query<Joined>(
    `SELECT m.id, m.serial, ${by} AS key, ${isBehind('$2', '$3')} AS behind, s.row, s.trouble,
       c.chance, COALESCE(c.awaits, 0) AS awaits
     FROM ${from} LEFT JOIN machine_chances c ON c.machine_id = m.id
     WHERE ($1::text IS NULL OR m.branch = $1)
       AND ($4::text IS NULL OR strpos(lower(concat_ws(E'\\n', m.serial, m.model, m.customer, m.harvest->>'crop')), $4) > 0)
       AND ($5::text IS NULL OR s.walk = $5)
       AND ($6::text[] IS NULL OR s.next = ANY($6))
       AND ($10::text IS NULL OR m.harvest->>'crop' = $10)
       AND ($11::boolean IS NULL OR s.late)
       AND ($12::boolean IS NULL OR c.awaits > 0)
       AND ($13::text IS NULL OR s.row->'missing' @> jsonb_build_array(jsonb_build_object('id', $13::text)))
       AND ($7::text IS NULL OR (${by}, m.serial COLLATE "C") > ($7::${type}, $8))
     ORDER BY ${by}, m.serial COLLATE "C" LIMIT $9`,
    {
      bind: [
        branch ?? null,
        today,
        rates,
        q?.trim().toLowerCase() || null,
        walk ?? null,
        waits === 'yes' ? WAITS : null,
        key,
        serial,
        limit + 1,
        crop ?? null,
        late === 'yes' ? true : null,
        parts === 'yes' ? true : null,
        lacks ?? null,
      ],
      type: QueryTypes.SELECT,
    },
  );
}

type All = NonNullable<Yard['all']>;

/** Machines that are alike in what is told of all together. */
interface Alike {
  readonly crop: string;
  readonly start: string;
  readonly end: string;
  readonly walk: StandingRow['walk'] | null;
  readonly ready: boolean | null;
  readonly late: boolean | null;
  readonly starts: string | null;
  readonly behind: boolean;
  /** without a standing of whatever day */
  readonly unjudged: boolean;
  readonly machines: number;
  /** some of them that are behind */
  readonly ids: readonly string[] | null;
}

interface Together {
  readonly together: Omit<All, 'wanted'>;
  /** some of those behind */
  readonly behind: readonly string[];
  readonly unjudged: number;
}

/** What is told of all machines, after a few of those long behind have been judged. */
async function allOf(looking: Looking, now: Now): Promise<Together> {
  const all = await togetherOf(looking, now);
  const judged = all.behind.length ? await judgeSome(looking, now, all.behind) : 0;
  return judged ? togetherOf(looking, now) : all;
}

/** What is told of all machines together, whatever page is shown. Looks at each once. */
async function togetherOf({ db, branch }: Looking, { today, rates }: Now): Promise<Together> {
  const [all] = await db.sequelize.query<{ groups: Alike[] | null }>(
    `SELECT json_agg(g) AS groups FROM (SELECT m.harvest->>'crop' AS crop, s.walk, s.next = 'ready' AS ready, s.late,
       s.must_start::text AS starts, ${isBehind('$2', '$3')} AS behind, s.slack IS NULL AS unjudged,
       count(*)::int AS machines,
       (array_agg(m.id) FILTER (WHERE ${isBehind('$2', '$3')}))[1:${JUDGED_INLINE + 1}] AS ids,
       min(m.harvest->>'start') AS start, max(m.harvest->>'end') AS end
     FROM machines m LEFT JOIN machine_standings s ON s.machine_id = m.id
     WHERE $1::text IS NULL OR m.branch = $1
     GROUP BY 1, 2, 3, 4, s.must_start, 6, 7) g`,
    { bind: [branch ?? null, today, rates], type: QueryTypes.SELECT },
  );
  const groups = all?.groups ?? [];
  const count = (of: (group: Alike) => boolean) =>
    groups.reduce((sum, g) => sum + (of(g) ? g.machines : 0), 0);
  return {
    together: {
      machines: count(() => true),
      unwalked: count((g) => g.walk === 'none'),
      late: count((g) => g.late === true),
      ready: count((g) => g.ready === true && !g.behind),
      behind: count((g) => g.behind),
      crops: cropsOf(groups),
      starts: startsOf(groups),
    },
    behind: groups.flatMap((g) => g.ids ?? []),
    unjudged: count((g) => g.unjudged),
  };
}

/** When each crop is harvested, earliest first. */
function cropsOf(groups: readonly Alike[]): All['crops'] {
  const crops = new Map<string, All['crops'][number]>();
  for (const { crop, start, end } of groups) {
    const known = crops.get(crop);
    crops.set(crop, {
      crop,
      start: known && known.start < start ? known.start : start,
      end: known && known.end > end ? known.end : end,
    });
  }
  return [...crops.values()].sort((a, b) => before(a.start, b.start) || before(a.crop, b.crop));
}

/** How many machines must start by which day, late ones apart. */
function startsOf(groups: readonly Alike[]): All['starts'] {
  const days = new Map<string, All['starts'][number]>();
  for (const { starts: on, late, machines } of groups) {
    if (on === null) continue;
    const key = `${on} ${String(late)}`;
    days.set(key, { on, late: late === true, machines: machines + (days.get(key)?.machines ?? 0) });
  }
  return [...days.values()].sort((a, b) => before(a.on, b.on) || Number(a.late) - Number(b.late));
}

const before = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The walk that is wanted most: of the machine with least slack that lacks one. */
async function wantedOf(db: Database, branch: string | undefined): Promise<All['wanted']> {
  const [wanted] = await db.sequelize.query<NonNullable<All['wanted']>>(
    `SELECT m.id, m.serial, s.next AS step
     FROM machine_standings s JOIN machines m ON m.id = s.machine_id
     WHERE s.next IN ('startWalk', 'resumeWalk') AND ($1::text IS NULL OR m.branch = $1)
     ORDER BY s.slack, m.serial COLLATE "C" LIMIT 1`,
    { bind: [branch ?? null], type: QueryTypes.SELECT },
  );
  return wanted ?? null;
}
