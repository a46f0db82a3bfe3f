import type { ServiceCheck } from '../../contracts';
import type { FindingNumbers, Sentences, ServiceDueNumbers, ServiceNumbers } from '../../findings';
import { meterHours } from '../../findings';
import { printNumber } from '../../units';

/** "2 strokes", "1.5 l". */
export function serviceAmount(asks: ServiceCheck['asks'], amount: number): string {
  if (asks === 'litres') return `${printNumber(amount, 1)} l`;
  return `${printNumber(amount, 0)} ${amount === 1 ? 'stroke' : 'strokes'}`;
}

const wanted = ({ asks, product, wanted: amount }: ServiceDueNumbers): string =>
  amount > 0 ? `${serviceAmount(asks, amount)} of ${product}` : product;

const every = ({ every: hours, days }: ServiceDueNumbers): string =>
  `${hours > 0 ? `, every ${meterHours(hours)}` : ''}${days > 0 ? ` or ${days} days` : ''}`;

export const SERVICE_SENTENCES = {
  otherProduct: (n) => `${n.used} was used, the book says ${n.product}: change it.`,
  tooMuch: (n) =>
    `${serviceAmount(n.asks, n.amount)} given, never more than ${serviceAmount(n.asks, n.most)}: wipe off and run it out.`,
  tooLittle: (n) =>
    `${serviceAmount(n.asks, n.amount)} given, ${serviceAmount(n.asks, n.wanted)} wanted.`,
  serviceDue: (n) => `Due: last done at ${meterHours(n.doneHours)}${every(n)}. ${wanted(n)}.`,
  serviceInSeason: (n) =>
    `Falls due ${n.on === null ? `at ${meterHours(n.lookAgain)}` : `on ${n.on}`}, before harvest ends: ${wanted(n)}.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideService = ({ asks, amount, product }: ServiceNumbers): string =>
  amount > 0 ? `Done: ${serviceAmount(asks, amount)} of ${product}.` : `Done: ${product}.`;
