import type { Part } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import type { WorkPart } from '@green-tally/core/work';

/** How a part is sold, and what goes with it, a line each. */
export function aboutPart({ soldIn, supersededBy, heavy, needs = [] }: Part): string[] {
  return [
    ...(supersededBy ? [`Now ${supersededBy.number} ${supersededBy.name}`] : []),
    ...(soldIn ? [`Sold in boxes of ${soldIn}`] : []),
    ...needs.map((n) => `With each: ${n.each} × ${n.number} ${n.name}`),
    ...(heavy ? [`Heavy instead: ${heavy.number} ${heavy.name}: ${heavy.because}`] : []),
  ];
}

/** A line of parts of some work: what is fitted, and what is ordered where that differs. */
export function partLine(part: WorkPart): string {
  const { quantity, number, name, order, soldIn, instead, neededBy, heavy } = part;
  const about = [
    ...(order !== undefined && order !== quantity
      ? [`order ${order}, sold in ${soldIn ?? order}s`]
      : []),
    ...(instead ? [`in the place of ${instead}`] : []),
    ...(neededBy ? [`with ${neededBy}`] : []),
    ...(heavy ? [`or heavy ${heavy.number}: ${heavy.because}`] : []),
  ];
  return `${quantity} × ${number} ${name}${about.length ? ` (${about.join('; ')})` : ''}`;
}

/** Labour as one says it: minutes below two hours, nothing where there is none. */
export function labourText(hours: number): string {
  const minutes = Math.round(hours * 60);
  if (minutes === 0) return '';
  return minutes < 120 ? `${minutes} min` : `${printNumber(hours, 2)} h`;
}
