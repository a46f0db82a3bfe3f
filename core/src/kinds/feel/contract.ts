import { z } from 'zod';
import { checkBase, TAKE_UP_ENTERED, takeUpToEnter } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { TakeUp } from '../../contracts/limits';

export const Feel = z.enum(['stuck', 'justSlides', 'slidesEasily', 'hangs']);
export type Feel = z.infer<typeof Feel>;
/** How a chain or belt feels by hand. */
export const FeelCheck = z
  .object({
    ...checkBase,
    ...varying({ takeUp: TakeUp.optional() }),
    kind: z.literal('feel'),
    good: z.array(Feel).min(1).max(4),
    asksPlay: z
      .boolean()
      .default(false)
      .describe('up-and-down play is asked for too, and is wrong'),
    takeUp: TakeUp.optional(),
    takeUpToEnter,
  })
  .refine((c) => !(c.takeUp && c.takeUpToEnter), {
    path: ['takeUpToEnter'],
    message: TAKE_UP_ENTERED,
  });
export type FeelCheck = z.infer<typeof FeelCheck>;

export const FeelValue = z.object({
  kind: z.literal('feel'),
  feel: Feel,
  play: z.boolean().optional(),
});
