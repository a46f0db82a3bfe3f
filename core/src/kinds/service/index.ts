import type { ReadingValue, ServiceCheck } from '../../contracts';
import type { ImplausibleNumbers } from '../../findings';
import { printNumber } from '../../units';
import type { Kind } from '../kind';
import { judgeService } from './judge';

/** Done: strokes, quantity, product. */
export const service: Kind<'service'> = {
  name: 'Service',
  takes: ['service'],
  wants: (check) => `${amountOf(check)}${check.product}`,
  drawn: (check) => `${amountOf(check)}${check.product}`,
  admit: () => [],
  implausible: implausibleAmount,
  judge: judgeService,
};

function amountOf({ amount, asks }: ServiceCheck): string {
  if (amount === undefined) return '';
  return `${printNumber(amount, 1)} ${amount === 1 && asks === 'strokes' ? 'stroke' : asks} of `;
}

/** Ten times what is wanted is a slip of the pencil. Shop rule. */
const FURTHEST = 10;

function implausibleAmount(
  { amount, most }: ServiceCheck,
  value: ReadingValue,
): ImplausibleNumbers | undefined {
  if (value.kind !== 'service' || value.amount === null || amount === undefined) return undefined;
  const edge = FURTHEST * (most ?? amount);
  return value.amount > edge ? { value: value.amount, edge, side: 'tooFar' } : undefined;
}
