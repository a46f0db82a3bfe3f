import { QueryTypes } from 'sequelize';
import { fleetRates, type Database } from '../db';
import { judge } from './judge';

/** So many machines that are behind are judged by the one who asks; more are the workers' to do. */
export const JUDGED_INLINE = 6;

/** What is looked at: the machines of a branch, or all when undefined, on a day. */
export interface Looking {
  readonly db: Database;
  readonly branch: string | undefined;
  readonly today: string;
  /** ms that a machine may be behind before the one who asks judges it */
  readonly patience: number;
}

/** What a standing has to be of to be the newest there can be. */
export interface Now {
  readonly today: string;
  /** of the fleet's rates */
  readonly rates: number;
}

/**
 * SQL for whether the standing `s` of the machine `m` is older than its facts, than the day or than
 * the rates, or is not there. @param day, rates placeholders: "$2"
 */
export const isBehind = (day: string, rates: string): string =>
  `(s.version IS DISTINCT FROM m.version OR s.day <> ${day} OR s.rates <> ${rates})`;

/** How many that are behind are wanted, and of which. */
interface Wanted {
  readonly most: number;
  readonly patience?: number;
  /** of these alone */
  readonly among?: readonly string[] | undefined;
}

/**
 * Machines of a branch (all when undefined) whose standing is older than their facts, than today or
 * than the rates, or that have none; at most `most` of them.
 * @param patience ms that what was just written to is left to the workers
 */
export async function behindOf(
  db: Database,
  branch: string | undefined,
  { today, rates }: Now,
  { most, patience = 0, among }: Wanted,
): Promise<string[]> {
  const rows = await db.sequelize.query<{ id: string }>(
    `SELECT m.id FROM machines m LEFT JOIN machine_standings s ON s.machine_id = m.id
     WHERE ($1::text IS NULL OR m.branch = $1) AND ($6::uuid[] IS NULL OR m.id = ANY($6))
       AND ${isBehind('$2', '$3')}
       AND ($5 = 0 OR NOT EXISTS (SELECT 1 FROM machine_writes w WHERE w.machine_id = m.id
         AND w.version = m.version AND w.at > now() - $5 * interval '1 ms'))
     LIMIT $4`,
    {
      bind: [branch ?? null, today, rates, most, patience, among ?? null],
      type: QueryTypes.SELECT,
    },
  );
  return rows.map((r) => r.id);
}

/**
 * Brings standings up to date before a list of them is read. Workers judge what was written to, a
 * moment after it; until then the list tells such a machine as it stood, and that it is behind. What
 * has been behind for longer than `patience` is judged by the one who asks, a few at once: the list
 * gets there without workers too.
 */
export async function freshen(looking: Looking): Promise<Now> {
  const now = await nowOf(looking);
  await judgeSome(looking, now);
  return now;
}

/**
 * Machines of a branch whose standing is older than their facts, and those that have none: what a
 * list of lines says nothing new of.
 */
export async function besidesOf(
  db: Database,
  branch: string | undefined,
  { today, rates }: Now,
): Promise<{ behind: number; apart: number }> {
  const [machines] = await db.sequelize.query<{ behind: number; apart: number }>(
    `SELECT count(*) FILTER (WHERE s.row IS NOT NULL AND ${isBehind('$2', '$3')})::int AS behind,
       count(*) FILTER (WHERE s.row IS NULL)::int AS apart
     FROM machines m LEFT JOIN machine_standings s ON s.machine_id = m.id
     WHERE $1::text IS NULL OR m.branch = $1`,
    { bind: [branch ?? null, today, rates], type: QueryTypes.SELECT },
  );
  return machines ?? { behind: 0, apart: 0 };
}

/** What a standing has to be of on a day. */
export const nowOf = async ({ today }: Pick<Looking, 'today'>): Promise<Now> => ({
  today,
  rates: (await fleetRates()).id,
});

/**
 * Judges a few of those that have been behind for too long.
 * @param among those known to be behind; undefined: all are looked through
 * @returns how many
 */
export async function judgeSome(
  { db, branch, today, patience }: Looking,
  now: Now,
  among?: readonly string[],
): Promise<number> {
  const behind = await behindOf(db, branch, now, { most: JUDGED_INLINE + 1, patience, among });
  const here = behind.length > JUDGED_INLINE ? behind.slice(0, 1) : behind;
  for (const id of here) await judge(db, id, today);
  return here.length;
}

/** Judges a machine unless its standing is of its facts, of today and of the newest rates already. */
export async function judgeIfBehind(db: Database, id: string, today: string): Promise<boolean> {
  const { id: rates } = await fleetRates();
  const [row] = await db.sequelize.query<{ behind: boolean }>(
    `SELECT ${isBehind('$2', '$3')} AS behind
     FROM machines m LEFT JOIN machine_standings s ON s.machine_id = m.id WHERE m.id = $1`,
    { bind: [id, today, rates], type: QueryTypes.SELECT },
  );
  if (row?.behind) await judge(db, id, today);
  return row?.behind ?? false;
}
