import { differenceInMilliseconds } from 'date-fns/differenceInMilliseconds';
import { parseISO } from 'date-fns/parseISO';
import type { HoursDoubt } from '../contracts/hours';

/** A report of one meter: its hours with the offset of a swapped meter in them, and when. */
export interface MeterAt {
  readonly hours: number;
  readonly at: string;
}

/** What is known of a meter before a report. */
export interface MeterBefore {
  /** the last report that was taken */
  readonly last: MeterAt | undefined;
  /** of the separator: what the machine stands at on the books */
  readonly books: number | undefined;
}

/** A meter is read to so much; less back is none, h. */
const READ_TO = 0.5;
/** A meter that is new, or was set back, shows less than this, h. */
const FRESH = 50;
/** Nobody threshes round the clock for longer: more hours than passed are none. */
const SLACK = 1;
/** A service that was silent for longer is asked about, days. */
const SILENT = 45;
/** A first report so far above the books is not simply believed, h. */
const LEAP = 300;

/**
 * Why a report is not simply taken; nothing where it is.
 * @example hoursDoubt({ hours: 1200, at }, { last: { hours: 1300, at: before }, books: 1300 }) // 'backwards'
 */
export function hoursDoubt(next: MeterAt, { last, books }: MeterBefore): HoursDoubt | undefined {
  const from = last?.hours ?? books;
  if (from === undefined) return undefined;
  if (next.hours < from - READ_TO) return next.hours < FRESH ? 'reset' : 'backwards';
  if (!last) return next.hours > from + LEAP ? 'leap' : undefined;
  const passed = differenceInMilliseconds(parseISO(next.at), parseISO(last.at)) / 3_600_000;
  if (next.hours - last.hours > passed + SLACK) return 'tooFast';
  return passed > SILENT * 24 ? 'gap' : undefined;
}
