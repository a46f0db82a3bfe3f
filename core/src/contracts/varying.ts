import { z } from 'zod';
import { Part } from './checkBase';
import { ShortText, Slug } from './common';
import { Fits } from './fits';
import { Interval } from './limits';

/**
 * What of a check may differ at one place, or on some machines: its parts, and what its kind adds.
 * Nothing else is taken.
 */
export const varying = <S extends z.ZodRawShape>(shape: S) => {
  const differs = { parts: z.array(Part).max(40).optional(), ...shape };
  return {
    perPlace: z
      .record(ShortText, z.strictObject(differs))
      .refine((of) => Object.keys(of).length <= 64, 'at most 64 places')
      .optional()
      .describe('what differs at one place from the rest'),
    versions: z
      .array(
        z.strictObject({
          ...Fits.shape,
          when: z
            .record(Slug, z.array(Slug).min(1))
            .optional()
            .describe('with this equipment, or by this school'),
          interval: Interval.optional(),
          ...differs,
        }),
      )
      .max(40)
      .optional()
      .describe('what differs on some machines, by serial, year built or equipment'),
  };
};
