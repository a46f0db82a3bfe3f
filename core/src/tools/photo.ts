import type { MeasuredCheck, ReadingTool } from '../contracts';
import { InputError } from '../units';

/**
 * A photo as the tool of a reading: the reading is judged by the uncertainty of that photo, not by
 * the tool that the sheet asks for.
 * @param expanded U of the length, k = 2, mm
 * @throws InputError where it is no size
 */
export function photoTool(check: MeasuredCheck, expanded: number): ReadingTool {
  if (!(expanded > 0 && expanded < 1000))
    throw new InputError('uncertainty', expanded, 'a size above 0');
  // a chain's length counts its tool at both ends; what is known of a photo is of the whole length
  const ends = check.limit.type === 'elongation' ? Math.SQRT2 : 1;
  const shown = Math.max(0.01, Math.round(expanded * 100) / 100);
  return { name: 'photo', resolution: shown, uncertainty: Math.max(0.0001, expanded / 2 / ends) };
}
