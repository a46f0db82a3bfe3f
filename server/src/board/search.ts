import { Op } from 'sequelize';
import type { BoardPage, Person, PlanSearch, PlanWish } from '@green-tally/core/contracts';
import { inBranch } from '@green-tally/core/rights';
import { InputError } from '@green-tally/core/units';
import { asIf, faresOf } from '@green-tally/core/board';
import { PlanSearchRow, tell, type Database } from '../db';
import { Conflict, Forbidden, Invalid, NotFound } from '../errors';
import { findPlan, type Found, type Progress } from './findPlan';
import { boardPage, type OfBranch } from './page';
import { Refused, type LookApart } from './thread';

const toSearch = (row: PlanSearchRow): PlanSearch => ({
  id: row.id,
  state: row.state,
  by: row.by,
  at: row.at.toISOString(),
  seen: row.seen,
  share: row.share,
  first: row.first ?? null,
  cost: row.cost ?? null,
  bound: row.bound ?? null,
  proven: row.proven,
  wish: row.wish,
  before: row.before ?? null,
  after: row.after ?? null,
  trouble: row.trouble ?? null,
});

/** So many searches of a branch run or wait at once. */
const AT_ONCE = 4;

/**
 * Begins to look for a plan; the same id once more is the search that was begun.
 * @throws Invalid for a what-if that cannot be; Conflict where too many run already
 */
