import { QueryTypes, type Transaction } from 'sequelize';
import type { ClassHands, ClassRate, JobTime } from '@green-tally/core/contracts';
import { connection, within } from './within';

/** What the fleet has shown by component class. */
export type Rates = Readonly<Record<string, ClassRate>>;

/** What was learnt one night, by branch; '' is a branch of which nothing is known yet. */
export interface FleetRates {
  /** 0 before anything was learnt */
  readonly id: number;
  of(branch: string): Rates;
  /** in how many looks a hand was needed, over all branches */
  readonly hands: Readonly<Record<string, ClassHands>>;
  /** how long jobs have taken at a branch against the sheet */
  times(branch: string): Times;
}

type Times = Readonly<Record<string, JobTime>>;

const NONE: FleetRates = { id: 0, of: () => ({}), hands: {}, times: () => ({}) };
const newest = new WeakMap<object, FleetRates>();

/**
 * The newest rates. They are learnt once a day and stored, so that every process judges by the
 * same, and a verdict does not move while nobody has read anything.
 */
export async function fleetRates(transaction?: Transaction): Promise<FleetRates> {
  const [row] = await connection().query<{ id: number | null }>(
    'SELECT max(id) AS id FROM fleet_rates',
    { type: QueryTypes.SELECT, ...within(transaction) },
  );
  if (!row?.id) return NONE;
  const kept = newest.get(connection());
  if (kept?.id === row.id) return kept;
  const [learnt] = await connection().query<{
    rates: Record<string, Rates>;
    hands: FleetRates['hands'];
    times: Record<string, Times>;
  }>('SELECT rates, hands, times FROM fleet_rates WHERE id = $1', {
    type: QueryTypes.SELECT,
    bind: [row.id],
    ...within(transaction),
  });
  const byBranch = learnt?.rates ?? {};
  const rates = {
    id: row.id,
    of: (branch: string) => byBranch[branch] ?? byBranch[''] ?? {},
    hands: learnt?.hands ?? {},
    times: (branch: string) => learnt?.times[branch] ?? learnt?.times[''] ?? {},
  };
  newest.set(connection(), rates);
  return rates;
}
