import type { MeasuredCheck, Reading, Tool } from '../../contracts';
import { toolUncertainty } from '../../findings';

/**
 * The tool that readings which repeat each other are trusted by: the coarsest of theirs, and as left
 * that of the last attempt; the check's where none is said.
 */
export function toolOf(readings: readonly Reading[], check: Pick<MeasuredCheck, 'tool'>): Tool {
  let coarsest: Tool | undefined;
  for (let i = readings.length - 1; i >= 0; i -= 1) {
    const { value, tool, state } = readings[i] as Reading;
    if (value.kind !== 'measure') continue;
    if (state === 'asLeft') return tool ?? check.tool;
    const own = tool ?? check.tool;
    if (!coarsest) coarsest = own;
    else if (own !== coarsest && toolUncertainty(own, false) > toolUncertainty(coarsest, false))
      coarsest = own;
  }
  return coarsest ?? check.tool;
}
