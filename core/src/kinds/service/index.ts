import type { ServiceCheck } from '../../contracts';
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
  judge: judgeService,
};

function amountOf({ amount, asks }: ServiceCheck): string {
  if (amount === undefined) return '';
  return `${printNumber(amount, 1)} ${amount === 1 && asks === 'strokes' ? 'stroke' : asks} of `;
}
