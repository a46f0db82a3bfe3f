import type { BreakdownKind, ForecastScore } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';

export const WHAT: readonly { readonly value: BreakdownKind; readonly title: string }[] = [
  { value: 'broke', title: 'It broke' },
  { value: 'cameOff', title: 'It came off' },
  { value: 'jammed', title: 'It jammed' },
  { value: 'wornThrough', title: 'Worn through' },
  { value: 'ranHot', title: 'It ran hot' },
  { value: 'other', title: 'Something else' },
];
export const whatWords = (kind: BreakdownKind): string =>
  WHAT.find((w) => w.value === kind)?.title.toLowerCase() ?? kind;

/** "Of 40 that were watched, 7 came to it; the forecast said 6.3." */
export function watchedWords({ n, happened, said }: ForecastScore): string {
  if (!n) return 'No forecast has come out yet: that takes a harvest, and a reading after it.';
  return `Of ${n} that the forecast gave at least 5 %, ${happened} came to their limit in harvest; the forecast said ${printNumber(said, 1)}.`;
}

/** Whether forecasts are better than always saying the share that happened, in words. */
export function scoreWords({ n, brier, base }: ForecastScore): string {
  if (brier === null || base === null) return '';
  if (n < FEW) return `Only ${n} so far: too few to say how good they are.`;
  if (base === 0) return 'All went one way: there was nothing to tell apart.';
  const better = 1 - brier / base;
  return better > 0
    ? `${printNumber(100 * better, 0)} % better than always saying the average.`
    : 'No better than always saying the average: its sheet’s rates want looking at.';
}
const FEW = 10;
