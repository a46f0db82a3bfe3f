import type { Check } from '../../contracts';
import type { BothSums, Finding, NoSums } from '../../findings';
import { leaveOrRenew } from '../../forecast';
import type { MachineFacts, Seen, StopCosts } from '../kind';
import type { WearForecast } from './forecast';
import { stopOf } from './stopOf';

/** Chance of reaching the limit in season below which a component is left alone. Shop rule. */
export const HOLDS_CHANCE = 0.05;
/** Chance from which nobody leaves it, where no costs are known. Shop rule. */
export const RENEW_CHANCE = 0.5;
/** What surely goes in season is never only watched, whatever the sums say. */
const SURE = 0.99;

/** What is asked of a check to reckon whether it is left. */
type Lastable = Pick<Check, 'parts' | 'costs' | 'method' | 'labour'>;

/** What is forecast of a place, and by which work it would be put right. */
export interface Lasting {
  /** wear fraction now; what is thrown away is the life that is left */
  readonly wear: number;
  readonly forecast: WearForecast;
  /** a part wears and is renewed; a setting drifts and is set again, which throws nothing away */
  readonly by?: 'replace' | 'adjust' | 'shorten';
}

/**
 * What is inside its limit today: left alone, watched, or not worth leaving through harvest.
 * @see leaveOrRenew
 */
export function willItLast(
  check: Lastable,
  lasting: Lasting,
  { main, now }: Pick<Seen, 'main' | 'now'>,
  { seasonHours, costs }: MachineFacts,
): readonly Finding[] {
  const { forecast, by = 'replace' } = lasting;
  if (forecast.chance < HOLDS_CHANCE) return [];
  const { chance, hours10, hours50, hours90, age, rate } = forecast;
  const sums = costs ? sumsOf(check, lasting, costs) : undefined;
  const money =
    sums === undefined || 'lacks' in sums
      ? { sums: undefined, noSums: sums ?? NO_COSTS }
      : { sums, noSums: undefined };
  const better = money.sums ? money.sums.leave > money.sums.renew : chance >= RENEW_CHANCE;
  const expected = {
    what: REACHED[by],
    chance,
    expectedAt: now + hours50,
    ...money,
    shopRule: RENEW_CHANCE,
    age,
    rate,
  };
  if (better || chance > SURE) return [{ id: NOT_WORTH_LEAVING[by], numbers: expected }];
  const watched: Finding = {
    id: 'reachesLimit',
    numbers: { ...expected, hours10, hours90, season: seasonHours, lookAgain: now + hours10 },
  };
  // the hour to look again is past, and nothing was read since
  return hours10 <= 0 && main.hours < now
    ? [
        watched,
        { id: 'recheckDue', numbers: { atHours: main.hours, on: main.takenAt.slice(0, 10) } },
      ]
    : [watched];
}

const NOT_WORTH_LEAVING = {
  replace: 'notWorthLeaving',
  adjust: 'notWorthLeavingSet',
  shorten: 'notWorthLeavingLong',
} as const;

const REACHED = { replace: 'limit', adjust: 'band', shorten: 'travel' } as const;

const NO_COSTS: NoSums = { lacks: 'costs', parts: [] };

/** Both sums; what is lacking where a part has no price. */
function sumsOf(
  check: Lastable,
  { wear, forecast: { chance }, by = 'replace' }: Lasting,
  { stopHour, labourHour, prices, currency }: StopCosts,
): BothSums | NoSums {
  const parts = by === 'replace' ? check.parts : [];
  const unpriced = parts.filter((p) => prices[p.number] === undefined).map((p) => p.number);
  if (unpriced.length) return { lacks: 'prices', parts: unpriced };
  const part = parts.reduce((sum, p) => sum + (prices[p.number] ?? 0) * p.each, 0);
  const stop = stopOf(check, part);
  // setting again throws nothing away but its own work, which is to be done again anyway
  const lifeLeft = 1 - Math.min(1, Math.max(0, wear));
  const terms = {
    stopHours: stop.stopHours,
    costPerStopHour: stopHour,
    collateral: stop.collateral,
    fieldLabour: (stop.fieldMinutes / 60) * labourHour,
    part,
    shopLabour: (check.labour[by] / 60) * labourHour,
    lifeLeft,
  };
  const { leave, renew, breakEven } = leaveOrRenew({ chance, ...terms });
  return { leave, renew, breakEven, currency, stopRule: stop.shopRule, terms };
}
