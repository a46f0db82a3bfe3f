import { z } from 'zod';
import { Day, Id, ShortText } from './common';
import { Quantity, Tool } from './limits';

/** A tool that a reading was taken with: what it can be trusted to, and whether that is proven. */
export const ReadingTool = Tool.extend({
  resolution: z.number().min(0.0001).max(1000),
  outOfDate: z
    .literal(true)
    .optional()
    .describe('its calibration was out of date: the uncertainty is the wider one'),
});
export type ReadingTool = z.infer<typeof ReadingTool>;

/**
 * A person's own tool. Resolution and uncertainty in the core's unit of what it measures; the finest
 * scale there is bears no more than a ten-thousandth of it.
 */
export const OwnTool = z.object({
  id: Id,
  name: ShortText,
  quantity: Quantity,
  resolution: z.number().min(0.0001).max(1000).describe('one division of its scale'),
  uncertainty: z
    .number()
    .min(0.0001)
    .max(1000)
    .optional()
    .describe('standard uncertainty by its certificate, where there is one'),
  calibratedOn: Day.nullable().describe('null: never, as far as is known'),
  everyMonths: z.int().min(1).max(60).describe('how long a calibration stands'),
});
export type OwnTool = z.infer<typeof OwnTool>;
export const OwnTools = z.object({ tools: z.array(OwnTool) });
