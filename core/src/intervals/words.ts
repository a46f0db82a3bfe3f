import type { Interval } from '../contracts';
import { printHours } from '../units';

/** How often, in a few words: "every 100 h or 365 days, first 10 h after renewal". */
export function intervalWords(interval: Interval): string {
  switch (interval.kind) {
    case 'daily':
      return interval.days === undefined
        ? 'daily in the season'
        : `every ${interval.days} days in the season`;
    case 'perCrop':
      return 'at each change of crop';
    case 'perHeader':
      return 'at each change of header';
    case 'season':
      return interval.early === undefined
        ? 'before each harvest'
        : `before each harvest, and ${printHours(interval.early)} after renewal`;
    case 'afterHarvest':
      return 'after each harvest';
    case 'storageIn':
      return 'when it goes into storage';
    case 'storageOut':
      return 'when it comes out of storage';
    case 'once':
      return `once, ${printHours(interval.hours)} after it was new`;
    case 'every':
      return everyWords(interval);
  }
}

function everyWords({ hours, days, early }: Extract<Interval, { kind: 'every' }>): string {
  const often = [
    hours === undefined ? '' : `every ${printHours(hours)}`,
    days === undefined ? '' : `${hours === undefined ? 'every ' : ''}${days} days`,
  ];
  const first = early === undefined ? '' : `, first ${printHours(early)} after renewal`;
  return `${often.filter(Boolean).join(' or ')}${first}`;
}
