import type { Check, MeasuredCheck } from '../../contracts';
import type { Finding, NotWorthLeavingNumbers } from '../../findings';
import { leaveOrRenew } from '../../forecast';
import type { MachineFacts, Seen, StopCosts } from '../kind';
import type { WearForecast } from './forecast';

/** Chance of reaching the limit in season below which a component is left alone. Shop rule. */
export const HOLDS_CHANCE = 0.05;
/** Chance from which nobody leaves it, where no costs are known. Shop rule. */
export const RENEW_CHANCE = 0.5;
/** What surely goes in season is never only watched, whatever the sums say. */
const SURE = 0.99;

/**
 * What is inside its limit today: left alone, watched, or not worth leaving through harvest.
 * @param wear wear fraction now; what is thrown away is the life that is left
 * @see leaveOrRenew
 */
export function willItLast(
  check: MeasuredCheck,
  { wear, forecast }: { readonly wear: number; readonly forecast: WearForecast },
  { main, now }: Seen,
  { seasonHours, costs }: MachineFacts,
): readonly Finding[] {
  if (forecast.chance < HOLDS_CHANCE) return [];
  const { chance, hours10, hours50, hours90, age } = forecast;
  const sums =
    costs && sumsOf(check, { chance, lifeLeft: 1 - Math.min(1, Math.max(0, wear)) }, costs);
  const better = sums ? sums.leave > sums.renew : chance >= RENEW_CHANCE;
  if (better || chance > SURE) {
    const numbers: NotWorthLeavingNumbers = {
      chance,
      expectedAt: now + hours50,
      sums,
      shopRule: RENEW_CHANCE,
      age,
    };
    return [{ id: 'notWorthLeaving', numbers }];
  }
  const watched: Finding = {
    id: 'reachesLimit',
    numbers: { chance, hours10, hours90, season: seasonHours, lookAgain: now + hours10, age },
  };
  // the hour to look again is past, and nothing was read since
  return hours10 <= 0 && main.hours < now
    ? [
        watched,
        { id: 'recheckDue', numbers: { atHours: main.hours, on: main.takenAt.slice(0, 10) } },
      ]
    : [watched];
}

/** Both sums; undefined where the sheet does not say what a stop takes, or a part has no price. */
function sumsOf(
  { costs, parts, labour }: Check,
  { chance, lifeLeft }: { readonly chance: number; readonly lifeLeft: number },
  { stopHour, labourHour, prices }: StopCosts,
): NotWorthLeavingNumbers['sums'] {
  if (!costs) return undefined;
  const priced = parts.map((p) => (prices[p.number] ?? NaN) * p.each);
  const part = priced.reduce((a, b) => a + b, 0);
  if (Number.isNaN(part)) return undefined;
  const { leave, renew, breakEven } = leaveOrRenew({
    chance,
    stopHours: costs.stopHours,
    costPerStopHour: stopHour,
    collateral: costs.collateral,
    fieldLabour: (costs.fieldMinutes / 60) * labourHour,
    part,
    shopLabour: (labour.replace / 60) * labourHour,
    lifeLeft,
  });
  return { leave, renew, breakEven };
}
