import { QueryTypes, type Transaction } from 'sequelize';
import type { ClassRate, Machine } from '@green-tally/core/contracts';
import { ratesOf, slopesOf, type FleetMember } from '@green-tally/core/fleet';
import { checksFor } from '@green-tally/core/walk';
import { ReadingRow } from './models';
import { toReading } from './rows';
import { currentSheets } from './sheets';
import { connection, within } from './within';

/** What the fleet has shown so far, asked branch by branch. */
export type RatesFor = (branch: string) => Readonly<Record<string, ClassRate>>;

/** A machine's lives, kept as long as its readings, build and sheets are the same. */
interface Kept {
  readonly mark: string;
  readonly member: FleetMember;
}

interface Fleet {
  readonly machines: Map<string, Kept>;
  rates: Map<string, Readonly<Record<string, ClassRate>>>;
  lookedAt: number;
  looking: Promise<void> | undefined;
}

/** One fleet a database, learnt by this process. */
const fleets = new WeakMap<object, Fleet>();
/** How fast things wear does not change within a minute; lives are looked through no oftener. */
const FRESH_MS = 60_000;

/**
 * How fast each component class wears by the lives on record. Looked through again at most once a
 * minute, and then only machines with new readings: what changes is learnt by the next minute.
 */
export async function fleetRates(transaction?: Transaction): Promise<RatesFor> {
  const fleet = fleetOf();
  if (Date.now() - fleet.lookedAt >= FRESH_MS) {
    fleet.looking ??= look(fleet, transaction).finally(() => {
      fleet.looking = undefined;
    });
    // the first time there is nothing to answer with; later the older answer does
    if (fleet.lookedAt === 0) await fleet.looking;
    else fleet.looking.catch(() => undefined);
  }
  return (branch) => {
    const kept = fleet.rates.get(branch);
    if (kept) return kept;
    const rates = ratesOf(
      [...fleet.machines.values()].map((k) => k.member),
      branch,
    );
    fleet.rates.set(branch, rates);
    return rates;
  };
}

function fleetOf(): Fleet {
  const key = connection();
  const known = fleets.get(key);
  if (known) return known;
  const fleet: Fleet = {
    machines: new Map(),
    rates: new Map(),
    lookedAt: 0,
    looking: undefined,
  };
  fleets.set(key, fleet);
  return fleet;
}

type MachineMark = Pick<Machine, 'id' | 'serial' | 'builtOn' | 'branch' | 'model' | 'header'> & {
  readonly equipment: Machine['equipment'] | null;
  readonly read: string;
};

async function look(fleet: Fleet, transaction?: Transaction): Promise<void> {
  const [sheets, machines] = await Promise.all([
    currentSheets(transaction),
    connection().query<MachineMark>(
      `SELECT m.id, m.serial, m.built_on::text AS "builtOn", m.branch, m.model, m.header, m.equipment, count(r.id) AS read
       FROM machines m LEFT JOIN readings r ON r.machine_id = m.id GROUP BY m.id`,
      { type: QueryTypes.SELECT, ...within(transaction) },
    ),
  ]);
  const revisions = sheets.map((s) => `${s.model} ${s.revision}`).join();
  for (const { equipment, read, ...machine } of machines) {
    const { id, branch, model, header } = machine;
    const mark = JSON.stringify([branch, model, header, equipment, read, revisions]);
    if (fleet.machines.get(id)?.mark === mark) continue;
    const readings = await ReadingRow.findAll({
      where: { machineId: id },
      order: [
        ['takenAt', 'ASC'],
        ['id', 'ASC'],
      ],
      ...within(transaction),
    });
    const checks = checksFor({ ...machine, equipment: equipment ?? undefined }, sheets);
    const slopes = slopesOf(checks, readings.map(toReading), header?.serial);
    fleet.machines.set(id, { mark, member: { branch, slopes } });
  }
  const here = new Set(machines.map((m) => m.id));
  for (const id of fleet.machines.keys()) if (!here.has(id)) fleet.machines.delete(id);
  fleet.rates = new Map();
  fleet.lookedAt = Date.now();
}
