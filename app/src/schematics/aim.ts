import {
  type Check,
  type MarkCheck,
  type MeasuredCheck,
  type TakeUp,
  takeUpOf,
} from '@green-tally/core/contracts';
import { wearLimitsOf } from '@green-tally/core/kinds';
import { printAs, type Writing } from '@green-tally/core/units';

/**
 * What a drawing shows of its check: sizes and limits in the core's own units, and how they are
 * written.
 */
export interface Aim {
  readonly check: Check;
  readonly nominal: number | undefined;
  readonly limit: number | undefined;
  readonly limitPercent: number | undefined;
  readonly low: number | undefined;
  readonly high: number | undefined;
  readonly slot: TakeUp | undefined;
  readonly gauge: MarkCheck['gauge'];
  readonly words: MarkCheck['words'] | undefined;
  readonly write: (value: number | undefined) => string;
}

const NO_GAUGE: MarkCheck['gauge'] = { length: 60, short: 0, past: 0 };

/** The numbers of a check that its drawing is scaled from. */
export function aimOf(check: Check): Aim {
  const measured = check.kind === 'measure' || check.kind === 'series' ? check : undefined;
  const mark = check.kind === 'mark' ? check : undefined;
  const writing: Writing = measured ?? { quantity: 'length', unit: 'mm', style: 'mm' };
  return {
    check,
    ...(measured ? limitsOf(measured) : NO_LIMITS),
    slot: takeUpOf(check),
    gauge: mark?.gauge ?? NO_GAUGE,
    words: mark?.words,
    write: (value) => (value === undefined ? '' : printAs(value, writing, 1)),
  };
}

type Limits = Pick<Aim, 'nominal' | 'limit' | 'limitPercent' | 'low' | 'high'>;

const NO_LIMITS: Limits = {
  nominal: undefined,
  limit: undefined,
  limitPercent: undefined,
  low: undefined,
  high: undefined,
};

function limitsOf(check: MeasuredCheck): Limits {
  if (check.limit.type === 'band') {
    const { nominal, low, high } = check.limit;
    return { ...NO_LIMITS, nominal, low, high };
  }
  const limits = wearLimitsOf(check);
  return {
    ...NO_LIMITS,
    nominal: limits?.nominal,
    limit: limits?.limit,
    limitPercent: limits?.limitPercent,
  };
}

/**
 * What a reading should be, in a few words: for a drawing that shows a wear limit or a band alike.
 */
export function aimLines({ nominal, limit, low, high, write }: Aim): string[] {
  if (limit !== undefined) return [`limit ${write(limit)}`, `new ${write(nominal)}`];
  if (low !== undefined && high !== undefined) return [`${write(low)} to`, write(high)];
  if (low !== undefined) return [`at least ${write(low)}`];
  return high === undefined ? [] : [`at most ${write(high)}`];
}
