import { QueryTypes } from 'sequelize';
import type {
  Breakdown,
  BreakdownSaid,
  ClosedForecast,
  ForecastPage,
  Person,
} from '@green-tally/core/contracts';
import { scoreOf } from '@green-tally/core/insight';
import { BreakdownRow, MachineRow, type Database } from '../db';
import { invalidField, NotFound } from '../errors';
import { machineToChange } from '../machines/machines';

const toBreakdown = (row: BreakdownRow): Breakdown => ({
  id: row.id,
  machineId: row.machineId,
  at: row.at.toISOString(),
  hours: row.hours,
  checkId: row.checkId ?? null,
  component: row.component,
  kind: row.kind,
  hoursLost: row.hoursLost ?? null,
  note: row.note,
  by: row.by,
});

/**
 * Keeps a breakdown; one that is there already is left as it is.
 * @throws NotFound, Forbidden; Invalid for one that is still to come, or before the machine was built
 */
export async function keepBreakdown(
  db: Database,
  breakdown: Breakdown,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<Breakdown> {
  const machine = await machineToChange(breakdown.machineId, person);
  const at = new Date(breakdown.at);
  if (at.getTime() > now.getTime() + A_DAY_MS)
    throw invalidField('at', 'That is still to come.', 'now or earlier');
  if (breakdown.at.slice(0, 10) < machine.builtOn)
    throw invalidField(
      'at',
      `${machine.serial} was not built then.`,
      `${machine.builtOn} or later`,
    );
  await db.transaction(async (transaction) => {
    const there = await BreakdownRow.findByPk(breakdown.id, { transaction });
    if (there && there.machineId !== breakdown.machineId)
      throw new NotFound('breakdown on this machine');
    if (there) return;
    await BreakdownRow.create({ ...breakdown, at, by: person.name }, { transaction });
    // what it teaches is learnt anew with the next day
    await db.sequelize.query('UPDATE machine_lives SET version = -1 WHERE machine_id = $1', {
      bind: [breakdown.machineId],
      transaction,
    });
  });
  return toBreakdown(await BreakdownRow.findByPk(breakdown.id, { rejectOnEmpty: true }));
}

const A_DAY_MS = 86_400_000;

/** Breakdowns of a machine, newest first. */
export async function breakdownsOf(machineId: string): Promise<Breakdown[]> {
  const rows = await BreakdownRow.findAll({ where: { machineId }, order: [['at', 'DESC']] });
  return rows.map(toBreakdown);
}

/** From so much on the forecast had said that it may come. */
const WATCHED = 0.05;
const SHOWN = 100;

/** Whether the forecasts of a branch (of all when undefined) were right. */
export async function forecastPage(
  db: Database,
  branch: string | undefined,
): Promise<ForecastPage> {
  const rows = await db.sequelize.query<{ id: string; forecasts: ClosedForecast[] }>(
    `SELECT l.machine_id AS id, l.forecasts FROM machine_lives l JOIN machines m ON m.id = l.machine_id
     WHERE $1::text IS NULL OR m.branch = $1`,
    { bind: [branch ?? null], type: QueryTypes.SELECT },
  );
  const all = rows.flatMap((r) => r.forecasts);
  const byKind = new Map<string, ClosedForecast[]>();
  for (const f of all) byKind.set(f.kind, [...(byKind.get(f.kind) ?? []), f]);
  const breakdowns = await saidOf(branch, new Map(rows.map((r) => [r.id, r.forecasts])));
  return {
    branch: branch ?? 'All branches',
    all: scoreOf(all),
    watched: scoreOf(all.filter((f) => f.chance >= WATCHED)),
    kinds: [...byKind]
      .map(([kind, own]) => ({ kind, score: scoreOf(own) }))
      .sort((a, b) => b.score.n - a.score.n || (a.kind < b.kind ? -1 : 1)),
    breakdowns: breakdowns.slice(0, SHOWN),
    hoursLost: breakdowns.reduce((sum, b) => sum + (b.hoursLost ?? 0), 0),
  };
}

async function saidOf(
  branch: string | undefined,
  forecasts: ReadonlyMap<string, readonly ClosedForecast[]>,
): Promise<BreakdownSaid[]> {
  const machines = new Map(
    (await MachineRow.findAll({ where: branch ? { branch } : {} })).map((m) => [m.id, m]),
  );
  const rows = await BreakdownRow.findAll({
    where: { machineId: [...machines.keys()] },
    order: [['at', 'DESC']],
  });
  return rows.flatMap((row): BreakdownSaid[] => {
    const machine = machines.get(row.machineId);
    if (!machine) return [];
    const { serial, model, customer } = machine;
    const breakdown = toBreakdown(row);
    const year = breakdown.at.slice(0, 4);
    const said = (forecasts.get(machine.id) ?? [])
      .filter((f) => f.checkId === row.checkId && f.season.startsWith(year))
      .map((f) => f.chance);
    return [
      { ...breakdown, serial, model, customer, chance: said.length ? Math.max(...said) : null },
    ];
  });
}
