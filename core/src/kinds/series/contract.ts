import { z } from 'zod';
import { aboveZero } from '../../contracts/common';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { agreeing, measured } from '../measure/contract';

/** The same measure at many places: row by row, corner by corner. */
export const SeriesCheck = agreeing(
  z.object({
    ...checkBase,
    ...varying({ limit: measured.limit.optional() }),
    ...measured,
    kind: z.literal('series'),
    outOfFamily: aboveZero(1_000_000).describe(
      'step off the neighbours that is challenged, in the unit of the quantity',
    ),
  }),
);
export type SeriesCheck = z.infer<typeof SeriesCheck>;
