import { InputError, zeroOrMore } from '../units';

/** What leaving and renewing cost. Money in one currency; hours. */
export interface LeaveOrRenew {
  /** chance of reaching the limit in season, 0 to 1 */
  readonly chance: number;
  /** a stop in harvest: hours it takes, what an hour costs, what it breaks with it, field labour */
  readonly stopHours: number;
  readonly costPerStopHour: number;
  readonly collateral: number;
  readonly fieldLabour: number;
  readonly part: number;
  readonly shopLabour: number;
  /** share of the part's life thrown away by renewing now, 0 to 1 */
  readonly lifeLeft: number;
  /** share by which money paid after harvest is cheaper than now, 0 unless given */
  readonly discount?: number;
}

/** Both sums, side by side, and the chance at which they are equal. */
export interface LeaveOrRenewSums {
  readonly leave: number;
  readonly renew: number;
  /** chance above which renewing now is cheaper; above 1 it never is, 0 it always is */
  readonly breakEven: number;
  readonly better: 'leave' | 'renew';
}

/**
 * Leave it or renew it now, in money.
 * Leave: chance × (stop + collateral + field labour). Renew: part + shop labour now + life thrown
 * away, less the same
 * work paid later anyway. Both sums are shown; a person decides.
 * @throws InputError naming the field
 * @example leaveOrRenew({ chance: .61, stopHours: 6, costPerStopHour: 650, collateral: 700, fieldLabour: 150, part: 310, shopLabour: 160, lifeLeft: .2 }).better // 'renew'
 */
export function leaveOrRenew(costs: LeaveOrRenew): LeaveOrRenewSums {
  const share = (field: 'chance' | 'lifeLeft', value: number) => {
    if (!(value >= 0 && value <= 1)) throw new InputError(field, value, 'a share from 0 to 1');
    return value;
  };
  const discount = costs.discount ?? 0;
  if (!(discount >= 0 && discount < 1))
    throw new InputError('discount', discount, 'a share from 0, below 1');
  const stop =
    zeroOrMore('stopHours', costs.stopHours) *
      zeroOrMore('costPerStopHour', costs.costPerStopHour) +
    zeroOrMore('collateral', costs.collateral) +
    zeroOrMore('fieldLabour', costs.fieldLabour);
  const now = zeroOrMore('part', costs.part) + zeroOrMore('shopLabour', costs.shopLabour);
  const later = now * (1 - discount) * (1 - share('lifeLeft', costs.lifeLeft));
  const renew = now - later;
  const leave = share('chance', costs.chance) * stop;
  return {
    leave,
    renew,
    breakEven: stop > 0 ? renew / stop : Infinity,
    better: leave > renew ? 'renew' : 'leave',
  };
}
