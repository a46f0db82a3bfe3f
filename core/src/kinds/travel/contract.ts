import { z } from 'zod';

const millimetres = z.number().finite().nonnegative().max(50_000, 'a length below 50 m');

/** Travel an adjuster has left, mm, and the links taken out since. */
export const TravelValue = z.object({
  kind: z.literal('travel'),
  left: millimetres,
  linksOut: z.int().min(0).max(20).default(0),
  typed: z.string().max(40).default(''),
  unit: z.string().max(8).default('mm'),
});
