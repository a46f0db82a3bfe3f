import { QueryTypes } from 'sequelize';
import {
  handsOf,
  handsTogether,
  ratesOf,
  slopesOf,
  type HandsByClass,
  type LifeSlope,
} from '@green-tally/core/fleet';
import { checksFor } from '@green-tally/core/walk';
import { jobsOf, timesOf, type Job } from '@green-tally/core/work';
import type { ClosedForecast } from '@green-tally/core/contracts';
import { closedForecasts, taughtOf, type Taught } from '@green-tally/core/insight';
import {
  BreakdownRow,
  fleetRates,
  machineWithSheets,
  planMoved,
  readingsOf,
  toWalk,
  toWork,
  WalkRow,
  WorkRow,
  type Database,
} from '../db';
import { behindOf } from './fresh';

/**
 * What begins a day: the fleet's rates are learnt from all lives on record, once a day whoever
 * asks, and every machine whose standing is not of today is put in to be judged. Safe to run again.
 * @returns how many machines are to be judged
 */
export async function beginDay(db: Database, today: string): Promise<number> {
  await learn(db, today);
  const { id: rates } = await fleetRates();
  const behind = await behindOf(db, undefined, { today, rates }, { most: MANY });
  await db.transaction(async (transaction) => {
    await db.queue.add(
      'judge',
      behind.map((id) => ({ key: id, data: { machine: id } })),
      transaction,
    );
    // what should have come yesterday has not: the plan is another day nearer to harvest
    await planMoved(db, 'all', transaction);
  });
  return behind.length;
}

const MANY = 1_000_000;

/** Learns how fast each class wears, if that has not been done today. */
export async function learn(db: Database, today: string): Promise<void> {
  const [done] = await db.sequelize.query('SELECT 1 FROM fleet_rates WHERE day >= $1', {
    bind: [today],
    type: QueryTypes.SELECT,
  });
  if (done) return;
  await readLives(db, today);
  const rows = await db.sequelize.query<{ branch: string } & Omit<Lived, 'forecasts' | 'taught'>>(
    'SELECT m.branch, l.lives, l.hands, l.jobs FROM machine_lives l JOIN machines m ON m.id = l.machine_id ORDER BY m.id',
    { type: QueryTypes.SELECT },
  );
  const members = rows.map(({ branch, lives }) => ({ branch, slopes: lives }));
  const branches = ['', ...new Set(rows.map((r) => r.branch))];
  const rates = Object.fromEntries(branches.map((b) => [b, ratesOf(members, b)]));
  const times = Object.fromEntries(
    branches.map((b) => [b, timesOf(rows.flatMap((r) => (b && r.branch !== b ? [] : r.jobs)))]),
  );
  await db.sequelize.query(
    'INSERT INTO fleet_rates (day, rates, hands, times) VALUES ($1, $2, $3, $4) ON CONFLICT (day) DO NOTHING',
    {
      bind: [
        today,
        JSON.stringify(rates),
        JSON.stringify(handsTogether(rows.map((r) => r.hands))),
        JSON.stringify(times),
      ],
    },
  );
}

/** Looks through the lives of machines that were written to since they were looked through last. */
async function readLives(db: Database, today: string): Promise<void> {
  const changed = await db.sequelize.query<{ id: string; version: number }>(
    `SELECT m.id, m.version FROM machines m LEFT JOIN machine_lives l ON l.machine_id = m.id
     WHERE l.version IS DISTINCT FROM m.version`,
    { type: QueryTypes.SELECT },
  );
  for (const { id, version } of changed) {
    const { lives, hands, jobs, forecasts, taught } = await livesOf(id, today);
    const parts = [lives, hands, jobs, forecasts, taught].map((part) => JSON.stringify(part));
    await db.sequelize.query(
      `INSERT INTO machine_lives (machine_id, version, lives, hands, jobs, forecasts, taught) VALUES ($1, $2, $3, $4, $5, $6, $7)
       ON CONFLICT (machine_id) DO UPDATE SET version = $2, lives = $3, hands = $4, jobs = $5, forecasts = $6, taught = $7`,
      { bind: [id, version, ...parts] },
    );
  }
}

/** What one machine teaches: how its parts wore, and how often a hand was needed. */
interface Lived {
  readonly lives: LifeSlope[];
  readonly hands: HandsByClass;
  readonly jobs: readonly Job[];
  /** forecasts that have come out */
  readonly forecasts: readonly ClosedForecast[];
  /** lives of parts, what walks found, what stopped it */
  readonly taught: Taught;
}
const NOTHING: Lived = {
  ...{ lives: [], hands: {}, jobs: [], forecasts: [] },
  taught: { parts: [], walks: [], stops: [] },
};

/** Of one machine; nothing where its facts cannot be read, which its standing tells. */
async function livesOf(id: string, today: string): Promise<Lived> {
  const found = await machineWithSheets(id);
  if (!found) return NOTHING;
  const { machine, sheets } = found;
  const readings = await readingsOf(id);
  const work = (await WorkRow.findAll({ where: { machineId: id }, raw: true })).map(toWork);
  try {
    const checks = checksFor(machine, sheets);
    const lives = slopesOf(checks, readings, {
      serial: machine.header?.serial,
      since: machine.header?.since,
    });
    const walks = (await WalkRow.findAll({ where: { machineId: id } })).map(toWalk);
    const breakdowns = (await BreakdownRow.findAll({ where: { machineId: id } })).map((b) => ({
      ...{ id: b.id, checkId: b.checkId ?? null, component: b.component },
      ...{ hoursLost: b.hoursLost ?? null, at: b.at.toISOString() },
    }));
    return {
      lives,
      hands: handsOf(checks, readings),
      jobs: jobsOf(checks, work),
      forecasts: closedForecasts({ machine, checks, readings, breakdowns }, today),
      taught: taughtOf({ machine, checks, readings, walks, breakdowns }),
    };
  } catch {
    return NOTHING;
  }
}
