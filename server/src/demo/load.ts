import { DEMO_DAY, DEMO_PASSWORD, scenario, type Scenario } from '@green-tally/demo';
import {
  BranchRow,
  CostsRow,
  CustomerRow,
  HeaderRow,
  holdLock,
  insertReadings,
  MachineRow,
  machinesChanged,
  PersonRow,
  OrderRow,
  PriceRow,
  StockRow,
  SupplierRow,
  SettingRow,
  SheetRow,
  TickRow,
  VisitRow,
  BoardSettingRow,
  BreakdownRow,
  TechnicianHoursRow,
  WalkRow,
  WorkRow,
  type Database,
} from '../db';
import { hashPassword } from '../people/passwords';
import { judge } from '../standings/judge';
import { learn } from '../standings/newDay';

/** The day of a demo that is loaded already. */
const statedDay = async (): Promise<string | undefined> =>
  (await SettingRow.findByPk('statedDay'))?.value;

/**
 * Loads the invented dealership into an empty database; leaves one that has people alone. Returns
 * the demo's stated day.
 * @param made how the dealership is worked out, where it is needed
 */
export async function loadDemo(db: Database, made: () => Scenario = scenario): Promise<string> {
  const there = await statedDay();
  if (there) return there;
  const demo = await db.transaction(async (transaction) => {
    // of several that start at once one works it out and loads it, the others find it done
    await holdLock(db.sequelize, 'demo', transaction);
    if (await PersonRow.count({ transaction })) return undefined;
    const demo = made();
    const passwordHash = await hashPassword(DEMO_PASSWORD);
    await BranchRow.bulkCreate(
      demo.branches.map((name, i) => ({ id: `0197a000-0000-7000-8000-00000000000${i + 1}`, name })),
      { transaction },
    );
    await PersonRow.bulkCreate(
      demo.people.map((p) => ({ ...p, passwordHash })),
      { transaction },
    );
    await MachineRow.bulkCreate(
      demo.machines.map((m) => ({ ...m })),
      { transaction },
    );
    await CustomerRow.bulkCreate(
      demo.customers.map(({ spot, ...c }) => ({ ...c, x: spot?.x ?? null, y: spot?.y ?? null })),
      { transaction },
    );
    await HeaderRow.bulkCreate(
      demo.headers.map(({ on: _on, ...h }) => ({ ...h, equipment: h.equipment ?? null })),
      { transaction },
    );
    await SheetRow.bulkCreate(
      demo.sheets.map((s) => ({
        model: s.model,
        revision: s.revision,
        document: s,
        publishedBy: 'Rhea Aldane',
        publishedAt: new Date('2026-02-02T08:00:00Z'),
      })),
      { transaction },
    );
    const now = { by: 'Rhea Aldane', at: new Date('2026-02-02T08:00:00Z') };
    await BoardSettingRow.bulkCreate(
      demo.boards.map(({ branch, version, ...document }) => ({
        ...{ branch, version, document },
        ...now,
      })),
      { transaction },
    );
    await BreakdownRow.bulkCreate(
      demo.breakdowns.map((b) => ({ ...b, at: new Date(b.at) })),
      { transaction },
    );
    await TechnicianHoursRow.bulkCreate(
      demo.hours.map((h) => ({ ...h })),
      { transaction },
    );
    await CostsRow.bulkCreate(
      demo.costs.map((c) => ({ ...c, version: 1, ...now })),
      { transaction },
    );
    await PriceRow.bulkCreate(
      demo.parts.map((part) => ({ ...part, ...now })),
      { transaction },
    );
    await SupplierRow.bulkCreate(
      demo.suppliers.map((s) => ({ ...s })),
      { transaction },
    );
    await StockRow.bulkCreate(
      Object.entries(demo.stock).flatMap(([branch, shelf]) =>
        Object.entries(shelf).map(([number, onHand]) => ({
          ...{ branch, number, onHand, source: 'count' as const },
          asOf: now.at,
        })),
      ),
      { transaction },
    );
    await OrderRow.bulkCreate(
      demo.orders.map((o) => ({ ...o })),
      { transaction },
    );
    await WalkRow.bulkCreate(
      demo.walks.map((w) => ({
        ...w,
        startedAt: new Date(w.startedAt),
        finishedAt: w.finishedAt ? new Date(w.finishedAt) : null,
        madeSafeAt: w.madeSafeAt ? new Date(w.madeSafeAt) : null,
      })),
      { transaction },
    );
    await insertReadings(db, demo.readings, transaction);
    await TickRow.bulkCreate(
      demo.ticks.map((t) => ({ ...t, at: new Date(t.at) })),
      { transaction },
    );
    await WorkRow.bulkCreate(
      demo.work.map((w) => ({ ...w, acceptedAt: new Date(w.acceptedAt), withdrawnAt: null })),
      { transaction },
    );
    await VisitRow.bulkCreate(
      demo.visits.map((v) => ({
        ...v,
        stoppedAt: v.stoppedAt ? new Date(v.stoppedAt) : null,
        startedAt: v.startedAt ? new Date(v.startedAt) : null,
        finishedAt: v.finishedAt ? new Date(v.finishedAt) : null,
      })),
      { transaction },
    );
    await SettingRow.upsert({ key: 'statedDay', value: demo.today }, { transaction });
    await machinesChanged(db, 'all', transaction);
    return demo;
  });
  if (!demo) return (await statedDay()) ?? DEMO_DAY;
  await learn(db, demo.today);
  for (const { id } of demo.machines) await judge(db, id, demo.today);
  // what is asked for next is planned by what is there now, also in a copy
  await db.sequelize.query('VACUUM (ANALYZE)');
  return demo.today;
}
