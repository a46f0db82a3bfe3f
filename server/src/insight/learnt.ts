import { QueryTypes } from 'sequelize';
import type {
  ClassPage,
  InsightOf,
  InsightPage,
  WalkFound,
  WalksPage,
} from '@green-tally/core/contracts/insight';
import { choicesOf, type InsightMember } from '@green-tally/core/insight';
import type { Database } from '../db';
import { NotFound } from '../errors';
import { makeHere, type InsightTask, type MakeInsight } from './make';

/** Whose machines may be looked at, which of them are asked for, and where it is worked out. */
export interface InsightAsked {
  readonly db: Database;
  readonly make?: MakeInsight | undefined;
  /** all branches where nothing is said */
  readonly branch?: string;
  readonly of: InsightOf;
}

const SEEN = `($1::text IS NULL OR m.branch = $1)`;

/** What the machines that are asked for have taught, as it was learnt last: a machine each, as JSON. */
export async function taughtBy({ db, branch, of }: InsightAsked): Promise<string[]> {
  const rows = await db.sequelize.query<{ member: string }>(
    `SELECT jsonb_build_object('machine', jsonb_build_object('id', m.id, 'serial', m.serial, 'model', m.model,
         'crop', m.harvest->>'crop', 'customer', m.customer, 'branch', m.branch, 'hours', m.hours),
       'slopes', l.lives, 'hands', l.hands, 'jobs', l.jobs, 'forecasts', l.forecasts,
       'parts', l.taught->'parts', 'walks', l.taught->'walks', 'stops', l.taught->'stops')::text AS member
     FROM machines m JOIN machine_lives l ON l.machine_id = m.id
     WHERE ${SEEN} AND ($2::text IS NULL OR m.branch = $2) AND ($3::text IS NULL OR m.model = $3)
       AND ($4::text IS NULL OR m.harvest->>'crop' = $4) AND ($5::text IS NULL OR m.customer = $5)
     ORDER BY m.serial`,
    {
      bind: [branch ?? null, ...[of.branch, of.model, of.crop, of.customer].map((v) => v ?? null)],
      type: QueryTypes.SELECT,
    },
  );
  return rows.map((r) => r.member);
}

/** What wears out where over the machines that are asked for. */
export async function insightFor(asked: InsightAsked): Promise<InsightPage> {
  const { db, of, branch, make = makeHere } = asked;
  const seen = await db.sequelize.query<Omit<InsightMember['machine'], 'id'>>(
    `SELECT DISTINCT m.model, m.harvest->>'crop' AS crop, m.customer, m.branch FROM machines m WHERE ${SEEN}`,
    { bind: [branch ?? null], type: QueryTypes.SELECT },
  );
  const [learnt] = await db.sequelize.query<{ day: string | null }>(
    'SELECT max(day)::text AS day FROM fleet_rates',
    { type: QueryTypes.SELECT },
  );
  return make(
    {
      make: 'page',
      asked: { of, learntOn: learnt?.day ?? null, choices: choicesOf(seen) },
    },
    await taughtBy(asked),
  );
}

/** One component class. @throws NotFound where none of the machines knows it */
export async function classFor(asked: InsightAsked, key: string): Promise<ClassPage> {
  const { of, make = makeHere } = asked;
  const page = await make({ make: 'class', of, key }, await taughtBy(asked));
  if (!page) throw new NotFound('component class on these machines');
  return page;
}

/** Walks of a kind, those that found most in an hour first. */
export async function walksFor(asked: InsightAsked, kind: WalkFound['kind']): Promise<WalksPage> {
  const { of, make = makeHere } = asked;
  return make({ make: 'walks', of, kind }, await taughtBy(asked));
}

/** One of the tables as CSV. */
export async function tableFor(
  asked: InsightAsked,
  table: Pick<Extract<InsightTask, { make: 'table' }>, 'what' | 'key' | 'kind'>,
): Promise<string> {
  const { of, make = makeHere } = asked;
  return make({ make: 'table', of, ...table }, await taughtBy(asked));
}