export async function startSearch(
  looking: OfBranch,
  wish: PlanWish,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<PlanSearch> {
  const { db, branch } = looking;
  const there = await PlanSearchRow.findByPk(wish.id);
  if (there) return toSearch(theirs(there, person));
  const page = await boardPage(looking);
  try {
    asIf(page, wish.whatIf);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new Invalid('This cannot be asked', error.message, [
      { field: error.field, message: error.message },
    ]);
  }
  const unknown = wish.kept.findIndex((k) => !page.jobs.some((j) => j.id === k.id));
  if (unknown >= 0)
    throw new Conflict(
      'Changed meanwhile',
      'A visit of this plan is not there any more. Look at the board as it is now.',
      [{ field: `kept.${unknown}.id`, message: 'wanted a visit of the board' }],
    );
  const row = await db.transaction(async (transaction) => {
    const running = await PlanSearchRow.count({
      where: { branch, state: { [Op.in]: ['waiting', 'running'] } },
      transaction,
    });
    if (running >= AT_ONCE)
      throw new Conflict(
        'Others are looking',
        `${running} searches of ${branch} are under way. Wait for one to end, or stop one.`,
      );
    const made = await PlanSearchRow.create(
      {
        ...{ id: wish.id, branch, wish, by: person.name, at: now, seen: page.plan?.n ?? 0 },
        ...{ state: 'waiting', share: 0, proven: false },
      },
      { transaction },
    );
    await db.queue.add('search', [{ key: wish.id, data: { search: wish.id } }], transaction);
    return made;
  });
  return toSearch(row);
}

/** How far a search is. @throws NotFound, Forbidden */
export async function searchOf(id: string, person: Person): Promise<PlanSearch> {
  const row = await PlanSearchRow.findByPk(id);
  if (!row) throw new NotFound('search');
  return toSearch(theirs(row, person));
}

function theirs(row: PlanSearchRow, person: Person): PlanSearchRow {
  if (!inBranch(person, row.branch))
    throw new Forbidden('Another branch', `${row.branch} is not yours to plan.`);
  return row;
}

/** Stops a search: what it has found so far is kept. Once more does no harm. */
export async function stopSearch(db: Database, id: string, person: Person): Promise<PlanSearch> {
  await searchOf(id, person);
  await PlanSearchRow.update(
    { state: 'stopped' },
    { where: { id, state: { [Op.in]: ['waiting', 'running'] } } },
  );
  await told(db, id);
  return searchOf(id, person);
}

async function told(db: Database, id: string): Promise<void> {
  const row = await PlanSearchRow.findByPk(id, { attributes: ['branch', 'state'] });
  if (row) await tell(db, { what: 'search', id, branch: row.branch, version: 0 });
}

/** Looks here, in this very process; stopping is heard between steps only. */
export const here: LookApart = (asked, progress) => {
  let stopped = false;
  return {
    found: Promise.resolve().then(() =>
      findPlan(asked, { told: progress, stopped: () => stopped }),
    ),
    stop: () => {
      stopped = true;
    },
  };
};

/** What a worker looks for plans with. */
export interface Seeker {
  readonly db: Database;
  readonly today: string;
  readonly look: LookApart;
}

/**
 * Runs a search to its end. One that was begun by a worker that is gone is begun anew; nothing is
 * published by it.
 */
export async function runSearch({ db, today, look }: Seeker, id: string): Promise<void> {
  const row = await PlanSearchRow.findByPk(id);
  if (!row || (row.state !== 'waiting' && row.state !== 'running')) return;
  await row.update({ state: 'running', share: 0 });
  await told(db, id);
  const { branch, wish } = row;
  try {
    const page = await boardPage({ db, branch, today, patience: 0 });
    let noting = false;
    const looked = look({ page, wish }, (progress) => {
      // one at a time, and what could not be noted is said with the next: the search goes on meanwhile
      if (noting) return;
      noting = true;
      noted(db, id, progress, looked.stop)
        .catch(() => undefined)
        .finally(() => (noting = false));
    });
    await ended(db, id, await looked.found);
  } catch (error) {
    const refused = error instanceof InputError || error instanceof Refused;
    await PlanSearchRow.update(
      {
        state: 'failed',
        trouble: refused ? error.message : 'The search broke down. Try it once more.',
      },
      { where: { id } },
    );
    await told(db, id);
    if (!refused) throw error;
  }
}

/** Keeps how far it is; one that was stopped meanwhile is told so. */
async function noted(db: Database, id: string, at: Progress, stop: () => void): Promise<void> {
  const { share, first, cost, bound } = at;
  const [running] = await PlanSearchRow.update(
    { share, first, cost, bound },
    { where: { id, state: 'running' } },
  );
  if (!running) stop();
  else await told(db, id);
}

async function ended(db: Database, id: string, found: Found): Promise<void> {
  const { first, cost, bound, proven, before, after } = found;
  const values = { share: 1, first, cost, bound, proven, before, after };
  const [done] = await PlanSearchRow.update(
    { ...values, state: 'done' },
    { where: { id, state: 'running' } },
  );
  // stopped: what was found until then
  if (!done) await PlanSearchRow.update(values, { where: { id, state: 'stopped' } });
  await told(db, id);
}

/** How many parts a machine's accepted work waits for. */
const awaitedOn = ({ jobs }: BoardPage, id: string): number =>
  new Set(jobs.flatMap((j) => (j.machine.id === id ? j.awaited.map((p) => p.number) : []))).size;

/** Works out anew how likely the machines of a branch are ready by the plan that is published. */
export async function keepChances(looking: OfBranch): Promise<void> {
  const { db, branch } = looking;
  const page = await boardPage(looking);
  const { ready } = faresOf(page, new Map());
  await db.transaction(async (transaction) => {
    await db.sequelize.query(
      `DELETE FROM machine_chances c USING machines m WHERE m.id = c.machine_id AND m.branch = $1`,
      { bind: [branch], transaction },
    );
    await db.sequelize.query(
      `INSERT INTO machine_chances (machine_id, chance, awaits)
       SELECT id, chance, awaits FROM jsonb_to_recordset($1)
         AS x (id uuid, chance double precision, awaits int)`,
      {
        bind: [
          JSON.stringify(
            ready.map(({ machineId: id, chance }) => ({ id, chance, awaits: awaitedOn(page, id) })),
          ),
        ],
        transaction,
      },
    );
    await tell(db, { what: 'board', id: null, branch, version: 0 }, transaction);
  });
}
