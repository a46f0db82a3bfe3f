import { QueryTypes, type Transaction } from 'sequelize';
import type { ClassRate, Machine } from '@green-tally/core/contracts';
import { ratesOf, slopesOf, type FleetMember } from '@green-tally/core/fleet';
import { checksFor } from '@green-tally/core/walk';
import type { Database } from './connection';
import { ReadingRow } from './models';
import { toReading } from './rows';
import { currentSheets } from './sheets';
import { factsVersion } from './version';
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
  /** moves on when some machine's lives have changed: derived views are cached under it */
  version: number;
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
  if (fleet.lookedAt === 0) {
    // there is nothing to answer with yet. Under a lock nobody else's connection is waited for
    await (transaction ? look(fleet, transaction) : lookOnce(fleet));
  } else if (Date.now() - fleet.lookedAt >= FRESH_MS) {
    // the older answer does; the newer one is looked up on a connection of its own
    lookOnce(fleet).catch(() => undefined);
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

/** Version of all that verdicts are derived from: the facts, and what the fleet has shown. */
export async function derivedVersion(db: Database): Promise<string> {
  await fleetRates();
  return `${await factsVersion(db)}.${fleetOf().version}`;
}

function lookOnce(fleet: Fleet): Promise<void> {
  fleet.looking ??= look(fleet).finally(() => {
    fleet.looking = undefined;
  });
  return fleet.looking;
}

function fleetOf(): Fleet {
  const key = connection();
  const known = fleets.get(key);
  if (known) return known;
  const fleet: Fleet = {
    machines: new Map(),
    rates: new Map(),
    lookedAt: 0,
    version: 0,
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
  let changed = false;
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
    const slopes = slopesOf(checks, readings.map(toReading), {
      serial: header?.serial,
      since: header?.since,
    });
    fleet.machines.set(id, { mark, member: { branch, slopes } });
    changed = true;
  }
  const here = new Set(machines.map((m) => m.id));
  for (const id of fleet.machines.keys())
    if (!here.has(id)) changed = fleet.machines.delete(id) || changed;
  fleet.lookedAt = Date.now();
  if (!changed) return;
  fleet.rates = new Map();
  fleet.version += 1;
}
