import { z } from 'zod';
import { checkBase, TAKE_UP_ENTERED, takeUpToEnter } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { aboveZero, ShortText } from '../../contracts/common';
import { TakeUp } from '../../contracts/limits';

const millimetres = z.number().finite().nonnegative().max(50_000, 'a length below 50 m');
const positiveMillimetres = aboveZero(50_000);

const MarkGauge = z.object({
  length: positiveMillimetres,
  short: millimetres.default(0).describe('mm short that is still fine'),
  past: millimetres.describe('mm past the end that is still fine (0: exactly at)'),
});

/**
 * An indicator against its mark. `short` is always the loose side; the words say what is seen
 * there.
 */
export const MarkCheck = z
  .object({
    ...checkBase,
    ...varying({ takeUp: TakeUp.optional(), gauge: MarkGauge.optional() }),
    kind: z.literal('mark'),
    gauge: MarkGauge,
    words: z.object({ short: ShortText, at: ShortText, past: ShortText }).default({
      short: 'washer not yet at the end of the gauge',
      at: 'washer level with the end',
      past: 'washer beyond the end',
    }),
    maxSideDifference: millimetres,
    takeUp: TakeUp.optional(),
    takeUpToEnter,
    setsItself: z
      .boolean()
      .default(false)
      .describe('hydraulic or spring loaded: look, do not adjust'),
  })
  .refine((c) => !(c.takeUp && c.takeUpToEnter), {
    path: ['takeUpToEnter'],
    message: TAKE_UP_ENTERED,
  });
export type MarkCheck = z.infer<typeof MarkCheck>;

/** Where the indicator stands, and how far short or past, mm. */
export const MarkValue = z.object({
  kind: z.literal('mark'),
  stands: z.enum(['short', 'at', 'past']),
  by: millimetres.max(50_000, 'a length below 50 m').default(0),
});
