import { addMonths } from 'date-fns/addMonths';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Day, OwnTool, ReadingTool } from '../contracts';

/** How a tool's calibration stands on a day. */
export interface Calibration {
  /** the last day on which it stands; null where the tool was never calibrated */
  readonly until: Day | null;
  readonly outOfDate: boolean;
}

/**
 * How a tool's calibration stands: from the day it was done for so many months. One dated later than
 * today is none.
 */
export function calibrationOf(
  { calibratedOn, everyMonths }: Pick<OwnTool, 'calibratedOn' | 'everyMonths'>,
  today: Day,
): Calibration {
  if (calibratedOn === null || calibratedOn > today) return { until: null, outOfDate: true };
  const until = formatISO(addMonths(parseISO(calibratedOn), everyMonths), {
    representation: 'date',
  });
  return { until, outOfDate: today > until };
}

/** How much wider a tool is trusted once its calibration is out of date. */
export const WIDER = 2;

/**
 * A tool as a reading carries it. Out of date it is trusted half as far: its standard uncertainty, at
 * least resolution/√12, counts twice.
 */
export function toolAtHand(tool: OwnTool, today: Day): ReadingTool {
  const { name, resolution, uncertainty } = tool;
  const { outOfDate } = calibrationOf(tool, today);
  if (!outOfDate) return { name, resolution, ...(uncertainty ? { uncertainty } : {}) };
  const own = Math.max(uncertainty ?? 0, resolution / Math.sqrt(12));
  return { name, resolution, uncertainty: WIDER * own, outOfDate: true };
}
